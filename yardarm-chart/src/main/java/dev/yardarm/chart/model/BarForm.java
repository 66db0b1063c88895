package dev.yardarm.chart.model;

/** The drawn form of bars. */
public enum BarForm {
    /** Bodies from open to close with the range as a hairline; hollow when rising, filled when falling. */
    CANDLES("candles"),
    /** The range as a line with a tick for the open at the left and one for the close at the right. */
    BARS("bars"),
    /** A line through the closes. */
    LINE("line");

    private final String word;

    BarForm(String word) {
        this.word = word;
    }

    public String word() {
        return word;
    }
}

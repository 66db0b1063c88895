package dev.yardarm.chart.model;

import java.util.Locale;
import java.util.Optional;

/** The drawn form of bars. */
public enum BarForm {
    /** Bodies from open to close with the range as a hairline; hollow when rising, filled when falling. */
    CANDLES("candles", "candles"),
    /** The range as a line with a tick for the open at the left and one for the close at the right. */
    BARS("bars", "bars with open and close"),
    /** The range as a line with a tick for the close at the right. */
    BARS_WITHOUT_OPEN("bars-without-open", "bars without open"),
    /** A line through the closes. */
    LINE("line", "line through closes"),
    /** A line that stands at each close until the next. */
    STEPS("steps", "step line"),
    /** A line through the closes with the ground below it filled. */
    AREA("area", "area"),
    /** A line through the closes, filled above and below the price that percentages are counted from. */
    BASELINE("baseline", "baseline"),
    /** Columns from low to high. */
    COLUMNS("columns", "high-low columns"),
    /** Averaged candles (heikin-ashi): drawn from averaged prices; the bars themselves stay as they are. */
    AVERAGED("averaged", "averaged candles");

    private final String word;
    private final String title;

    BarForm(String word, String title) {
        this.word = word;
        this.title = title;
    }

    /** Its name in documents and on the command line. */
    public String word() {
        return word;
    }

    /** What it is called on screen. */
    public String title() {
        return title;
    }

    /** True for forms that show closes alone. */
    public boolean isOfCloses() {
        return this == LINE || this == STEPS || this == AREA || this == BASELINE;
    }

    /** The form of a word, in any case. */
    public static Optional<BarForm> named(String word) {
        for (BarForm form : values()) {
            if (word != null && form.word.equals(word.strip().toLowerCase(Locale.ROOT))) {
                return Optional.of(form);
            }
        }
        return Optional.empty();
    }
}

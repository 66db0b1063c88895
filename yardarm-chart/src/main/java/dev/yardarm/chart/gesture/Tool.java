package dev.yardarm.chart.gesture;

/** What the pointer does on the price pane. */
public enum Tool {
    /** Chooses and moves. */
    NONE("", ""),
    LEVEL("level", "Click the price of the level"),
    LINE("line", "Click the first point of the line"),
    PLAN("plan", "Click the entry, then the stop");

    private final String word;
    private final String firstHint;

    Tool(String word, String firstHint) {
        this.word = word;
        this.firstHint = firstHint;
    }

    public String word() {
        return word;
    }

    public String firstHint() {
        return firstHint;
    }
}

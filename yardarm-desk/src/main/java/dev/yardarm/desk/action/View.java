package dev.yardarm.desk.action;

/** The views of the window, with the letter that goes to each. */
public enum View {
    CHART("Chart", 'C'),
    SCAN("Scan", 'S'),
    WATCH("Watch", 'W'),
    PLAN("Plan", 'P');

    private final String title;
    private final char letter;

    View(String title, char letter) {
        this.title = title;
        this.letter = letter;
    }

    public String title() {
        return title;
    }

    public char letter() {
        return letter;
    }
}

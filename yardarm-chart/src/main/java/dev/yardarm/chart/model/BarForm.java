package dev.yardarm.chart.model;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** The drawn form of bars. */
public enum BarForm {
    /** Bodies from open to close with the range as a hairline; hollow when rising, filled when falling. */
    CANDLES("candles", "candles"),
    /** The range as a line with a tick for the open at the left and one for the close at the right. */
    BARS("bars", "bars"),
    /** The range as a line with a tick for the close at the right. */
    BARS_WITHOUT_OPEN("bars-without-open", "bars without open"),
    /** Columns from low to high. */
    COLUMNS("high-low", "high-low bars", "columns"),
    /** A line through the closes. */
    LINE("closes", "closes", "line"),
    /** A line that stands at each close until the next. */
    STEPS("stairs", "stairs", "steps"),
    /** A line through the closes with the ground below it filled. */
    AREA("filled", "filled closes", "area"),
    /** A line through the closes, filled above and below the price that percentages are counted from. */
    BASELINE("two-sided", "closes, two-sided", "baseline"),
    /** Averaged candles (heikin-ashi): drawn from averaged prices; the bars themselves stay as they are. */
    AVERAGED("averaged", "candles, averaged (drawing only)");

    private final String word;
    private final String title;
    private final Set<String> former;

    BarForm(String word, String title, String... former) {
        this.word = word;
        this.title = title;
        this.former = Set.of(former);
    }

    /** Its name in documents and on the command line. */
    public String word() {
        return word;
    }

    /** Words it had before, which documents and typed lines may still have. */
    public Set<String> former() {
        return former;
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
            String text = word == null ? "" : word.strip().toLowerCase(Locale.ROOT);
            if (form.word.equals(text) || form.former.contains(text)) {
                return Optional.of(form);
            }
        }
        return Optional.empty();
    }
}

package dev.yardarm.core.calculation;

import java.util.Locale;

/** Spans of the calendar that levels and averages begin anew with. */
public enum Period {
    SESSION,
    WEEK,
    MONTH,
    QUARTER,
    YEAR;

    /** In settings and formulas: lower case. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Numbers the periods of bars: two bars with the same number belong to the same. */
    public ColumnGraph.Node in(ColumnGraph graph) {
        return graph.ofBars(
                "number of the " + word(),
                () -> new PeriodNumber(graph.surroundings().calendar(), this));
    }

    /**
     * Numbers the periods that fit the bars: sessions for those within a day, months for those of a day, years for longer ones, by the
     * shortest time there was from one bar to the next. The number of the first bar is missing.
     */
    public static ColumnGraph.Node fitting(ColumnGraph graph) {
        return graph.ofBars(
                "number of the fitting period",
                () -> new FittingPeriod(graph.surroundings().calendar()));
    }

    /** Minutes from the open of its session to the open of each bar. */
    public static ColumnGraph.Node minuteOfSession(ColumnGraph graph) {
        return graph.ofBars(
                "minute of the session",
                () -> PeriodNumber.minuteOfSession(graph.surroundings().calendar()));
    }
}

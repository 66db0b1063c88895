package dev.yardarm.core.profile;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Period;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.LocalDate;
import java.util.Locale;
import java.util.Set;

/**
 * Which span of a profile each bar belongs to: a period of the calendar, a day, all; of them only what lies between two moments, or some
 * sessions taken together.
 *
 * @param word {@code session, day, week, month, quarter, year} or {@code all}
 * @param since bars that open before it belong to none, microseconds
 * @param until nor those that open from it on
 * @param sessions only these, as one span; empty for all
 */
record SpanOf(String word, double since, double until, Set<LocalDate> sessions) {
    private static final String DAY = "day";
    private static final String ALL = "all";

    /** Numbers the spans: bars with the same number belong to the same; missing for a bar that belongs to none. */
    ColumnGraph.Node in(ColumnGraph graph) {
        TradingCalendar calendar = graph.surroundings().calendar();
        if (word.equals(DAY) || word.equals(ALL) || !sessions.isEmpty()) {
            return graph.ofBars("number of the span " + this, () -> (bars, bar) -> {
                long time = bars.openTime(bar);
                return !covers(time, calendar)
                        ? Double.NaN
                        : sessions.isEmpty() && word.equals(DAY)
                                ? Times.date(time, calendar.zone()).toEpochDay()
                                : 0;
            });
        }
        ColumnGraph.Node period = Period.valueOf(word.toUpperCase(Locale.ROOT)).in(graph);
        if (since == Double.NEGATIVE_INFINITY && until == Double.POSITIVE_INFINITY) {
            return period;
        }
        ColumnGraph.Node covered = graph.ofBars(
                "within the span " + this, () -> (bars, bar) -> covers(bars.openTime(bar), calendar) ? 0 : Double.NaN);
        return dev.yardarm.core.calculation.Operation.ADD.in(graph, period, covered);
    }

    private boolean covers(long time, TradingCalendar calendar) {
        return time >= since && time < until && (sessions.isEmpty() || sessions.contains(calendar.sessionAt(time)));
    }
}

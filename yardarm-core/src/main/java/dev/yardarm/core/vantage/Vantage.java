package dev.yardarm.core.vantage;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.SidesThen;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.series.Bars;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;

/**
 * A moment, and what was known then: bars, and what computations over them may know beside. Everything computed from a vantage
 * is what would have been computed at its moment.
 *
 * <pre>{@code
 * ColumnGraph graph = vantage.graph();
 * Column column = formula.in(graph).output();
 * graph.update(vantage.bars());
 * }</pre>
 *
 * @param moment microseconds UTC
 * @param bars as known at the moment; the last is forming when it had not closed
 * @param surroundings as known at the moment
 */
public record Vantage(long moment, Bars bars, Surroundings surroundings) {
    /**
     * What a complete history tells from a moment on its way: of its bars those that had closed, and the same of others.
     *
     * @param bars all of them closed
     */
    public static Vantage at(long moment, Bars bars, Surroundings surroundings) {
        return new Vantage(moment, bars.first(bars.closedBy(moment)), asOf(moment, surroundings));
    }

    /**
     * The moment at which the last of the bars that opened before a time had closed; the time itself when none did.
     *
     * @param bars all of them closed
     */
    public static long momentBefore(long time, Bars bars) {
        int last = bars.barAt(time - 1);
        return last < 0 ? time : bars.closeTime(last);
    }

    private static Surroundings asOf(long moment, Surroundings of) {
        Map<String, Optional<Bars>> cut = new HashMap<>();
        return of.seenBy(
                code -> cut.computeIfAbsent(code, missing -> of.others()
                                .find(code)
                                .map(Supplier::get)
                                .map(all -> all.first(all.closedBy(moment))))
                        .map(bars -> () -> bars),
                new SidesThen(of.sides(), () -> moment),
                (name, line, time, known) -> of.drawings().priceAt(name, line, time, Math.min(known, moment)));
    }

    /** An empty graph that knows what is known here. */
    public ColumnGraph graph() {
        return new ColumnGraph(surroundings);
    }
}

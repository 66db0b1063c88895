package dev.yardarm.core.scan;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.List;

/** What became of the conditions of a scan on one instrument. */
public enum ScanMatch {
    /** Some condition does not hold at the last bar, or cannot be told. */
    NO,
    /** All hold at the last bar, which is still forming: they may cease to hold before it closes. */
    PROVISIONAL,
    /** All hold at the last bar, which is closed. */
    YES;

    /** Puts the conditions to the last bar of bars round the clock, without other instruments. */
    public static ScanMatch of(Bars bars, List<Formula> conditions) {
        return of(bars, conditions, Surroundings.NONE);
    }

    /**
     * Puts the conditions to the last bar. Cost: bars times nodes of all conditions, shared ones counted once.
     *
     * @param surroundings when sessions begin, and the instruments conditions compare with
     */
    public static ScanMatch of(Bars bars, List<Formula> conditions, Surroundings surroundings) {
        if (bars.isEmpty()) {
            return NO;
        }
        ColumnGraph graph = new ColumnGraph(surroundings);
        List<Column> columns = conditions.stream()
                .map(condition -> condition.in(graph).output())
                .toList();
        graph.update(bars);
        int last = bars.size() - 1;
        for (Column column : columns) {
            if (column.at(last) != 1) {
                return NO;
            }
        }
        return bars.hasForming() ? PROVISIONAL : YES;
    }
}

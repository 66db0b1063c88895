package dev.yardarm.desk.evidence;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.vantage.Vantage;
import dev.yardarm.desk.vantage.Vantages;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;

/**
 * Where a condition held at each bar, in prices as they were adjusted when that bar closed. A split, or the roll of a continuous
 * future, moves all earlier prices; {@code close > 100} over prices adjusted as of now would ask the past about a split it did not know.
 *
 * <p>Between two adjustments the prices of then are those of now by one factor (or one step). A condition that says the same over
 * prices moved by such a factor does not depend on it, which is nearly always so and is found by working it out once more over moved
 * prices. Otherwise it is worked out as of each adjustment anew, over the history known then. Cost: one evaluation; two for an
 * instrument with adjustments; one for each adjustment where levels matter.
 */
final class AsKnownThen {
    private final Vantages vantages;
    private final long moment;
    private final Formula condition;
    private final BarRequest request;

    /** @param moment from which the past is looked at */
    AsKnownThen(Vantages vantages, long moment, Formula condition, BarRequest request) {
        this.vantages = vantages;
        this.moment = moment;
        this.condition = condition;
        this.request = request;
    }

    /**
     * The condition over the bars of a vantage: 1 where it held.
     *
     * @param missing is told of what could not be read
     */
    Column holds(Instrument instrument, Vantage now, Consumer<String> missing) throws IOException {
        Column column = evaluate(now, now.bars());
        List<Long> adjusted = vantages.at(moment).adjustments(instrument, request);
        if (adjusted.isEmpty()) {
            return column;
        }
        boolean joined = instrument.kind() == Instrument.Kind.CONTINUOUS;
        Column moved = evaluate(now, moved(now.bars(), joined));
        int closed = now.bars().closed();
        if (Arrays.equals(column.values(), 0, closed, moved.values(), 0, closed)) {
            return column;
        }
        Column merged = new Column(closed);
        double[] values = merged.room(closed);
        System.arraycopy(column.values(), 0, values, 0, closed);
        merged.resize(closed);
        int known = 0;
        for (long each : adjusted) {
            // A moment before it: what was known while the old prices stood.
            Vantage then = vantages.at(each - 1).open(instrument, request, condition.needs(), missing);
            Column held = evaluate(then, then.bars());
            int upTo = Math.min(then.bars().closed(), closed);
            for (; known < upTo; known++) {
                values[known] = held.at(known);
            }
        }
        return merged;
    }

    private Column evaluate(Vantage vantage, Bars bars) {
        ColumnGraph graph = vantage.graph();
        Column column = condition.in(graph).output();
        graph.update(bars);
        return column;
    }

    /** The bars at other prices: twice as high with half the volume, which is exact, or a step higher. */
    private static Bars moved(Bars bars, boolean byStep) {
        double factor = byStep ? 1 : 2;
        double step = byStep ? Math.scalb(1.0, 2 + Math.getExponent(bars.high(bars.size() - 1))) : 0;
        BarSeries moved = new BarSeries(bars.closed());
        for (int bar = 0; bar < bars.closed(); bar++) {
            moved.append(
                    bars.openTime(bar),
                    bars.closeTime(bar),
                    bars.open(bar) * factor + step,
                    bars.high(bar) * factor + step,
                    bars.low(bar) * factor + step,
                    bars.close(bar) * factor + step,
                    bars.volume(bar) / factor);
        }
        return moved.snapshot();
    }
}

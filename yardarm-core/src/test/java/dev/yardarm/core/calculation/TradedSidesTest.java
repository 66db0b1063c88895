package dev.yardarm.core.calculation;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.ZoneOffset;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Volume by the side of single trades: spans, what is not known, and the cumulative delta that rests on it. */
class TradedSidesTest {
    private static final long MINUTE = Times.MINUTE;

    private static TickSeries ticks(long from, int... signedSizes) {
        TickSeries ticks = new TickSeries(signedSizes.length);
        for (int tick = 0; tick < signedSizes.length; tick++) {
            byte side = signedSizes[tick] < 0 ? TickSeries.BID : TickSeries.ASK;
            ticks.append(from + tick * MINUTE / 2, 100, Math.abs(signedSizes[tick]), side);
        }
        return ticks;
    }

    @Test
    void aSpanTakesItsFirstMomentAndNotItsEnd() {
        TradedSides sides = new TradedSides(0, Long.MAX_VALUE);
        sides.take(ticks(0, 5, -3, 7, -20));
        assertThat(sides.delta(0, MINUTE)).isEqualTo(2);
        assertThat(sides.delta(MINUTE, 2 * MINUTE)).isEqualTo(-13);
        assertThat(sides.delta(0, 10 * MINUTE)).isEqualTo(-11);
        assertThat(sides.delta(5 * MINUTE, 6 * MINUTE)).as("nothing was traded").isZero();
    }

    @Test
    void itGrowsAndWhatLiesOutsideIsMissing() {
        TradedSides sides = new TradedSides(MINUTE, 8 * MINUTE);
        sides.take(ticks(MINUTE, 1, 2));
        sides.take(ticks(2 * MINUTE, -4));
        assertThat(sides.delta(MINUTE, 3 * MINUTE)).isEqualTo(-1);
        assertThat(sides.delta(0, 3 * MINUTE)).isNaN();
        assertThat(sides.delta(MINUTE, 9 * MINUTE)).isNaN();
    }

    @Test
    void aTradeWithoutSideMakesItsSpanUnknown() {
        TradedSides sides = new TradedSides(0, Long.MAX_VALUE);
        TickSeries ticks = ticks(0, 5, 5);
        ticks.append(2 * MINUTE, 100, 9, TickSeries.UNKNOWN);
        ticks.append(4 * MINUTE, 100, 4, TickSeries.BID);
        sides.take(ticks);
        assertThat(sides.delta(0, MINUTE)).isEqualTo(10);
        assertThat(sides.delta(2 * MINUTE, 3 * MINUTE)).isNaN();
        assertThat(sides.delta(3 * MINUTE, 5 * MINUTE)).isEqualTo(-4);
    }

    private static Bars minutes(int count) {
        BarSeries series = new BarSeries(count);
        for (int bar = 0; bar < count; bar++) {
            series.append(bar * MINUTE, (bar + 1) * MINUTE, 100, 102, 98, 101, 40);
        }
        return series.snapshot();
    }

    private static Column compute(String formula, Surroundings.Sides sides) {
        ColumnGraph graph = new ColumnGraph(
                new Surroundings(TradingCalendar.roundTheClock(ZoneOffset.UTC), code -> Optional.empty(), sides));
        ColumnGraph.Node node = Formula.parse(formula, Language.builtIn()).in(graph);
        graph.update(minutes(4));
        return node.output();
    }

    @Test
    void cumulativeDeltaIsOfTradesWhereTheyAreKnownAndSaysWhereItIsAnEstimate() {
        TradedSides sides = new TradedSides(2 * MINUTE, Long.MAX_VALUE);
        sides.take(ticks(2 * MINUTE, 5, -3, 7, -20));
        // Estimate of a bar: 40 * (2 * 101 - 102 - 98) / (102 - 98) = 20.
        double[] bars = {20, 20, 2, -13};
        double[] sums = {20, 40, 42, 29};
        for (int bar = 0; bar < 4; bar++) {
            assertThat(compute("delta.bar", sides).at(bar)).isEqualTo(bars[bar]);
            assertThat(compute("delta", sides).at(bar)).isEqualTo(sums[bar]);
            assertThat(compute("delta.estimated", sides).at(bar))
                    .as("a sum with an estimate in it")
                    .isEqualTo(1);
            assertThat(compute("delta(from: bars).bar", sides).at(bar)).isEqualTo(20);
        }
        TradedSides all = new TradedSides(0, Long.MAX_VALUE);
        all.take(ticks(0, 1, 1, 1, 1, 1, 1, 1, 1));
        assertThat(compute("delta.estimated", all).at(3)).isZero();
        assertThat(compute("delta", all).at(3)).isEqualTo(8);
    }
}

package dev.yardarm.core.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.function.IntToDoubleFunction;
import org.junit.jupiter.api.Test;

/** Whole formulas against plain loops that know nothing of columns, graphs or blocks. */
class FormulaAgainstLoopsTest {
    private static final Bars BARS = TestBars.walk(11, 400).snapshot();

    private static void same(String formula, IntToDoubleFunction expected) {
        Column column = Formula.parse(formula, Language.builtIn()).evaluate(BARS);
        for (int bar = 0; bar < BARS.size(); bar++) {
            double wanted = expected.applyAsDouble(bar);
            if (Double.isNaN(wanted)) {
                assertThat(column.at(bar)).as(formula + " at " + bar).isNaN();
            } else {
                assertThat(column.at(bar)).as(formula + " at " + bar).isCloseTo(wanted, within(1e-9));
            }
        }
    }

    private static double mean(IntToDoubleFunction value, int bar, int length) {
        double sum = 0;
        for (int back = 0; back < length; back++) {
            sum += bar - back < 0 ? Double.NaN : value.applyAsDouble(bar - back);
        }
        return sum / length;
    }

    private static double most(IntToDoubleFunction value, int bar, int length) {
        double most = Double.NEGATIVE_INFINITY;
        for (int back = 0; back < length; back++) {
            most = Math.max(most, bar - back < 0 ? Double.NaN : value.applyAsDouble(bar - back));
        }
        return most;
    }

    private static double yes(boolean condition) {
        return condition ? 1 : 0;
    }

    @Test
    void averagesOfAnything() {
        same("sma(close, 7)", bar -> mean(BARS::close, bar, 7));
        same("sma(high - low, 13)", bar -> mean(each -> BARS.high(each) - BARS.low(each), bar, 13));
        same("sma(sma(close, 3), 4)", bar -> mean(each -> mean(BARS::close, each, 3), bar, 4));
        same("sma(1)", BARS::close);
        same("close / sma(close, 20) - 1", bar -> BARS.close(bar) / mean(BARS::close, bar, 20) - 1);
    }

    @Test
    void extremesAndEarlierBars() {
        same("highest(high, 20) back 1", bar -> bar == 0 ? Double.NaN : most(BARS::high, bar - 1, 20));
        same("lowest(low, 9)", bar -> -most(each -> -BARS.low(each), bar, 9));
        same("close - close back 10", bar -> bar < 10 ? Double.NaN : BARS.close(bar) - BARS.close(bar - 10));
        same("(close > open) back 2", bar -> bar < 2 ? Double.NaN : yes(BARS.close(bar - 2) > BARS.open(bar - 2)));
    }

    @Test
    void aBreakAboveTheHighestOfTheBarsBefore() {
        same("close crosses above highest(high, 5) back 1", bar -> {
            double now = bar < 1 ? Double.NaN : most(BARS::high, bar - 1, 5);
            double before = bar < 2 ? Double.NaN : most(BARS::high, bar - 2, 5);
            return Double.isNaN(now) || Double.isNaN(before)
                    ? Double.NaN
                    : yes(BARS.close(bar - 1) <= before && BARS.close(bar) > now);
        });
    }

    @Test
    void exponentialAveragesOfAverages() {
        double[] inner = new double[BARS.size()];
        double[] outer = new double[BARS.size()];
        for (int bar = 0; bar < inner.length; bar++) {
            inner[bar] = mean(each -> (BARS.high(each) + BARS.low(each) + BARS.close(each)) / 3, bar, 6);
        }
        for (int bar = 0; bar < outer.length; bar++) {
            outer[bar] = bar < 12
                    ? Double.NaN
                    : bar == 12
                            ? mean(each -> inner[each], bar, 8)
                            : outer[bar - 1] + 2.0 / 9 * (inner[bar] - outer[bar - 1]);
        }
        same("ema(sma(typical, 6), 8)", bar -> outer[bar]);
    }

    @Test
    void conditionsTogether() {
        same("close > open and volume > sma(volume, 10) or range < 1", bar -> {
            double average = mean(BARS::volume, bar, 10);
            boolean narrow = BARS.high(bar) - BARS.low(bar) < 1;
            boolean rising = BARS.close(bar) > BARS.open(bar);
            if (narrow) {
                return 1;
            }
            return !rising ? 0 : Double.isNaN(average) ? Double.NaN : yes(BARS.volume(bar) > average);
        });
    }
}

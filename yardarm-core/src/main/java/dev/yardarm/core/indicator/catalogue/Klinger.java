package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Klinger oscillator. trend = 1 where high + low + close is above that of the bar before, else -1; reach dm = high -
 * low; cm = cm[1] + dm while the trend goes on, dm[1] + dm when it turns; force = volume * |2 * (dm / cm - 1)| * trend
 * * 100, 0 without any reach; value = ema(force, fast) - ema(force, slow); signal = ema(value, signal). Begins with
 * the second bar. cm and trend go on over a bar without volume; the averages start anew after it. O(1) a bar.
 */
public final class Klinger extends Declared {
    public Klinger() {
        super(Family.VOLUME, "klinger", "Klinger oscillator");
        also("volume force", "long term flow");
        length("fast", "Fast period", 34);
        length("slow", "Slow period", 55);
        length("signal", "Signal period", 13);
        fitted(0.0);
        line("value", "Oscillator");
        output("signal", "Signal", Form.DASHED);
        cue("cross_up", "Crosses above its signal");
        cue("cross_down", "Crosses below its signal");
        help(
                "The difference of two averages of a volume force that follows the trend of price.",
                "trend = 1 where high + low + close is above that of the bar before, else -1; reach dm = high "
                        + "- low; cm = cm[1] + dm while the trend goes on, dm[1] + dm when it turns; force = volume "
                        + "* |2 * (dm / cm - 1)| * trend * 100, 0 without any reach; value = ema(force, fast) - "
                        + "ema(force, slow); signal = ema(value, signal). Begins with the second bar. "
                        + "cm and trend go on over a bar without volume; the averages start anew after it.",
                "Crossing its signal in the direction of the trend is an entry; divergences warn.",
                "Jumps with single bars of high volume.",
                "Stephen J. Klinger, Identifying Trends with Volume Analysis (1997).");
    }

    @Override
    public void build(Recipe r) {
        Node sum = r.each("sum", 1, (in, out) -> out[0] = in[0] + in[1] + in[2], r.high(), r.low(), r.close())[0];
        Node thrust = r.step(
                "thrust",
                0,
                3,
                (in, state, out) -> {
                    double trend = in[0] > in[1] ? 1 : -1;
                    double reach = in[2];
                    double all = state[2] == 1 && state[0] == trend ? state[1] + reach : in[3] + reach;
                    state[0] = trend;
                    state[1] = all;
                    state[2] = 1;
                    out[0] = all == 0 ? 0 : Math.abs(2 * (reach / all - 1)) * trend * 100;
                },
                sum,
                r.back(sum, 1),
                r.field(Field.RANGE),
                r.back(r.field(Field.RANGE), 1));
        Node force = r.times(r.volume(), thrust);
        Node value = r.minus(r.ema(force, r.whole("fast")), r.ema(force, r.whole("slow")));
        Node signal = r.ema(value, r.whole("signal"));
        r.out(value, signal, r.crossesAbove(value, signal), r.crossesBelow(value, signal));
    }
}

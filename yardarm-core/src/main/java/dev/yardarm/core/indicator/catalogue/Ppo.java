package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Percentage price oscillator. value = 100 * (ema(v, fast) - ema(v, slow)) / ema(v, slow); signal = ema(value,
 * signal); histogram = value - signal. O(1) a bar.
 */
public final class Ppo extends Declared {
    public Ppo() {
        super(Family.MOMENTUM, "ppo", "Percentage price oscillator");
        also("macd in per cent", "momentum");
        length("fast", "Fast period", 12);
        length("slow", "Slow period", 26);
        length("signal", "Signal period", 9);
        source(Field.CLOSE);
        fitted(0.0);
        line("value", "Oscillator");
        output("signal", "Signal", Form.DASHED);
        output("histogram", "Histogram", Form.COLUMNS);
        cue("cross_up", "Crosses above its signal");
        cue("cross_down", "Crosses below its signal");
        help(
                "The distance between two exponential averages in per cent of the slow one.",
                "value = 100 * (ema(v, fast) - ema(v, slow)) / ema(v, slow); signal = ema(value, signal); "
                        + "histogram = value - signal.",
                "Read like MACD; its values can be compared between instruments and over years.",
                "In a range it crosses without a move.",
                "Gerald Appel, Technical Analysis: Power Tools for Active Investors (2005).");
    }

    @Override
    public void build(Recipe r) {
        Node value = r.zip(
                "value",
                r.ema(r.source(), r.whole("fast")),
                r.ema(r.source(), r.whole("slow")),
                (fast, slow) -> slow == 0 ? Double.NaN : 100 * (fast - slow) / slow);
        Node signal = r.ema(value, r.whole("signal"));
        r.out(value, signal, r.minus(value, signal), r.crossesAbove(value, signal), r.crossesBelow(value, signal));
    }
}

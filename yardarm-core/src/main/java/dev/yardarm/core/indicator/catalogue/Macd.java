package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/** MACD. value = ema(v, fast) - ema(v, slow); signal = ema(value, signal); histogram = value - signal. O(1) a bar. */
public final class Macd extends Declared {
    public Macd() {
        super(Family.MOMENTUM, "macd", "MACD");
        also("moving average convergence divergence", "histogram", "momentum");
        length("fast", "Fast period", 12);
        length("slow", "Slow period", 26);
        length("signal", "Signal period", 9);
        source(Field.CLOSE);
        fitted(0.0);
        line("value", "MACD");
        output("signal", "Signal", Form.DASHED);
        output("histogram", "Histogram", Form.COLUMNS);
        cue("cross_up", "Crosses above its signal");
        cue("cross_down", "Crosses below its signal");
        help(
                "The distance between a fast and a slow exponential average, with an average of that distance "
                        + "as its signal.",
                "value = ema(v, fast) - ema(v, slow); signal = ema(value, signal); histogram = value - " + "signal.",
                "Above zero the fast average leads; crossing the signal is the trigger, a shrinking histogram "
                        + "its early warning; divergences from price warn.",
                "In a range it crosses without a move; it is in units of price, so two instruments cannot be "
                        + "compared.",
                "Gerald Appel (1979); histogram: Thomas Aspray (1986).");
    }

    @Override
    public void build(Recipe r) {
        Node value = r.minus(r.ema(r.source(), r.whole("fast")), r.ema(r.source(), r.whole("slow")));
        Node signal = r.ema(value, r.whole("signal"));
        r.out(value, signal, r.minus(value, signal), r.crossesAbove(value, signal), r.crossesBelow(value, signal));
    }
}

package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * True strength index. value = 100 * ema(ema(v - v[1], slow), fast) / ema(ema(|v - v[1]|, slow), fast), 0 without any
 * movement; signal = ema(value, signal). O(1) a bar.
 */
public final class Tsi extends Declared {
    public Tsi() {
        super(Family.MOMENTUM, "tsi", "True strength index");
        also("momentum", "double smoothed");
        length("slow", "First smoothing", 25);
        length("fast", "Second smoothing", 13);
        length("signal", "Signal period", 7);
        source(Field.CLOSE);
        bounded(-100, 100, -25.0, 0.0, 25.0);
        line("value", "True strength");
        output("signal", "Signal", Form.DASHED);
        cue("cross_up", "Crosses above its signal");
        cue("cross_down", "Crosses below its signal");
        help(
                "Twice smoothed momentum in proportion to twice smoothed movement.",
                "value = 100 * ema(ema(v - v[1], slow), fast) / ema(ema(|v - v[1]|, slow), fast), 0 without "
                        + "any movement; signal = ema(value, signal).",
                "Its sign is the trend, its turns are the swings, with little noise.",
                "Late by both smoothings.",
                "William Blau, True Strength Index (1991).");
    }

    @Override
    public void build(Recipe r) {
        Node change = r.change(r.source(), 1);
        Node moved = r.ema(r.ema(change, r.whole("slow")), r.whole("fast"));
        Node all = r.ema(r.ema(r.map("size", change, Math::abs), r.whole("slow")), r.whole("fast"));
        Node value = r.zip("value", moved, all, (net, gross) -> gross == 0 ? 0 : 100 * net / gross);
        Node signal = r.ema(value, r.whole("signal"));
        r.out(value, signal, r.crossesAbove(value, signal), r.crossesBelow(value, signal));
    }
}

package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * TRIX. e3 = ema(ema(ema(v, n), n), n); value = 100 * (e3 - e3[1]) / e3[1]; signal = ema(value, signal). O(1) a bar.
 */
public final class Trix extends Declared {
    public Trix() {
        super(Family.MOMENTUM, "trix", "TRIX");
        also("triple smoothed", "momentum");
        length(15);
        length("signal", "Signal period", 9);
        source(Field.CLOSE);
        fitted(0.0);
        line("value", "TRIX");
        output("signal", "Signal", Form.DASHED);
        cue("cross_up", "Crosses above its signal");
        cue("cross_down", "Crosses below its signal");
        help(
                "The change of a three times smoothed price from bar to bar, in per cent.",
                "e3 = ema(ema(ema(v, n), n), n); value = 100 * (e3 - e3[1]) / e3[1]; signal = ema(value, " + "signal).",
                "Crossing zero is the turn of the smoothed trend, crossing the signal comes before it.",
                "Late by three averages.",
                "Jack K. Hutson, Good TRIX (1983).");
    }

    @Override
    public void build(Recipe r) {
        Node smooth = r.ema(r.ema(r.ema(r.source(), r.length()), r.length()), r.length());
        Node value = r.zip(
                "value",
                smooth,
                r.back(smooth, 1),
                (now, before) -> before == 0 ? Double.NaN : 100 * (now - before) / before);
        Node signal = r.ema(value, r.whole("signal"));
        r.out(value, signal, r.crossesAbove(value, signal), r.crossesBelow(value, signal));
    }
}

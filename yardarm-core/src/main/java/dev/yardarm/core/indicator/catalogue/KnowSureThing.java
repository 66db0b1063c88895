package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Know sure thing. value = sma(roc(10), 10) + 2 * sma(roc(15), 10) + 3 * sma(roc(20), 10) + 4 * sma(roc(30), 15);
 * signal = sma(value, signal). O(1) a bar.
 */
public final class KnowSureThing extends Declared {
    public KnowSureThing() {
        super(Family.MOMENTUM, "kst", "Know sure thing");
        also("momentum", "four rates of change", "summed rate of change");
        length("signal", "Signal period", 9);
        source(Field.CLOSE);
        fitted(0.0);
        line("value", "Know sure thing");
        output("signal", "Signal", Form.DASHED);
        cue("cross_up", "Crosses above its signal");
        cue("cross_down", "Crosses below its signal");
        help(
                "Four smoothed rates of change, the slower weighing more, added to one line.",
                "value = sma(roc(10), 10) + 2 * sma(roc(15), 10) + 3 * sma(roc(20), 10) + 4 * sma(roc(30), "
                        + "15); signal = sma(value, signal).",
                "Its turns near zero begin new swings, its direction is the trend of weeks.",
                "Fixed periods, made for daily bars.",
                "Martin J. Pring, Summed Rate of Change (1992).");
    }

    @Override
    public void build(Recipe r) {
        int[] lengths = {10, 15, 20, 30};
        int[] smooth = {10, 10, 10, 15};
        Node[] parts = new Node[4];
        for (int part = 0; part < 4; part++) {
            Node change = r.zip(
                    "change",
                    r.source(),
                    r.back(r.source(), lengths[part]),
                    (now, before) -> before == 0 ? Double.NaN : 100 * (now - before) / before);
            parts[part] = r.mean(change, smooth[part]);
        }
        Node value = r.each("value", 1, (in, out) -> out[0] = in[0] + 2 * in[1] + 3 * in[2] + 4 * in[3], parts)[0];
        Node signal = r.mean(value, r.whole("signal"));
        r.out(value, signal, r.crossesAbove(value, signal), r.crossesBelow(value, signal));
    }
}

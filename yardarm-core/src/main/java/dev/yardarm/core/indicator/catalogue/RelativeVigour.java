package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Relative vigour index. With w(x) = (x + 2 * x[1] + 2 * x[2] + x[3]) / 6: value = sum(w(close - open), n) /
 * sum(w(high - low), n), 0 without any range; signal = w(value). O(1) a bar.
 */
public final class RelativeVigour extends Declared {
    public RelativeVigour() {
        super(Family.MOMENTUM, "rvi", "Relative vigour index");
        also("close against open", "momentum");
        length(10);
        fitted(0.0);
        line("value", "Relative vigour");
        output("signal", "Signal", Form.DASHED);
        cue("cross_up", "Crosses above its signal");
        cue("cross_down", "Crosses below its signal");
        help(
                "How firmly bars close in the direction they opened, in proportion to their range.",
                "With w(x) = (x + 2 * x[1] + 2 * x[2] + x[3]) / 6: value = sum(w(close - open), n) / "
                        + "sum(w(high - low), n), 0 without any range; signal = w(value).",
                "Crossing the signal is the turn; above zero bars close above their open.",
                "Gaps between bars do not count in it.",
                "John F. Ehlers, Relative Vigor Index (2002).");
    }

    @Override
    public void build(Recipe r) {
        Node gain = r.sum(smooth(r, r.minus(r.close(), r.open())), r.length());
        Node range = r.sum(smooth(r, r.minus(r.high(), r.low())), r.length());
        Node value = r.zip("value", gain, range, (net, all) -> all == 0 ? 0 : net / all);
        Node signal = smooth(r, value);
        r.out(value, signal, r.crossesAbove(value, signal), r.crossesBelow(value, signal));
    }

    private static Node smooth(Recipe r, Node value) {
        return r.each(
                        "smooth",
                        1,
                        (in, out) -> out[0] = (in[0] + 2 * in[1] + 2 * in[2] + in[3]) / 6,
                        value,
                        r.back(value, 1),
                        r.back(value, 2),
                        r.back(value, 3))[0];
    }
}

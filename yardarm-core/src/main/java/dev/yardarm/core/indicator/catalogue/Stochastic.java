package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Stochastic. raw = 100 * (close - lowest low) / (highest high - lowest low), 50 without any reach; k = sma(raw,
 * slowing), d = sma(k, signal). Slowing 1 is the fast form, 3 the slow one. O(1) a bar.
 */
public final class Stochastic extends Declared {
    public Stochastic() {
        super(Family.MOMENTUM, "stochastic", "Stochastic");
        also("fast stochastic", "slow stochastic", "full stochastic", "overbought", "oversold");
        length(14);
        length("slowing", "Slowing (1 is the fast form)", 3);
        length("signal", "Signal period", 3);
        bounded(0, 100, 20.0, 80.0);
        line("k", "Stochastic");
        output("d", "Signal", Form.DASHED);
        cue("cross_up", "Crosses above its signal");
        cue("cross_down", "Crosses below its signal");
        help(
                "Where the close stands in the reach of the last n bars: 0 at the lowest low, 100 at the "
                        + "highest high.",
                "raw = 100 * (close - lowest low) / (highest high - lowest low), 50 without any reach; k = "
                        + "sma(raw, slowing), d = sma(k, signal). Slowing 1 is the fast form, 3 the slow one.",
                "Above 80 and turning down in a range is a sale, below 20 and turning up a purchase; a "
                        + "divergence from price warns.",
                "In a trend it stays at its end for weeks.",
                "George C. Lane (1950s), Lane's Stochastics (1984).");
    }

    @Override
    public void build(Recipe r) {
        Node raw = r.each(
                        "raw",
                        1,
                        (in, out) -> out[0] = in[1] == in[2] ? 50 + 0 * in[0] : 100 * (in[0] - in[2]) / (in[1] - in[2]),
                        r.close(),
                        r.highest(r.high(), r.length()),
                        r.lowest(r.low(), r.length()))[0];
        Node k = r.mean(raw, r.whole("slowing"));
        Node d = r.mean(k, r.whole("signal"));
        r.out(k, d, r.passesAbove(k, d), r.passesAbove(d, k));
    }
}

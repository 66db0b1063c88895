package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Stochastic RSI. raw = 100 * (rsi - lowest rsi of n) / (highest rsi of n - lowest), 50 without any reach; k =
 * sma(raw, slowing), d = sma(k, signal). O(1) a bar.
 */
public final class StochasticRsi extends Declared {
    public StochasticRsi() {
        super(Family.MOMENTUM, "stoch_rsi", "Stochastic RSI");
        also("stochastic relative strength", "overbought", "oversold");
        length("rsi", "Period of RSI", 14);
        length(14);
        length("slowing", "Slowing", 3);
        length("signal", "Signal period", 3);
        source(Field.CLOSE);
        bounded(0, 100, 20.0, 80.0);
        line("k", "Stochastic of RSI");
        output("d", "Signal", Form.DASHED);
        cue("cross_up", "Crosses above its signal");
        cue("cross_down", "Crosses below its signal");
        help(
                "Where the relative strength index stands in its own reach of the last n bars.",
                "raw = 100 * (rsi - lowest rsi of n) / (highest rsi of n - lowest), 50 without any reach; k = "
                        + "sma(raw, slowing), d = sma(k, signal).",
                "Reaches its ends far more often than the index itself; used for short entries in the "
                        + "direction of a trend.",
                "A derivative of a derivative: it jumps from end to end on small moves.",
                "Tushar S. Chande and Stanley Kroll, The New Technical Trader (1994).");
    }

    @Override
    public void build(Recipe r) {
        Node rsi = r.strength(r.source(), r.whole("rsi"));
        Node raw = r.each(
                        "raw",
                        1,
                        (in, out) -> out[0] = in[1] == in[2] ? 50 + 0 * in[0] : 100 * (in[0] - in[2]) / (in[1] - in[2]),
                        rsi,
                        r.highest(rsi, r.length()),
                        r.lowest(rsi, r.length()))[0];
        Node k = r.mean(raw, r.whole("slowing"));
        Node d = r.mean(k, r.whole("signal"));
        r.out(k, d, r.passesAbove(k, d), r.passesAbove(d, k));
    }
}

package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * On-balance volume. obv = obv[1] + volume where close > close[1], - volume where close < close[1], unchanged where
 * equal; 0 at the first bar. Begins anew after a bar without volume. O(1) a bar.
 */
public final class OnBalanceVolume extends Declared {
    public OnBalanceVolume() {
        super(Family.VOLUME, "obv", "On-balance volume");
        also("cumulative volume", "accumulation");
        fitted();
        line();
        help(
                "Adds the volume of bars that close higher and takes off that of bars that close lower.",
                "obv = obv[1] + volume where close > close[1], - volume where close < close[1], unchanged "
                        + "where equal; 0 at the first bar. "
                        + "Begins anew after a bar without volume.",
                "Rising before price does: someone accumulates. A new price high without a new high here " + "warns.",
                "Its level means nothing, only its course; a small change counts the whole volume.",
                "Joseph E. Granville, New Key to Stock Market Profits (1963).");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.step(
                "value",
                0,
                3,
                (in, state, out) -> {
                    state[0] += state[2] == 0 || in[0] == state[1] ? 0 : in[0] > state[1] ? in[1] : -in[1];
                    state[1] = in[0];
                    state[2] = 1;
                    out[0] = state[0];
                },
                r.close(),
                r.volume()));
    }
}

package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Accumulation/distribution. ad = ad[1] + volume * ((close - low) - (high - close)) / (high - low); a bar without
 * range adds nothing. Begins anew after a bar without volume. O(1) a bar.
 */
public final class Accumulation extends Declared {
    public Accumulation() {
        super(Family.VOLUME, "ad", "Accumulation/distribution");
        also("money flow", "cumulative", "accumulation distribution line");
        fitted();
        line();
        help(
                "Adds up volume by where each bar closed in its range: at the high all of it, at the low all "
                        + "of it taken off.",
                "ad = ad[1] + volume * ((close - low) - (high - close)) / (high - low); a bar without range "
                        + "adds nothing. "
                        + "Begins anew after a bar without volume.",
                "Rising while price is still: accumulation. A divergence from price warns.",
                "Gaps do not count; its level means nothing.",
                "Marc Chaikin (1970s).");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.step(
                "value",
                0,
                1,
                (in, state, out) -> {
                    state[0] += in[0] == in[1] ? 0 : in[3] * (2 * in[2] - in[0] - in[1]) / (in[0] - in[1]);
                    out[0] = state[0];
                },
                r.high(),
                r.low(),
                r.close(),
                r.volume()));
    }
}

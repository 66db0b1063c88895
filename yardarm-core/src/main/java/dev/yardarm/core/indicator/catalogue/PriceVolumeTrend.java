package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Price-volume trend. pvt = pvt[1] + volume * (close - close[1]) / close[1]; 0 at the first bar. Unchanged over a
 * close of 0; begins anew after a bar without volume. O(1) a bar.
 */
public final class PriceVolumeTrend extends Declared {
    public PriceVolumeTrend() {
        super(Family.VOLUME, "pvt", "Price-volume trend");
        also("cumulative volume", "on balance");
        fitted();
        line();
        help(
                "Adds up volume in proportion to the change of the close.",
                "pvt = pvt[1] + volume * (close - close[1]) / close[1]; 0 at the first bar. "
                        + "Unchanged over a close of 0; begins anew after a bar without volume.",
                "Like on-balance volume, but a small change counts little.",
                "Its level means nothing, only its course.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.step(
                "value",
                0,
                3,
                (in, state, out) -> {
                    state[0] += state[2] == 0 || state[1] == 0 ? 0 : in[1] * (in[0] - state[1]) / state[1];
                    state[1] = in[0];
                    state[2] = 1;
                    out[0] = state[0];
                },
                r.close(),
                r.volume()));
    }
}

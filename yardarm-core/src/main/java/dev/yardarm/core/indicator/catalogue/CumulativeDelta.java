package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Cumulative delta. bar = volume * (2 * close - high - low) / (high - low), 0 for a bar without range; value = sum of
 * the bars since the session, week or month began. O(1) a bar.
 */
public final class CumulativeDelta extends Declared {
    public CumulativeDelta() {
        super(Family.VOLUME, "delta", "Cumulative delta");
        also("order flow", "bid and ask volume", "aggressive volume");
        choice("period", "Begins anew each", "session", "week", "month", "quarter", "year");
        fitted(0.0);
        line("value", "Cumulative delta, estimated");
        output("bar", "Delta of the bar, estimated", Form.NONE);
        help("Volume bought at the ask less volume sold at the bid, added up. Estimated from bars: the "
                        + "side of single trades is not in them.",
                "bar = volume * (2 * close - high - low) / (high - low), 0 for a bar without range; value = "
                        + "sum of the bars since the session, week or month began.",
                "Price rising while delta falls: sellers are absorbed. A divergence at an extreme warns.",
                "An estimate: bars do not tell who was the aggressor.",
                "In common use on futures floors' screens; the estimate after Marc Chaikin.");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.steps("value", 0, new double[] {Double.NaN, 0}, 2, (in, state, out) -> {
            double bar = in[1] == in[2] ? 0 : in[4] * (2 * in[3] - in[1] - in[2]) / (in[1] - in[2]);
            state[1] = in[0] == state[0] ? state[1] + bar : bar;
            state[0] = in[0];
            out[0] = state[1];
            out[1] = bar;
        }, r.period("period"), r.high(), r.low(), r.close(), r.volume()));
    }
}

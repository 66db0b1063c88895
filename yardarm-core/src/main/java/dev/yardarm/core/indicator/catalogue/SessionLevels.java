package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Session high and low. Running highest high and lowest low since the first bar of the session, week or month, and the
 * open of that bar; middle = (high + low) / 2. O(1) a bar.
 */
public final class SessionLevels extends Declared {
    public SessionLevels() {
        super(Family.BANDS, "session_levels", "Session high and low");
        also("high of the day", "low of the day", "open of the day");
        choice("period", "Period", "session", "week", "month", "quarter", "year");
        output("high", "High so far", Form.STEPS);
        output("low", "Low so far", Form.STEPS);
        output("open", "Open", Form.STEPS);
        output("middle", "Middle", Form.NONE);
        help(
                "The highest and lowest price of the session so far, and its open.",
                "Running highest high and lowest low since the first bar of the session, week or month, and "
                        + "the open of that bar; middle = (high + low) / 2.",
                "Where the day stands in its range, and what a new extreme would be.",
                "They move while the session runs: what they were later is not what they were then.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.steps(
                "levels",
                0,
                new double[] {Double.NaN, 0, 0, 0},
                4,
                (in, state, out) -> {
                    boolean begins = in[0] != state[0];
                    state[0] = in[0];
                    state[1] = begins ? in[1] : Math.max(state[1], in[1]);
                    state[2] = begins ? in[2] : Math.min(state[2], in[2]);
                    state[3] = begins ? in[3] : state[3];
                    out[0] = state[1];
                    out[1] = state[2];
                    out[2] = state[3];
                    out[3] = (state[1] + state[2]) / 2;
                },
                r.period("period"),
                r.high(),
                r.low(),
                r.open()));
    }
}

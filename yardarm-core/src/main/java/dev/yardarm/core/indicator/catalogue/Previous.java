package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Levels of the period before. The highest high, lowest low and last close of the period before the one a bar belongs
 * to. Missing in the first period. O(1) a bar.
 */
public final class Previous extends Declared {
    public Previous() {
        super(Family.BANDS, "previous", "Levels of the period before");
        also("previous day", "yesterday", "last week", "last month", "support and resistance");
        choice("period", "Period", "session", "week", "month", "quarter", "year");
        output("high", "High", Form.STEPS);
        output("low", "Low", Form.STEPS);
        output("close", "Close", Form.STEPS);
        help(
                "High, low and close of the last complete session, week or month.",
                "The highest high, lowest low and last close of the period before the one a bar belongs to. "
                        + "Missing in the first period.",
                "Levels that everyone sees: breaks and failed breaks of them start many moves.",
                "The first period of the data may not have been whole.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.steps(
                "levels",
                0,
                PeriodReach.STATE,
                3,
                (in, state, out) -> {
                    PeriodReach.take(in, state);
                    out[0] = state[PeriodReach.HIGH_BEFORE];
                    out[1] = state[PeriodReach.LOW_BEFORE];
                    out[2] = state[PeriodReach.CLOSE_BEFORE];
                },
                r.period("period"),
                r.high(),
                r.low(),
                r.close()));
    }
}

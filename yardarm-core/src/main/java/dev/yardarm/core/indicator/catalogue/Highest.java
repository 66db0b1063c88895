package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Computation;
import dev.yardarm.core.indicator.OneLine;
import dev.yardarm.core.indicator.WindowComputation;
import dev.yardarm.core.series.Field;

/** The largest of the last n values, the newest included. O(1) a bar. */
public final class Highest extends OneLine {
    public Highest() {
        super("highest", "Highest value", 20, Field.HIGH);
    }

    @Override
    protected Computation start(int length) {
        return WindowComputation.highest(length);
    }

    @Override
    public Help help() {
        return new Help("The largest of the last n values, this bar included.",
                "The largest of v[0] ... v[n-1]. Missing until n values are there, and in every window that holds a "
                        + "missing value.",
                "A close above the highest high of the bars before is a break upward: write highest(...) back 1 for that.",
                "In common use; no single author.");
    }
}

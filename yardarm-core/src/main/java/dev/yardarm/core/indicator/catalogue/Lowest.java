package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Computation;
import dev.yardarm.core.indicator.OneLine;
import dev.yardarm.core.indicator.WindowComputation;
import dev.yardarm.core.series.Field;

/** The smallest of the last n values, the newest included. O(1) a bar. */
public final class Lowest extends OneLine {
    public Lowest() {
        super("lowest", "Lowest value", 20, Field.LOW);
    }

    @Override
    protected Computation start(int length) {
        return WindowComputation.lowest(length);
    }

    @Override
    public Help help() {
        return new Help("The smallest of the last n values, this bar included.",
                "The smallest of v[0] ... v[n-1]. Missing until n values are there, and in every window that holds a "
                        + "missing value.",
                "A close below the lowest low of the bars before is a break downward: write lowest(...) back 1 for that.",
                "In common use; no single author.");
    }
}

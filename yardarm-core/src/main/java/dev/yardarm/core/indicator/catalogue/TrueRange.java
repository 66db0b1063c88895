package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * True range. The largest of high - low, |high - close[1]| and |low - close[1]|; high - low at the first bar. O(1) a
 * bar.
 */
public final class TrueRange extends Declared {
    public TrueRange() {
        super(Family.VOLATILITY, "true_range", "True range");
        also("range", "gap");
        fitted();
        line();
        help(
                "The reach of a bar with its gap from the last close.",
                "The largest of high - low, |high - close[1]| and |low - close[1]|; high - low at the first " + "bar.",
                "The unit of all measures by true range; a bar of twice the usual one means something.",
                "In units of price.",
                "J. Welles Wilder, New Concepts in Technical Trading Systems (1978).");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.trueRange());
    }
}

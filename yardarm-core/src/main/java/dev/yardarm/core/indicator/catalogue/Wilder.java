package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Wilder's moving average. wilder = (wilder[1] * (n - 1) + v) / n, starting from the simple average of the first n
 * values. O(1) a bar.
 */
public final class Wilder extends Declared {
    public Wilder() {
        super(Family.AVERAGES, "wilder", "Wilder's moving average");
        also("moving average", "smoothed", "running");
        length(14);
        source(Field.CLOSE);
        line();
        help(
                "The slow exponential average that Wilder used in all his indicators.",
                "wilder = (wilder[1] * (n - 1) + v) / n, starting from the simple average of the first n " + "values.",
                "Like an exponential average of twice the period.",
                "Slow to turn; its period cannot be compared with that of other averages.",
                "J. Welles Wilder, New Concepts in Technical Trading Systems (1978).");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.wilder(r.source(), r.length()));
    }
}

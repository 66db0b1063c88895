package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/** Weighted moving average. wma = (n * v[0] + (n - 1) * v[1] + ... + 1 * v[n-1]) / (n * (n + 1) / 2). O(1) a bar. */
public final class Wma extends Declared {
    public Wma() {
        super(Family.AVERAGES, "wma", "Weighted moving average");
        also("moving average", "linear weighting");
        length(20);
        source(Field.CLOSE);
        line();
        help(
                "An average whose weights fall evenly from the newest value to the oldest.",
                "wma = (n * v[0] + (n - 1) * v[1] + ... + 1 * v[n-1]) / (n * (n + 1) / 2).",
                "Follows price closer than the simple average of the same period.",
                "It reacts to noise sooner than the simple average.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.weighted(r.source(), r.length()));
    }
}

package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Highest value. The largest of v[0] ... v[n-1]. Missing until n values are there, and in every window that holds a
 * missing value. O(1) a bar.
 */
public final class Highest extends Declared {
    public Highest() {
        super(Family.BANDS, "highest", "Highest value");
        also("maximum", "high of n bars");
        length(20);
        source(Field.HIGH);
        line();
        help(
                "The largest of the last n values, this bar included.",
                "The largest of v[0] ... v[n-1]. Missing until n values are there, and in every window that "
                        + "holds a missing value.",
                "A close above the highest high of the bars before is a break upward: write highest(...) back "
                        + "1 for that.",
                "One spike holds it for n bars.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.highest(r.source(), r.length()));
    }
}

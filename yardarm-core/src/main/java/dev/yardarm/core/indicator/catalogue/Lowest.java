package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Lowest value. The smallest of v[0] ... v[n-1]. Missing until n values are there, and in every window that holds a
 * missing value. O(1) a bar.
 */
public final class Lowest extends Declared {
    public Lowest() {
        super(Family.BANDS, "lowest", "Lowest value");
        also("minimum", "low of n bars");
        length(20);
        source(Field.LOW);
        line();
        help(
                "The smallest of the last n values, this bar included.",
                "The smallest of v[0] ... v[n-1]. Missing until n values are there, and in every window that "
                        + "holds a missing value.",
                "A close below the lowest low of the bars before is a break downward: write lowest(...) back "
                        + "1 for that.",
                "One spike holds it for n bars.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.lowest(r.source(), r.length()));
    }
}

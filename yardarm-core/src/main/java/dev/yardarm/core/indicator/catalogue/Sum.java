package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/** Sum. sum = v[0] + v[1] + ... + v[n-1]. O(1) a bar, without drift. */
public final class Sum extends Declared {
    public Sum() {
        super(Family.STATISTICS, "sum", "Sum");
        also("total", "running total");
        length(20);
        source(Field.VOLUME);
        fitted();
        line();
        help(
                "The sum of the last n values.",
                "sum = v[0] + v[1] + ... + v[n-1].",
                "For formulas: how often something held in the last bars, how much was traded in them.",
                "In the unit of its source; of little use by itself.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.sum(r.source(), r.length()));
    }
}

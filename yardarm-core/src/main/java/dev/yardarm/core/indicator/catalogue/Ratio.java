package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Ratio to another. v / other's close, as known at the same moment; missing where the other has no bar. O(1) a bar.
 */
public final class Ratio extends Declared {
    public Ratio() {
        super(Family.STATISTICS, "ratio", "Ratio to another");
        also("comparison", "pairs", "relative");
        other("against", "Against");
        source(Field.CLOSE);
        fitted();
        line();
        help(
                "Price divided by that of another instrument.",
                "v / other's close, as known at the same moment; missing where the other has no bar.",
                "The chart of a pair: what is true of prices (levels, trends) is true of it.",
                "Its numbers mean nothing by themselves.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.over(r.source(), r.other("against", Field.CLOSE)));
    }
}

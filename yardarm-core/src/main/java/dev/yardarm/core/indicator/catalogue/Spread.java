package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Spread to another. v - factor * other's close, as known at the same moment; missing where the other has no bar. O(1)
 * a bar.
 */
public final class Spread extends Declared {
    public Spread() {
        super(Family.STATISTICS, "spread", "Spread to another");
        also("difference", "pairs", "comparison");
        other("against", "Against");
        number("factor", "Times the other", 1, -1000000, 1000000);
        source(Field.CLOSE);
        fitted(0.0);
        line();
        help(
                "Price less that of another instrument, times a factor.",
                "v - factor * other's close, as known at the same moment; missing where the other has no bar.",
                "Calendar spreads and pairs: what is traded is the difference.",
                "Without the right factor the larger of the two rules it.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        double factor = r.number("factor");
        r.out(r.zip("value", r.source(), r.other("against", Field.CLOSE), (one, other) -> one - factor * other));
    }
}

package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Triangular moving average. trima = sma(sma(v, k), m): for an odd period k = m = (n + 1) / 2, for an even one k = n /
 * 2 and m = n / 2 + 1. O(1) a bar.
 */
public final class Trima extends Declared {
    public Trima() {
        super(Family.AVERAGES, "trima", "Triangular moving average");
        also("moving average", "smooth");
        length(20);
        source(Field.CLOSE);
        line();
        help(
                "The simple average of a simple average: the middle of the window weighs most.",
                "trima = sma(sma(v, k), m): for an odd period k = m = (n + 1) / 2, for an even one k = n / 2 "
                        + "and m = n / 2 + 1.",
                "Very smooth; used to see the swing behind the noise.",
                "Late by half its period, like the simple average.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        int first = (r.length() + 1) / 2;
        int second = r.length() % 2 == 1 ? first : first + 1;
        r.out(r.mean(r.mean(r.source(), first), second));
    }
}

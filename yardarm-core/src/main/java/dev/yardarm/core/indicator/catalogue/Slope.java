package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.WindowMoments;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/** Slope. sum((i - mean i) * (v[i] - mean v)) / sum((i - mean i)^2) over the n values. O(1) a bar. */
public final class Slope extends Declared {
    public Slope() {
        super(Family.STATISTICS, "slope", "Slope");
        also("regression slope", "trend", "least squares");
        whole("length", "Period", 14, 2, MOST);
        source(Field.CLOSE);
        fitted(0.0);
        line();
        help(
                "The slope of the straight line that fits the last n values best, for a bar.",
                "sum((i - mean i) * (v[i] - mean v)) / sum((i - mean i)^2) over the n values.",
                "Its sign is the trend of the period, its size the speed.",
                "In units of price a bar: divide by ATR to compare.",
                "Least squares: Adrien-Marie Legendre (1805).");
    }

    @Override
    public void build(Recipe r) {
        int length = r.whole("length");
        double squares = length * ((double) length * length - 1) / 12;
        r.out(r.moments(
                "value", length, 1, (moments, out) -> out[0] = moments[WindowMoments.PRODUCTS] / squares, r.source()));
    }
}

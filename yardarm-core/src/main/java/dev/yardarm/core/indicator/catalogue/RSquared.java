package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.WindowMoments;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/** R-squared. The square of the correlation of the values with time; 0 where all are equal. O(1) a bar. */
public final class RSquared extends Declared {
    public RSquared() {
        super(Family.STATISTICS, "r_squared", "R-squared");
        also("trend quality", "straightness", "coefficient of determination");
        whole("length", "Period", 14, 2, MOST);
        source(Field.CLOSE);
        bounded(0, 1, 0.3, 0.7);
        line();
        help(
                "How straight the path of the last n values is: 1 for a line, 0 for none.",
                "The square of the correlation of the values with time; 0 where all are equal.",
                "High with a slope is a clean trend; falling from high a trend that ends.",
                "Says nothing of direction or size.",
                "Francis Galton and Karl Pearson (1896).");
    }

    @Override
    public void build(Recipe r) {
        int length = r.whole("length");
        double squares = length * ((double) length * length - 1) / 12;
        r.out(r.moments(
                "value",
                length,
                1,
                (moments, out) -> {
                    double all = squares * moments[WindowMoments.SQUARES_Y];
                    out[0] = all == 0
                            ? 0
                            : Math.min(1, moments[WindowMoments.PRODUCTS] * moments[WindowMoments.PRODUCTS] / all);
                },
                r.source()));
    }
}

package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.WindowMoments;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Linear regression value. The end of the least-squares line through the last n values: mean + slope * (n - 1) / 2.
 * O(1) a bar.
 */
public final class Linreg extends Declared {
    public Linreg() {
        super(Family.AVERAGES, "linreg", "Linear regression value");
        also("regression", "least squares", "time series forecast");
        length(14);
        source(Field.CLOSE);
        line();
        help(
                "Where the straight line that fits the last n values best ends now.",
                "The end of the least-squares line through the last n values: mean + slope * (n - 1) / 2.",
                "Follows price with less lag than an average; its slope is the trend of the period.",
                "It is a fit, not a forecast: the end of the line moves with every new value.",
                "Least squares: Adrien-Marie Legendre (1805); as an average in common use.");
    }

    @Override
    public void build(Recipe r) {
        int length = r.length();
        r.out(r.moments(
                "value",
                length,
                1,
                (moments, out) -> {
                    double squares = length * ((double) length * length - 1) / 12;
                    out[0] = moments[WindowMoments.MEAN_Y]
                            + (length == 1 ? 0 : moments[WindowMoments.PRODUCTS] / squares * (length - 1) / 2);
                },
                r.source()));
    }
}

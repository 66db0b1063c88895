package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.calculation.WindowMoments;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Standard error bands. error = sqrt(sum of squared misses / (n - 2)); middle = sma(regression value, smoothing),
 * upper and lower = sma(regression value +- factor * error, smoothing). O(1) a bar.
 */
public final class ErrorBands extends Declared {
    public ErrorBands() {
        super(Family.TREND, "error_bands", "Standard error bands");
        also("regression", "trend quality");
        whole("length", "Period", 21, 3, MOST);
        number("factor", "Standard errors", 2, 0.1, 10);
        length("smooth", "Smoothing", 3);
        source(Field.CLOSE);
        line("middle", "Regression value");
        line("upper", "Upper band");
        line("lower", "Lower band");
        fill("upper", "lower");
        help(
                "Bands around the regression value that are narrow while price keeps to a straight line.",
                "error = sqrt(sum of squared misses / (n - 2)); middle = sma(regression value, smoothing), "
                        + "upper and lower = sma(regression value +- factor * error, smoothing).",
                "Narrow bands: price keeps to its trend; widening bands: the trend is ending or turning.",
                "Late by the smoothing; a sideways straight line has narrow bands too.",
                "Jon Andersen, Standard Error Bands (1996).");
    }

    @Override
    public void build(Recipe r) {
        int length = r.whole("length");
        double factor = r.number("factor");
        Node[] bands = r.moments(
                "bands",
                length,
                3,
                (moments, out) -> {
                    double squares = length * ((double) length * length - 1) / 12;
                    double slope = moments[WindowMoments.PRODUCTS] / squares;
                    double misses =
                            Math.max(0, moments[WindowMoments.SQUARES_Y] - slope * moments[WindowMoments.PRODUCTS]);
                    double reach = factor * Math.sqrt(misses / (length - 2));
                    out[0] = moments[WindowMoments.MEAN_Y] + slope * (length - 1) / 2;
                    out[1] = out[0] + reach;
                    out[2] = out[0] - reach;
                },
                r.source());
        int smooth = r.whole("smooth");
        r.out(r.mean(bands[0], smooth), r.mean(bands[1], smooth), r.mean(bands[2], smooth));
    }
}

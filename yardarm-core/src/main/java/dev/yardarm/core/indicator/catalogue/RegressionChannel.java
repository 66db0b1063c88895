package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.WindowMoments;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Linear regression channel. middle = end of the least-squares line through the last n values; deviation = sqrt(sum of
 * squared misses / n); upper and lower = middle +- factor * deviation. O(1) a bar.
 */
public final class RegressionChannel extends Declared {
    public RegressionChannel() {
        super(Family.TREND, "regression_channel", "Linear regression channel");
        also("least squares", "deviation channel", "rolling");
        whole("length", "Period", 100, 3, MOST);
        number("factor", "Deviations", 2, 0.1, 10);
        source(Field.CLOSE);
        line("middle", "Regression value");
        line("upper", "Upper line");
        line("lower", "Lower line");
        fill("upper", "lower");
        help(
                "Where the line of best fit ends at each bar, with lines some standard deviations of its "
                        + "misses above and below.",
                "middle = end of the least-squares line through the last n values; deviation = sqrt(sum of "
                        + "squared misses / n); upper and lower = middle +- factor * deviation.",
                "Price at a border is far from its trend of the period; the slope of the middle is that " + "trend.",
                "The band of each bar comes from its own fit: it is not a channel drawn once through the " + "past.",
                "In common use; the channel of Gilbert Raff (1991) is as wide as the farthest price instead. Least squares: "
                        + "Legendre (1805).");
    }

    @Override
    public void build(Recipe r) {
        int length = r.whole("length");
        double factor = r.number("factor");
        r.out(r.moments(
                "channel",
                length,
                3,
                (moments, out) -> {
                    double squares = length * ((double) length * length - 1) / 12;
                    double slope = moments[WindowMoments.PRODUCTS] / squares;
                    double misses =
                            Math.max(0, moments[WindowMoments.SQUARES_Y] - slope * moments[WindowMoments.PRODUCTS]);
                    double reach = factor * Math.sqrt(misses / length);
                    out[0] = moments[WindowMoments.MEAN_Y] + slope * (length - 1) / 2;
                    out[1] = out[0] + reach;
                    out[2] = out[0] - reach;
                },
                r.source()));
    }
}

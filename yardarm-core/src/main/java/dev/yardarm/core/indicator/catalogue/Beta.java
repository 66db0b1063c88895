package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.WindowMoments;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Beta. Covariance of the logarithmic changes of both over the variance of the other's, over the last n bars; missing
 * where the other does not move. In microseconds since 1970: the bar the first change begins with. Changes need both
 * prices above 0. O(1) a bar.
 */
public final class Beta extends Declared {
    public Beta() {
        super(Family.STATISTICS, "beta", "Beta");
        also("sensitivity", "market risk", "benchmark");
        whole("length", "Period", 60, 2, MOST);
        other("against", "Against");
        source(Field.CLOSE);
        fitted(0.0, 1.0);
        line();
        output("since", "Window start", Form.NONE);
        help(
                "How much the instrument moves for a move of another, usually the benchmark.",
                "Covariance of the logarithmic changes of both over the variance of the other's, over the "
                        + "last n bars both have; missing where the other does not move. since: when the oldest of "
                        + "those bars opened. "
                        + "In microseconds since 1970: the bar the first change begins with. Changes need both "
                        + "prices above 0.",
                "Above 1 it exaggerates the market, below 1 it follows at a distance, below 0 it goes the "
                        + "other way.",
                "A figure of the past that drifts; with a low correlation it means little.",
                "William F. Sharpe, Capital Asset Prices (1964).");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.joint(
                "value",
                r.whole("length"),
                true,
                (moments, out) -> out[0] = moments[WindowMoments.SQUARES_X] == 0
                        ? Double.NaN
                        : moments[WindowMoments.PRODUCTS] / moments[WindowMoments.SQUARES_X],
                r.other("against", Field.CLOSE),
                r.source()));
    }
}

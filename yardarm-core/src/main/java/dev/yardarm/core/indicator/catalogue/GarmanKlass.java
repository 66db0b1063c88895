package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Garman-Klass volatility. 100 * sqrt(mean over n bars of 0.5 * ln(high / low)^2 - (2 * ln 2 - 1) * ln(close /
 * open)^2, * bars of a year); 0 where the mean is below zero. O(1) a bar.
 */
public final class GarmanKlass extends Declared {
    public GarmanKlass() {
        super(Family.VOLATILITY, "garman_klass", "Garman-Klass volatility");
        also("open high low close volatility", "annualised volatility");
        length(20);
        whole("year", "Bars per year", 252, 1, 1000000);
        fitted();
        line();
        help(
                "Volatility of a year in per cent, estimated from open, high, low and close.",
                "100 * sqrt(mean over n bars of 0.5 * ln(high / low)^2 - (2 * ln 2 - 1) * ln(close / open)^2, "
                        + "* bars of a year); 0 where the mean is below zero.",
                "More efficient than the estimate by highs and lows.",
                "Knows nothing of gaps, and takes for granted that there is no trend.",
                "Mark B. Garman and Michael J. Klass, On the Estimation of Security Price Volatilities from "
                        + "Historical Data (1980).");
    }

    @Override
    public void build(Recipe r) {
        Node terms = r.each(
                        "term",
                        1,
                        (in, out) -> {
                            double reach = Math.log(in[1] / in[2]);
                            double body = Math.log(in[3] / in[0]);
                            out[0] = in[2] > 0 && in[0] > 0
                                    ? 0.5 * reach * reach - (2 * Math.log(2) - 1) * body * body
                                    : Double.NaN;
                        },
                        r.open(),
                        r.high(),
                        r.low(),
                        r.close())[0];
        int year = r.whole("year");
        r.out(r.map("value", r.mean(terms, r.length()), mean -> 100 * Math.sqrt((mean < 0 ? 0 : mean) * year)));
    }
}

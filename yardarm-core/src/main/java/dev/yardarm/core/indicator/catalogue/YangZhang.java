package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Yang-Zhang volatility. With o = ln(open / close[1]), u = ln(high / open), d = ln(low / open), c = ln(close / open):
 * variance = variance of o + k * variance of c + (1 - k) * mean of (u * (u - c) + d * (d - c)), variances divided by n
 * - 1, k = 0.34 / (1.34 + (n + 1) / (n - 1)); 100 * sqrt(variance * bars of a year). O(1) a bar.
 */
public final class YangZhang extends Declared {
    public YangZhang() {
        super(Family.VOLATILITY, "yang_zhang", "Yang-Zhang volatility");
        also("volatility with gaps", "annualised volatility");
        whole("length", "Period", 20, 2, MOST);
        whole("year", "Bars per year", 252, 1, 1000000);
        fitted();
        line();
        help(
                "Volatility of a year in per cent from open, high, low and close, gaps and trend included.",
                "With o = ln(open / close[1]), u = ln(high / open), d = ln(low / open), c = ln(close / open): "
                        + "variance = variance of o + k * variance of c + (1 - k) * mean of (u * (u - c) + d * (d - "
                        + "c)), variances divided by n - 1, k = 0.34 / (1.34 + (n + 1) / (n - 1)); 100 * "
                        + "sqrt(variance * bars of a year).",
                "The most efficient of the classic estimates, and the only one that minds gaps and trend " + "alike.",
                "Needs a true open; an open that is made from the last close spoils it.",
                "Dennis Yang and Qiang Zhang, Drift-Independent Volatility Estimation Based on High, Low, "
                        + "Open, and Close Prices (2000).");
    }

    @Override
    public void build(Recipe r) {
        int length = r.whole("length");
        double sample = (double) length / (length - 1);
        double share = 0.34 / (1.34 + (length + 1.0) / (length - 1));
        int year = r.whole("year");
        Node gap = r.zip(
                "gap",
                r.open(),
                r.back(r.close(), 1),
                (open, before) -> open > 0 && before > 0 ? Math.log(open / before) : Double.NaN);
        Node body = r.zip(
                "body",
                r.close(),
                r.open(),
                (close, open) -> open > 0 && close > 0 ? Math.log(close / open) : Double.NaN);
        Node inside = r.each(
                        "inside",
                        1,
                        (in, out) -> {
                            double up = Math.log(in[1] / in[0]);
                            double down = Math.log(in[2] / in[0]);
                            out[0] = in[2] > 0 ? up * (up - in[3]) + down * (down - in[3]) : Double.NaN;
                        },
                        r.open(),
                        r.high(),
                        r.low(),
                        body)[0];
        r.out(r.each(
                "value",
                1,
                (in, out) -> {
                    double variance = sample * in[0] * in[0] + share * sample * in[1] * in[1] + (1 - share) * in[2];
                    out[0] = 100 * Math.sqrt((variance < 0 ? 0 : variance) * year);
                },
                r.deviation(gap, length),
                r.deviation(body, length),
                r.mean(inside, length)));
    }
}

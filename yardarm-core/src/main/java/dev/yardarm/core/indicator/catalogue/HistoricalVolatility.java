package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Historical volatility. With x = ln(v / v[1]): 100 * sqrt(sum of (x - mean of x)^2 / (n - 1)) * sqrt(bars of a year).
 * Missing where a price is not above 0. O(1) a bar.
 */
public final class HistoricalVolatility extends Declared {
    public HistoricalVolatility() {
        super(Family.VOLATILITY, "historical_volatility", "Historical volatility");
        also("annualised volatility", "realised volatility", "options");
        whole("length", "Period", 20, 2, MOST);
        whole("year", "Bars per year", 252, 1, 1000000);
        source(Field.CLOSE);
        fitted();
        line();
        help(
                "The standard deviation of returns, for a year, in per cent.",
                "With x = ln(v / v[1]): 100 * sqrt(sum of (x - mean of x)^2 / (n - 1)) * sqrt(" + "year). "
                        + "Missing where a price is not above 0.",
                "Compared with its own past it tells calm from storm; compared with implied volatility "
                        + "whether options are expensive.",
                "Uses closes alone: what happens inside a bar is not seen.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        Node returns = r.zip(
                "return",
                r.source(),
                r.back(r.source(), 1),
                (now, before) -> now > 0 && before > 0 ? Math.log(now / before) : Double.NaN);
        int length = r.whole("length");
        double scale = 100 * Math.sqrt((double) length / (length - 1) * r.whole("year"));
        r.out(r.map("value", r.deviation(returns, length), deviation -> scale * deviation));
    }
}

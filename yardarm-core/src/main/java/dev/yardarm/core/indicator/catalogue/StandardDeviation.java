package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/** Standard deviation. sqrt(sum of (v[i] - sma(v, n))^2 / n). O(1) a bar. */
public final class StandardDeviation extends Declared {
    public StandardDeviation() {
        super(Family.VOLATILITY, "stdev", "Standard deviation");
        also("volatility", "dispersion");
        length(20);
        source(Field.CLOSE);
        fitted();
        line();
        help(
                "How far values usually are from their average.",
                "sqrt(sum of (v[i] - sma(v, n))^2 / n).",
                "Low in a calm market; the base of Bollinger bands.",
                "A trend counts as dispersion.",
                "Karl Pearson (1894).");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.deviation(r.source(), r.length()));
    }
}

package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/** Z-score. (v - sma(v, n)) / deviation of the n values, divided by n; 0 where all are equal. O(1) a bar. */
public final class ZScore extends Declared {
    public ZScore() {
        super(Family.STATISTICS, "zscore", "Z-score");
        also("standard score", "distance in deviations", "mean reversion");
        length(20);
        source(Field.CLOSE);
        fitted(-2.0, 0.0, 2.0);
        line();
        help(
                "How many standard deviations a value is from its average.",
                "(v - sma(v, n)) / deviation of the n values, divided by n; 0 where all are equal.",
                "Beyond +-2 far from the usual; pairs and spreads are traded back to 0.",
                "Prices are not drawn from a bell: extremes come more often than it suggests.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.each(
                "value",
                1,
                (in, out) -> out[0] = in[2] == 0 ? 0 * in[0] : (in[0] - in[1]) / in[2],
                r.source(),
                r.mean(r.source(), r.length()),
                r.deviation(r.source(), r.length())));
    }
}

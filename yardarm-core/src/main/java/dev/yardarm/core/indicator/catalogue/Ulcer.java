package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Ulcer index. fall = 100 * (v - highest(v, n)) / highest(v, n); value = sqrt(mean of fall^2 over n bars). O(1) a bar.
 */
public final class Ulcer extends Declared {
    public Ulcer() {
        super(Family.VOLATILITY, "ulcer", "Ulcer index");
        also("drawdown", "risk", "downside");
        length(14);
        source(Field.CLOSE);
        fitted();
        line();
        help(
                "How deep and how long price was below its recent highs: the volatility that hurts.",
                "fall = 100 * (v - highest(v, n)) / highest(v, n); value = sqrt(mean of fall^2 over n bars).",
                "Low for a steady climber; compare instruments by return per ulcer.",
                "Rises are no risk for it, so it is of no use for a short.",
                "Peter G. Martin and Byron B. McCann (1989).");
    }

    @Override
    public void build(Recipe r) {
        Node squares = r.zip(
                "fall",
                r.source(),
                r.highest(r.source(), r.length()),
                (value, top) -> top == 0 ? Double.NaN : 1e4 * (value - top) * (value - top) / (top * top));
        r.out(r.map("value", r.mean(squares, r.length()), Math::sqrt));
    }
}

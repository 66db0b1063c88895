package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Relative strength against another. value = 100 * v / other's close, as known at the same moment; average =
 * sma(value, n). O(1) a bar.
 */
public final class RelativeStrength extends Declared {
    public RelativeStrength() {
        super(Family.STATISTICS, "relative_strength", "Relative strength against another");
        also("comparison", "benchmark", "outperformance", "ratio");
        other("against", "Against");
        length("length", "Average", 50);
        source(Field.CLOSE);
        fitted();
        line("value", "Ratio");
        output("average", "Average of the ratio", Form.DASHED);
        cue("leading", "Ratio above its average");
        help(
                "Price divided by that of another instrument, usually the benchmark, with its average.",
                "value = 100 * v / other's close, as known at the same moment; average = sma(value, n).",
                "Rising: it does better than the other, whatever the market does. Leaders show it before "
                        + "price does.",
                "Rising may mean falling more slowly.",
                "Robert A. Levy, Relative Strength as a Criterion for Investment Selection (1967).");
    }

    @Override
    public void build(Recipe r) {
        Node value = r.zip(
                "value",
                r.source(),
                r.other("against", Field.CLOSE),
                (one, other) -> other == 0 ? Double.NaN : 100 * one / other);
        Node average = r.mean(value, r.length());
        r.out(
                value,
                average,
                r.zip(
                        "leading",
                        value,
                        average,
                        (ratio, mean) -> Double.isNaN(ratio + mean) ? Double.NaN : ratio > mean ? 1 : 0));
    }
}

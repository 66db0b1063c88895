package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Choppiness. 100 * log(sum(true range, n) / (highest high - lowest low of n)) / log(n); missing without any reach.
 * O(1) a bar.
 */
public final class Choppiness extends Declared {
    public Choppiness() {
        super(Family.TREND, "choppiness", "Choppiness");
        also("range or trend", "consolidation");
        whole("length", "Period", 14, 2, MOST);
        bounded(0, 100, 38.2, 61.8);
        line();
        help(
                "How much price went to and fro compared with how far it got: near 100 a range, near 0 a "
                        + "straight move.",
                "100 * log(sum(true range, n) / (highest high - lowest low of n)) / log(n); missing without "
                        + "any reach.",
                "Above 61.8 a range that wants to end, below 38.2 a trend that wants to rest.",
                "It says nothing about direction.",
                "E. W. Dreiss (1993).");
    }

    @Override
    public void build(Recipe r) {
        double whole = Math.log(r.length());
        Node reach = r.minus(r.highest(r.high(), r.length()), r.lowest(r.low(), r.length()));
        r.out(r.zip(
                "value",
                r.sum(r.trueRange(), r.length()),
                reach,
                (path, range) -> range > 0 ? 100 * Math.log(path / range) / whole : Double.NaN));
    }
}

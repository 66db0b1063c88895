package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Hull moving average. hull = wma(2 * wma(v, n / 2) - wma(v, n), sqrt(n)); half and root are rounded down, at least 1.
 * O(1) a bar.
 */
public final class Hull extends Declared {
    public Hull() {
        super(Family.AVERAGES, "hull", "Hull moving average");
        also("moving average", "hma", "less lag");
        length(20);
        source(Field.CLOSE);
        line();
        help(
                "A smooth average with little lag, made of weighted averages.",
                "hull = wma(2 * wma(v, n / 2) - wma(v, n), sqrt(n)); half and root are rounded down, at least " + "1.",
                "Its turns are read as turns of the short trend.",
                "It overshoots after sharp moves and changes direction often in a range.",
                "Alan Hull, Hull Moving Average (2005).");
    }

    @Override
    public void build(Recipe r) {
        int half = Math.max(1, r.length() / 2);
        int root = Math.max(1, (int) Math.sqrt(r.length()));
        Node raw = r.zip(
                "raw",
                r.weighted(r.source(), half),
                r.weighted(r.source(), r.length()),
                (fast, slow) -> 2 * fast - slow);
        r.out(r.weighted(raw, root));
    }
}

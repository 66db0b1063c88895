package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Mass index. e1 = ema(high - low, average), e2 = ema(e1, average); value = sum(e1 / e2, n); 1 for a bar where both
 * are 0. O(1) a bar.
 */
public final class MassIndex extends Declared {
    public MassIndex() {
        super(Family.VOLATILITY, "mass", "Mass index");
        also("range expansion", "reversal bulge");
        length("average", "Average", 9);
        length("length", "Period", 25);
        fitted(26.5, 27.0);
        line();
        help(
                "Sums how wide bars are against their own recent width: a bulge warns of a turn, whichever " + "way.",
                "e1 = ema(high - low, average), e2 = ema(e1, average); value = sum(e1 / e2, n); 1 for a bar "
                        + "where both are 0.",
                "A rise above 27 and a fall back below 26.5 comes before turns; the direction is that against "
                        + "the last trend.",
                "Years may pass without a bulge.",
                "Donald Dorsey, The Mass Index (1992).");
    }

    @Override
    public void build(Recipe r) {
        Node one = r.ema(r.field(Field.RANGE), r.whole("average"));
        Node two = r.ema(one, r.whole("average"));
        r.out(r.sum(r.zip("ratio", one, two, (first, second) -> second == 0 ? 1 : first / second), r.length()));
    }
}

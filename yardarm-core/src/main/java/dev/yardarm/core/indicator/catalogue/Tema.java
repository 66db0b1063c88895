package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Triple exponential moving average. tema = 3 * e1 - 3 * e2 + e3, where e1 = ema(v, n), e2 = ema(e1, n) and e3 =
 * ema(e2, n). O(1) a bar.
 */
public final class Tema extends Declared {
    public Tema() {
        super(Family.AVERAGES, "tema", "Triple exponential moving average");
        also("moving average", "less lag");
        length(20);
        source(Field.CLOSE);
        line();
        help(
                "An exponential average with its lag taken off twice.",
                "tema = 3 * e1 - 3 * e2 + e3, where e1 = ema(v, n), e2 = ema(e1, n) and e3 = ema(e2, n).",
                "The quickest of the exponential family.",
                "It overshoots more than the double one, and needs three periods to begin.",
                "Patrick G. Mulloy, Smoothing Data with Less Lag (1994).");
    }

    @Override
    public void build(Recipe r) {
        Node one = r.ema(r.source(), r.length());
        Node two = r.ema(one, r.length());
        Node three = r.ema(two, r.length());
        r.out(r.each("value", 1, (in, out) -> out[0] = 3 * in[0] - 3 * in[1] + in[2], one, two, three));
    }
}

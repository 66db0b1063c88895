package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/** Double exponential moving average. dema = 2 * e1 - e2, where e1 = ema(v, n) and e2 = ema(e1, n). O(1) a bar. */
public final class Dema extends Declared {
    public Dema() {
        super(Family.AVERAGES, "dema", "Double exponential moving average");
        also("moving average", "less lag");
        length(20);
        source(Field.CLOSE);
        line();
        help(
                "An exponential average with most of its lag taken off.",
                "dema = 2 * e1 - e2, where e1 = ema(v, n) and e2 = ema(e1, n).",
                "Turns sooner than the exponential average; used where its lag costs too much.",
                "It overshoots at sharp turns.",
                "Patrick G. Mulloy, Smoothing Data with Faster Moving Averages (1994).");
    }

    @Override
    public void build(Recipe r) {
        Node one = r.ema(r.source(), r.length());
        Node two = r.ema(one, r.length());
        r.out(r.zip("value", one, two, (first, second) -> 2 * first - second));
    }
}

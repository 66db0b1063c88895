package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/** Awesome oscillator. sma(midprice, fast) - sma(midprice, slow). O(1) a bar. */
public final class Awesome extends Declared {
    public Awesome() {
        super(Family.MOMENTUM, "awesome", "Awesome oscillator");
        also("momentum", "midprice averages");
        length("fast", "Fast period", 5);
        length("slow", "Slow period", 34);
        fitted(0.0);
        output("value", "Oscillator", Form.COLUMNS);
        cue("cross_up", "Crosses above zero");
        cue("cross_down", "Crosses below zero");
        help(
                "The distance between a fast and a slow average of the middle of the bars.",
                "sma(midprice, fast) - sma(midprice, slow).",
                "Above zero the short term leads; two peaks on the same side, the second nearer to zero, warn "
                        + "of a turn.",
                "In units of price; crosses often in a range.",
                "Bill Williams, New Trading Dimensions (1998).");
    }

    @Override
    public void build(Recipe r) {
        Node price = r.field(Field.MIDPRICE);
        Node value = r.minus(r.mean(price, r.whole("fast")), r.mean(price, r.whole("slow")));
        Node zero = r.constant(0);
        r.out(value, r.crossesAbove(value, zero), r.crossesBelow(value, zero));
    }
}

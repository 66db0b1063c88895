package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/** Donchian channel. upper = highest(high, n), lower = lowest(low, n), middle = (upper + lower) / 2. O(1) a bar. */
public final class Donchian extends Declared {
    public Donchian() {
        super(Family.BANDS, "donchian", "Donchian channel");
        also("price channel", "breakout", "highest high lowest low");
        length(20);
        line("upper", "Highest high");
        line("lower", "Lowest low");
        output("middle", "Middle", Form.DASHED);
        fill("upper", "lower");
        help(
                "The highest high and the lowest low of the last n bars, this one included.",
                "upper = highest(high, n), lower = lowest(low, n), middle = (upper + lower) / 2.",
                "A close beyond the channel of the bars before is a breakout: compare with upper back 1.",
                "Many breakouts in a range fail.",
                "Richard Donchian, the four-week rule (1960).");
    }

    @Override
    public void build(Recipe r) {
        Node upper = r.highest(r.high(), r.length());
        Node lower = r.lowest(r.low(), r.length());
        r.out(upper, lower, r.zip("middle", upper, lower, (high, low) -> (high + low) / 2));
    }
}

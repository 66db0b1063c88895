package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Exponential moving average. ema = ema[1] + 2 / (n + 1) * (v - ema[1]), starting from the simple average of the first
 * n values. After a missing value it starts anew. O(1) a bar.
 */
public final class Ema extends Declared {
    public Ema() {
        super(Family.AVERAGES, "ema", "Exponential moving average");
        also("moving average", "exponential");
        length(20);
        source(Field.CLOSE);
        line();
        help(
                "An average in which the newest value weighs most and old ones fade away.",
                "ema = ema[1] + 2 / (n + 1) * (v - ema[1]), starting from the simple average of the first n "
                        + "values. After a missing value it starts anew.",
                "Read like the simple average; it turns sooner.",
                "It is fooled sooner too, and a single spike stays in it for a long time.",
                "Robert G. Brown, Statistical Forecasting for Inventory Control (1959).");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.ema(r.source(), r.length()));
    }
}

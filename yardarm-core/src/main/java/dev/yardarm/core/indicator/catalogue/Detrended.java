package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/** Detrended price oscillator. dpo = v[n / 2 + 1] - sma(v, n), n / 2 rounded down. O(1) a bar. */
public final class Detrended extends Declared {
    public Detrended() {
        super(Family.MOMENTUM, "dpo", "Detrended price oscillator");
        also("cycles", "without trend");
        length(20);
        source(Field.CLOSE);
        fitted(0.0);
        line();
        help(
                "Price of half a period ago less the average of now, so that swings show without the trend.",
                "dpo = v[n / 2 + 1] - sma(v, n), n / 2 rounded down.",
                "The distance of its highs and lows estimates the length of the cycle.",
                "It belongs to a price half a period old: no signal for now.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.minus(r.back(r.source(), r.length() / 2 + 1), r.mean(r.source(), r.length())));
    }
}

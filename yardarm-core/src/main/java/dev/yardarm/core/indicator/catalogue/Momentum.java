package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/** Momentum. momentum = v - v[n]. O(1) a bar. */
public final class Momentum extends Declared {
    public Momentum() {
        super(Family.MOMENTUM, "momentum", "Momentum");
        also("change", "rate of change");
        length(10);
        source(Field.CLOSE);
        fitted(0.0);
        line();
        help(
                "The change over n bars in units of price.",
                "momentum = v - v[n].",
                "Above zero and rising the advance gains speed; it turns before price does.",
                "The value n bars ago moves it as much as the one now.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.change(r.source(), r.length()));
    }
}

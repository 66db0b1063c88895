package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/** Rate of change. roc = 100 * (v - v[n]) / v[n]. O(1) a bar. */
public final class RateOfChange extends Declared {
    public RateOfChange() {
        super(Family.MOMENTUM, "roc", "Rate of change");
        also("momentum", "return", "percent change");
        length(12);
        source(Field.CLOSE);
        fitted(0.0);
        line();
        help(
                "The change over n bars in per cent.",
                "roc = 100 * (v - v[n]) / v[n].",
                "Above zero higher than n bars ago; its highs and lows show where a move was at its fastest.",
                "The value n bars ago moves it as much as the one now.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        r.out(r.zip(
                "value",
                r.source(),
                r.back(r.source(), r.length()),
                (now, before) -> before == 0 ? Double.NaN : 100 * (now - before) / before));
    }
}

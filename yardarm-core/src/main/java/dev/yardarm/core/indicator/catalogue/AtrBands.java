package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/** ATR bands. upper and lower = v +- factor * atr(n). O(1) a bar. */
public final class AtrBands extends Declared {
    public AtrBands() {
        super(Family.BANDS, "atr_bands", "ATR bands");
        also("volatility bands", "stop distance");
        length(14);
        number("factor", "ATR multiple", 2, 0.1, 20);
        source(Field.CLOSE);
        line("upper", "Upper band");
        line("lower", "Lower band");
        help(
                "Lines some average true ranges above and below each value.",
                "upper and lower = v +- factor * atr(n).",
                "Distances for stops and targets in proportion to the usual range.",
                "They move with every bar; a stop must not.",
                "True range: J. Welles Wilder (1978); as bands in common use.");
    }

    @Override
    public void build(Recipe r) {
        double factor = r.number("factor");
        Node range = r.atr(r.length());
        r.out(
                r.zip("upper", r.source(), range, (value, atr) -> value + factor * atr),
                r.zip("lower", r.source(), range, (value, atr) -> value - factor * atr));
    }
}

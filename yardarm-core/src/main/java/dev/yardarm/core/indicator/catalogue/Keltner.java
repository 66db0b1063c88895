package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/** Keltner channel. middle = average(v, n); upper and lower = middle +- factor * atr(range). O(1) a bar. */
public final class Keltner extends Declared {
    public Keltner() {
        super(Family.BANDS, "keltner", "Keltner channel");
        also("atr channel", "volatility bands");
        choice("average", "Kind", "exponential", "simple", "weighted", "wilder");
        length(20);
        length("range", "Period of ATR", 10);
        number("factor", "ATR multiple", 2, 0.1, 20);
        source(Field.CLOSE);
        line("middle", "Average");
        line("upper", "Upper line");
        line("lower", "Lower line");
        fill("upper", "lower");
        help(
                "An average with lines some average true ranges above and below it.",
                "middle = average(v, n); upper and lower = middle +- factor * atr(range).",
                "A close beyond a line is a strong move; Bollinger bands inside this channel are a squeeze.",
                "In a strong trend price stays beyond it for long.",
                "Chester W. Keltner, How to Make Money in Commodities (1960), in the form with true range by "
                        + "Linda Bradford Raschke.");
    }

    @Override
    public void build(Recipe r) {
        double factor = r.number("factor");
        Node middle = r.average("average", r.source(), r.length());
        Node range = r.atr(r.whole("range"));
        r.out(
                middle,
                r.zip("upper", middle, range, (centre, atr) -> centre + factor * atr),
                r.zip("lower", middle, range, (centre, atr) -> centre - factor * atr));
    }
}

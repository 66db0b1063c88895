package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Chandelier exit. long = highest(high, n) - factor * atr(n); short = lowest(low, n) + factor * atr(n). O(1) a bar.
 */
public final class Chandelier extends Declared {
    public Chandelier() {
        super(Family.TREND, "chandelier", "Chandelier exit");
        also("trailing stop", "atr stop");
        length(22);
        number("factor", "ATR multiple", 3, 0.1, 20);
        output("long", "Long exit", Form.STEPS);
        output("short", "Short exit", Form.STEPS);
        help(
                "A stop that hangs some average true ranges below the highest high, and one that stands above "
                        + "the lowest low.",
                "long = highest(high, n) - factor * atr(n); short = lowest(low, n) + factor * atr(n).",
                "A close beyond it ends the position; it gives a trend room in proportion to its swings.",
                "It also falls when volatility grows; it is a figure of the last n bars, not a stop that only "
                        + "tightens.",
                "Charles Le Beau, described in Alexander Elder, Come Into My Trading Room (2002).");
    }

    @Override
    public void build(Recipe r) {
        double factor = r.number("factor");
        Node range = r.atr(r.length());
        r.out(
                r.zip("long", r.highest(r.high(), r.length()), range, (high, atr) -> high - factor * atr),
                r.zip("short", r.lowest(r.low(), r.length()), range, (low, atr) -> low + factor * atr));
    }
}

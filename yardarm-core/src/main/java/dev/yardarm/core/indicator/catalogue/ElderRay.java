package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/** Elder ray. bulls = high - ema(close, n), bears = low - ema(close, n). O(1) a bar. */
public final class ElderRay extends Declared {
    public ElderRay() {
        super(Family.MOMENTUM, "elder_ray", "Elder ray");
        also("bull power", "bear power");
        length(13);
        fitted(0.0);
        output("bulls", "Power of the bulls", Form.COLUMNS);
        output("bears", "Power of the bears", Form.COLUMNS);
        help(
                "How far the high stands above, and the low below, an exponential average.",
                "bulls = high - ema(close, n), bears = low - ema(close, n).",
                "In a rising average, bears below zero and rising is the purchase; in a falling one, bulls "
                        + "above zero and falling the sale.",
                "In units of price; without the average's direction it says little.",
                "Alexander Elder, Trading for a Living (1993).");
    }

    @Override
    public void build(Recipe r) {
        Node average = r.ema(r.close(), r.length());
        r.out(r.minus(r.high(), average), r.minus(r.low(), average));
    }
}

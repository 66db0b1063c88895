package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Volume bought at the ask and sold at the bid in each bar: half of volume plus delta, and half of volume less delta, with the delta of
 * {@link CumulativeDelta}. O(1) a bar.
 */
public final class BoughtAndSold extends Declared {
    public BoughtAndSold() {
        super(Family.VOLUME, "bought_sold", "Bought and sold volume");
        also("bid and ask volume", "volume at bid", "volume at ask", "buying and selling volume");
        choice("from", "From", "trades", "bars");
        fitted(0.0);
        output("bought", "Bought at the ask", Form.COLUMNS);
        output("sold", "Sold at the bid, below zero", Form.COLUMNS);
        cue("estimated", "Estimated from bars");
        help(
                "How much of each bar was bought and how much was sold. From single trades with their side where they are known, else "
                        + "estimated from the bars, and then it says so.",
                "bought = (volume + delta) / 2; sold = -(volume - delta) / 2; delta as of the cumulative delta: from trades, else "
                        + "volume * (2 * close - high - low) / (high - low), 0 for a bar without range.",
                "Much on both sides and little way: somebody absorbs.",
                "The estimate is a guess: bars do not tell who was the aggressor.",
                "In common use on futures floors' screens; the estimate after Marc Chaikin.");
    }

    @Override
    public void build(Recipe r) {
        boolean ofBars = r.is("from", "bars");
        r.out(r.each(
                "bought and sold",
                3,
                (in, out) -> {
                    boolean known = !ofBars && in[4] == in[4];
                    double delta =
                            known ? in[4] : in[0] == in[1] ? 0 : in[3] * (2 * in[2] - in[0] - in[1]) / (in[0] - in[1]);
                    out[0] = (in[3] + delta) / 2;
                    out[1] = (delta - in[3]) / 2;
                    out[2] = known ? 0 : 1;
                },
                r.high(),
                r.low(),
                r.close(),
                r.volume(),
                r.tradedDelta()));
    }
}

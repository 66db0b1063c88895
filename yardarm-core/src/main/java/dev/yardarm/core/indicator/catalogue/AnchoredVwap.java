package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;
import java.util.function.DoubleUnaryOperator;

/**
 * Volume-weighted average price from an anchor. As the volume-weighted average price, from the first bar that opens at
 * or after the anchor; missing before. A date alone means the open of that day's session; without an anchor it begins
 * with the first bar. A bar whose volume or price is missing is left out. O(1) a bar.
 */
public final class AnchoredVwap extends Declared {
    public AnchoredVwap() {
        super(Family.BANDS, "anchored_vwap", "Volume-weighted average price from an anchor");
        also("vwap", "average price since", "anchor");
        moment("anchor", "Anchor");
        number("inner", "Inner bands, deviations", 1, 0.1, 10);
        number("outer", "Outer bands, deviations", 2, 0.1, 10);
        source(Field.TYPICAL);
        line("value", "Average price");
        output("upper1", "Inner band above", Form.DASHED);
        output("lower1", "Inner band below", Form.DASHED);
        output("upper2", "Outer band above", Form.DASHED);
        output("lower2", "Outer band below", Form.DASHED);
        help(
                "What was paid on average since a bar of the trader's choice.",
                "As the volume-weighted average price, from the first bar that opens at or after the anchor; "
                        + "missing before. A date alone means the open of that day's session; without an anchor it "
                        + "begins with the first bar. "
                        + "A bar whose volume or price is missing is left out.",
                "From a high, a low or an event: who bought since then is in profit or not.",
                "The choice of the anchor is the whole of it; one made afterwards knows too much.",
                "As the volume-weighted average price; from an anchor: Paul Levine (1996).");
    }

    @Override
    public void build(Recipe r) {
        r.out(VolumePrice.since(r, r.map("since", r.time(), anchored(r.moment("anchor")))));
    }

    /** Bars before the anchor are missing, those from it on one period. */
    private static DoubleUnaryOperator anchored(double anchor) {
        return time -> time < anchor ? Double.NaN : 1;
    }
}

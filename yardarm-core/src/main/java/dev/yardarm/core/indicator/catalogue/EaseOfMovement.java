package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Ease of movement. move = midprice - midprice[1]; raw = move * (high - low) / (volume / scale), 0 for a bar without
 * volume or range; value = sma(raw, n). O(1) a bar.
 */
public final class EaseOfMovement extends Declared {
    public EaseOfMovement() {
        super(Family.VOLUME, "eom", "Ease of movement");
        also("volume against range", "emv");
        length(14);
        number("scale", "Volume in units of", 10000, 1, 1e12);
        fitted(0.0);
        line();
        help(
                "How far price gets with how little volume.",
                "move = midprice - midprice[1]; raw = move * (high - low) / (volume / scale), 0 for a bar "
                        + "without volume or range; value = sma(raw, n).",
                "Above zero price rises with ease; near zero it takes much volume to move it.",
                "Its size depends on the scale; compare it with itself only.",
                "Richard W. Arms, Volume Cycles in the Stock Market (1983).");
    }

    @Override
    public void build(Recipe r) {
        double scale = r.number("scale");
        Node raw = r.each(
                        "raw",
                        1,
                        (in, out) -> out[0] = in[2] == 0 ? 0 * (in[0] + in[1]) + 0.0 : in[0] * in[1] * scale / in[2],
                        r.change(r.field(Field.MIDPRICE), 1),
                        r.field(Field.RANGE),
                        r.volume())[0];
        r.out(r.mean(raw, r.length()));
    }
}

package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Position in the Bollinger bands. position = (v - lower) / (upper - lower); missing while the bands have no width.
 * O(1) a bar.
 */
public final class BandPosition extends Declared {
    public BandPosition() {
        super(Family.BANDS, "band_position", "Position in the Bollinger bands");
        also("percent b", "band position");
        length(20);
        number("factor", "Deviations", 2, 0.1, 20);
        source(Field.CLOSE);
        fitted(0.0, 0.5, 1.0);
        line();
        help(
                "Where price stands in its Bollinger bands: 0 at the lower, 1 at the upper one.",
                "position = (v - lower) / (upper - lower); missing while the bands have no width.",
                "Above 1 price is beyond the upper band, below 0 beyond the lower; a new price high with a "
                        + "lower position warns.",
                "In a trend it stays near its end of the scale.",
                "John Bollinger, Bollinger on Bollinger Bands (2001).");
    }

    @Override
    public void build(Recipe r) {
        double factor = r.number("factor");
        r.out(r.each(
                        "value",
                        1,
                        (in, out) -> out[0] =
                                in[1] == 0 ? Double.NaN : (in[2] - in[0] + factor * in[1]) / (2 * factor * in[1]),
                        r.mean(r.source(), r.length()),
                        r.deviation(r.source(), r.length()),
                        r.source())[0]);
    }
}

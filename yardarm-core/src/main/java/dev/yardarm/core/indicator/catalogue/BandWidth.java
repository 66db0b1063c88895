package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/** Bollinger band width. width = 2 * factor * deviation / sma(v, n). O(1) a bar. */
public final class BandWidth extends Declared {
    public BandWidth() {
        super(Family.BANDS, "band_width", "Bollinger band width");
        also("squeeze", "volatility");
        length(20);
        number("factor", "Deviations", 2, 0.1, 20);
        source(Field.CLOSE);
        fitted();
        line();
        help(
                "How far apart the Bollinger bands are, as a part of their average.",
                "width = 2 * factor * deviation / sma(v, n).",
                "The lowest width of half a year is a squeeze: a move is likely, its direction open.",
                "A squeeze may last; the first break is often a false one.",
                "John Bollinger, Bollinger on Bollinger Bands (2001).");
    }

    @Override
    public void build(Recipe r) {
        double factor = r.number("factor");
        r.out(r.zip(
                "value",
                r.mean(r.source(), r.length()),
                r.deviation(r.source(), r.length()),
                (middle, deviation) -> middle == 0 ? Double.NaN : 2 * factor * deviation / middle));
    }
}

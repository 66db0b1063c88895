package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Bollinger bands. middle = sma(v, n); deviation over the same n values, divided by n; upper and lower = middle +-
 * factor * deviation; width = (upper - lower) / middle; position = (v - lower) / (upper - lower), missing while the
 * bands have no width. O(1) a bar.
 */
public final class Bollinger extends Declared {
    public Bollinger() {
        super(Family.BANDS, "bollinger", "Bollinger bands");
        also("deviation bands", "squeeze", "volatility bands", "band width");
        length(20);
        number("factor", "Deviations", 2, 0.1, 20);
        source(Field.CLOSE);
        line("middle", "Average");
        line("upper", "Upper band");
        line("lower", "Lower band");
        output("width", "Width, as a part of the average", Form.NONE);
        output("position", "Position in the bands, 0 to 1", Form.NONE);
        fill("upper", "lower");
        help(
                "A simple average with bands some standard deviations above and below it: narrow in a calm "
                        + "market, wide in a lively one.",
                "middle = sma(v, n); deviation over the same n values, divided by n; upper and lower = middle "
                        + "+- factor * deviation; width = (upper - lower) / middle; position = (v - lower) / (upper "
                        + "- lower), missing while the bands have no width.",
                "Narrow bands come before a move; a close beyond a band is strength, and a sign of its end "
                        + "only when price falls back inside.",
                "Walking along a band in a trend looks like one extreme after the other.",
                "John Bollinger, Bollinger on Bollinger Bands (2001).");
    }

    @Override
    public void build(Recipe r) {
        double factor = r.number("factor");
        Node middle = r.mean(r.source(), r.length());
        Node[] rest = r.each(
                "bands",
                4,
                (in, out) -> {
                    double reach = factor * in[1];
                    out[0] = in[0] + reach;
                    out[1] = in[0] - reach;
                    out[2] = in[0] == 0 ? Double.NaN : 2 * reach / in[0];
                    out[3] = reach == 0 ? Double.NaN : (in[2] - out[1]) / (2 * reach);
                },
                middle,
                r.deviation(r.source(), r.length()),
                r.source());
        r.out(middle, rest[0], rest[1], rest[2], rest[3]);
    }
}

package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Fractal adaptive moving average. With n made even, and N1, N2 the reach high - low of the newer and older half each
 * divided by n / 2, N3 that of the whole divided by n: dimension = (log(N1 + N2) - log(N3)) / log(2), kept from before
 * unless N1, N2 and N3 are all above 0; weight = exp(-4.6 * (dimension - 1)), held between 0.01 and 1; frama = weight
 * * midprice + (1 - weight) * frama[1], starting from the midprice before. The dimension is 1 until there was any
 * reach. O(1) a bar.
 */
public final class Frama extends Declared {
    public Frama() {
        super(Family.AVERAGES, "frama", "Fractal adaptive moving average");
        also("moving average", "adaptive", "fractal dimension");
        whole("length", "Period (even)", 16, 4, 500);
        line();
        output("dimension", "Fractal dimension", Form.NONE);
        help(
                "An average whose speed follows how straight the path of price is, measured by its fractal "
                        + "dimension.",
                "With n made even, and N1, N2 the reach high - low of the newer and older half each divided "
                        + "by n / 2, N3 that of the whole divided by n: dimension = (log(N1 + N2) - log(N3)) / "
                        + "log(2), kept from before unless N1, N2 and N3 are all above 0; weight = exp(-4.6 * (dimension - 1)), "
                        + "held between 0.01 and 1; frama = weight * midprice + (1 - weight) * frama[1], starting "
                        + "from the midprice before. "
                        + "The dimension is 1 until there was any reach.",
                "Flat in a range, close behind price in a trend.",
                "Jumps after gaps; the dimension of few bars is a rough figure.",
                "John F. Ehlers, Fractal Adaptive Moving Average (2005).");
    }

    @Override
    public void build(Recipe r) {
        int half = r.length() / 2;
        Node newer = r.minus(r.highest(r.high(), half), r.lowest(r.low(), half));
        Node older = r.back(newer, half);
        Node whole = r.minus(r.highest(r.high(), 2 * half), r.lowest(r.low(), 2 * half));
        Node price = r.field(Field.MIDPRICE);
        r.out(r.steps(
                "value",
                0,
                new double[] {0, 0, 1},
                2,
                (in, state, out) -> {
                    double before = state[1] == 0 ? in[1] : state[0];
                    if (in[2] > 0 && in[3] > 0 && in[4] > 0) {
                        state[2] = (Math.log((in[2] + in[3]) / half) - Math.log(in[4] / (2 * half))) / Math.log(2);
                    }
                    double weight = Math.max(0.01, Math.min(1, Math.exp(-4.6 * (state[2] - 1))));
                    state[0] = before + weight * (in[0] - before);
                    state[1] = 1;
                    out[0] = state[0];
                    out[1] = state[2];
                },
                price,
                r.back(price, 1),
                newer,
                older,
                whole));
    }
}

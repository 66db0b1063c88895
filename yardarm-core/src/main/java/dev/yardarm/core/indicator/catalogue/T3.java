package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * T3 moving average. With a as the factor and e1 ... e6 exponential averages, each of the one before: t3 = -a^3 * e6 +
 * (3a^2 + 3a^3) * e5 + (-6a^2 - 3a - 3a^3) * e4 + (1 + 3a + a^3 + 3a^2) * e3. O(1) a bar.
 */
public final class T3 extends Declared {
    public T3() {
        super(Family.AVERAGES, "t3", "T3 moving average");
        also("moving average", "tillson", "smooth");
        length(5);
        number("factor", "Volume factor", 0.7, 0, 1);
        source(Field.CLOSE);
        line();
        help(
                "Six exponential averages mixed so that the result is smooth and has little lag.",
                "With a as the factor and e1 ... e6 exponential averages, each of the one before: t3 = -a^3 * "
                        + "e6 + (3a^2 + 3a^3) * e5 + (-6a^2 - 3a - 3a^3) * e4 + (1 + 3a + a^3 + 3a^2) * e3.",
                "Read like any average; a factor of 0 gives three exponential averages in a row, 1 the "
                        + "quickest mixture.",
                "It overshoots with a high factor and needs six periods to begin.",
                "Tim Tillson, Smoothing Techniques for More Accurate Signals (1998).");
    }

    @Override
    public void build(Recipe r) {
        Node[] average = new Node[6];
        for (int depth = 0; depth < 6; depth++) {
            average[depth] = r.ema(depth == 0 ? r.source() : average[depth - 1], r.length());
        }
        double a = r.number("factor");
        double six = -a * a * a;
        double five = 3 * a * a + 3 * a * a * a;
        double four = -6 * a * a - 3 * a - 3 * a * a * a;
        r.out(r.each(
                "value",
                1,
                // The weights make 1 together: as what each adds to e3, averages that stand still stay what they are.
                (in, out) -> out[0] = in[0] + six * (in[3] - in[0]) + five * (in[2] - in[0]) + four * (in[1] - in[0]),
                average[2],
                average[3],
                average[4],
                average[5]));
    }
}

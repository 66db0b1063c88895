package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Band excess. With middle, upper and lower as in the Bollinger bands and the half width upper - middle: a bar's up-
 * excess is max(0, v - upper) / half width, its down-excess max(0, lower - v) / half width, 0 without any width; up =
 * 100 * mean of the up-excesses of n bars, down = -100 * that of the down-excesses. O(1) a bar.
 */
public final class BandExcess extends Declared {
    public BandExcess() {
        super(Family.MOMENTUM, "band_excess", "Band excess");
        also("bollinger", "beyond the bands", "opposing excess", "filter");
        length(20);
        number("factor", "Deviations", 2, 0.1, 20);
        source(Field.CLOSE);
        fitted(-10.0, 0.0, 10.0);
        output("up", "Up-excess", Form.COLUMNS);
        output("down", "Down-excess, below zero", Form.COLUMNS);
        mark("contested", "Both are present");
        cue("no_down", "No opposing excess to an advance");
        cue("no_up", "No opposing excess to a decline");
        cue("only_up", "Up-excess alone");
        cue("only_down", "Down-excess alone");
        help(
                "How much price stood beyond its Bollinger bands over the last n bars: above the upper band "
                        + "upward, below the lower one downward.",
                "With middle, upper and lower as in the Bollinger bands and the half width upper - middle: a "
                        + "bar's up-excess is max(0, v - upper) / half width, its down-excess max(0, lower - v) / "
                        + "half width, 0 without any width; up = 100 * mean of the up-excesses of n bars, down = "
                        + "-100 * that of the down-excesses.",
                "A move that leaves excess on one side only is one-sided; where both are present the market "
                        + "is contested, and signals of other indicators are better left. The cues without opposing "
                        + "excess filter them.",
                "A single spike stays in it for n bars.",
                "Yardarm's own, from the bands of John Bollinger.");
    }

    @Override
    public void build(Recipe r) {
        double factor = r.number("factor");
        Node[] excess = r.each(
                "excess",
                2,
                (in, out) -> {
                    double half = factor * in[1];
                    double above = (in[2] - in[0] - half) / half;
                    double below = (in[0] - half - in[2]) / half;
                    out[0] = half == 0 ? 0 : Math.max(above, 0);
                    out[1] = half == 0 ? 0 : Math.max(below, 0);
                },
                r.mean(r.source(), r.length()),
                r.deviation(r.source(), r.length()),
                r.source());
        Node up = r.times(r.mean(excess[0], r.length()), 100);
        Node down = r.map("down", r.mean(excess[1], r.length()), mean -> 0 - 100 * mean);
        r.out(up, down);
        r.out(r.each(
                "cues",
                5,
                (in, out) -> {
                    double known = in[0] + in[1];
                    boolean high = in[0] > 0;
                    boolean low = in[1] < 0;
                    out[0] = yes(high && low, known);
                    out[1] = yes(!low, known);
                    out[2] = yes(!high, known);
                    out[3] = yes(high && !low, known);
                    out[4] = yes(low && !high, known);
                },
                up,
                down));
    }

    private static double yes(boolean holds, double known) {
        return known != known ? Double.NaN : holds ? 1 : 0;
    }
}

package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Ribbon of averages. line k = average(v, first + (k - 1) * step) for k up to the number of lines; lines beyond it are
 * missing. rising: each above the next slower one; falling: each below it. O(1) a bar for each line.
 */
public final class Ribbon extends Declared {
    public Ribbon() {
        super(Family.AVERAGES, "ribbon", "Ribbon of averages");
        also("moving averages", "fan", "rainbow", "multiple averages");
        choice("average", "Kind", "exponential", "simple", "weighted", "wilder");
        length("first", "First period", 10);
        whole("step", "Step", 10, 1, 500);
        whole("count", "Number of lines", 6, 2, 8);
        source(Field.CLOSE);
        for (int line = 1; line <= 8; line++) {
            line("line" + line, "Average " + line);
        }
        cue("rising", "All in rising order");
        cue("falling", "All in falling order");
        help(
                "Several averages of growing period: their order and distance show the trend at a glance.",
                "line k = average(v, first + (k - 1) * step) for k up to the number of lines; lines beyond it "
                        + "are missing. rising: each above the next slower one; falling: each below it.",
                "Fanned out in order they speak for a trend, knotted together for a range.",
                "They all follow the same price: many lines in order are one statement, not many.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        int count = r.whole("count");
        Node[] lines = new Node[8];
        Node[] shown = new Node[count];
        for (int line = 0; line < 8; line++) {
            lines[line] = line < count
                    ? r.average("average", r.source(), r.whole("first") + line * r.whole("step"))
                    : r.constant(Double.NaN);
            if (line < count) {
                shown[line] = lines[line];
            }
        }
        r.out(lines);
        r.out(r.each(
                "order",
                2,
                (in, out) -> {
                    double rising = 1;
                    double falling = 1;
                    for (int line = 1; line < in.length; line++) {
                        rising = in[line] != in[line] || in[line - 1] != in[line - 1]
                                ? Double.NaN
                                : in[line - 1] > in[line] ? rising : 0 * rising;
                        falling = in[line] != in[line] || in[line - 1] != in[line - 1]
                                ? Double.NaN
                                : in[line - 1] < in[line] ? falling : 0 * falling;
                    }
                    out[0] = rising;
                    out[1] = falling;
                },
                shown));
    }
}

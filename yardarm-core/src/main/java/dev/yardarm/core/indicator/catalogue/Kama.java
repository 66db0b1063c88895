package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Adaptive moving average (Kaufman). efficiency = |v - v[n]| / sum of |v - v[1]| over n; weight = (efficiency *
 * (2/(fast+1) - 2/(slow+1)) + 2/(slow+1))^2; kama = kama[1] + weight * (v - kama[1]), starting from the value before
 * the first efficiency. Without any movement the efficiency is 0. O(1) a bar.
 */
public final class Kama extends Declared {
    public Kama() {
        super(Family.AVERAGES, "kama", "Adaptive moving average (Kaufman)");
        also("moving average", "adaptive", "efficiency ratio");
        length(10);
        length("fast", "Fastest period", 2);
        length("slow", "Slowest period", 30);
        source(Field.CLOSE);
        line();
        output("efficiency", "Efficiency ratio", Form.NONE);
        help(
                "An average that follows a straight move quickly and hardly moves in a range.",
                "efficiency = |v - v[n]| / sum of |v - v[1]| over n; weight = (efficiency * (2/(fast+1) - "
                        + "2/(slow+1)) + 2/(slow+1))^2; kama = kama[1] + weight * (v - kama[1]), starting from the "
                        + "value before the first efficiency. Without any movement the efficiency is 0.",
                "Flat in a range, close to price in a trend: its slope alone sorts the two.",
                "After a long range it starts late, as it needs the move it is to follow.",
                "Perry J. Kaufman, Smarter Trading (1995).");
    }

    @Override
    public void build(Recipe r) {
        Node path = r.sum(r.map("step", r.change(r.source(), 1), Math::abs), r.length());
        Node efficiency = r.zip(
                "efficiency",
                r.change(r.source(), r.length()),
                path,
                (move, steps) -> steps == 0 ? 0 : Math.abs(move) / steps);
        double fast = 2.0 / (r.whole("fast") + 1);
        double slow = 2.0 / (r.whole("slow") + 1);
        Node average = r.step(
                "value",
                0,
                2,
                (in, state, out) -> {
                    double before = state[1] == 0 ? in[1] : state[0];
                    double weight = in[2] * (fast - slow) + slow;
                    state[0] = before + weight * weight * (in[0] - before);
                    state[1] = 1;
                    out[0] = state[0];
                },
                r.source(),
                r.back(r.source(), 1),
                efficiency);
        r.out(average, efficiency);
    }
}

package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Fisher transform. x = 0.66 * ((v - lowest) / (highest - lowest) - 0.5) + 0.67 * x[1], and 0.999 or -0.999 where it
 * is beyond 0.99 or -0.99, with 0 for the first term without any reach; value = 0.5 * ln((1 + x) / (1 - x)) + 0.5 * value[1]; both begin at 0.
 * signal = value[1]. O(1) a bar.
 */
public final class Fisher extends Declared {
    public Fisher() {
        super(Family.MOMENTUM, "fisher", "Fisher transform");
        also("turning points", "gaussian");
        length(10);
        source(Field.MIDPRICE);
        fitted(-1.5, 0.0, 1.5);
        line("value", "Fisher transform");
        output("signal", "Value one bar before", Form.DASHED);
        cue("cross_up", "Turns up");
        cue("cross_down", "Turns down");
        help(
                "The place of price in its reach, transformed so that extremes stand out sharply.",
                "x = 0.66 * ((v - lowest) / (highest - lowest) - 0.5) + 0.67 * x[1], and 0.999 or -0.999 "
                        + "where it is beyond 0.99 or -0.99, with 0 for the first term without any reach; value = 0.5 * ln((1 + x) / (1 - x)) "
                        + "+ 0.5 * value[1]; both begin at 0. signal = value[1].",
                "Sharp peaks beyond +-1.5 that turn are turning points.",
                "In a trend it peaks early and often.",
                "John F. Ehlers, Using the Fisher Transform (2002).");
    }

    @Override
    public void build(Recipe r) {
        Node value = r.step(
                "value",
                0,
                2,
                (in, state, out) -> {
                    double place = in[1] == in[2] ? 0 : (in[0] - in[2]) / (in[1] - in[2]) - 0.5;
                    state[0] = held(0.66 * place + 0.67 * state[0]);
                    state[1] = 0.5 * Math.log((1 + state[0]) / (1 - state[0])) + 0.5 * state[1];
                    out[0] = state[1];
                },
                r.source(),
                r.highest(r.source(), r.length()),
                r.lowest(r.source(), r.length()));
        Node signal = r.back(value, 1);
        r.out(value, signal, r.crossesAbove(value, signal), r.crossesBelow(value, signal));
    }

    /** As published: what is beyond 0.99 becomes 0.999, so that the logarithm stays finite. */
    private static double held(double place) {
        return place > 0.99 ? 0.999 : place < -0.99 ? -0.999 : place;
    }
}

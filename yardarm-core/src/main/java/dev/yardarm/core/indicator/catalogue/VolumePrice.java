package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Recipe;
import java.util.Arrays;

/** The volume-weighted average price since a period began, with its bands. */
final class VolumePrice {
    private static final int PERIOD = 0;
    private static final int VOLUME = 1;
    private static final int MEAN = 2;
    private static final int SQUARES = 3;
    /** Stands for a bar that is left out; volumes are not below zero. */
    private static final double UNKNOWN = -1;

    private VolumePrice() {}

    /**
     * Bars whose volume or price is missing are left out: there is nothing at them, and what was before them counts on.
     *
     * @param period its number; everything begins anew when it changes, and while it is missing there is nothing
     */
    static Node[] since(Recipe r, Node period) {
        double inner = r.number("inner");
        double outer = r.number("outer");
        Node[] known = r.each(
                "known",
                2,
                (in, out) -> {
                    boolean both = in[0] == in[0] && in[1] == in[1];
                    out[0] = both ? in[0] : 0;
                    out[1] = both ? in[1] : UNKNOWN;
                },
                r.source(),
                r.volume());
        return r.steps(
                "price",
                0,
                new double[] {Double.NaN, 0, 0, 0},
                5,
                (in, state, out) -> {
                    if (in[0] != state[PERIOD]) {
                        state[PERIOD] = in[0];
                        state[VOLUME] = 0;
                        state[MEAN] = 0;
                        state[SQUARES] = 0;
                    }
                    double price = in[1];
                    double volume = in[2];
                    if (volume == UNKNOWN) {
                        Arrays.fill(out, Double.NaN);
                        return;
                    }
                    if (volume > 0 && state[VOLUME] == 0) {
                        state[VOLUME] = volume;
                        state[MEAN] = price;
                    } else if (volume > 0) {
                        state[VOLUME] += volume;
                        double gap = price - state[MEAN];
                        state[MEAN] += gap * volume / state[VOLUME];
                        state[SQUARES] += volume * gap * (price - state[MEAN]);
                    }
                    double deviation = Math.sqrt(Math.max(0, state[SQUARES] / state[VOLUME]));
                    out[0] = state[VOLUME] == 0 ? Double.NaN : state[MEAN];
                    out[1] = out[0] + inner * deviation;
                    out[2] = out[0] - inner * deviation;
                    out[3] = out[0] + outer * deviation;
                    out[4] = out[0] - outer * deviation;
                },
                period,
                known[0],
                known[1]);
    }
}

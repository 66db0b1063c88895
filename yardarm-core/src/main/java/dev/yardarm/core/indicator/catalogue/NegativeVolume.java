package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Negative volume index. nvi = nvi[1] * close / close[1] where volume < volume[1], else unchanged; 1000 at the first
 * bar. signal = ema(nvi, signal). Unchanged over a close of 0; begins anew after a bar without volume. O(1) a bar.
 */
public final class NegativeVolume extends Declared {
    public NegativeVolume() {
        super(Family.VOLUME, "nvi", "Negative volume index");
        also("quiet days", "smart money");
        length("signal", "Signal period", 255);
        fitted();
        line("value", "Negative volume index");
        output("signal", "Signal", Form.DASHED);
        help(
                "Follows price only on bars with less volume than the one before.",
                "nvi = nvi[1] * close / close[1] where volume < volume[1], else unchanged; 1000 at the first "
                        + "bar. signal = ema(nvi, signal). "
                        + "Unchanged over a close of 0; begins anew after a bar without volume.",
                "The quiet days are said to be those of the informed; above its average of a year the odds "
                        + "are for an advance.",
                "A statement about probabilities of years.",
                "Paul L. Dysart (1936); Norman Fosback, Stock Market Logic (1976).");
    }

    @Override
    public void build(Recipe r) {
        Node value = r.steps(
                        "value",
                        0,
                        new double[] {1000, 0, 0, 0},
                        1,
                        (in, state, out) -> {
                            state[0] *= state[3] == 1 && in[1] < state[2] && state[1] != 0 ? in[0] / state[1] : 1;
                            state[1] = in[0];
                            state[2] = in[1];
                            state[3] = 1;
                            out[0] = state[0];
                        },
                        r.close(),
                        r.volume())[0];
        r.out(value, r.ema(value, r.whole("signal")));
    }
}

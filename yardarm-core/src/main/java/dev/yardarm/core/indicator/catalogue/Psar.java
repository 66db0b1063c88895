package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import java.util.Arrays;

/**
 * Parabolic stop and reverse. stop = stop[1] + acceleration * (extreme - stop[1]), never beyond the lows (rising) or
 * highs (falling) of the last two bars; the acceleration grows by a step with each new extreme. When price touches the
 * stop, the next one begins at the extreme of the move that ended, in the other direction. Begins on the second bar:
 * upward when its high rose at least as far as its low fell, from the low (else high) of the first bar. On the second
 * bar price is not yet tested against the stop, and the cues of a turn are missing. O(1) a bar.
 */
public final class Psar extends Declared {
    public Psar() {
        super(Family.TREND, "psar", "Parabolic stop and reverse");
        also("parabolic", "sar", "trailing stop");
        number("start", "First acceleration", 0.02, 0.001, 1);
        number("step", "Step", 0.02, 0.001, 1);
        number("most", "Maximum acceleration", 0.2, 0.001, 1);
        output("value", "Stop", Form.DOTS);
        cue("rising", "Stop below price");
        cue("turned_up", "Turned up");
        cue("turned_down", "Turned down");
        help(
                "A trailing stop that moves faster the longer the move goes on, and turns round when it is "
                        + "touched.",
                "stop = stop[1] + acceleration * (extreme - stop[1]), never beyond the lows (rising) or highs "
                        + "(falling) of the last two bars; the acceleration grows by a step with each new extreme. "
                        + "When price touches the stop, the next one begins at the extreme of the move that ended, "
                        + "in the other direction. Begins on the second bar: upward when its high rose at least as "
                        + "far as its low fell, from the low (else high) of the first bar. "
                        + "On the second bar price is not yet tested against the stop, and the cues of a turn are "
                        + "missing.",
                "A stop for a trend that is under way; the turn of the dots closes or reverses the position.",
                "In a range it turns again and again at a loss.",
                "J. Welles Wilder, New Concepts in Technical Trading Systems (1978).");
    }

    @Override
    public void build(Recipe r) {
        double start = r.number("start");
        double step = r.number("step");
        double most = r.number("most");
        Node[] stop = r.steps(
                "value", 1, 8, 2, (in, state, out) -> run(in, state, out, start, step, most), r.high(), r.low());
        r.out(stop[0], stop[1], r.begins(stop[1]), r.ends(stop[1]));
    }

    private static final int BARS = 0;
    private static final int STOP = 1;
    private static final int EXTREME = 2;
    private static final int ACCELERATION = 3;
    private static final int RISING = 4;
    /** High and low of the last bar; those of the one before are kept as what the stop may not pass. */
    private static final int HIGH = 5;

    private static final int LOW = 6;
    private static final int LIMIT = 7;

    private static void run(double[] in, double[] state, double[] out, double start, double step, double most) {
        double high = in[0];
        double low = in[1];
        if (state[BARS] == 0) {
            state[BARS] = 1;
            Arrays.fill(out, Double.NaN);
            state[HIGH] = high;
            state[LOW] = low;
            return;
        }
        if (state[BARS] == 1) {
            state[BARS] = 2;
            boolean rising = high - state[HIGH] >= state[LOW] - low;
            state[RISING] = rising ? 1 : 0;
            state[STOP] = rising ? state[LOW] : state[HIGH];
            state[EXTREME] = rising ? Math.max(state[HIGH], high) : Math.min(state[LOW], low);
            state[ACCELERATION] = start;
        } else {
            boolean rising = state[RISING] == 1;
            double stop = state[STOP] + state[ACCELERATION] * (state[EXTREME] - state[STOP]);
            stop = rising
                    ? Math.min(stop, Math.min(state[LOW], state[LIMIT]))
                    : Math.max(stop, Math.max(state[HIGH], state[LIMIT]));
            if (rising ? low <= stop : high >= stop) {
                stop = state[EXTREME];
                state[RISING] = rising ? 0 : 1;
                state[EXTREME] = rising ? low : high;
                state[ACCELERATION] = start;
            } else if (rising ? high > state[EXTREME] : low < state[EXTREME]) {
                state[EXTREME] = rising ? high : low;
                state[ACCELERATION] = Math.min(most, state[ACCELERATION] + step);
            }
            state[STOP] = stop;
        }
        state[LIMIT] = state[RISING] == 1 ? state[LOW] : state[HIGH];
        state[HIGH] = high;
        state[LOW] = low;
        out[0] = state[STOP];
        out[1] = state[RISING];
    }
}

package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Field;

/**
 * Supertrend. upper = midprice + factor * atr(n), lower = midprice - factor * atr(n). The upper one stays at its last
 * value unless it falls or the last close was above it; the lower one likewise upward. Rising while the close is not
 * below the lower, falling while it is not above the upper; the value is the one in force. Begins rising when the
 * first close is at or above the midprice. The cues of a turn are missing on the first bar. O(1) a bar.
 */
public final class Supertrend extends Declared {
    public Supertrend() {
        super(Family.TREND, "supertrend", "Supertrend");
        also("trailing stop", "atr stop", "trend following");
        length(10);
        number("factor", "ATR multiple", 3, 0.1, 20);
        output("value", "Stop", Form.STEPS);
        cue("rising", "Rising");
        cue("turned_up", "Turned up");
        cue("turned_down", "Turned down");
        help(
                "A trailing stop some average true ranges from the middle of the bar, which only moves with "
                        + "the trend.",
                "upper = midprice + factor * atr(n), lower = midprice - factor * atr(n). The upper one stays "
                        + "at its last value unless it falls or the last close was above it; the lower one likewise "
                        + "upward. Rising while the close is not below the lower, falling while it is not above the "
                        + "upper; the value is the one in force. Begins rising when the first close is at or above "
                        + "the midprice. "
                        + "The cues of a turn are missing on the first bar.",
                "The side it is on is the trend; its turn is an entry or an exit.",
                "Turns late, and often in a range.",
                "Olivier Seban (2008).");
    }

    @Override
    public void build(Recipe r) {
        double factor = r.number("factor");
        Node[] stop = r.steps(
                "value",
                0,
                5,
                2,
                (in, state, out) -> {
                    double close = in[2];
                    double upper = in[0] + factor * in[1];
                    double lower = in[0] - factor * in[1];
                    if (state[0] == 0) {
                        state[0] = 1;
                        state[3] = close >= in[0] ? 1 : 0;
                    } else {
                        upper = upper < state[1] || state[4] > state[1] ? upper : state[1];
                        lower = lower > state[2] || state[4] < state[2] ? lower : state[2];
                        boolean rising = state[3] == 1 ? close >= lower : close > upper;
                        state[3] = rising ? 1 : 0;
                    }
                    state[1] = upper;
                    state[2] = lower;
                    state[4] = close;
                    out[0] = state[3] == 1 ? lower : upper;
                    out[1] = state[3];
                },
                r.field(Field.MIDPRICE),
                r.atr(r.length()),
                r.close());
        r.out(stop[0], stop[1], r.begins(stop[1]), r.ends(stop[1]));
    }
}

package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.Period;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Opening range. Highest high and lowest low of the bars that open within the first n minutes of the session; missing
 * until a bar opens after them, and on bars of a day and longer. O(1) a bar.
 */
public final class OpeningRange extends Declared {
    public OpeningRange() {
        super(Family.BANDS, "opening_range", "Opening range");
        also("initial balance", "first minutes", "breakout");
        whole("minutes", "Minutes", 30, 1, 600);
        output("high", "High of the range", Form.STEPS);
        output("low", "Low of the range", Form.STEPS);
        output("middle", "Middle of the range", Form.NONE);
        cue("broke_up", "Close above the range");
        cue("broke_down", "Close below the range");
        fill("high", "low");
        help(
                "High and low of the first minutes of a session.",
                "Highest high and lowest low of the bars that open within the first n minutes of the session; "
                        + "missing until a bar opens after them, and on bars of a day and longer.",
                "The first close outside sets the tone of many days; the other side is where the idea is " + "wrong.",
                "On quiet days both sides are broken.",
                "Toby Crabel, Day Trading with Short Term Price Patterns and Opening Range Breakout (1990).");
    }

    @Override
    public void build(Recipe r) {
        int minutes = r.whole("minutes");
        r.out(r.steps(
                "range",
                0,
                new double[] {Double.NaN, Double.NaN, Double.NaN},
                5,
                (in, state, out) -> {
                    if (in[0] != state[0]) {
                        state[0] = in[0];
                        state[1] = Double.NaN;
                        state[2] = Double.NaN;
                    }
                    boolean complete = in[1] >= minutes;
                    if (!complete) {
                        state[1] = state[1] != state[1] ? in[2] : Math.max(state[1], in[2]);
                        state[2] = state[2] != state[2] ? in[3] : Math.min(state[2], in[3]);
                    }
                    out[0] = complete ? state[1] : Double.NaN;
                    out[1] = complete ? state[2] : Double.NaN;
                    out[2] = (out[0] + out[1]) / 2;
                    out[3] = out[0] != out[0] ? Double.NaN : in[4] > out[0] ? 1 : 0;
                    out[4] = out[1] != out[1] ? Double.NaN : in[4] < out[1] ? 1 : 0;
                },
                r.period(Period.SESSION),
                r.minuteOfSession(),
                r.high(),
                r.low(),
                r.close()));
    }
}

package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;

/**
 * Trend stage. slope = (average - average[reach]) / (reach * atr(14)); distance = (close - average) / atr(14). Advance
 * (2): slope above flat and close above the average; decline (4): slope below -flat and close below it; otherwise top
 * (3) after an advance, base (1) after a decline, and 0 before either was seen. Missing while the ATR is 0, and begun
 * anew after it; the cues of a fresh stage are missing on the first bar, where the stage before is not known. O(1) a
 * bar.
 */
public final class Stage extends Declared {
    public Stage() {
        super(Family.TREND, "stage", "Trend stage");
        also("stage analysis", "basing", "advancing", "topping", "declining");
        choice("average", "Kind", "simple", "exponential", "weighted", "wilder");
        length(150);
        whole("reach", "Slope over bars", 20, 1, 500);
        number("flat", "Flat below, ATR a bar", 0.02, 0, 5);
        bounded(0, 4, 2.0);
        output("value", "Stage: 1 base, 2 advance, 3 top, 4 decline", Form.STEPS);
        output("slope", "Slope of the average, ATR a bar", Form.NONE);
        output("distance", "Distance from the average, in ATR", Form.NONE);
        cue("advancing", "Advance");
        cue("declining", "Decline");
        cue("fresh_advance", "Advance begins");
        cue("fresh_decline", "Decline begins");
        help(
                "Sorts every bar into base, advance, top or decline by a slow average, its slope, and the "
                        + "side price is on.",
                "slope = (average - average[reach]) / (reach * atr(14)); distance = (close - average) / "
                        + "atr(14). Advance (2): slope above flat and close above the average; decline (4): slope "
                        + "below -flat and close below it; otherwise top (3) after an advance, base (1) after a "
                        + "decline, and 0 before either was seen. "
                        + "Missing while the ATR is 0, and begun anew after it; the cues of a fresh stage are "
                        + "missing on the first bar, where the stage before is not known.",
                "Buy what has just come to stage 2, leave what comes to stage 3, stay away from stage 4.",
                "The slow average is late by design; in a wide range stages alternate without a move between.",
                "Stan Weinstein, Secrets for Profiting in Bull and Bear Markets (1988), put into numbers " + "here.");
    }

    @Override
    public void build(Recipe r) {
        Node average = r.average("average", r.close(), r.length());
        Node range = r.atr(14);
        int reach = r.whole("reach");
        double flat = r.number("flat");
        Node slope = r.zip(
                "slope",
                r.change(average, reach),
                range,
                (climb, atr) -> atr == 0 ? Double.NaN : climb / (reach * atr));
        Node distance =
                r.zip("distance", r.minus(r.close(), average), range, (gap, atr) -> atr == 0 ? Double.NaN : gap / atr);
        Node[] stages = r.steps(
                "stage",
                0,
                1,
                3,
                (in, state, out) -> {
                    double now = in[0] > flat && in[1] > 0
                            ? 2
                            : in[0] < -flat && in[1] < 0 ? 4 : state[0] == 2 ? 3 : state[0] == 4 ? 1 : 0;
                    state[0] = now == 2 || now == 4 ? now : state[0];
                    out[0] = now;
                    out[1] = now == 2 ? 1 : 0;
                    out[2] = now == 4 ? 1 : 0;
                },
                slope,
                distance);
        r.out(stages[0], slope, distance, stages[1], stages[2], r.begins(stages[1]), r.begins(stages[2]));
    }
}

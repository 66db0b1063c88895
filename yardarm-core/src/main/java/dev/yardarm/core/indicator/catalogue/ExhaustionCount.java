package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.Stepped;

/**
 * The recursion of the exhaustion count: one side for declines, one for advances, the second reading the bars upside
 * down. Each side keeps its setup, the reach of it, and its countdown.
 */
final class ExhaustionCount implements Stepped.Step {
    /** Numbers of one side's state. */
    private static final int SIDE = 8;

    static final int STATE = 2 * SIDE;

    private static final int SETUP = 0;
    private static final int BEFORE = 1;
    private static final int COUNT = 2;
    private static final int RUNS = 3;
    private static final int EIGHTH = 4;
    private static final int RANGE = 5;
    private static final int SEEN = 6;
    /** The reach of the setup that is being counted; {@link #RANGE} is that of the setup the countdown began from. */
    private static final int BUILT = 7;

    private final Rules rules;

    /**
     * What is asked of a count.
     *
     * @param flip a setup begins only right after a close on the other side
     * @param byReach a countdown compares lows and highs, not closes
     * @param qualified the last bar of a countdown must reach the close of its eighth
     * @param endsByRange a countdown ends when price leaves the setup the other way
     */
    record Rules(int setup, int countdown, boolean flip, boolean byReach, boolean qualified, boolean endsByRange) {}

    ExhaustionCount(Rules rules) {
        this.rules = rules;
    }

    @Override
    public void at(double[] in, double[] state, double[] out) {
        boolean down = setup(state, 0, in[0], in[1], in[3]);
        boolean up = setup(state, SIDE, -in[0], -in[2], -in[3]);
        out[0] = shown(state[SIDE + SETUP]);
        out[1] = -shown(state[SETUP]);
        out[4] = up ? 1 : 0;
        out[5] = down ? 1 : 0;
        out[6] = up && Math.max(in[1], in[6]) >= Math.max(in[4], in[8]) ? 1 : 0;
        out[7] = down && Math.min(in[2], in[7]) <= Math.min(in[5], in[9]) ? 1 : 0;
        boolean downDone = countdown(state, 0, down, up, in[0], in[2], in[5]);
        boolean upDone = countdown(state, SIDE, up, down, -in[0], -in[1], -in[4]);
        out[2] = state[SIDE + COUNT];
        out[3] = -state[COUNT];
        out[8] = upDone ? 1 : 0;
        out[9] = downDone ? 1 : 0;
        finish(state, 0, downDone);
        finish(state, SIDE, upDone);
    }

    private double shown(double count) {
        return Math.min(count, rules.setup());
    }

    /** Takes a bar into a setup; true when it completes one. High and close are those of a decline. */
    private boolean setup(double[] state, int side, double close, double high, double closeBefore) {
        boolean counts = close < closeBefore;
        boolean flipped = state[side + SEEN] == 1 && state[side + BEFORE] == 0;
        if (!counts) {
            state[side + SETUP] = 0;
        } else if (state[side + SETUP] > 0) {
            state[side + SETUP]++;
        } else if (flipped || !rules.flip()) {
            state[side + SETUP] = 1;
            state[side + BUILT] = Double.NEGATIVE_INFINITY;
        }
        state[side + SEEN] = 1;
        state[side + BEFORE] = counts ? 1 : 0;
        if (state[side + SETUP] > 0 && state[side + SETUP] <= rules.setup()) {
            state[side + BUILT] = Math.max(state[side + BUILT], high);
        }
        return state[side + SETUP] == rules.setup();
    }

    /** Takes a bar into a countdown; true when it completes it. */
    private boolean countdown(
            double[] state, int side, boolean begins, boolean opposite, double close, double low, double lowBefore) {
        if (opposite || rules.endsByRange() && state[side + RUNS] == 1 && low > state[side + RANGE]) {
            state[side + RUNS] = 0;
            state[side + COUNT] = 0;
        }
        if (begins && state[side + RUNS] == 0) {
            state[side + RUNS] = 1;
            state[side + COUNT] = 0;
            state[side + RANGE] = state[side + BUILT];
        }
        if (state[side + RUNS] == 0 || (rules.byReach() ? low : close) > lowBefore) {
            return false;
        }
        boolean last = state[side + COUNT] + 1 == rules.countdown();
        if (last && rules.qualified() && rules.countdown() > 8 && low > state[side + EIGHTH]) {
            return false;
        }
        state[side + COUNT]++;
        if (state[side + COUNT] == 8) {
            state[side + EIGHTH] = close;
        }
        return last;
    }

    private static void finish(double[] state, int side, boolean done) {
        if (done) {
            state[side + RUNS] = 0;
            state[side + COUNT] = 0;
        }
    }
}

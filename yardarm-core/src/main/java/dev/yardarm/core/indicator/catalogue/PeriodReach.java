package dev.yardarm.core.indicator.catalogue;

/** High, low and close of the period that runs and of the one before: the state of indicators with levels of periods. */
final class PeriodReach {
    static final int STATE = 8;
    static final int HIGH_BEFORE = 4;
    static final int LOW_BEFORE = 5;
    static final int CLOSE_BEFORE = 6;

    private static final int PERIOD = 0;
    private static final int HIGH = 1;
    private static final int LOW = 2;
    private static final int CLOSE = 3;
    private static final int SEEN = 7;

    private PeriodReach() {}

    /** Takes a bar: number of its period, high, low, close. */
    static void take(double[] in, double[] state) {
        if (state[SEEN] == 0) {
            state[SEEN] = 1;
            state[PERIOD] = in[0];
            state[HIGH] = in[1];
            state[LOW] = in[2];
            state[HIGH_BEFORE] = Double.NaN;
            state[LOW_BEFORE] = Double.NaN;
            state[CLOSE_BEFORE] = Double.NaN;
        } else if (in[0] != state[PERIOD]) {
            state[PERIOD] = in[0];
            state[HIGH_BEFORE] = state[HIGH];
            state[LOW_BEFORE] = state[LOW];
            state[CLOSE_BEFORE] = state[CLOSE];
            state[HIGH] = in[1];
            state[LOW] = in[2];
        } else {
            state[HIGH] = Math.max(state[HIGH], in[1]);
            state[LOW] = Math.min(state[LOW], in[2]);
        }
        state[CLOSE] = in[3];
    }
}

package dev.yardarm.core.calculation;

/**
 * Counts how often the last value came in a row, so that averages of equal values are that value.
 *
 * <p>A sum of n equal numbers is rounded, and differently for each way its parts are put together; divided by n it may miss the
 * value in the last digit, now above and now below. A price that stands still would then cross its own average. Where the
 * last n values are equal, their mean is written as the value, their sum as n times the value. O(1) a bar.
 */
final class EqualRun {
    private double last = Double.NaN;
    private int run;

    /** Takes a value in; true when the last n values are equal. */
    boolean take(double value, int length) {
        run = value == last ? run + 1 : 1;
        last = value;
        return run >= length;
    }

    /** True when the last n values would be equal if this one came next. */
    boolean wouldReach(double value, int length) {
        return (value == last ? run + 1 : 1) >= length;
    }

    /** Begins again, as after a gap. */
    void restart() {
        last = Double.NaN;
        run = 0;
    }

    /** Takes values in and writes the value, times a factor, wherever it ends a run of n and a result is there. */
    void settle(double[] source, int from, int to, double[] target, int length, double factor) {
        double before = last;
        int equal = run;
        for (int bar = from; bar < to; bar++) {
            double value = source[bar];
            equal = value == before ? equal + 1 : 1;
            before = value;
            if (equal >= length && target[bar] == target[bar]) {
                target[bar] = value * factor;
            }
        }
        last = before;
        run = equal;
    }
}

package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Column;

/**
 * The linearly weighted average of the last n values, the newest with weight n, in O(1) a bar.
 *
 * <p>As in {@link WindowFold} a window is the end of one block of n joined with the beginning of the next. What is kept of
 * each part are its sum and its weighted sum: with k values of the older part, the weighted sum of the window is that of
 * the older part, plus that of the newer one, plus k times the newer one's sum. Nothing is subtracted, so there is no drift,
 * and a missing value or an absurd price spoils only the windows that hold it. Of n equal values it is
 * that value; see {@link EqualRun}.
 *
 * <p>Cost: a few additions a bar. Memory: n numbers.
 */
public final class WindowWeights implements Computation {
    private final int length;
    private final double divisor;
    private final double[] weights;
    private final EqualRun equal = new EqualRun();
    private double sum;
    private double weighted;
    private int filled;
    private boolean wholeBlockBefore;

    public WindowWeights(int length) {
        this.length = length;
        divisor = length * (length + 1.0) / 2;
        weights = new double[length];
    }

    @Override
    public void advance(Column[] inputs, int from, int to, double[][] outputs) {
        double[] source = inputs[0].values();
        double[] target = outputs[0];
        for (int bar = from; bar < to; bar++) {
            sum += source[bar];
            weighted += ++filled * source[bar];
            if (filled == length) {
                target[bar] = weighted / divisor;
                closeBlock(source, bar);
            } else {
                target[bar] = wholeBlockBefore ? joined(sum, weighted, filled) : Double.NaN;
            }
        }
        equal.settle(source, from, to, target, length, 1);
    }

    /** The average of a window whose newer part has so many values. */
    private double joined(double newer, double newerWeighted, int count) {
        return (weights[count] + newerWeighted + (length - count) * newer) / divisor;
    }

    /** Sums of the ends of the block that is full now, each weighted from 1 on. */
    private void closeBlock(double[] source, int lastBar) {
        double running = 0;
        double runningWeighted = 0;
        for (int place = length - 1; place > 0; place--) {
            running += source[lastBar - length + 1 + place];
            // Each step back raises the weight of all behind it by one.
            runningWeighted += running;
            weights[place] = runningWeighted;
        }
        sum = 0;
        weighted = 0;
        filled = 0;
        wholeBlockBefore = true;
    }

    @Override
    public void peek(Column[] inputs, int at, double[] result) {
        double value = inputs[0].forming();
        if (value == value && (wholeBlockBefore || filled + 1 == length) && equal.wouldReach(value, length)) {
            result[0] = value;
            return;
        }
        double now = weighted + (filled + 1) * value;
        result[0] = filled + 1 == length
                ? now / divisor
                : wholeBlockBefore ? joined(sum + value, now, filled + 1) : Double.NaN;
    }
}

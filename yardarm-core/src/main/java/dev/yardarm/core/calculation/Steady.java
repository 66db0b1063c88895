package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Column;

/**
 * An average of the last n values of a source, written as the value itself where all of them are equal; see {@link EqualRun}.
 * Inputs are the average and its source. O(1) a bar.
 */
final class Steady implements Computation {
    private final int length;
    private final EqualRun equal = new EqualRun();

    Steady(int length) {
        this.length = length;
    }

    @Override
    public void advance(Column[] inputs, int from, int to, double[][] outputs) {
        System.arraycopy(inputs[0].values(), from, outputs[0], from, to - from);
        equal.settle(inputs[1].values(), from, to, outputs[0], length, 1);
    }

    @Override
    public void peek(Column[] inputs, int at, double[] result) {
        double average = inputs[0].forming();
        double value = inputs[1].forming();
        result[0] = average == average && equal.wouldReach(value, length) ? value : average;
    }
}

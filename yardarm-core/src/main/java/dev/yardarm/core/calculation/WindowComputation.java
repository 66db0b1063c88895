package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Column;

/** A computation that folds the last n values of its one input: sums, averages, highest and lowest values. */
public final class WindowComputation implements Computation {
    private final WindowFold fold;
    private final double divisor;

    private WindowComputation(WindowFold fold, double divisor) {
        this.fold = fold;
        this.divisor = divisor;
    }

    /** The sum of the last n values. */
    public static Computation sum(int length) {
        return new WindowComputation(WindowFold.sum(length), 1);
    }

    /** The arithmetic mean of the last n values. */
    public static Computation mean(int length) {
        return new WindowComputation(WindowFold.sum(length), length);
    }

    /** The largest of the last n values. */
    public static Computation highest(int length) {
        return new WindowComputation(WindowFold.highest(length), 1);
    }

    /** The smallest of the last n values. */
    public static Computation lowest(int length) {
        return new WindowComputation(WindowFold.lowest(length), 1);
    }

    @Override
    public void advance(Column[] inputs, int from, int to, double[][] outputs) {
        fold.fold(inputs[0].values(), from, to, outputs[0], divisor);
    }

    @Override
    public void peek(Column[] inputs, int at, double[] result) {
        result[0] = fold.peek(inputs[0].forming(), divisor);
    }
}

package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Column;

/**
 * A function of the last n values of each input, worked out from those values at every bar: O(n) a bar. For what cannot
 * be carried along, such as a median, a rank or a mean deviation. Missing until n values are there; a function sees
 * missing values and says itself what they mean, usually by arithmetic that keeps them missing.
 */
public final class Windowed implements Computation {
    private final int length;
    private final Function function;
    private final double[][] scratch;

    /** Works out the value of one window. */
    @FunctionalInterface
    public interface Function {
        /**
         * @param values one array for each input
         * @param start place of the oldest value
         * @param length number of values
         */
        double of(double[][] values, int start, int length);
    }

    public Windowed(int length, int inputCount, Function function) {
        this.length = length;
        this.function = function;
        this.scratch = new double[inputCount][length];
    }

    @Override
    public void advance(Column[] inputs, int from, int to, double[][] outputs) {
        double[][] sources = new double[inputs.length][];
        for (int input = 0; input < inputs.length; input++) {
            sources[input] = inputs[input].values();
        }
        double[] target = outputs[0];
        for (int bar = from; bar < to; bar++) {
            target[bar] = bar + 1 < length ? Double.NaN : function.of(sources, bar + 1 - length, length);
        }
    }

    @Override
    public void peek(Column[] inputs, int at, double[] result) {
        if (at + 1 < length) {
            result[0] = Double.NaN;
            return;
        }
        for (int input = 0; input < inputs.length; input++) {
            System.arraycopy(inputs[input].values(), at + 1 - length, scratch[input], 0, length - 1);
            scratch[input][length - 1] = inputs[input].forming();
        }
        result[0] = function.of(scratch, 0, length);
    }
}

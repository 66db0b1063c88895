package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Column;
import java.util.Arrays;

/**
 * A recursion over bars: at each bar a step reads the inputs and a small state, changes the state and yields the outputs.
 * The forming bar is worked out on a copy of the state. When an input is missing, so are the outputs, and the state
 * starts anew: what a recursion says never rests on a gap.
 *
 * <p>Cost: the step and a copy of its inputs a bar; for the forming bar a copy of the state. No allocation.
 */
public final class Stepped implements Computation {
    private final double[] initial;
    private final double[] state;
    private final double[] scratch;
    private final Step step;
    private final double[] in;
    private final double[] out;

    /** One bar of a recursion. */
    @FunctionalInterface
    public interface Step {
        /**
         * @param in the inputs at this bar, none of them missing
         * @param state as the bar before left it; to be changed
         * @param out to be filled
         */
        void at(double[] in, double[] state, double[] out);
    }

    /** @param initial the state before the first bar, and after a gap */
    public Stepped(double[] initial, int inputCount, int outputCount, Step step) {
        this.initial = initial.clone();
        this.state = initial.clone();
        this.scratch = initial.clone();
        this.step = step;
        this.in = new double[inputCount];
        this.out = new double[outputCount];
    }

    @Override
    public void advance(Column[] inputs, int from, int to, double[][] outputs) {
        double[][] sources = new double[inputs.length][];
        for (int input = 0; input < inputs.length; input++) {
            sources[input] = inputs[input].values();
        }
        double[] values = in;
        double[] results = out;
        double[] first = outputs[0];
        int rest = results.length;
        for (int bar = from; bar < to; bar++) {
            if (isComplete(sources, bar, values)) {
                step.at(values, state, results);
            } else {
                System.arraycopy(initial, 0, state, 0, state.length);
                Arrays.fill(results, Double.NaN);
            }
            first[bar] = results[0];
            for (int output = 1; output < rest; output++) {
                outputs[output][bar] = results[output];
            }
        }
    }

    /** Reads the inputs at a bar; false when one is missing. Written out for few inputs: this is what a recursion costs. */
    private static boolean isComplete(double[][] sources, int bar, double[] values) {
        double sum = 0;
        switch (sources.length) {
            case 1 -> sum = values[0] = sources[0][bar];
            case 2 -> sum = (values[0] = sources[0][bar]) + (values[1] = sources[1][bar]);
            case 3 ->
                sum = (values[0] = sources[0][bar]) + (values[1] = sources[1][bar]) + (values[2] = sources[2][bar]);
            case 4 ->
                sum = (values[0] = sources[0][bar])
                        + (values[1] = sources[1][bar])
                        + (values[2] = sources[2][bar])
                        + (values[3] = sources[3][bar]);
            default -> {
                for (int input = 0; input < sources.length; input++) {
                    values[input] = sources[input][bar];
                    sum += values[input];
                }
            }
        }
        return sum == sum;
    }

    @Override
    public void peek(Column[] inputs, int at, double[] result) {
        double sum = 0;
        for (int input = 0; input < inputs.length; input++) {
            in[input] = inputs[input].forming();
            sum += in[input];
        }
        if (sum == sum) {
            System.arraycopy(state, 0, scratch, 0, state.length);
            step.at(in, scratch, result);
        } else {
            Arrays.fill(result, Double.NaN);
        }
    }
}

package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Column;

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
        for (int bar = from; bar < to; bar++) {
            boolean complete = true;
            for (int input = 0; input < sources.length; input++) {
                double value = sources[input][bar];
                in[input] = value;
                complete &= value == value;
            }
            if (complete) {
                step.at(in, state, out);
                for (int output = 0; output < out.length; output++) {
                    outputs[output][bar] = out[output];
                }
            } else {
                System.arraycopy(initial, 0, state, 0, state.length);
                for (int output = 0; output < out.length; output++) {
                    outputs[output][bar] = Double.NaN;
                }
            }
        }
    }

    @Override
    public void peek(Column[] inputs, int at, double[] result) {
        boolean complete = true;
        for (int input = 0; input < inputs.length; input++) {
            in[input] = inputs[input].forming();
            complete &= in[input] == in[input];
        }
        if (complete) {
            System.arraycopy(state, 0, scratch, 0, state.length);
            step.at(in, scratch, result);
        } else {
            java.util.Arrays.fill(result, Double.NaN);
        }
    }
}

package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Column;

/** Computations in which a value depends on the inputs at the same bar alone, or at a fixed number of bars before. */
final class Pointwise {
    private Pointwise() {}

    /** A function of several values of the same bar. */
    @FunctionalInterface
    interface Each {
        void at(double[] in, double[] out);
    }

    /** An operation on two values. */
    @FunctionalInterface
    interface Two {
        double of(double left, double right);
    }

    /** Several values of several, at each bar by itself; missing inputs are passed on to the function. */
    static Computation each(int inputCount, int outputCount, Each function) {
        double[] in = new double[inputCount];
        double[] out = new double[outputCount];
        return new Computation() {
            @Override
            public void advance(Column[] inputs, int from, int to, double[][] outputs) {
                double[][] sources = new double[inputCount][];
                for (int input = 0; input < inputCount; input++) {
                    sources[input] = inputs[input].values();
                }
                for (int bar = from; bar < to; bar++) {
                    for (int input = 0; input < inputCount; input++) {
                        in[input] = sources[input][bar];
                    }
                    function.at(in, out);
                    for (int output = 0; output < outputCount; output++) {
                        outputs[output][bar] = out[output];
                    }
                }
            }

            @Override
            public void peek(Column[] inputs, int at, double[] result) {
                for (int input = 0; input < inputCount; input++) {
                    in[input] = inputs[input].forming();
                }
                function.at(in, result);
            }
        };
    }
}

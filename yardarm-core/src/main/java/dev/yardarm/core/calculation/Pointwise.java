package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Column;
import java.util.function.DoubleUnaryOperator;

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

    /** The same number at every bar. */
    static Computation constant(double number) {
        return new Computation() {
            @Override
            public void advance(Column[] inputs, int from, int to, double[][] outputs) {
                java.util.Arrays.fill(outputs[0], from, to, number);
            }

            @Override
            public void peek(Column[] inputs, int at, double[] result) {
                result[0] = number;
            }
        };
    }

    /** A function of one value. */
    static Computation one(DoubleUnaryOperator function) {
        return new Computation() {
            @Override
            public void advance(Column[] inputs, int from, int to, double[][] outputs) {
                double[] source = inputs[0].values();
                double[] target = outputs[0];
                for (int bar = from; bar < to; bar++) {
                    target[bar] = function.applyAsDouble(source[bar]);
                }
            }

            @Override
            public void peek(Column[] inputs, int at, double[] result) {
                result[0] = function.applyAsDouble(inputs[0].forming());
            }
        };
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

    static Computation two(Two operation) {
        return new Computation() {
            @Override
            public void advance(Column[] inputs, int from, int to, double[][] outputs) {
                double[] left = inputs[0].values();
                double[] right = inputs[1].values();
                double[] target = outputs[0];
                for (int bar = from; bar < to; bar++) {
                    target[bar] = operation.of(left[bar], right[bar]);
                }
            }

            @Override
            public void peek(Column[] inputs, int at, double[] result) {
                result[0] = operation.of(inputs[0].forming(), inputs[1].forming());
            }
        };
    }

    /** Left plus right; arithmetic is written out, as it is what most is put together from. */
    static Computation sum() {
        return new Computation() {
            @Override
            public void advance(Column[] inputs, int from, int to, double[][] outputs) {
                double[] left = inputs[0].values();
                double[] right = inputs[1].values();
                double[] target = outputs[0];
                for (int bar = from; bar < to; bar++) {
                    target[bar] = left[bar] + right[bar];
                }
            }

            @Override
            public void peek(Column[] inputs, int at, double[] result) {
                result[0] = inputs[0].forming() + inputs[1].forming();
            }
        };
    }

    /** Left less right. */
    static Computation difference() {
        return new Computation() {
            @Override
            public void advance(Column[] inputs, int from, int to, double[][] outputs) {
                double[] left = inputs[0].values();
                double[] right = inputs[1].values();
                double[] target = outputs[0];
                for (int bar = from; bar < to; bar++) {
                    target[bar] = left[bar] - right[bar];
                }
            }

            @Override
            public void peek(Column[] inputs, int at, double[] result) {
                result[0] = inputs[0].forming() - inputs[1].forming();
            }
        };
    }

    /** Left times right. */
    static Computation product() {
        return new Computation() {
            @Override
            public void advance(Column[] inputs, int from, int to, double[][] outputs) {
                double[] left = inputs[0].values();
                double[] right = inputs[1].values();
                double[] target = outputs[0];
                for (int bar = from; bar < to; bar++) {
                    target[bar] = left[bar] * right[bar];
                }
            }

            @Override
            public void peek(Column[] inputs, int at, double[] result) {
                result[0] = inputs[0].forming() * inputs[1].forming();
            }
        };
    }

    /** Left over right; missing where right is zero. */
    static Computation quotient() {
        return new Computation() {
            @Override
            public void advance(Column[] inputs, int from, int to, double[][] outputs) {
                double[] left = inputs[0].values();
                double[] right = inputs[1].values();
                double[] target = outputs[0];
                for (int bar = from; bar < to; bar++) {
                    target[bar] = right[bar] == 0 ? Double.NaN : left[bar] / right[bar];
                }
            }

            @Override
            public void peek(Column[] inputs, int at, double[] result) {
                result[0] = inputs[1].forming() == 0 ? Double.NaN : inputs[0].forming() / inputs[1].forming();
            }
        };
    }

    /** The value a number of bars earlier; missing before the first bar. */
    static Computation back(int bars) {
        return new Computation() {
            @Override
            public void advance(Column[] inputs, int from, int to, double[][] outputs) {
                double[] source = inputs[0].values();
                for (int bar = from; bar < to; bar++) {
                    outputs[0][bar] = bar < bars ? Double.NaN : source[bar - bars];
                }
            }

            @Override
            public void peek(Column[] inputs, int at, double[] result) {
                result[0] = inputs[0].at(at - bars);
            }
        };
    }

    /** 1 when left was at or below right on the bar before and is above now, else 0; missing when any of four is. */
    static Computation crossesAbove() {
        return new Computation() {
            @Override
            public void advance(Column[] inputs, int from, int to, double[][] outputs) {
                double[] left = inputs[0].values();
                double[] right = inputs[1].values();
                for (int bar = from; bar < to; bar++) {
                    outputs[0][bar] =
                            bar == 0 ? Double.NaN : crossed(left[bar - 1], right[bar - 1], left[bar], right[bar]);
                }
            }

            @Override
            public void peek(Column[] inputs, int at, double[] result) {
                result[0] =
                        crossed(inputs[0].at(at - 1), inputs[1].at(at - 1), inputs[0].forming(), inputs[1].forming());
            }
        };
    }

    private static double crossed(double leftBefore, double rightBefore, double left, double right) {
        double before = leftBefore - rightBefore;
        double now = left - right;
        if (before != before || now != now) {
            return Double.NaN;
        }
        return before <= 0 && now > 0 ? 1 : 0;
    }
}

package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Field;
import java.util.Arrays;
import java.util.function.DoubleUnaryOperator;

/**
 * A computation of values of the same bar alone, worked out in runs over plain arrays. What lies between two kernels need not be
 * kept: a run of one bar after the other stays in a small array that the next kernel reads from the cache, so a chain of them
 * costs about what one loop of the same arithmetic costs.
 */
interface Kernel {
    /**
     * Works out a run of bars.
     *
     * @param in the inputs, each beginning at its place in {@code at}
     * @param out to be filled from {@code outAt} on
     */
    void run(double[][] in, int[] at, double[] out, int outAt, int count);

    /** Works out the forming bar, without a change to what is remembered of the bars before. */
    double one(double[] in);

    /** True when it reads its inputs at earlier bars too; then all their values are kept, and places are numbers of bars. */
    default boolean looksBack() {
        return false;
    }

    /** Works out the forming bar where inputs are read at earlier bars. */
    default double forming(Column[] in, int at) {
        throw new UnsupportedOperationException();
    }

    /** The value a number of bars earlier; missing before the first bar. */
    static Kernel back(int bars) {
        return new Kernel() {
            @Override
            public void run(double[][] in, int[] at, double[] out, int outAt, int count) {
                int missing = Math.max(0, Math.min(count, bars - at[0]));
                Arrays.fill(out, outAt, outAt + missing, Double.NaN);
                if (missing < count) {
                    System.arraycopy(in[0], at[0] + missing - bars, out, outAt + missing, count - missing);
                }
            }

            @Override
            public double one(double[] in) {
                throw new UnsupportedOperationException();
            }

            @Override
            public boolean looksBack() {
                return true;
            }

            @Override
            public double forming(Column[] in, int at) {
                return in[0].at(at - bars);
            }
        };
    }

    /** 1 when left was at or below right on the bar before and is above now, else 0; missing when any of four is. */
    static Kernel crossesAbove() {
        return new Kernel() {
            @Override
            public void run(double[][] in, int[] at, double[] out, int outAt, int count) {
                double[] left = in[0];
                double[] right = in[1];
                int from = at[0];
                int first = 0;
                if (from == 0) {
                    out[outAt] = Double.NaN;
                    first = 1;
                }
                for (int bar = first; bar < count; bar++) {
                    double before = left[from + bar - 1] - right[from + bar - 1];
                    double now = left[from + bar] - right[from + bar];
                    // Signs of differences instead of branches, as in Kernels.
                    long above = Double.doubleToRawLongBits(0.0 - now) >>> 63;
                    long wasAbove = Double.doubleToRawLongBits(0.0 - before) >>> 63;
                    out[outAt + bar] = before + now == before + now
                            ? above & (1 - wasAbove)
                            : crossed(left[from + bar - 1], right[from + bar - 1], left[from + bar], right[from + bar]);
                }
            }

            /** The same for any four values, missing and endless ones too. */
            private double crossed(double leftBefore, double rightBefore, double left, double right) {
                return Operation.AT_MOST.of(leftBefore, rightBefore) * Operation.GREATER.of(left, right);
            }

            @Override
            public double one(double[] in) {
                throw new UnsupportedOperationException();
            }

            @Override
            public boolean looksBack() {
                return true;
            }

            @Override
            public double forming(Column[] in, int at) {
                return crossed(in[0].at(at - 1), in[1].at(at - 1), in[0].forming(), in[1].forming());
            }
        };
    }

    /** A field that follows from those a bar stores: high, low, close and volume in this order. */
    static Kernel derived(Field field) {
        return new Kernel() {
            @Override
            public void run(double[][] in, int[] at, double[] out, int outAt, int count) {
                double[] high = in[0];
                double[] low = in[1];
                double[] close = in[2];
                double[] volume = in[3];
                int from = at[0];
                switch (field) {
                    case RANGE -> {
                        for (int bar = 0; bar < count; bar++) {
                            out[outAt + bar] = high[from + bar] - low[from + bar];
                        }
                    }
                    case MIDPRICE -> {
                        for (int bar = 0; bar < count; bar++) {
                            out[outAt + bar] = (high[from + bar] + low[from + bar]) / 2;
                        }
                    }
                    case TYPICAL -> {
                        for (int bar = 0; bar < count; bar++) {
                            out[outAt + bar] = (high[from + bar] + low[from + bar] + close[from + bar]) / 3;
                        }
                    }
                    default -> {
                        for (int bar = 0; bar < count; bar++) {
                            out[outAt + bar] = field.of(
                                    0, high[from + bar], low[from + bar], close[from + bar], volume[from + bar]);
                        }
                    }
                }
            }

            @Override
            public double one(double[] in) {
                return field.of(0, in[0], in[1], in[2], in[3]);
            }
        };
    }

    /** An operation on two values. */
    static Kernel of(Operation operation) {
        return new Kernel() {
            @Override
            public void run(double[][] in, int[] at, double[] out, int outAt, int count) {
                Kernels.run(operation, in[0], at[0], in[1], at[1], out, outAt, count);
            }

            @Override
            public double one(double[] in) {
                return operation.of(in[0], in[1]);
            }
        };
    }

    /** Any function of two values. */
    static Kernel two(Pointwise.Two function) {
        return new Kernel() {
            @Override
            public void run(double[][] in, int[] at, double[] out, int outAt, int count) {
                double[] left = in[0];
                double[] right = in[1];
                int leftAt = at[0];
                int rightAt = at[1];
                for (int bar = 0; bar < count; bar++) {
                    out[outAt + bar] = function.of(left[leftAt + bar], right[rightAt + bar]);
                }
            }

            @Override
            public double one(double[] in) {
                return function.of(in[0], in[1]);
            }
        };
    }

    /** Any function of one value. */
    static Kernel one(DoubleUnaryOperator function) {
        return new Kernel() {
            @Override
            public void run(double[][] in, int[] at, double[] out, int outAt, int count) {
                double[] source = in[0];
                int from = at[0];
                for (int bar = 0; bar < count; bar++) {
                    out[outAt + bar] = function.applyAsDouble(source[from + bar]);
                }
            }

            @Override
            public double one(double[] in) {
                return function.applyAsDouble(in[0]);
            }
        };
    }

    /** No for yes and yes for no. */
    static Kernel not() {
        return new Kernel() {
            @Override
            public void run(double[][] in, int[] at, double[] out, int outAt, int count) {
                double[] source = in[0];
                int from = at[0];
                for (int bar = 0; bar < count; bar++) {
                    out[outAt + bar] = 1 - source[from + bar];
                }
            }

            @Override
            public double one(double[] in) {
                return 1 - in[0];
            }
        };
    }

    /** The same number at every bar. */
    static Kernel constant(double number) {
        return new Kernel() {
            @Override
            public void run(double[][] in, int[] at, double[] out, int outAt, int count) {
                Arrays.fill(out, outAt, outAt + count, number);
            }

            @Override
            public double one(double[] in) {
                return number;
            }
        };
    }

    /** The second of three where the first is yes, else the third. */
    static Kernel choice() {
        return new Kernel() {
            @Override
            public void run(double[][] in, int[] at, double[] out, int outAt, int count) {
                double[] condition = in[0];
                double[] yes = in[1];
                double[] no = in[2];
                int conditionAt = at[0];
                int yesAt = at[1];
                int noAt = at[2];
                for (int bar = 0; bar < count; bar++) {
                    out[outAt + bar] = condition[conditionAt + bar] == 1 ? yes[yesAt + bar] : no[noAt + bar];
                }
            }

            @Override
            public double one(double[] in) {
                return in[0] == 1 ? in[1] : in[2];
            }
        };
    }
}

package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Column;

/**
 * Means, variances and covariance of two columns over the last n bars in O(1) a bar: the base of the standard deviation,
 * of regression and of correlation.
 *
 * <p>As in {@link WindowFold} the columns are cut into blocks of n, and a window is the end of one block joined with the
 * beginning of the next. What is joined are counts, means and sums of squared deviations by the pairwise update of T. F.
 * Chan, G. H. Golub and R. J. LeVeque (Updating Formulae and a Pairwise Algorithm for Computing Sample Variances, 1979).
 * Nothing is subtracted from a running sum: an absurd price spoils only the windows that hold it, equal values have
 * exactly no variance, and there is no drift. Missing in every window that holds a missing value.
 *
 * <p>With one input the other is the number of the bar in its window, 0 for the oldest, as regression over time has it.
 *
 * <p>Cost: two joins a bar. Memory: five numbers for each of n places.
 */
public final class WindowMoments implements Computation {
    /** Places of the results in what a {@link Reading} is given. */
    public static final int MEAN_X = 0;

    public static final int MEAN_Y = 1;
    public static final int SQUARES_X = 2;
    public static final int SQUARES_Y = 3;
    public static final int PRODUCTS = 4;

    private final int length;
    private final boolean overTime;
    private final Reading reading;
    private final double[] suffix;
    private final double[] prefix = new double[5];
    private final double[] joined = new double[5];
    private final double[] value = new double[5];
    private final double[] out;
    private int filled;
    private boolean wholeBlockBefore;

    /** Makes the outputs from the moments of a window. */
    @FunctionalInterface
    public interface Reading {
        /**
         * @param moments means of both columns, sums of squared deviations of both, sum of the products of deviations
         * @param out to be filled
         */
        void of(double[] moments, double[] out);
    }

    /** @param overTime true when there is one input, which is y, and x is the number of the bar */
    public WindowMoments(int length, boolean overTime, int outputCount, Reading reading) {
        this.length = length;
        this.overTime = overTime;
        this.reading = reading;
        this.suffix = new double[5 * length];
        this.out = new double[outputCount];
    }

    @Override
    public void advance(Column[] inputs, int from, int to, double[][] outputs) {
        double[] x = overTime ? null : inputs[0].values();
        double[] y = inputs[overTime ? 0 : 1].values();
        for (int bar = from; bar < to; bar++) {
            take(x, y, bar);
            if (filled == length) {
                read(prefix, outputs, bar);
                closeBlock(x, y, bar);
            } else if (wholeBlockBefore) {
                join(suffix, 5 * filled, length - filled, prefix, filled, joined);
                read(joined, outputs, bar);
            } else {
                for (int output = 0; output < out.length; output++) {
                    outputs[output][bar] = Double.NaN;
                }
            }
        }
    }

    private void read(double[] moments, double[][] outputs, int bar) {
        reading.of(moments, out);
        for (int output = 0; output < out.length; output++) {
            outputs[output][bar] = out[output];
        }
    }

    /** Takes one more bar into the beginning of the current block. */
    private void take(double[] x, double[] y, int bar) {
        single(x == null ? filled : x[bar], y[bar], value);
        if (filled == 0) {
            System.arraycopy(value, 0, prefix, 0, 5);
        } else {
            join(prefix, 0, filled, value, 1, prefix);
        }
        filled++;
    }

    private static void single(double x, double y, double[] target) {
        target[MEAN_X] = x;
        target[MEAN_Y] = y;
        // A missing or infinite value must stay visible in the squares, which are 0 else.
        target[SQUARES_X] = x - x;
        target[SQUARES_Y] = y - y;
        target[PRODUCTS] = 0;
    }

    private void closeBlock(double[] x, double[] y, int lastBar) {
        int firstBar = lastBar - length + 1;
        single(x == null ? length - 1 : x[lastBar], y[lastBar], value);
        System.arraycopy(value, 0, suffix, 5 * (length - 1), 5);
        for (int place = length - 2; place > 0; place--) {
            single(x == null ? place : x[firstBar + place], y[firstBar + place], value);
            System.arraycopy(suffix, 5 * (place + 1), joined, 0, 5);
            join(value, 0, 1, joined, length - 1 - place, value);
            System.arraycopy(value, 0, suffix, 5 * place, 5);
        }
        if (overTime) {
            // The bars of this block are the older ones in the windows to come; those that follow count on from it.
            for (int place = 1; place < length; place++) {
                suffix[5 * place + MEAN_X] -= length;
            }
        }
        filled = 0;
        wholeBlockBefore = true;
    }

    /** Joins two runs of bars; the target may be the first of them. */
    private static void join(double[] first, int at, double count, double[] second, double more, double[] target) {
        double whole = 1 / (count + more);
        double x = second[MEAN_X] - first[at + MEAN_X];
        double y = second[MEAN_Y] - first[at + MEAN_Y];
        double share = more * whole;
        double weight = count * share;
        target[SQUARES_X] = first[at + SQUARES_X] + second[SQUARES_X] + x * x * weight;
        target[SQUARES_Y] = first[at + SQUARES_Y] + second[SQUARES_Y] + y * y * weight;
        target[PRODUCTS] = first[at + PRODUCTS] + second[PRODUCTS] + x * y * weight;
        target[MEAN_X] = first[at + MEAN_X] + x * share;
        target[MEAN_Y] = first[at + MEAN_Y] + y * share;
    }

    @Override
    public void peek(Column[] inputs, int at, double[] result) {
        single(overTime ? filled : inputs[0].forming(), inputs[overTime ? 0 : 1].forming(), value);
        if (filled > 0) {
            join(prefix, 0, filled, value, 1, joined);
        } else {
            System.arraycopy(value, 0, joined, 0, 5);
        }
        if (filled + 1 == length) {
            reading.of(joined, result);
        } else if (wholeBlockBefore) {
            System.arraycopy(joined, 0, value, 0, 5);
            join(suffix, 5 * (filled + 1), length - filled - 1, value, filled + 1, joined);
            reading.of(joined, result);
        } else {
            java.util.Arrays.fill(result, Double.NaN);
        }
    }
}

package dev.yardarm.core.calculation;

import java.util.Arrays;

/**
 * Folds the last n values of a column with an associative operation (sum, maximum, minimum) in O(1) a bar.
 *
 * <p>The column is cut into blocks of n. A window that ends in a block consists of the block's beginning and of the end
 * of the block before, so its fold is that of a running prefix and of a suffix that was folded backwards once, when its
 * block was full (the scheme of M. van Herk, 1992, and J. Gil and M. Werman, 1993, for running extremes). Nothing is
 * ever subtracted: a missing value or an absurd price spoils only the windows that hold it, and sums do not drift.
 * The sum of n equal values is n times the value however the blocks fall, see {@link EqualRun}; a sum or mean of prices that is a price
 * itself is exactly that price, see {@link Decimals}.
 *
 * <p>Cost: two operations a bar on average. Memory: n values.
 */
abstract class WindowFold {
    private final int length;
    private final double[] suffix;
    private double prefix;
    private int filled;
    private boolean wholeBlockBefore;

    WindowFold(int length) {
        this.length = length;
        this.suffix = new double[length];
    }

    /** A fold that adds up. */
    static WindowFold sum(int length) {
        return new WindowFold(length) {
            private final EqualRun equal = new EqualRun();

            @Override
            double join(double earlier, double later) {
                return earlier + later;
            }

            @Override
            void fold(double[] source, int from, int to, double[] target, double divisor) {
                foldSums(source, from, to, target, divisor);
                equal.settle(source, from, to, target, length, length / divisor);
                Decimals.settle(target, from, to, length);
            }

            @Override
            double peek(double value, double divisor) {
                double joined = super.peek(value, divisor);
                return Decimals.settled(
                        joined == joined && equal.wouldReach(value, length) ? value * (length / divisor) : joined,
                        length);
            }
        };
    }

    /** A fold that keeps the largest value; missing when the window holds a missing value. */
    static WindowFold highest(int length) {
        return new WindowFold(length) {
            @Override
            double join(double earlier, double later) {
                return Math.max(earlier, later);
            }
        };
    }

    /** A fold that keeps the smallest value; missing when the window holds a missing value. */
    static WindowFold lowest(int length) {
        return new WindowFold(length) {
            @Override
            double join(double earlier, double later) {
                return Math.min(earlier, later);
            }
        };
    }

    abstract double join(double earlier, double later);

    /** Folds the windows that end at {@code from..to-1}, divides each by the divisor and writes it to the target. */
    void fold(double[] source, int from, int to, double[] target, double divisor) {
        for (int bar = from; bar < to; bar++) {
            double value = source[bar];
            prefix = filled == 0 ? value : join(prefix, value);
            filled++;
            if (filled == length) {
                target[bar] = prefix / divisor;
                closeBlock(source, bar);
            } else {
                target[bar] = wholeBlockBefore ? join(suffix[filled], prefix) / divisor : Double.NaN;
            }
        }
    }

    /** The same for sums, written out with its state in local variables: this loop is what moving averages cost. */
    final void foldSums(double[] source, int from, int to, double[] target, double divisor) {
        int bar = from;
        while (bar < to) {
            int end = Math.min(to, bar + length - filled);
            double running = filled == 0 ? 0 : prefix;
            if (wholeBlockBefore) {
                int place = filled + 1;
                for (; bar < end; bar++, place++) {
                    running += source[bar];
                    target[bar] = place < length ? (suffix[place] + running) / divisor : running / divisor;
                }
                filled = place - 1;
            } else {
                int first = bar;
                for (; bar < end; bar++) {
                    running += source[bar];
                    target[bar] = Double.NaN;
                }
                filled += end - first;
                if (filled == length) {
                    target[end - 1] = running / divisor;
                }
            }
            prefix = running;
            if (filled == length) {
                closeBlock(source, bar - 1);
            }
        }
    }

    private void closeBlock(double[] source, int lastBar) {
        int firstBar = lastBar - length + 1;
        double running = source[lastBar];
        suffix[length - 1] = running;
        for (int place = length - 2; place > 0; place--) {
            running = join(source[firstBar + place], running);
            suffix[place] = running;
        }
        filled = 0;
        wholeBlockBefore = true;
    }

    /** The fold of the window that would end with this value, without taking it in. */
    double peek(double value, double divisor) {
        double joined = filled == 0 ? value : join(prefix, value);
        if (filled + 1 == length) {
            return joined / divisor;
        }
        return wholeBlockBefore ? join(suffix[filled + 1], joined) / divisor : Double.NaN;
    }

    @Override
    public String toString() {
        return "WindowFold[" + filled + " of " + length + ", " + Arrays.toString(suffix) + "]";
    }
}

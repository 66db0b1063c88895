package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Column;

/**
 * Standard deviation, divided by n, of the last n values in O(1) a bar: {@link WindowMoments} for one column, written out
 * because bands and scores are made of it. Two runs of bars are joined by the pairwise update of Chan, Golub and LeVeque
 * (1979); nothing is subtracted. Missing in every window that holds a missing value. Memory: four numbers for each of n
 * places.
 */
final class WindowVariance implements Computation {
    private final int length;
    /** Mean and sum of squared deviations from each place of the last full block to its end. */
    private final double[] means;

    private final double[] squares;
    /** 1 / (k + 1), and k * (n - k) / n, for k bars. */
    private final double[] inverse;

    private final double[] weights;
    private double mean;
    private double sum;
    private int filled;
    private boolean wholeBlockBefore;

    WindowVariance(int length) {
        this.length = length;
        means = new double[length];
        squares = new double[length];
        inverse = new double[length];
        weights = new double[length];
        for (int count = 0; count < length; count++) {
            inverse[count] = 1.0 / (count + 1);
            weights[count] = count * (double) (length - count) / length;
        }
    }

    @Override
    public void advance(Column[] inputs, int from, int to, double[][] outputs) {
        double[] source = inputs[0].values();
        double[] target = outputs[0];
        double average = mean;
        double squared = sum;
        int count = filled;
        for (int bar = from; bar < to; bar++) {
            double value = source[bar];
            if (count == 0) {
                average = value;
                // What is missing or infinite must stay visible.
                squared = value - value;
            } else {
                double gap = value - average;
                average += gap * inverse[count];
                squared += gap * (value - average);
            }
            count++;
            if (count == length) {
                target[bar] = Math.sqrt(squared / length);
                closeBlock(source, bar);
                count = 0;
            } else {
                target[bar] = wholeBlockBefore ? joined(count, average, squared) : Double.NaN;
            }
        }
        mean = average;
        sum = squared;
        filled = count;
    }

    private double joined(int count, double average, double squared) {
        double gap = average - means[count];
        return Math.sqrt((squares[count] + squared + gap * gap * weights[count]) / length);
    }

    private void closeBlock(double[] source, int last) {
        int first = last - length + 1;
        double average = source[last];
        double squared = average - average;
        means[length - 1] = average;
        squares[length - 1] = squared;
        for (int place = length - 2; place > 0; place--) {
            double gap = source[first + place] - average;
            average += gap * inverse[length - 1 - place];
            squared += gap * (source[first + place] - average);
            means[place] = average;
            squares[place] = squared;
        }
        wholeBlockBefore = true;
    }

    @Override
    public void peek(Column[] inputs, int at, double[] result) {
        double value = inputs[0].forming();
        double average = value;
        double squared = value - value;
        if (filled > 0) {
            double gap = value - mean;
            average = mean + gap * inverse[filled];
            squared = sum + gap * (value - average);
        }
        result[0] = filled + 1 == length
                ? Math.sqrt(squared / length)
                : wholeBlockBefore ? joined(filled + 1, average, squared) : Double.NaN;
    }
}

package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Column;

/**
 * Exponential smoothing, {@code average + weight * (value - average)}, seeded with the simple average of the first n
 * values: with the weight 2 / (n + 1) the exponential average, with 1 / n that of Wilder. After a missing value it is
 * missing until n values have come in a row again, and starts anew from their average. With a weight of 1 it is the value.
 * O(1) a bar.
 */
public final class Smoothing implements Computation {
    private final int length;
    private final double weight;
    private int seen;
    private final EqualRun equal = new EqualRun();
    private double sum;
    private double average = Double.NaN;

    public Smoothing(int length, double weight) {
        this.length = length;
        this.weight = weight;
    }

    @Override
    public void advance(Column[] inputs, int from, int to, double[][] outputs) {
        double[] source = inputs[0].values();
        double[] target = outputs[0];
        int bar = from;
        while (bar < to) {
            bar = seen < length ? seed(source, bar, to, target) : run(source, bar, to, target);
        }
    }

    private int seed(double[] source, int from, int to, double[] target) {
        int bar = from;
        for (; bar < to && seen < length; bar++) {
            double value = source[bar];
            target[bar] = Double.NaN;
            if (Double.isNaN(value)) {
                restart();
            } else {
                seen++;
                sum += value;
                boolean steady = equal.take(value, length);
                if (seen == length) {
                    average = steady ? value : sum / length;
                    target[bar] = average;
                }
            }
        }
        return bar;
    }

    private int run(double[] source, int from, int to, double[] target) {
        double running = average;
        boolean whole = weight == 1;
        for (int bar = from; bar < to; bar++) {
            running = whole ? source[bar] : running + weight * (source[bar] - running);
            target[bar] = running;
            if (running != running) {
                restart();
                return bar + 1;
            }
        }
        average = running;
        return to;
    }

    @Override
    public void peek(Column[] inputs, int at, double[] result) {
        double value = inputs[0].forming();
        if (seen >= length) {
            result[0] = weight == 1 ? value : average + weight * (value - average);
        } else if (seen + 1 == length) {
            result[0] = equal.wouldReach(value, length) ? value : (sum + value) / length;
        } else {
            result[0] = Double.NaN;
        }
    }

    private void restart() {
        seen = 0;
        sum = 0;
        equal.restart();
    }
}

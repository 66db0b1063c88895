package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Column;

/**
 * Exponential smoothing, {@code average + weight * (value - average)}, seeded with the simple average of the first n
 * values: with the weight 2 / (n + 1) the exponential average, with 1 / n that of Wilder. After a missing value it is
 * missing until n values have come in a row again, and starts anew from their average. O(1) a bar.
 */
public final class Smoothing implements Computation {
    private final int length;
    private final double weight;
    private int seen;
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
                seen = 0;
                sum = 0;
            } else {
                seen++;
                sum += value;
                if (seen == length) {
                    average = sum / length;
                    target[bar] = average;
                }
            }
        }
        return bar;
    }

    private int run(double[] source, int from, int to, double[] target) {
        double running = average;
        for (int bar = from; bar < to; bar++) {
            running += weight * (source[bar] - running);
            target[bar] = running;
            if (running != running) {
                seen = 0;
                sum = 0;
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
            result[0] = average + weight * (value - average);
        } else {
            result[0] = seen + 1 == length ? (sum + value) / length : Double.NaN;
        }
    }
}

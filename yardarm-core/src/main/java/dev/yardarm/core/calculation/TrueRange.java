package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Column;

/**
 * True range: the largest of high - low, high - last close and last close - low; at the first bar, and after a bar
 * without a close, high - low. Inputs are high, low and close. J. Welles Wilder, New Concepts in Technical Trading Systems
 * (1978). O(1) a bar.
 */
final class TrueRange implements Computation {
    private double last = Double.NaN;

    @Override
    public void advance(Column[] inputs, int from, int to, double[][] outputs) {
        double[] high = inputs[0].values();
        double[] low = inputs[1].values();
        double[] close = inputs[2].values();
        double[] target = outputs[0];
        double before = last;
        for (int bar = from; bar < to; bar++) {
            target[bar] = of(high[bar], low[bar], close[bar], before);
            before = close[bar];
        }
        last = before;
    }

    private static double of(double high, double low, double close, double before) {
        if (before != before || close != close) {
            return high - low + 0 * close;
        }
        return Math.max(high, before) - Math.min(low, before);
    }

    @Override
    public void peek(Column[] inputs, int at, double[] result) {
        result[0] = of(inputs[0].forming(), inputs[1].forming(), inputs[2].forming(), last);
    }
}

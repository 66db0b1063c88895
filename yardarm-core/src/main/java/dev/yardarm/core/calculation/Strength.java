package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Column;

/**
 * The share of rises in all movement, from 0 to 100, smoothed as its author did: the first average of rises and of falls
 * is the simple mean of n changes, each later one is (previous * (n - 1) + new) / n. Without any movement it stands at 50,
 * without any fall at 100. An unchanged value leaves it as it is, to the last digit (of one change alone there is no movement then: 50). A missing value starts it anew. O(1) a bar. J. Welles Wilder, New Concepts in Technical Trading
 * Systems (1978).
 */
final class Strength implements Computation {
    private final int length;
    private int changes;
    private double previous = Double.NaN;
    private double rise;
    private double fall;
    private double current = Double.NaN;

    Strength(int length) {
        this.length = length;
    }

    @Override
    public void advance(Column[] inputs, int from, int to, double[][] outputs) {
        double[] source = inputs[0].values();
        double[] target = outputs[0];
        int bar = from;
        while (bar < to) {
            bar = changes < length ? seed(source, bar, to, target) : run(source, bar, to, target);
        }
    }

    private int seed(double[] source, int from, int to, double[] target) {
        int bar = from;
        for (; bar < to && changes < length; bar++) {
            double change = source[bar] - previous;
            previous = source[bar];
            target[bar] = Double.NaN;
            if (change != change) {
                restart();
                continue;
            }
            rise += Math.max(change, 0);
            fall += Math.max(-change, 0);
            changes++;
            if (changes == length) {
                rise /= length;
                fall /= length;
                current = share(rise, fall);
                target[bar] = current;
            }
        }
        return bar;
    }

    private int run(double[] source, int from, int to, double[] target) {
        double before = previous;
        double up = rise;
        double down = fall;
        double kept = length - 1.0;
        double stands = current;
        for (int bar = from; bar < to; bar++) {
            double change = source[bar] - before;
            before = source[bar];
            up = (up * kept + Math.max(change, 0)) / length;
            down = (down * kept + Math.max(-change, 0)) / length;
            stands = change == 0 && length > 1 ? stands : share(up, down);
            target[bar] = stands;
            if (change != change) {
                previous = before;
                restart();
                return bar + 1;
            }
        }
        previous = before;
        rise = up;
        fall = down;
        current = stands;
        return to;
    }

    private void restart() {
        changes = 0;
        rise = 0;
        fall = 0;
    }

    private static double share(double rise, double fall) {
        double all = rise + fall;
        return all == 0 ? 50 : 100 * rise / all;
    }

    @Override
    public void peek(Column[] inputs, int at, double[] result) {
        double change = inputs[0].forming() - previous;
        double up = Math.max(change, 0);
        double down = Math.max(-change, 0);
        if (changes >= length) {
            double kept = length - 1.0;
            result[0] = change == 0 && length > 1
                    ? current
                    : share((rise * kept + up) / length, (fall * kept + down) / length);
        } else {
            result[0] = changes + 1 == length ? share((rise + up) / length, (fall + down) / length) : Double.NaN;
        }
    }
}

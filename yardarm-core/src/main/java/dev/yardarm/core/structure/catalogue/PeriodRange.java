package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;

/**
 * How far price goes in a period of the calendar: the high and low of the one under way, and the mean of high less low of the last 20
 * whole ones. The first period counts for nothing, since nobody knows how much of it the bars have. O(1) a bar.
 */
final class PeriodRange {
    private static final int LAST = 20;
    private static final int LEAST = 5;

    private final double[] ranges;
    /** Periods begun; the ranges of all but the first and the newest are kept. */
    private int begun;

    /** Mean of those that are kept; NaN before there are five. Worked out when a period is over. */
    private double mean = Double.NaN;

    private double number = Double.NaN;
    private int high = -1;
    private int low = -1;
    private double highest;
    private double lowest;

    PeriodRange() {
        ranges = new double[LAST];
    }

    private PeriodRange(PeriodRange other) {
        ranges = other.ranges.clone();
        begun = other.begun;
        mean = other.mean;
        number = other.number;
        high = other.high;
        low = other.low;
        highest = other.highest;
        lowest = other.lowest;
    }

    PeriodRange copy() {
        return new PeriodRange(this);
    }

    /**
     * Takes a bar with prices.
     *
     * @param period the number of its period
     * @return true when it begins a new one
     */
    boolean take(Bars bars, int bar, double period) {
        boolean begins = period != number;
        if (begins) {
            if (begun >= 2) {
                ranges[(begun - 2) % LAST] = highest - lowest;
                int count = Math.min(begun - 1, LAST);
                mean = count < LEAST ? Double.NaN : sum(count) / count;
            }
            begun++;
            number = period;
        }
        if (begins || bars.high(bar) > highest) {
            high = bar;
            highest = bars.high(bar);
        }
        if (begins || bars.low(bar) < lowest) {
            low = bar;
            lowest = bars.low(bar);
        }
        return begins;
    }

    private double sum(int count) {
        double sum = 0;
        for (int each = 0; each < count; each++) {
            sum += ranges[each];
        }
        return sum;
    }

    /** The bar of its high so far. */
    int high() {
        return high;
    }

    /** The price of that high. */
    double highest() {
        return highest;
    }

    /** The price of the low. */
    double lowest() {
        return lowest;
    }

    /** The bar of its low so far. */
    int low() {
        return low;
    }

    /** The mean of the whole ones; NaN before there are five. */
    double mean() {
        return mean;
    }
}

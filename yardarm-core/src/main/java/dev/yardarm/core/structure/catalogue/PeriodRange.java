package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import java.util.Arrays;

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

    private double number = Double.NaN;
    private int high = -1;
    private int low = -1;

    PeriodRange() {
        ranges = new double[LAST];
    }

    private PeriodRange(PeriodRange other) {
        ranges = other.ranges.clone();
        begun = other.begun;
        number = other.number;
        high = other.high;
        low = other.low;
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
                ranges[(begun - 2) % LAST] = bars.high(high) - bars.low(low);
            }
            begun++;
            number = period;
            high = bar;
            low = bar;
        } else {
            high = bars.high(bar) > bars.high(high) ? bar : high;
            low = bars.low(bar) < bars.low(low) ? bar : low;
        }
        return begins;
    }

    /** The bar of its high so far. */
    int high() {
        return high;
    }

    /** The bar of its low so far. */
    int low() {
        return low;
    }

    /** The mean of the whole ones; NaN before there are five. */
    double mean() {
        int count = Math.min(begun - 2, LAST);
        return count < LEAST ? Double.NaN : Arrays.stream(ranges, 0, count).sum() / count;
    }
}

package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;

/**
 * How wide bars have been: the average true range over 14 bars (Wilder, from the simple average of the first 14 on), and the plain
 * mean of the last 100 true ranges or as many as there are, which an instrument's own thresholds follow. The first true range is high
 * less low. A bar without a price counts for nothing.
 *
 * <p>The sum of the last 100 is added up anew every 100 bars, so that what a spike left of rounding is gone by then. O(1) a bar.
 */
final class RangeMeasure {
    private static final int LENGTH = 14;
    private static final int LAST = 100;

    private final double[] ranges;
    private int count;
    /** Where the oldest of the last stands. */
    private int place;

    private double sum;
    private double mean = Double.NaN;
    private double first;
    private double wilder = Double.NaN;
    private double before = Double.NaN;

    RangeMeasure() {
        ranges = new double[LAST];
    }

    private RangeMeasure(RangeMeasure other) {
        ranges = other.ranges.clone();
        count = other.count;
        place = other.place;
        sum = other.sum;
        mean = other.mean;
        first = other.first;
        wilder = other.wilder;
        before = other.before;
    }

    RangeMeasure copy() {
        return new RangeMeasure(this);
    }

    void take(Bars bars, int bar) {
        double high = bars.high(bar);
        double low = bars.low(bar);
        double range = Double.isNaN(before) ? high - low : Math.max(high, before) - Math.min(low, before);
        if (!(range < Double.POSITIVE_INFINITY)) {
            return;
        }
        before = bars.close(bar);
        sum += range - ranges[place];
        ranges[place] = range;
        count++;
        if (++place == LAST) {
            place = 0;
            sum = 0;
            for (double each : ranges) {
                sum += each;
            }
        }
        mean = sum / Math.min(count, LAST);
        if (count <= LENGTH) {
            first += range;
            wilder = count == LENGTH ? first / LENGTH : Double.NaN;
        } else {
            wilder = (wilder * (LENGTH - 1) + range) / LENGTH;
        }
    }

    /** Wilder's average over 14 bars; NaN before there are so many. */
    double atr() {
        return wilder;
    }

    /** The mean of the last 100, or of those there are; NaN before the first. */
    double mean() {
        return mean;
    }
}

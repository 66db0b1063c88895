package dev.yardarm.core.bars;

import dev.yardarm.core.series.Times;

/**
 * The average true range that sizes bricks and boxes: J. W. Wilder, "New Concepts in Technical Trading Systems", 1978.
 * The first value is the mean of the first {@code length} true ranges; the first true range is high less low. Measured
 * on the bars that come in, or on minutes put together from trades.
 */
final class Yardstick {
    private final int length;
    private int count;
    private double average;
    private double lastClose = Double.NaN;
    private long minute = Long.MIN_VALUE;
    private double high;
    private double low;
    private double close;

    Yardstick(int length) {
        this.length = length;
    }

    /** The average true range of the complete bars; NaN until there are enough. */
    double value() {
        return count < length ? Double.NaN : average;
    }

    void addBar(double barHigh, double barLow, double barClose) {
        double trueRange =
                Double.isNaN(lastClose) ? barHigh - barLow : Math.max(barHigh, lastClose) - Math.min(barLow, lastClose);
        lastClose = barClose;
        count++;
        average = count <= length ? average + (trueRange - average) / count : average + (trueRange - average) / length;
    }

    void addTick(long time, double price) {
        long now = Math.floorDiv(time, Times.MINUTE);
        if (now != minute) {
            if (minute != Long.MIN_VALUE) {
                addBar(high, low, close);
            }
            minute = now;
            high = price;
            low = price;
        }
        high = Math.max(high, price);
        low = Math.min(low, price);
        close = price;
    }
}

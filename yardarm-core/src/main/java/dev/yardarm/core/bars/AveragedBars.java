package dev.yardarm.core.bars;

import dev.yardarm.core.series.BarSeries;

/**
 * Averaged candles, called heikin-ashi (D. Valcu, "Using the Heikin-Ashi Technique", 2004): the close is the mean of a
 * bar's four prices, the open the middle of the averaged bar before, high and low the furthest of the bar's own and
 * these two. The first averaged bar opens at the middle of its bar's open and close.
 *
 * <p>Its prices were never traded. One averaged bar for each bar; a trade alone counts as a bar.
 */
public final class AveragedBars implements BarMaker {
    private final BarSeries series;
    private double lastOpen = Double.NaN;
    private double lastClose;

    public AveragedBars(BarSeries series) {
        this.series = series;
    }

    @Override
    public void addTick(long time, double price, double size) {
        addBar(time, time, price, price, price, price, size);
    }

    @Override
    public void addBar(
            long openTime, long closeTime, double open, double high, double low, double close, double volume) {
        series.dropForming();
        double averageClose = (open + high + low + close) / 4;
        double averageOpen = firstOrMiddle(open, close);
        series.append(
                openTime,
                closeTime,
                averageOpen,
                Math.max(high, Math.max(averageOpen, averageClose)),
                Math.min(low, Math.min(averageOpen, averageClose)),
                averageClose,
                volume);
        lastOpen = averageOpen;
        lastClose = averageClose;
    }

    /** Shows a bar that is still forming; it is taken back by whatever comes next. */
    public void form(long openTime, long closeTime, double open, double high, double low, double close, double volume) {
        double averageClose = (open + high + low + close) / 4;
        double averageOpen = firstOrMiddle(open, close);
        series.form(
                openTime,
                closeTime,
                averageOpen,
                Math.max(high, Math.max(averageOpen, averageClose)),
                Math.min(low, Math.min(averageOpen, averageClose)),
                averageClose,
                volume);
    }

    private double firstOrMiddle(double open, double close) {
        return Double.isNaN(lastOpen) ? (open + close) / 2 : (lastOpen + lastClose) / 2;
    }

    @Override
    public void advanceTo(long time) {
        // a bar is complete when it comes in
    }

    @Override
    public BarSeries series() {
        return series;
    }
}

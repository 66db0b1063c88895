package dev.yardarm.core.bars;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;

/**
 * Builds the bars of a timeframe from shorter bars and from ticks, and goes on building live.
 *
 * <p>A bar forms from its first piece and closes when a piece of a later slot comes or when {@link #advanceTo(long)}
 * passes its closing time. Rebuilding from the same pieces gives the same bars, whether they came as history or live.
 * A slot without any piece has no bar. Cost: O(1) a piece; no allocation except for the slot of a new bar.
 */
public final class BarBuilder implements BarMaker {
    private final BarGrid grid;
    private final BarSeries series;

    public BarBuilder(BarGrid grid, BarSeries series) {
        this.grid = grid;
        this.series = series;
    }

    @Override
    public BarSeries series() {
        return series;
    }

    /** Adds a shorter bar, told by its opening time; it must not lie before the bar being built. */
    @Override
    public void addBar(long openTime, long closeTime, double open, double high, double low, double close,
                       double volume) {
        if (series.hasForming() && openTime < series.formingCloseTime()) {
            series.extendForming(high, low, close, volume);
            return;
        }
        BarGrid.Slot slot = grid.slotAt(openTime);
        if (series.hasForming()) {
            if (slot.openTime() == series.formingOpenTime()) {
                series.extendForming(high, low, close, volume);
                return;
            }
            series.closeForming();
        }
        series.form(slot.openTime(), slot.closeTime(), open, high, low, close, volume);
    }

    /** Adds one trade. A trade stamped with the very closing time of the last bar of a session belongs to it. */
    @Override
    public void addTick(long time, double price, double size) {
        addBar(time, time, price, price, price, price, size);
    }

    /** Adds all bars of a snapshot, the forming one included. */
    public void addAll(Bars bars) {
        for (int bar = 0; bar < bars.size(); bar++) {
            addBar(bars.openTime(bar), bars.closeTime(bar), bars.open(bar), bars.high(bar), bars.low(bar),
                    bars.close(bar), bars.volume(bar));
        }
    }

    /** Closes the forming bar when its closing time has come. */
    @Override
    public void advanceTo(long time) {
        if (series.hasForming() && time >= series.formingCloseTime()) {
            series.closeForming();
        }
    }

    /** Builds the bars of a higher timeframe from those of a lower one, the last one closed when its time has come. */
    public static BarSeries aggregate(Bars lower, BarGrid grid, long now) {
        BarBuilder builder = new BarBuilder(grid, new BarSeries(lower.size() / 4 + 16));
        builder.addAll(lower);
        builder.advanceTo(now);
        return builder.series;
    }
}

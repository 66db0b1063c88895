package dev.yardarm.core.calculation;

import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.session.TradingCalendar;

/**
 * Bars of a higher timeframe put together from bars of a lower one, as they become known: one is complete when the last
 * lower bar of its span has closed, or when a bar of a later span is there. O(1) a bar.
 */
final class HigherBars {
    private final BarGrid grid;
    private final BarSeries series = new BarSeries(0);
    private boolean open;
    private long begin;
    private long end = Long.MIN_VALUE;
    private double first;
    private double high;
    private double low;
    private double last;
    private double volume;

    HigherBars(TradingCalendar calendar, Timeframe timeframe) {
        grid = new BarGrid(calendar, timeframe);
    }

    /** Begins again from nothing, under a new epoch, so that what was computed on the bars before is void. */
    void restart() {
        series.restart();
        open = false;
        end = Long.MIN_VALUE;
    }

    /** Closes the bar that was under way when a bar of a later span is there; true when it did. */
    boolean closeBefore(Bars bars, int bar) {
        if (open && bars.openTime(bar) >= end) {
            series.closeForming();
            open = false;
            return true;
        }
        return false;
    }

    /** True while a bar is under way. */
    boolean isOpen() {
        return open;
    }

    /** Closes the bar that is under way when its span is over by the clock. */
    void closeBy(long moment) {
        if (open && moment >= end) {
            series.closeForming();
            open = false;
        }
    }

    /** Takes a closed bar in; true when the higher bar is complete with it. */
    boolean take(Bars bars, int bar) {
        if (!open) {
            BarGrid.Slot slot = grid.slotAt(bars.openTime(bar));
            // A bar across the end of a span that is over already begins what is left.
            begin = Math.max(slot.openTime(), Math.min(end, bars.openTime(bar)));
            end = Math.max(slot.closeTime(), bars.closeTime(bar));
            first = bars.open(bar);
            high = bars.high(bar);
            low = bars.low(bar);
            volume = bars.volume(bar);
            open = true;
        } else {
            high = Math.max(high, bars.high(bar));
            low = Math.min(low, bars.low(bar));
            volume += bars.volume(bar);
        }
        last = bars.close(bar);
        series.form(begin, end, first, high, low, last, volume);
        if (bars.closeTime(bar) >= end) {
            series.closeForming();
            open = false;
            return true;
        }
        return false;
    }

    /** The bars with a lower bar that still forms taken into the last of them; what was taken before stays. */
    Bars with(Bars bars, int forming) {
        if (open) {
            series.form(
                    begin,
                    end,
                    first,
                    Math.max(high, bars.high(forming)),
                    Math.min(low, bars.low(forming)),
                    bars.close(forming),
                    volume + bars.volume(forming));
            Bars joined = series.snapshot();
            series.form(begin, end, first, high, low, last, volume);
            return joined;
        }
        BarGrid.Slot slot = grid.slotAt(bars.openTime(forming));
        series.form(
                slot.openTime(),
                Math.max(slot.closeTime(), bars.closeTime(forming)),
                bars.open(forming),
                bars.high(forming),
                bars.low(forming),
                bars.close(forming),
                bars.volume(forming));
        Bars joined = series.snapshot();
        series.dropForming();
        return joined;
    }

    /** The bars as they are. */
    Bars snapshot() {
        return series.snapshot();
    }
}

package dev.yardarm.core.bars;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;

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
    private final boolean gapsKept;
    private final boolean ofCloses;

    public BarBuilder(BarGrid grid, BarSeries series) {
        this(grid, series, false);
    }

    /**
     * @param gapsKept true to put a flat bar without volume into every slot between two bars of a session
     */
    public BarBuilder(BarGrid grid, BarSeries series, boolean gapsKept) {
        this(grid, series, gapsKept, /* ofCloses= */ false);
    }

    /** @param ofCloses true to make open, high and low of each bar its close */
    public BarBuilder(BarGrid grid, BarSeries series, boolean gapsKept, boolean ofCloses) {
        this.grid = grid;
        this.series = series;
        this.gapsKept = gapsKept && grid.timeframe().isIntraday();
        this.ofCloses = ofCloses;
    }

    @Override
    public BarSeries series() {
        return series;
    }

    /** True when its bars are of single values and have no range. */
    public boolean isOfCloses() {
        return ofCloses;
    }

    /** Adds a shorter bar, told by its opening time; it must not lie before the bar being built. */
    @Override
    public void addBar(
            long openTime, long closeTime, double open, double high, double low, double close, double volume) {
        if (series.hasForming() && openTime < series.formingCloseTime()) {
            extend(high, low, close, volume);
            return;
        }
        BarGrid.Slot slot = grid.slotAt(openTime);
        if (series.hasForming()) {
            if (slot.openTime() == series.formingOpenTime()) {
                extend(high, low, close, volume);
                return;
            }
            series.closeForming();
        }
        if (gapsKept && series.closed() > 0) {
            fill(slot.openTime());
        }
        if (ofCloses) {
            series.form(slot.openTime(), slot.closeTime(), close, close, close, close, volume);
        } else {
            series.form(slot.openTime(), slot.closeTime(), open, high, low, close, volume);
        }
    }

    private void extend(double high, double low, double close, double volume) {
        if (ofCloses) {
            double all = series.formingVolume() + volume;
            series.form(series.formingOpenTime(), series.formingCloseTime(), close, close, close, close, all);
        } else {
            series.extendForming(high, low, close, volume);
        }
    }

    /** Puts flat bars into the empty slots of the session before a moment. */
    private void fill(long until) {
        Bars bars = series.snapshot();
        int last = bars.closed() - 1;
        double price = bars.close(last);
        BarGrid.Slot slot = grid.next(new BarGrid.Slot(bars.openTime(last), bars.closeTime(last)));
        while (slot.openTime() < until) {
            series.append(slot.openTime(), slot.closeTime(), price, price, price, price, 0);
            slot = grid.next(slot);
        }
    }

    /** Adds one trade. A trade stamped with the very closing time of the last bar of a session belongs to it. */
    @Override
    public void addTick(long time, double price, double size) {
        addBar(time, time, price, price, price, price, size);
    }

    /** Trades before the close of the forming bar are taken in together, in the order in which each would change it. */
    @Override
    public void addTicks(TickSeries ticks, int from, int end) {
        long[] times = ticks.times();
        double[] prices = ticks.prices();
        double[] sizes = ticks.sizes();
        int tick = from;
        while (tick < end) {
            addTick(times[tick], prices[tick], sizes[tick]);
            tick++;
            if (ofCloses) {
                continue;
            }
            long until = series.formingCloseTime();
            double high = series.formingHigh();
            double low = series.formingLow();
            double volume = series.formingVolume();
            int first = tick;
            for (; tick < end && times[tick] < until; tick++) {
                double price = prices[tick];
                high = price > high ? price : high;
                low = price < low ? price : low;
                volume += sizes[tick];
            }
            if (tick > first) {
                series.form(series.formingOpenTime(), until, series.formingOpen(), high, low, prices[tick - 1], volume);
            }
        }
    }

    /** Adds all bars of a snapshot, the forming one included. */
    public void addAll(Bars bars) {
        for (int bar = 0; bar < bars.size(); bar++) {
            addBar(
                    bars.openTime(bar),
                    bars.closeTime(bar),
                    bars.open(bar),
                    bars.high(bar),
                    bars.low(bar),
                    bars.close(bar),
                    bars.volume(bar));
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

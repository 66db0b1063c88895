package dev.yardarm.chart.scale;

import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.series.Bars;
import java.util.Arrays;

/**
 * From moments of time to positions among the bars of a chart and back, also before the first and after the last bar,
 * where the calendar tells where bars would lie.
 */
public final class TimeAxis {
    /** How far ahead of the last bar times are told by counting bars of the calendar. */
    private static final int MOST_AHEAD = 4000;

    private final Bars bars;
    private final BarGrid grid;
    private final boolean byTime;
    /** Opening times of bars to come, as far as they were asked for; counting them anew for each would take long. */
    private long[] ahead = {};

    private BarGrid.Slot furthest;
    private int counted;

    public TimeAxis(Bars bars, BarGrid grid) {
        this(bars, grid, true);
    }

    /** @param byTime false when the bars do not lie on the grid; beyond them the last hundred tell how far they are apart */
    public TimeAxis(Bars bars, BarGrid grid, boolean byTime) {
        this.bars = bars;
        this.grid = grid;
        this.byTime = byTime;
    }

    /** True when several bars can lie in one session. */
    public boolean isIntraday() {
        return !byTime || grid.timeframe().isIntraday();
    }

    /** True when bars of equal time lie in sessions, with nights between that take no room. */
    boolean isIntradayByTime() {
        return byTime && grid.timeframe().isIntraday();
    }

    /** Usual time from one bar to the next, of those that are not on the grid. */
    private long usualSpan() {
        int last = bars.size() - 1;
        int first = Math.max(0, last - 100);
        return last > first
                ? Math.max(1, (bars.openTime(last) - bars.openTime(first)) / (last - first))
                : grid.timeframe().span();
    }

    public Bars bars() {
        return bars;
    }

    public BarGrid grid() {
        return grid;
    }

    /** The bar a moment falls in; negative before the first bar, {@code size()} or more after the last. */
    public int bar(long time) {
        if (bars.isEmpty()) {
            return 0;
        }
        int last = bars.size() - 1;
        if (!byTime && (time < bars.openTime(0) || time > bars.openTime(last))) {
            long span = usualSpan();
            return (int) Math.max(
                    -1e6,
                    Math.min(
                            1e6,
                            time < bars.openTime(0)
                                    ? Math.floorDiv(time - bars.openTime(0), span)
                                    : last + (time - bars.openTime(last)) / span));
        }
        if (time < bars.openTime(0)) {
            return (int) Math.floor(grid.position(time) - grid.position(bars.openTime(0)));
        }
        if (time >= bars.closeTime(last)
                && time >= grid.slotAt(bars.openTime(last)).closeTime()) {
            double ahead =
                    Math.floor(grid.position(time) + 1e-9) - Math.floor(grid.position(bars.openTime(last)) + 1e-9);
            return last + (int) Math.max(0, Math.min(ahead, 1e6));
        }
        return bars.barAt(time);
    }

    /** Opening time of a bar, also of one that is still to come or lies before the first. */
    public long openTime(int bar) {
        if (bars.isEmpty()) {
            return 0;
        }
        int last = bars.size() - 1;
        if (bar >= 0 && bar <= last) {
            return bars.openTime(bar);
        }
        if (!byTime) {
            return bar < 0 ? bars.openTime(0) + bar * usualSpan() : bars.openTime(last) + (bar - last) * usualSpan();
        }
        if (bar < 0) {
            return bars.openTime(0) + bar * grid.timeframe().span();
        }
        return ahead(Math.min(bar - last, MOST_AHEAD));
    }

    /** Opening time of a bar so many behind the last; O(1) but for bars that no one asked for yet. */
    private synchronized long ahead(int number) {
        if (furthest == null) {
            furthest = grid.slotAt(bars.openTime(bars.size() - 1));
        }
        if (ahead.length < number) {
            ahead = Arrays.copyOf(ahead, Math.max(number, 2 * ahead.length));
        }
        while (counted < number) {
            furthest = grid.next(furthest);
            ahead[counted++] = furthest.openTime();
        }
        return ahead[number - 1];
    }
}

package dev.yardarm.core.profile;

import dev.yardarm.core.bars.PriceSteps;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.session.TradingCalendar;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Makes the profiles of spans that follow each other from trades or from bars, and notes when a later trade reaches the point of control of
 * an earlier one.
 *
 * <pre>{@code
 * ProfileMaker maker = new ProfileMaker(new ProfileSpan.Session(), calendar, new PriceSteps(0.25), 1, 30 * Times.MINUTE, 0.7);
 * maker.add(ticks, 0, ticks.size());
 * maker.made().get(0).control();
 * }</pre>
 *
 * <p>Goes on live: the last profile grows with each trade, and what is {@link #made} is that of now. O(1) a trade; asking costs the rows of
 * the newest. One thread.
 */
public final class ProfileMaker {
    private final ProfileSpan spans;
    private final TradingCalendar calendar;
    private final PriceSteps steps;
    private final int rowTicks;
    private final long blockLength;
    private final double share;
    private final List<Profile> whole = new ArrayList<>();
    /** The profiles whose point of control no later trade has reached, by its row. */
    private final TreeMap<Long, List<Integer>> untouched = new TreeMap<>();
    /** Between these rows lies none of them. */
    private long guardBelow = Long.MAX_VALUE;

    private long guardAbove = Long.MIN_VALUE;

    private PriceRows rows;
    private TimeBlocks blocks;
    private long from;
    private long to = Long.MIN_VALUE;
    private long left;

    /**
     * @param rowTicks ticks a row
     * @param blockLength of time at price, microseconds
     * @param share of the value area
     */
    public ProfileMaker(
            ProfileSpan spans,
            TradingCalendar calendar,
            PriceSteps steps,
            int rowTicks,
            long blockLength,
            double share) {
        this.spans = spans;
        this.calendar = calendar;
        this.steps = steps;
        this.rowTicks = rowTicks;
        this.blockLength = blockLength;
        this.share = share;
        rows = new PriceRows(steps, rowTicks);
    }

    /** Takes in trades; they come in the order of their time. */
    public void add(TickSeries ticks, int first, int end) {
        int tick = first;
        while (tick < end) {
            add(ticks.time(tick), ticks.price(tick), ticks.size(tick), ticks.side(tick));
            tick++;
            if (to == Long.MIN_VALUE) {
                continue;
            }
            int run = tick;
            tick = rows.addRun(ticks, run, end, Math.min(to, blocks.end()), guardBelow, guardAbove, 0);
            if (tick > run) {
                long time = ticks.time(run);
                blocks.add(time, rows.row(rows.runLow()), rows.runLow());
                blocks.add(time, rows.row(rows.runHigh()), rows.runHigh());
            }
        }
    }

    private void add(long time, double price, double size, byte side) {
        long row = rows.row(price);
        boolean in = time >= from && time < to || isIn(time);
        if (row <= guardBelow || row >= guardAbove) {
            reach(time, row, row);
        }
        if (in) {
            rows.add(row, price, size, side);
            blocks.add(time, row, price);
        } else {
            left++;
        }
    }

    /** Takes in bars, whose volume is spread evenly over their prices: an estimate. */
    public void add(Bars bars) {
        for (int bar = 0; bar < bars.size(); bar++) {
            if (!(bars.high(bar) >= bars.low(bar))) {
                continue;
            }
            boolean in = isIn(bars.openTime(bar));
            reach(bars.openTime(bar), rows.row(bars.low(bar)), rows.row(bars.high(bar)));
            if (!in) {
                left++;
                continue;
            }
            double volume = bars.volume(bar);
            rows.spread(bars.low(bar), bars.high(bar), volume > 0 ? volume : 0);
            blocks.add(bars.openTime(bar), rows.row(bars.low(bar)), bars.low(bar));
            blocks.add(bars.openTime(bar), rows.row(bars.high(bar)), bars.high(bar));
        }
    }

    /** True when a moment belongs to a span, which is begun when it is another one. */
    private boolean isIn(long time) {
        if (time >= from && time < to) {
            return true;
        }
        long[] span = spans.at(time, calendar);
        finish();
        if (span == null) {
            return false;
        }
        from = span[0];
        to = span[1];
        blocks = new TimeBlocks(from, blockLength);
        return true;
    }

    private void finish() {
        if (!rows.isEmpty()) {
            Profile ended = newest();
            untouched
                    .computeIfAbsent(ended.area().control(), missing -> new ArrayList<>())
                    .add(whole.size());
            whole.add(ended);
            guardBelow = Long.MAX_VALUE;
        }
        rows = new PriceRows(steps, rowTicks);
        to = Long.MIN_VALUE;
    }

    private Profile newest() {
        ValueArea area = ValueArea.of(rows.lowest(), rows.highest(), rows::volume, share);
        double[] opening = blocks.opening();
        return new Profile(
                from,
                to,
                rows,
                area,
                blocks.counts(rows.lowest(), rows.highest()),
                opening[0],
                opening[1],
                Long.MAX_VALUE);
    }

    private void reach(long time, long low, long high) {
        Map<Long, List<Integer>> there = untouched.subMap(low, true, high, true);
        if (!there.isEmpty()) {
            there.values()
                    .forEach(all ->
                            all.forEach(each -> whole.set(each, whole.get(each).reached(time))));
            there.clear();
        }
        Long below = untouched.lowerKey(low);
        Long above = untouched.higherKey(high);
        guardBelow = below == null ? Long.MIN_VALUE : below;
        guardAbove = above == null ? Long.MAX_VALUE : above;
    }

    /** The profiles so far, the oldest first; the newest as it stands. */
    public List<Profile> made() {
        List<Profile> all = new ArrayList<>(whole);
        if (!rows.isEmpty()) {
            all.add(newest());
        }
        return all;
    }

    /** How many trades or bars belonged to no span. */
    public long left() {
        return left;
    }
}

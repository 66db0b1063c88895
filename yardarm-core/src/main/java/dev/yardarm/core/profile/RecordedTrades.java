package dev.yardarm.core.profile;

import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.calculation.TradedSides;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import java.util.Arrays;

/**
 * Hands trades on to a maker of bars that are not of time, and writes down which bar each went into, so that what is in a bar is exactly
 * what was counted in it: several such bars may share a moment, and a trade may be shared out between two.
 *
 * <pre>{@code
 * RecordedTrades made = new RecordedTrades(BarMakers.of(rule, calendar, tick, new BarSeries(1024)));
 * made.addTicks(ticks, 0, ticks.size());
 * made.trades(made.series().snapshot(), bar, (time, price, size, side) -> ...);
 * }</pre>
 *
 * <p>Cost: that of the maker and O(1) a trade. Memory: 25 bytes a trade, 12 a bar. One thread feeds it and asks it. What was made of bars
 * is not known by trades.
 */
public final class RecordedTrades implements BarMaker, Surroundings.Sides {
    private final BarMaker maker;
    private final TradedSides trades = new TradedSides(Long.MIN_VALUE, Long.MAX_VALUE);
    /** Where the trades of each closed bar end. */
    private int[] ends = new int[64];

    private long[] opens = new long[64];
    private int closed;
    private double before;
    /** A bar that is made of bars has no trades, nor has any after it. */
    private boolean isOfTrades = true;

    /** @param maker without any bar so far */
    public RecordedTrades(BarMaker maker) {
        this.maker = maker;
    }

    @Override
    public void addTick(long time, double price, double size) {
        addTick(time, price, size, TickSeries.UNKNOWN);
    }

    @Override
    public void addTick(long time, double price, double size, byte side) {
        maker.addTick(time, price, size, side);
        BarSeries series = maker.series();
        if (closed < series.closed()) {
            Bars bars = series.snapshot();
            while (closed < series.closed()) {
                put(time, price, bars.volume(closed) - before, side);
                close(bars);
            }
        }
        double now = series.hasForming() ? series.formingVolume() : 0;
        put(time, price, now - before, side);
        before = now;
    }

    private void put(long time, double price, double size, byte side) {
        if (size > 0) {
            trades.take(time, price, size, side);
        }
    }

    private void close(Bars bars) {
        if (closed == ends.length) {
            ends = Arrays.copyOf(ends, 2 * closed);
            opens = Arrays.copyOf(opens, 2 * closed);
        }
        ends[closed] = trades.size();
        opens[closed] = bars.openTime(closed);
        closed++;
        before = 0;
    }

    @Override
    public void addBar(
            long openTime, long closeTime, double open, double high, double low, double close, double volume) {
        isOfTrades = false;
        maker.addBar(openTime, closeTime, open, high, low, close, volume);
    }

    @Override
    public void advanceTo(long time) {
        maker.advanceTo(time);
        BarSeries series = maker.series();
        if (closed < series.closed()) {
            Bars bars = series.snapshot();
            while (closed < series.closed()) {
                close(bars);
            }
        }
    }

    @Override
    public double lastPrice() {
        return maker.lastPrice();
    }

    @Override
    public BarSeries series() {
        return maker.series();
    }

    /** True for a bar that was made here of trades, or forms here. */
    private boolean knows(Bars bars, int bar) {
        return isOfTrades && (bar < closed ? opens[bar] == bars.openTime(bar) : bar == closed);
    }

    private int first(int bar) {
        return bar == 0 ? 0 : ends[bar - 1];
    }

    private int end(int bar) {
        return bar < closed ? ends[bar] : trades.size();
    }

    @Override
    public double delta(Bars bars, int bar) {
        return knows(bars, bar) ? trades.deltaOf(first(bar), end(bar)) : Double.NaN;
    }

    @Override
    public boolean trades(Bars bars, int bar, Surroundings.Taker taker) {
        boolean known = knows(bars, bar);
        if (known) {
            trades.hand(first(bar), end(bar), taker);
        }
        return known;
    }

    @Override
    public boolean run(Bars bars, int bar, Surroundings.RunTaker taker) {
        boolean known = knows(bars, bar);
        if (known) {
            trades.run(first(bar), end(bar), taker);
        }
        return known;
    }

    @Override
    public int trades(Bars bars, int bar, int from, Surroundings.Taker taker) {
        if (!knows(bars, bar)) {
            return -1;
        }
        trades.hand(Math.min(end(bar), first(bar) + from), end(bar), taker);
        return end(bar) - first(bar);
    }

    @Override
    public double delta(long from, long until) {
        return isOfTrades ? trades.delta(from, until) : Double.NaN;
    }

    @Override
    public boolean trades(long from, long until, Surroundings.Taker taker) {
        return isOfTrades && trades.trades(from, until, taker);
    }

    @Override
    public Surroundings.Sides bySpan() {
        return isOfTrades ? trades : Surroundings.NONE.sides();
    }
}

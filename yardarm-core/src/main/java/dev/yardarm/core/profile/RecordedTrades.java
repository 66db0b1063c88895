package dev.yardarm.core.profile;

import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.calculation.TradeTape;
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
 * <p>A bar is kept as where its trades begin and end on the tape, and how much of those went into it that are shared out. Cost: that of
 * the maker and O(1) a trade. Memory: 20 bytes a bar, 12 for each share; without a tape that others read, too, 25 bytes a trade. One
 * thread feeds it and asks it. What was made of bars is not known by trades.
 */
public final class RecordedTrades implements BarMaker, Surroundings.Sides {
    private final BarMaker maker;
    private final TakenTrades taken;
    /** Where the trades of each closed bar begin and end on the tape, and where its shares end. */
    private int[] starts = new int[64];

    private int[] ends = new int[64];
    private int[] shareEnds = new int[64];
    private long[] opens = new long[64];
    private int closed;
    /** The trades that went into a bar in part, by their place, and how much of each. */
    private int[] shared = new int[64];

    private double[] parts = new double[64];
    private int shares;
    /** Where the trades of the bar that forms begin and end; begin is -1 while it has none. */
    private int begin = -1;

    private int end;
    /** The volume of the bar that forms. */
    private double before;
    /** Where the trade in hand is on the tape; -1 until some of it went into a bar. */
    private int place;
    /** A bar that is made of bars has no trades, nor has any after it. */
    private boolean isOfTrades = true;

    /** @param maker without any bar so far */
    public RecordedTrades(BarMaker maker) {
        this(maker, new TakenTrades());
    }

    /**
     * With trades from a tape that others read, too.
     *
     * @param maker without any bar so far
     * @param from the first trade that it will be handed is not before this moment
     * @param moment up to which the tape is known; what comes later is to be {@linkplain #hear heard} before it is handed over
     */
    public RecordedTrades(BarMaker maker, TradeTape tape, long from, long moment) {
        this(maker, new TakenTrades(tape, from, moment));
    }

    private RecordedTrades(BarMaker maker, TakenTrades taken) {
        this.maker = maker;
        this.taken = taken;
    }

    /**
     * Takes note of what was traded up to a moment, as it was told, before it or some of it is handed over.
     *
     * @param trades all after the moment known so far
     */
    public void hear(TickSeries trades, long moment) {
        taken.hear(trades, moment);
    }

    @Override
    public void addTick(long time, double price, double size) {
        addTick(time, price, size, TickSeries.UNKNOWN);
    }

    @Override
    public void addTick(long time, double price, double size, byte side) {
        maker.addTick(time, price, size, side);
        place = -1;
        BarSeries series = maker.series();
        if (closed < series.closed()) {
            Bars bars = series.snapshot();
            while (closed < series.closed()) {
                put(time, price, size, side, bars.volume(closed));
                close(bars);
            }
        }
        double now = series.hasForming() ? series.formingVolume() : 0;
        put(time, price, size, side, now);
        before = now;
    }

    /** Some of a trade, or all of it, went into a bar that had a volume before and has another now. */
    private void put(long time, double price, double size, byte side, double now) {
        double part = now - before;
        if (!(part > 0)) {
            return;
        }
        if (place < 0) {
            place = taken.take(time, price, size, side);
        }
        begin = begin < 0 ? place : begin;
        end = place + 1;
        // What a sum leaves of rounding is no share.
        if (Math.abs(part - size) > 4 * Math.ulp(now)) {
            if (shares == shared.length) {
                shared = Arrays.copyOf(shared, 2 * shares);
                parts = Arrays.copyOf(parts, 2 * shares);
            }
            shared[shares] = place;
            parts[shares++] = part;
        }
    }

    private void close(Bars bars) {
        if (closed == ends.length) {
            starts = Arrays.copyOf(starts, 2 * closed);
            ends = Arrays.copyOf(ends, 2 * closed);
            shareEnds = Arrays.copyOf(shareEnds, 2 * closed);
            opens = Arrays.copyOf(opens, 2 * closed);
        }
        starts[closed] = Math.max(begin, 0);
        ends[closed] = begin < 0 ? 0 : end;
        shareEnds[closed] = shares;
        opens[closed] = bars.openTime(closed);
        closed++;
        before = 0;
        begin = -1;
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
        return bar < closed ? starts[bar] : Math.max(begin, 0);
    }

    private int end(int bar) {
        return bar < closed ? ends[bar] : begin < 0 ? 0 : end;
    }

    private int firstShare(int bar) {
        return bar == 0 ? 0 : shareEnds[bar - 1];
    }

    private int endOfShares(int bar) {
        return bar < closed ? shareEnds[bar] : shares;
    }

    /** True when the trades of a bar lie one behind the other on the tape and went into it as they are. */
    private boolean isPlain(int bar) {
        return firstShare(bar) == endOfShares(bar) && taken.isWhole(first(bar), end(bar));
    }

    /** Hands over the trades of a bar, those that went into it in part with their part; returns how many there are. */
    private int hand(int bar, int from, Surroundings.Taker taker) {
        int[] count = {0, firstShare(bar)};
        int last = endOfShares(bar);
        TickSeries trades = taken.trades();
        taken.runs(first(bar), end(bar), (first, until) -> {
            for (int at = first; at < until; at++) {
                boolean isShared = count[1] < last && shared[count[1]] == at;
                double size = isShared ? parts[count[1]++] : trades.size(at);
                if (count[0]++ >= from) {
                    taker.take(trades.time(at), trades.price(at), size, trades.side(at));
                }
            }
        });
        return count[0];
    }

    private TickSeries collected(int bar) {
        TickSeries collected = new TickSeries(64);
        hand(bar, 0, collected::append);
        return collected;
    }

    @Override
    public double delta(Bars bars, int bar) {
        if (!knows(bars, bar)) {
            return Double.NaN;
        }
        if (isPlain(bar)) {
            return taken.deltaOf(first(bar), end(bar));
        }
        double[] sum = {0};
        hand(bar, 0, (time, price, size, side) -> sum[0] += side == TickSeries.UNKNOWN ? Double.NaN : side * size);
        return sum[0];
    }

    @Override
    public boolean trades(Bars bars, int bar, Surroundings.Taker taker) {
        return trades(bars, bar, 0, taker) >= 0;
    }

    @Override
    public boolean run(Bars bars, int bar, Surroundings.RunTaker taker) {
        boolean known = knows(bars, bar);
        if (known && isPlain(bar)) {
            taker.take(taken.trades(), first(bar), end(bar));
        } else if (known) {
            TickSeries collected = collected(bar);
            taker.take(collected, 0, collected.size());
        }
        return known;
    }

    @Override
    public int trades(Bars bars, int bar, int from, Surroundings.Taker taker) {
        if (!knows(bars, bar)) {
            return -1;
        }
        if (isPlain(bar)) {
            taken.hand(Math.min(end(bar), first(bar) + from), end(bar), taker);
            return end(bar) - first(bar);
        }
        return hand(bar, from, taker);
    }

    @Override
    public double delta(long from, long until) {
        return isOfTrades ? taken.delta(from, until) : Double.NaN;
    }

    @Override
    public boolean trades(long from, long until, Surroundings.Taker taker) {
        return isOfTrades && taken.trades(from, until, taker);
    }

    @Override
    public Surroundings.Sides bySpan() {
        return isOfTrades ? taken : Surroundings.NONE.sides();
    }
}

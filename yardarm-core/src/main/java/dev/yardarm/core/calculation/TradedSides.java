package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;

/**
 * The trades of a market one by one, and what was bought at the ask less what was sold at the bid in any span of time. It grows with the
 * trades; one thread at a time. The trades lie on a {@linkplain TradeTape tape} that several may share. A question costs two searches and at
 * most 128 additions.
 */
public final class TradedSides implements Surroundings.Sides {
    private final long knownFrom;
    private final long knownUntil;
    private final TradeTape tape;
    /** What is seen of the tape. */
    private TickSeries trades;

    private double[] sums;
    private int[] sideless;
    private boolean anySideless;
    /** True when there is more on its own tape than it has looked at. */
    private boolean isBehind;

    /**
     * On a tape of its own.
     *
     * @param knownFrom from this moment on all trades are taken in, in microseconds
     * @param knownUntil up to this moment; {@link Long#MAX_VALUE} for trades that go on
     */
    public TradedSides(long knownFrom, long knownUntil) {
        this.knownFrom = knownFrom;
        this.knownUntil = knownUntil;
        this.tape = new TradeTape();
        see(tape.all());
    }

    /**
     * What is on a tape from a moment on.
     *
     * @param knownFrom not before the tape begins
     * @param moment up to which it is seen; the tape must know that far
     */
    public TradedSides(TradeTape tape, long knownFrom, long moment) {
        this.knownFrom = knownFrom;
        this.knownUntil = Long.MAX_VALUE;
        this.tape = tape;
        see(tape.upTo(moment));
    }

    private void look() {
        if (isBehind) {
            isBehind = false;
            see(tape.all());
        }
    }

    private void see(TradeTape.Shown shown) {
        trades = shown.trades();
        sums = shown.sums();
        sideless = shown.sideless();
        anySideless = shown.anySideless();
    }

    /**
     * Takes in what was traded up to a moment, which others on the tape may have taken in before.
     *
     * @param ticks all trades after the moment up to which this one has taken them
     */
    public void take(TickSeries ticks, long moment) {
        tape.extend(ticks, moment);
        see(tape.upTo(moment));
    }

    /** Takes in trades that follow those taken before, on a tape of its own. */
    public void take(TickSeries ticks) {
        take(ticks, 0, ticks.size());
    }

    /** Takes in the trades {@code from} (included) to {@code end} (excluded), which follow those taken before, on a tape of its own. */
    public void take(TickSeries ticks, int from, int end) {
        tape.append(ticks, from, end);
        isBehind = true;
    }

    /** Takes in one trade, not before those taken, on a tape of its own. */
    public void take(long time, double price, double tradeSize, byte side) {
        tape.append(time, price, tradeSize, side);
        isBehind = true;
    }

    /** How many trades were taken in. */
    public int size() {
        look();
        return trades.size();
    }

    /** The trades taken in so far; for reading only. */
    public TickSeries seen() {
        look();
        return trades;
    }

    /** True when all trades of a span are there, as far as it is over. */
    public boolean knows(long from, long until) {
        return from >= knownFrom && until <= knownUntil;
    }

    @Override
    public double delta(long from, long until) {
        if (!knows(from, until)) {
            return Double.NaN;
        }
        return deltaOf(before(from), before(until));
    }

    /** The delta of the trades {@code first} (included) to {@code end} (excluded), as they were taken; missing when one of them has no side. */
    public double deltaOf(int first, int end) {
        return sidelessBefore(first) == sidelessBefore(end) ? sumBefore(end) - sumBefore(first) : Double.NaN;
    }

    private double sumBefore(int place) {
        look();
        if (place == 0) {
            return 0;
        }
        int block = place - 1 >> TradeTape.BLOCK;
        double before = sums[block];
        for (int trade = block << TradeTape.BLOCK; trade < place; trade++) {
            before += trades.side(trade) * trades.size(trade);
        }
        return before;
    }

    private int sidelessBefore(int place) {
        look();
        if (!anySideless || place == 0) {
            return 0;
        }
        int block = place - 1 >> TradeTape.BLOCK;
        int before = sideless[block];
        for (int trade = block << TradeTape.BLOCK; trade < place; trade++) {
            before += trades.side(trade) == TickSeries.UNKNOWN ? 1 : 0;
        }
        return before;
    }

    @Override
    public boolean trades(long from, long until, Surroundings.Taker taker) {
        if (!knows(from, until)) {
            return false;
        }
        hand(before(from), before(until), taker);
        return true;
    }

    /** Hands over the trades {@code first} (included) to {@code end} (excluded), as they were taken. */
    public void hand(int first, int end, Surroundings.Taker taker) {
        look();
        long[] times = trades.times();
        double[] prices = trades.prices();
        double[] sizes = trades.sizes();
        byte[] sides = trades.sides();
        for (int tick = first; tick < end; tick++) {
            taker.take(times[tick], prices[tick], sizes[tick], sides[tick]);
        }
    }

    @Override
    public boolean run(Bars bars, int bar, Surroundings.RunTaker taker) {
        if (!knows(bars.openTime(bar), bars.closeTime(bar))) {
            return false;
        }
        run(before(bars.openTime(bar)), before(bars.closeTime(bar)), taker);
        return true;
    }

    /** Hands over the trades {@code first} (included) to {@code end} (excluded) at once. */
    public void run(int first, int end, Surroundings.RunTaker taker) {
        look();
        taker.take(trades, first, end);
    }

    @Override
    public int trades(Bars bars, int bar, int from, Surroundings.Taker taker) {
        if (!knows(bars.openTime(bar), bars.closeTime(bar))) {
            return -1;
        }
        int first = before(bars.openTime(bar));
        int end = before(bars.closeTime(bar));
        hand(Math.min(end, first + from), end, taker);
        return end - first;
    }

    /** Number of trades before a moment. */
    public int before(long moment) {
        look();
        long[] times = trades.times();
        int low = 0;
        int high = trades.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (times[middle] < moment) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }
}

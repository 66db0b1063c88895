package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import java.util.Arrays;

/**
 * The trades of a market one by one, and what was bought at the ask less what was sold at the bid in any span of time. It grows with the
 * trades; one thread at a time. Of every 64 trades a running sum is kept, so a question costs two searches and at most 128 additions. Memory: 25
 * bytes a trade, an eighth of that in reserve at most.
 */
public final class TradedSides implements Surroundings.Sides {
    private static final int BLOCK = 6;
    private final long knownFrom;
    private final long knownUntil;
    private final TickSeries trades = new TickSeries(0);
    /** Bought less sold with all trades before each block, and how many of them had no side. */
    private double[] sums = new double[64];

    private int[] sideless = new int[64];
    private double sum;
    private int without;

    /**
     * @param knownFrom from this moment on all trades are taken in, in microseconds
     * @param knownUntil up to this moment; {@link Long#MAX_VALUE} for trades that go on
     */
    public TradedSides(long knownFrom, long knownUntil) {
        this.knownFrom = knownFrom;
        this.knownUntil = knownUntil;
    }

    /** Takes in trades that follow those taken before. */
    public void take(TickSeries ticks) {
        take(ticks, 0, ticks.size());
    }

    /** Takes in the trades {@code from} (included) to {@code end} (excluded), which follow those taken before. */
    public void take(TickSeries ticks, int from, int end) {
        trades.append(ticks, from, end);
        for (int tick = from; tick < end; tick++) {
            count(trades.size() - end + tick, ticks.size(tick), ticks.side(tick));
        }
    }

    /** Takes in one trade, not before those taken. */
    public void take(long time, double price, double tradeSize, byte side) {
        trades.append(time, price, tradeSize, side);
        count(trades.size() - 1, tradeSize, side);
    }

    private void count(int place, double tradeSize, byte side) {
        if ((place & (1 << BLOCK) - 1) == 0) {
            int block = place >> BLOCK;
            if (block == sums.length) {
                sums = Arrays.copyOf(sums, 2 * block);
                sideless = Arrays.copyOf(sideless, 2 * block);
            }
            sums[block] = sum;
            sideless[block] = without;
        }
        sum += side * tradeSize;
        without += side == TickSeries.UNKNOWN ? 1 : 0;
    }

    /** How many trades were taken in. */
    public int size() {
        return trades.size();
    }

    @Override
    public double delta(long from, long until) {
        if (from < knownFrom || until > knownUntil) {
            return Double.NaN;
        }
        return deltaOf(before(from), before(until));
    }

    /** The delta of the trades {@code first} (included) to {@code end} (excluded), as they were taken; missing when one of them has no side. */
    public double deltaOf(int first, int end) {
        return sidelessBefore(first) == sidelessBefore(end) ? sumBefore(end) - sumBefore(first) : Double.NaN;
    }

    private double sumBefore(int place) {
        if (place == trades.size()) {
            return sum;
        }
        double before = sums[place >> BLOCK];
        for (int trade = place >> BLOCK << BLOCK; trade < place; trade++) {
            before += trades.side(trade) * trades.size(trade);
        }
        return before;
    }

    private int sidelessBefore(int place) {
        if (place == trades.size()) {
            return without;
        }
        int before = sideless[place >> BLOCK];
        for (int trade = place >> BLOCK << BLOCK; trade < place && without > 0; trade++) {
            before += trades.side(trade) == TickSeries.UNKNOWN ? 1 : 0;
        }
        return before;
    }

    @Override
    public boolean trades(long from, long until, Surroundings.Taker taker) {
        if (from < knownFrom || until > knownUntil) {
            return false;
        }
        hand(before(from), before(until), taker);
        return true;
    }

    /** Hands over the trades {@code first} (included) to {@code end} (excluded), as they were taken. */
    public void hand(int first, int end, Surroundings.Taker taker) {
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
        if (bars.openTime(bar) < knownFrom || bars.closeTime(bar) > knownUntil) {
            return false;
        }
        run(before(bars.openTime(bar)), before(bars.closeTime(bar)), taker);
        return true;
    }

    /** Hands over the trades {@code first} (included) to {@code end} (excluded) at once. */
    public void run(int first, int end, Surroundings.RunTaker taker) {
        taker.take(trades, first, end);
    }

    @Override
    public int trades(Bars bars, int bar, int from, Surroundings.Taker taker) {
        if (bars.openTime(bar) < knownFrom || bars.closeTime(bar) > knownUntil) {
            return -1;
        }
        int first = before(bars.openTime(bar));
        int end = before(bars.closeTime(bar));
        hand(Math.min(end, first + from), end, taker);
        return end - first;
    }

    /** Number of trades before a moment. */
    private int before(long moment) {
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

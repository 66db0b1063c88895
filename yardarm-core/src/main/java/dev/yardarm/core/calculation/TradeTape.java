package dev.yardarm.core.calculation;

import dev.yardarm.core.series.TickSeries;
import java.util.Arrays;

/**
 * The trades of a market, once for all who hear them: each {@link TradedSides} on it sees those up to its own moment. Whoever is handed a
 * slice first writes it down, the others find it there; however a span is cut, its parts give the same trades.
 *
 * <p><b>Why it may be read while it grows</b>: trades are only ever added behind those there are, under the lock, and what is given out is
 * the arrays with a number of trades, taken under the same lock. When the arrays grow they are copied, and what was given out keeps the
 * old ones until it asks again.
 *
 * <p>Of every 64 trades a running sum is kept. Memory: 25 bytes a trade, at most an eighth of that in reserve. Cost: O(1) a trade, a search
 * for each who asks.
 */
public final class TradeTape {
    /** A running sum is kept of so many trades, as a power of two. */
    static final int BLOCK = 6;

    private final TickSeries trades = new TickSeries(0);
    /** Bought less sold with all trades before each block, and how many of them had no side. */
    private double[] sums = new double[64];

    private int[] sideless = new int[64];
    private double sum;
    private int without;
    private long from = Long.MIN_VALUE;
    private long upTo = Long.MIN_VALUE;

    /**
     * What is there as of a moment. It stays as it is.
     *
     * @param sums bought less sold before each block of 64 trades
     * @param sideless how many trades before each block had no side
     * @param anySideless whether any of all has none
     */
    record Shown(TickSeries trades, double[] sums, int[] sideless, boolean anySideless) {}

    /** One for trades that are known from a moment on. */
    public static TradeTape from(long moment) {
        TradeTape tape = new TradeTape();
        tape.from = moment;
        tape.upTo = moment - 1;
        return tape;
    }

    /** From this moment on all trades are there. */
    public long knownFrom() {
        return from;
    }

    /** Up to this moment all trades are there. */
    public synchronized long knownUpTo() {
        return upTo;
    }

    /** How many trades there are. */
    public synchronized int size() {
        return trades.size();
    }

    /**
     * Takes in what was traded up to a moment, as far as it is not there yet.
     *
     * @param ticks all trades after the moment known so far, perhaps some before
     */
    public synchronized void extend(TickSeries ticks, long moment) {
        if (moment <= upTo) {
            return;
        }
        int first = after(ticks, ticks.size(), upTo);
        append(ticks, first, ticks.size());
        upTo = moment;
    }

    /** What is there as of a moment. */
    synchronized Shown upTo(long moment) {
        return shown(moment >= upTo ? trades.size() : after(trades, trades.size(), moment));
    }

    /** All there is. */
    Shown all() {
        return shown(trades.size());
    }

    private Shown shown(int count) {
        return new Shown(trades.first(count), sums, sideless, without > 0);
    }

    /** The trades from a moment on, up to another one, both included; for reading only. */
    public synchronized TickSeries between(long first, long last) {
        int end = after(trades, trades.size(), last);
        int begin = after(trades, trades.size(), first - 1);
        TickSeries some = new TickSeries(end - begin);
        some.append(trades, begin, end);
        return some;
    }

    void append(TickSeries ticks, int first, int end) {
        trades.append(ticks, first, end);
        for (int tick = first; tick < end; tick++) {
            count(trades.size() - end + tick, ticks.size(tick), ticks.side(tick));
        }
    }

    void append(long time, double price, double tradeSize, byte side) {
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

    /** The first of so many trades that is later than a moment. */
    private static int after(TickSeries ticks, int count, long moment) {
        long[] times = ticks.times();
        int low = 0;
        int high = count;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (times[middle] <= moment) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }
}

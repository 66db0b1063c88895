package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import java.util.Arrays;

/**
 * What was bought at the ask less what was sold at the bid in any span of time, from single trades. It grows with the
 * trades; one thread at a time. A question costs two searches among the trades. Memory: 37 bytes a trade.
 */
public final class TradedSides implements Surroundings.Sides {
    private final long knownFrom;
    private final long knownUntil;
    private long[] times = new long[0];
    /** Bought less sold with all trades up to this one, and how many of them had no side. */
    private double[] sums = new double[0];

    private int[] sideless = new int[0];
    private double[] prices = new double[0];
    private double[] sizes = new double[0];
    private byte[] sides = new byte[0];
    private int size;
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
        makeRoom(end - from);
        for (int tick = from; tick < end; tick++) {
            put(ticks.time(tick), ticks.price(tick), ticks.size(tick), ticks.side(tick));
        }
    }

    /** Takes in one trade, not before those taken. */
    public void take(long time, double price, double tradeSize, byte side) {
        makeRoom(1);
        put(time, price, tradeSize, side);
    }

    private void makeRoom(int more) {
        if (size + more > times.length) {
            int capacity = size + more + (size >> 2) + 64;
            times = Arrays.copyOf(times, capacity);
            sums = Arrays.copyOf(sums, capacity);
            sideless = Arrays.copyOf(sideless, capacity);
            prices = Arrays.copyOf(prices, capacity);
            sizes = Arrays.copyOf(sizes, capacity);
            sides = Arrays.copyOf(sides, capacity);
        }
    }

    private void put(long time, double price, double tradeSize, byte side) {
        times[size] = time;
        prices[size] = price;
        sizes[size] = tradeSize;
        sides[size] = side;
        sum += side * tradeSize;
        sums[size] = sum;
        without += side == TickSeries.UNKNOWN ? 1 : 0;
        sideless[size] = without;
        size++;
    }

    /** How many trades were taken in. */
    public int size() {
        return size;
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
        boolean known = (end == 0 ? 0 : sideless[end - 1]) == (first == 0 ? 0 : sideless[first - 1]);
        return known ? (end == 0 ? 0 : sums[end - 1]) - (first == 0 ? 0 : sums[first - 1]) : Double.NaN;
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
        for (int tick = first; tick < end; tick++) {
            taker.take(times[tick], prices[tick], sizes[tick], sides[tick]);
        }
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
        int low = 0;
        int high = size;
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

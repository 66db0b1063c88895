package dev.yardarm.core.series;

import java.util.Arrays;
import java.util.Objects;

/**
 * Trades in columns, in the order they happened: time in microseconds UTC, price, size, and on which side the trade was
 * struck. Times never go back; several trades may share one. One thread writes.
 *
 * <p>Memory: 25 bytes a trade and at most an eighth of that in reserve.
 */
public final class TickSeries {
    /** The side is not known. */
    public static final byte UNKNOWN = 0;
    /** Struck at the bid: a seller went to the buyer's price. */
    public static final byte BID = -1;
    /** Struck at the ask: a buyer went to the seller's price. */
    public static final byte ASK = 1;

    /** No trades. */
    public static final TickSeries EMPTY = new TickSeries(0);

    private long[] times;
    private double[] prices;
    private double[] sizes;
    private byte[] sides;
    private int size;
    /** True for one that shares the columns of another and must not write into them. */
    private final boolean isView;

    public TickSeries(int expected) {
        times = new long[expected];
        prices = new double[expected];
        sizes = new double[expected];
        sides = new byte[expected];
        isView = false;
    }

    public int size() {
        return size;
    }

    /** @throws IllegalArgumentException when the time goes back */
    public void append(long time, double price, double tradeSize, byte side) {
        checkOrder(time);
        if (size == times.length) {
            makeRoom(1);
        }
        times[size] = time;
        prices[size] = price;
        sizes[size] = tradeSize;
        sides[size++] = side;
    }

    /**
     * Appends the trades {@code from} (included) to {@code end} (excluded) of another series.
     *
     * @throws IllegalArgumentException when the time goes back
     */
    public void append(TickSeries other, int from, int end) {
        if (from >= end) {
            return;
        }
        checkOrder(other.times[from]);
        int count = end - from;
        if (size + count > times.length) {
            makeRoom(count);
        }
        System.arraycopy(other.times, from, times, size, count);
        System.arraycopy(other.prices, from, prices, size, count);
        System.arraycopy(other.sizes, from, sizes, size, count);
        System.arraycopy(other.sides, from, sides, size, count);
        size += count;
    }

    private void checkOwn() {
        if (isView) {
            throw new IllegalStateException("a view of trades is for reading only");
        }
    }

    private void checkOrder(long time) {
        checkOwn();
        if (size > 0 && time < times[size - 1]) {
            throw new IllegalArgumentException(
                    "trades must come in the order of their time: " + time + " after " + times[size - 1]);
        }
    }

    private void makeRoom(int more) {
        int capacity = Math.max(64, size + more + (size >> 3));
        times = Arrays.copyOf(times, capacity);
        prices = Arrays.copyOf(prices, capacity);
        sizes = Arrays.copyOf(sizes, capacity);
        sides = Arrays.copyOf(sides, capacity);
    }

    /** The first so many trades, in the same columns; for reading only. It stays as it is while this one grows. */
    public TickSeries first(int count) {
        return new TickSeries(this, count);
    }

    private TickSeries(TickSeries other, int count) {
        times = other.times;
        prices = other.prices;
        sizes = other.sizes;
        sides = other.sides;
        size = Objects.checkIndex(count, other.size + 1);
        isView = true;
    }

    /** Forgets all trades; the room stays. */
    public void clear() {
        checkOwn();
        size = 0;
    }

    public long time(int tick) {
        return times[tick];
    }

    public double price(int tick) {
        return prices[tick];
    }

    public double size(int tick) {
        return sizes[tick];
    }

    /** {@link #BID}, {@link #ASK} or {@link #UNKNOWN}. */
    public byte side(int tick) {
        return sides[tick];
    }

    /** The shared column of times; only {@code 0..size()-1} may be read. */
    public long[] times() {
        return times;
    }

    /** The shared column of prices; only {@code 0..size()-1} may be read. */
    public double[] prices() {
        return prices;
    }

    /** The shared column of sizes; only {@code 0..size()-1} may be read. */
    public double[] sizes() {
        return sizes;
    }

    /** The shared column of sides; only {@code 0..size()-1} may be read. */
    public byte[] sides() {
        return sides;
    }
}

package dev.yardarm.core.series;

import java.util.Arrays;

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

    public TickSeries(int expected) {
        times = new long[expected];
        prices = new double[expected];
        sizes = new double[expected];
        sides = new byte[expected];
    }

    public int size() {
        return size;
    }

    /** @throws IllegalArgumentException when the time goes back */
    public void append(long time, double price, double tradeSize, byte side) {
        if (size > 0 && time < times[size - 1]) {
            throw new IllegalArgumentException(
                    "trades must come in the order of their time: " + time + " after " + times[size - 1]);
        }
        if (size == times.length) {
            int capacity = Math.max(64, size + (size >> 3) + 1);
            times = Arrays.copyOf(times, capacity);
            prices = Arrays.copyOf(prices, capacity);
            sizes = Arrays.copyOf(sizes, capacity);
            sides = Arrays.copyOf(sides, capacity);
        }
        times[size] = time;
        prices[size] = price;
        sizes[size] = tradeSize;
        sides[size++] = side;
    }

    /** Forgets all trades; the room stays. */
    public void clear() {
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

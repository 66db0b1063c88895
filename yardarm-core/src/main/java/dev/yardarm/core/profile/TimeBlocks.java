package dev.yardarm.core.profile;

import java.util.Arrays;
import java.util.TreeMap;

/**
 * Time at price: in how many blocks of time each row of price was traded. A block counts in every row from the lowest to the highest price
 * traded in it, also where price jumped over one. Blocks begin with the span; one without a trade is none.
 *
 * <p>O(1) a trade. One thread writes.
 */
public final class TimeBlocks {
    private final long from;
    private final long length;
    private final TreeMap<Long, Block> blocks = new TreeMap<>();
    /** The block of the last moment, and where it begins and ends. */
    private Block current;

    private long begin;
    private long end = Long.MIN_VALUE;

    /** The rows and prices of a block. */
    private static final class Block {
        private long lowest = Long.MAX_VALUE;
        private long highest = Long.MIN_VALUE;
        private double low = Double.POSITIVE_INFINITY;
        private double high = Double.NEGATIVE_INFINITY;
    }

    /**
     * @param from first moment of the span
     * @param length of a block in microseconds, above 0
     */
    public TimeBlocks(long from, long length) {
        if (length <= 0) {
            throw new IllegalArgumentException("a block has a length above zero");
        }
        this.from = from;
        this.length = length;
    }

    /** Takes in a price traded at a moment. */
    void add(long time, long row, double price) {
        if (time < begin || time >= end) {
            turnTo(time);
        }
        Block block = current;
        block.lowest = row < block.lowest ? row : block.lowest;
        block.highest = row > block.highest ? row : block.highest;
        block.low = price < block.low ? price : block.low;
        block.high = price > block.high ? price : block.high;
    }

    /** The end of the block of the last moment. */
    long end() {
        return end;
    }

    private void turnTo(long time) {
        long number = Math.floorDiv(time - from, length);
        current = blocks.computeIfAbsent(number, missing -> new Block());
        begin = from + number * length;
        end = begin + length;
    }

    /** The numbers of blocks from the lowest row of a profile to its highest. */
    public int[] counts(long lowest, long highest) {
        int[] steps = new int[(int) (highest - lowest + 2)];
        for (Block each : blocks.values()) {
            steps[(int) (each.lowest - lowest)]++;
            steps[(int) (each.highest - lowest + 1)]--;
        }
        for (int row = 1; row < steps.length; row++) {
            steps[row] += steps[row - 1];
        }
        return Arrays.copyOf(steps, steps.length - 1);
    }

    /** Low and high of the first block in which something was traded; NaN before there is one. */
    public double[] opening() {
        Block first = blocks.isEmpty() ? null : blocks.firstEntry().getValue();
        return first == null ? new double[] {Double.NaN, Double.NaN} : new double[] {first.low, first.high};
    }
}

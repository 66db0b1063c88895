package dev.yardarm.core.profile;

import java.util.List;

/**
 * Time at price of a session: its blocks of time, each with the range traded in it. Does not change.
 *
 * @param from open of its first bar, microseconds
 * @param to close of its last bar so far
 * @param rows of what height its rows are; without volume
 * @param blocks those in which something was traded, in their order
 */
public record TimeSpan(long from, long to, PriceRows rows, List<Block> blocks) {
    public TimeSpan {
        blocks = List.copyOf(blocks);
    }

    /**
     * A block of time.
     *
     * @param number counted from the open of the session, from 0 on
     * @param low lowest row traded in it
     * @param high highest row
     */
    public record Block(int number, long low, long high) {
        boolean covers(long row) {
            return row >= low && row <= high;
        }
    }

    /** The lowest row; only when there is a block. */
    public long lowest() {
        return blocks.stream().mapToLong(Block::low).min().orElseThrow();
    }

    /** The highest row. */
    public long highest() {
        return blocks.stream().mapToLong(Block::high).max().orElseThrow();
    }

    /** In how many blocks a row was traded. */
    public int count(long row) {
        int count = 0;
        for (Block each : blocks) {
            count += each.covers(row) ? 1 : 0;
        }
        return count;
    }

    /** Point of control and value area by the number of blocks. */
    public ValueArea area(double share) {
        return ValueArea.of(lowest(), highest(), this::count, share);
    }

    /** The range of the blocks whose numbers are below a number, as lowest and highest row; null when there is none. */
    public long[] opening(int numbers) {
        long low = Long.MAX_VALUE;
        long high = Long.MIN_VALUE;
        for (Block each : blocks) {
            if (each.number() < numbers) {
                low = Math.min(low, each.low());
                high = Math.max(high, each.high());
            }
        }
        return low > high ? null : new long[] {low, high};
    }

    /** True for a row that one block alone traded in, between rows of others: price went through it and did not come back. */
    public boolean isSingle(long row) {
        return count(row) == 1 && row > lowest() && row < highest() && hasOthers(row, 1) && hasOthers(row, -1);
    }

    private boolean hasOthers(long row, int way) {
        for (long other = row + way; other >= lowest() && other <= highest(); other += way) {
            if (count(other) > 1) {
                return true;
            }
        }
        return false;
    }
}

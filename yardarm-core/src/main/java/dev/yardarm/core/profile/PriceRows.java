package dev.yardarm.core.profile;

import dev.yardarm.core.bars.PriceSteps;
import dev.yardarm.core.series.TickSeries;
import java.util.Arrays;

/**
 * Volume by rows of price, of as many ticks each as chosen, split by the side trades were struck on. Row {@code n} has the prices of the
 * ticks {@code n * rowTicks} to {@code (n + 1) * rowTicks - 1}, counted from price 0, so that profiles of different spans have the same rows.
 *
 * <p>Three cells a row over the rows from the lowest to the highest price, grown at either end by half of what there is. O(1) a trade; 24 bytes
 * a row. One thread writes.
 */
public final class PriceRows {
    /** More rows are a wrong price, or rows that are too narrow. */
    private static final int MOST = 4_000_000;

    private static final int SIDES = 3;

    /** Up to here whole numbers are exact as numbers with a fraction. */
    private static final long EXACT = 1L << 52;

    private final PriceSteps steps;
    private final int rowTicks;
    private final double perTick;
    /** The row at the beginning of the cells. */
    private long base;

    /** Of each row what was struck at the bid, what of no known side, and what at the ask: as the side is numbered, from -1 on. */
    private double[] cells = new double[0];

    private long lowest = Long.MAX_VALUE;
    private long highest = Long.MIN_VALUE;
    private double low = Double.POSITIVE_INFINITY;
    private double high = Double.NEGATIVE_INFINITY;

    /**
     * @param rowTicks ticks a row, at least 1
     * @throws IllegalArgumentException when it is less
     */
    public PriceRows(PriceSteps steps, int rowTicks) {
        if (rowTicks < 1) {
            throw new IllegalArgumentException("a row has at least 1 tick, not " + rowTicks);
        }
        this.steps = steps;
        this.rowTicks = rowTicks;
        this.perTick = 1.0 / rowTicks;
    }

    /** Rows of the same height without any trade. */
    PriceRows emptyOnes() {
        return new PriceRows(steps, rowTicks);
    }

    /** One that goes on from here. */
    PriceRows copy() {
        PriceRows copy = new PriceRows(steps, rowTicks);
        copy.base = base;
        copy.cells = cells.clone();
        copy.lowest = lowest;
        copy.highest = highest;
        copy.low = low;
        copy.high = high;
        return copy;
    }

    /** The row a price lies in; a price between two ticks lies where the nearer one does. */
    public long row(double price) {
        long ticks = steps.ticks(price);
        return rowTicks == 1 ? ticks : rowOf(ticks);
    }

    /** {@link Math#floorDiv} by a product and what it is off by at most: a division takes ten times as long. */
    private long rowOf(long ticks) {
        if (ticks > EXACT || ticks < -EXACT) {
            return Math.floorDiv(ticks, rowTicks);
        }
        long row = (long) Math.floor(ticks * perTick);
        long rest = ticks - row * rowTicks;
        return rest < 0 ? row - 1 : rest >= rowTicks ? row + 1 : row;
    }

    /** The lowest price of a row. */
    public double price(long row) {
        return steps.price(row * rowTicks);
    }

    /**
     * Adds a trade.
     *
     * @param side of {@link TickSeries}
     * @throws IllegalArgumentException for a price so far away that the rows between would be too many
     */
    public void add(double price, double size, byte side) {
        add(row(price), price, size, side);
    }

    /** The same where the row of the price is known. */
    void add(long row, double price, double size, byte side) {
        int at;
        if (row >= lowest && row <= highest) {
            low = price < low ? price : low;
            high = price > high ? price : high;
            at = (int) (row - base);
        } else {
            at = place(row, price, price);
        }
        // Sides follow each other by chance: a place worked out costs less than a branch.
        cells[SIDES * at + side + 1] += size;
    }

    /** Lowest and highest price of the last {@link #addRun run}, the first above the second when it was empty, and its volume. */
    private double runLow;

    private double runHigh;

    private double runVolume;

    double runLow() {
        return runLow;
    }

    double runVolume() {
        return runVolume;
    }

    double runHigh() {
        return runHigh;
    }

    /**
     * Adds trades one after the other as long as they come before a moment and lie in rows there is room for, between two others: what
     * most of them do, in a loop without a call.
     *
     * @param above rows above this one
     * @param below and below this one
     * @param volume to which the sizes of the run are added, one after the other
     * @return the first trade that was not added
     */
    int addRun(TickSeries ticks, int from, int end, long until, long above, long below, double volume) {
        long[] times = ticks.times();
        double[] prices = ticks.prices();
        double[] sizes = ticks.sizes();
        byte[] sides = ticks.sides();
        double[] into = cells;
        long first = above == Long.MIN_VALUE ? base : Math.max(base, above + 1);
        long last = below == Long.MAX_VALUE ? base + length() - 1 : Math.min(base + length() - 1, below - 1);
        double least = Double.POSITIVE_INFINITY;
        double most = Double.NEGATIVE_INFINITY;
        double sum = volume;
        int tick = from;
        for (; tick < end && times[tick] < until; tick++) {
            double price = prices[tick];
            long row = row(price);
            if (row < first || row > last) {
                break;
            }
            least = price < least ? price : least;
            most = price > most ? price : most;
            double size = sizes[tick];
            sum += size;
            into[SIDES * (int) (row - base) + sides[tick] + 1] += size;
        }
        runVolume = sum;
        runLow = least;
        runHigh = most;
        if (tick > from) {
            low = Math.min(low, least);
            high = Math.max(high, most);
            lowest = Math.min(lowest, row(least));
            highest = Math.max(highest, row(most));
        }
        return tick;
    }

    /** Adds the trades {@code from} (included) to {@code end} (excluded) of a series. */
    void add(TickSeries ticks, int from, int end) {
        int tick = from;
        while (tick < end) {
            tick = isEmpty() ? tick : addRun(ticks, tick, end, Long.MAX_VALUE, Long.MIN_VALUE, Long.MAX_VALUE, 0);
            if (tick < end) {
                add(ticks.price(tick), ticks.size(tick), ticks.side(tick));
                tick++;
            }
        }
    }

    /** Spreads the volume of a bar evenly over the ticks from its low to its high: an estimate where trades are not known. */
    public void spread(double from, double to, double volume) {
        spread(from, to, volume, TickSeries.UNKNOWN);
    }

    /** The same on one side. */
    void spread(double from, double to, double volume, int side) {
        long first = steps.ticks(from);
        long last = steps.ticks(to);
        place(Math.floorDiv(first, rowTicks), from, to);
        place(Math.floorDiv(last, rowTicks), from, to);
        double each = volume / (last - first + 1);
        for (long row = Math.floorDiv(first, rowTicks); row <= Math.floorDiv(last, rowTicks); row++) {
            long ticks = Math.min(last, row * rowTicks + rowTicks - 1) - Math.max(first, row * rowTicks) + 1;
            cells[SIDES * (int) (row - base) + side + 1] += each * ticks;
        }
    }

    /** Adds all of other rows of the same height. */
    void merge(PriceRows other) {
        if (other.isEmpty()) {
            return;
        }
        place(other.lowest, other.low, other.low);
        place(other.highest, other.high, other.high);
        for (long row = other.lowest; row <= other.highest; row++) {
            int into = SIDES * (int) (row - base);
            int from = SIDES * (int) (row - other.base);
            cells[into] += other.cells[from];
            cells[into + 1] += other.cells[from + 1];
            cells[into + 2] += other.cells[from + 2];
        }
    }

    private int place(long row, double from, double to) {
        low = Math.min(low, from);
        high = Math.max(high, to);
        if (isEmpty() && (row < base || row - base >= length())) {
            // Nothing stands in the room: it is put around the price.
            base = row - 16;
            cells = new double[SIDES * 32];
        }
        lowest = Math.min(lowest, row);
        highest = Math.max(highest, row);
        long needed = highest - lowest + 1;
        if (needed > MOST) {
            throw new IllegalArgumentException(String.format(
                    "prices from %s to %s are %,d rows; wider rows are needed, or one of these prices is wrong",
                    low, high, needed));
        }
        if (row < base) {
            int more = (int) Math.max(base - row, length() / 2);
            base -= more;
            resize(length() + more, more);
        } else if (row - base >= length()) {
            resize((int) Math.max(row - base + 1, length() + length() / 2), 0);
        }
        return (int) (row - base);
    }

    private int length() {
        return cells.length / SIDES;
    }

    private void resize(int length, int shift) {
        double[] larger = new double[SIDES * length];
        System.arraycopy(cells, 0, larger, SIDES * shift, cells.length);
        cells = larger;
    }

    /** Forgets all trades; the room stays where it was. */
    void clear() {
        if (!isEmpty()) {
            Arrays.fill(cells, SIDES * (int) (lowest - base), SIDES * (int) (highest - base + 1), 0);
        }
        lowest = Long.MAX_VALUE;
        highest = Long.MIN_VALUE;
        low = Double.POSITIVE_INFINITY;
        high = Double.NEGATIVE_INFINITY;
    }

    /** True before the first trade. */
    public boolean isEmpty() {
        return lowest > highest;
    }

    /** The lowest row; only when there is one. */
    public long lowest() {
        return lowest;
    }

    /** The highest row. */
    public long highest() {
        return highest;
    }

    /** Where a row begins to the eye: half a tick below its lowest price. */
    public double bottom(long row) {
        return steps.price(row * rowTicks - 0.5);
    }

    /** The lowest price traded. */
    public double low() {
        return low;
    }

    /** The highest price traded. */
    public double high() {
        return high;
    }

    /** Volume struck at the bid; 0 for a row nothing was traded in. */
    public double bid(long row) {
        return at(row, TickSeries.BID);
    }

    /** Volume struck at the ask. */
    public double ask(long row) {
        return at(row, TickSeries.ASK);
    }

    /** Volume whose side is not known. */
    public double none(long row) {
        return at(row, TickSeries.UNKNOWN);
    }

    /** All volume of a row. */
    public double volume(long row) {
        return bid(row) + ask(row) + none(row);
    }

    private double at(long row, byte side) {
        return row < lowest || row > highest ? 0 : cells[SIDES * (int) (row - base) + side + 1];
    }

    /** Volume of all rows. */
    public double total() {
        return Arrays.stream(cells).sum();
    }

    /** What was bought less what was sold. */
    public double delta() {
        double delta = 0;
        for (int at = 0; at < cells.length; at += SIDES) {
            delta += cells[at + 2] - cells[at];
        }
        return delta;
    }
}

package dev.yardarm.core.profile;

/**
 * Volume and time at price of a span.
 *
 * @param from first moment of the span
 * @param to first moment behind it
 * @param rows volume by price
 * @param area point of control and value area
 * @param blocks in how many blocks of time each row was traded, from the lowest row on
 * @param openingLow low of the first block in which something was traded
 * @param openingHigh its high
 * @param reachedAt when the point of control was first traded after the span; {@link Long#MAX_VALUE} while it was not
 */
public record Profile(
        long from,
        long to,
        PriceRows rows,
        ValueArea area,
        int[] blocks,
        double openingLow,
        double openingHigh,
        long reachedAt) {
    /** In how many blocks a row was traded. */
    public int blocks(long row) {
        return blocks[(int) (row - rows.lowest())];
    }

    /** Price of the point of control: the lowest of its row. */
    public double control() {
        return rows.price(area.control());
    }

    /** The same, its point of control traded at a moment. */
    Profile reached(long at) {
        return new Profile(from, to, rows, area, blocks, openingLow, openingHigh, at);
    }
}

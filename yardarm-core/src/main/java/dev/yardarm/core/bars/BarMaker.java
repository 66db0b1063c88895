package dev.yardarm.core.bars;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.TickSeries;

/**
 * Makes the bars of a kind from trades or from finer bars, and goes on making them live. The same pieces give the same
 * bars, whether they come as history or one by one.
 *
 * <p>Pieces come in the order of their time; a piece may share the time of the one before. One thread feeds a maker.
 */
public interface BarMaker {
    /** Takes in one trade. */
    void addTick(long time, double price, double size);

    /**
     * Takes in one trade whose side is known; a maker that does not ask for sides takes it as any.
     *
     * @param side of {@link TickSeries}
     */
    default void addTick(long time, double price, double size, byte side) {
        addTick(time, price, size);
    }

    /** Takes in a finer bar that is complete. */
    void addBar(long openTime, long closeTime, double open, double high, double low, double close, double volume);

    /** Takes in the trades {@code from} (included) to {@code end} (excluded). */
    default void addTicks(TickSeries ticks, int from, int end) {
        long[] times = ticks.times();
        double[] prices = ticks.prices();
        double[] sizes = ticks.sizes();
        byte[] sides = ticks.sides();
        for (int tick = from; tick < end; tick++) {
            addTick(times[tick], prices[tick], sizes[tick], sides[tick]);
        }
    }

    /**
     * Closes what ends by the clock alone: bars of time, and bars that end with their session. All pieces up to this
     * time have been taken in before.
     */
    void advanceTo(long time);

    /** The price of the last piece, which need not be a bar's close; NaN before the first. */
    default double lastPrice() {
        BarSeries made = series();
        return made.hasForming()
                ? made.formingClose()
                : made.closed() == 0 ? Double.NaN : made.snapshot().close(made.closed() - 1);
    }

    /** The bars made so far, the forming one as it stands. */
    BarSeries series();
}

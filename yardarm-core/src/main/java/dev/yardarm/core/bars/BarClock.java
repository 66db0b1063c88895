package dev.yardarm.core.bars;

import dev.yardarm.core.series.Bars;

/**
 * Says in what order trades come and bars close. Only bars in which something was traded close. Used by one thread at a time.
 *
 * <p>A bar of time has closed before the first trade at or after its closing time; a bar that ends by what was traded has closed after the
 * last trade of the moment that ended it.
 */
public abstract sealed class BarClock {
    /** Number of bars that have closed since the clock began. */
    int count;

    long openTime;
    long closeTime;
    double close;

    private BarClock() {}

    /** By bars of time that follow from the calendar alone. O(1) a trade, no memory. */
    public static BarClock of(BarGrid grid) {
        return new OfGrid(grid);
    }

    /**
     * By bars that are made beside it, of any kind.
     *
     * @param ofTime true for bars that end by the clock
     * @param since closes after this moment count
     */
    public static BarClock over(boolean ofTime, Bars bars, long since) {
        return new OfBars(ofTime, bars, since);
    }

    /** Number of bars that have closed since the clock began: the number of the one that forms, from 0. */
    public final int count() {
        return count;
    }

    /** Open of the bar that closed last. */
    public final long openTime() {
        return openTime;
    }

    /** When the bar that closed last did. */
    public final long closeTime() {
        return closeTime;
    }

    /** Price with which the bar that closed last did. */
    public final double close() {
        return close;
    }

    /** Goes on to the next bar that has closed before a trade at a moment; false when there is none. */
    public abstract boolean closesBefore(long time);

    /** Goes on to the next bar that has closed by a moment; false when there is none. */
    public abstract boolean closesBy(long time);

    /** Takes in a trade; the bars that closed before it have been asked for. */
    public abstract void trade(long time, double price);

    /** Open of the bar that forms. */
    public abstract long formingOpen();

    /** When the bar that forms will close; far away when that is not known. */
    public abstract long formingClose();

    /** Number of the last bar that closed in the bars that are read; -1 without bars. */
    public abstract int read();

    /** Takes over bars that have grown; of those that closed none has changed. */
    public void extend(Bars grown) {}

    private static final class OfGrid extends BarClock {
        private final BarGrid grid;
        private BarGrid.Slot slot;
        private double last;

        OfGrid(BarGrid grid) {
            this.grid = grid;
        }

        @Override
        public boolean closesBefore(long time) {
            if (slot == null || time < slot.closeTime()) {
                return false;
            }
            count++;
            openTime = slot.openTime();
            closeTime = slot.closeTime();
            close = last;
            slot = null;
            return true;
        }

        @Override
        public boolean closesBy(long time) {
            return closesBefore(time);
        }

        @Override
        public void trade(long time, double price) {
            if (slot == null) {
                slot = grid.slotAt(time);
            }
            last = price;
        }

        @Override
        public long formingOpen() {
            return slot == null ? 0 : slot.openTime();
        }

        @Override
        public long formingClose() {
            return slot == null ? Long.MAX_VALUE : slot.closeTime();
        }

        @Override
        public int read() {
            return -1;
        }
    }

    private static final class OfBars extends BarClock {
        private final boolean ofTime;
        private Bars bars;
        private int next;

        OfBars(boolean ofTime, Bars bars, long since) {
            this.ofTime = ofTime;
            this.bars = bars;
            this.next = bars.closedBy(since);
        }

        @Override
        public void extend(Bars grown) {
            bars = grown;
        }

        @Override
        public boolean closesBefore(long time) {
            return next < bars.closed()
                    && (ofTime ? bars.closeTime(next) <= time : bars.closeTime(next) < time)
                    && goOn();
        }

        @Override
        public boolean closesBy(long time) {
            return next < bars.closed() && bars.closeTime(next) <= time && goOn();
        }

        private boolean goOn() {
            count++;
            openTime = bars.openTime(next);
            closeTime = bars.closeTime(next);
            close = bars.close(next);
            next++;
            return true;
        }

        @Override
        public void trade(long time, double price) {}

        @Override
        public long formingOpen() {
            return next < bars.size() ? bars.openTime(next) : 0;
        }

        @Override
        public long formingClose() {
            return ofTime && next < bars.size() ? bars.closeTime(next) : Long.MAX_VALUE;
        }

        @Override
        public int read() {
            return next - 1;
        }
    }
}

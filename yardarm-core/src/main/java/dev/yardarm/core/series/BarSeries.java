package dev.yardarm.core.series;

import java.util.Arrays;

/**
 * The growing series of one instrument on one timeframe: closed bars in columns, the forming bar in fields.
 *
 * <p>One thread writes. Any thread reads, through {@link #snapshot()}. A closed bar is appended behind everything a
 * snapshot can see, so no lock is needed; the forming bar is copied into each snapshot because it changes in place.
 * Changing anything already closed goes through {@link #restart()}, which takes new arrays and a new epoch.
 *
 * <p>Memory: 56 bytes a bar (two times, five values) and at most an eighth of that in reserve.
 */
public final class BarSeries {
    long[] openTimes;
    long[] closeTimes;
    final double[][] stored = new double[5][];
    int closed;
    boolean forming;
    long formingOpenTime;
    long formingCloseTime;
    double formingOpen;
    double formingHigh;
    double formingLow;
    double formingClose;
    double formingVolume;
    long epoch;
    long version;
    double[] details;
    double formingDetail = Double.NaN;

    public BarSeries(int expectedBars) {
        allocate(expectedBars);
    }

    private void allocate(int capacity) {
        openTimes = new long[capacity];
        closeTimes = new long[capacity];
        for (int column = 0; column < stored.length; column++) {
            stored[column] = new double[capacity];
        }
    }

    /** Number of closed bars. */
    public int closed() {
        return closed;
    }

    public boolean hasForming() {
        return forming;
    }

    /** Open time of the forming bar; only while one is forming. */
    public long formingOpenTime() {
        return formingOpenTime;
    }

    /** Close time of the forming bar; only while one is forming. */
    public long formingCloseTime() {
        return formingCloseTime;
    }

    public double formingOpen() {
        return formingOpen;
    }

    public double formingHigh() {
        return formingHigh;
    }

    public double formingLow() {
        return formingLow;
    }

    public double formingClose() {
        return formingClose;
    }

    public double formingVolume() {
        return formingVolume;
    }

    /**
     * Appends a closed bar.
     *
     * @throws IllegalArgumentException when it does not open after the bar before
     * @throws IllegalStateException while a bar is forming
     */
    public void append(
            long openTime, long closeTime, double open, double high, double low, double close, double volume) {
        if (forming) {
            throw new IllegalStateException("a bar is forming: close it before appending another");
        }
        if (closed > 0 && openTime <= openTimes[closed - 1]) {
            throw new IllegalArgumentException(
                    "bars must open one after the other: " + openTime + " does not follow " + openTimes[closed - 1]);
        }
        if (closed == openTimes.length) {
            grow();
        }
        openTimes[closed] = openTime;
        closeTimes[closed] = closeTime;
        stored[0][closed] = open;
        stored[1][closed] = high;
        stored[2][closed] = low;
        stored[3][closed] = close;
        stored[4][closed] = volume;
        if (details != null) {
            details[closed] = Double.NaN;
        }
        closed++;
        version++;
    }

    /** Appends a bar of others as a closed one. */
    public void append(Bars bars, int bar) {
        append(
                bars.openTime(bar),
                bars.closeTime(bar),
                bars.open(bar),
                bars.high(bar),
                bars.low(bar),
                bars.close(bar),
                bars.volume(bar));
    }

    /**
     * Notes what belongs to the last closed bar beside its prices, such as the size of its boxes; a column for it is
     * made when the first is noted.
     */
    public void noteDetail(double detail) {
        if (details == null) {
            details = new double[openTimes.length];
            Arrays.fill(details, Double.NaN);
        }
        details[closed - 1] = detail;
    }

    /** Notes the same for the forming bar. */
    public void noteFormingDetail(double detail) {
        formingDetail = detail;
    }

    /** Appends all closed bars of a snapshot, column by column. */
    public void appendAll(Bars bars) {
        int count = bars.closed();
        if (count == 0) {
            return;
        }
        if (forming || closed > 0 && bars.openTime(0) <= openTimes[closed - 1]) {
            throw new IllegalArgumentException("the bars must follow the closed ones");
        }
        reserve(closed + count);
        System.arraycopy(bars.openTimes(), 0, openTimes, closed, count);
        System.arraycopy(bars.closeTimes(), 0, closeTimes, closed, count);
        for (Field field : Field.values()) {
            if (field.isStored()) {
                System.arraycopy(bars.column(field), 0, stored[field.ordinal()], closed, count);
            }
        }
        closed += count;
        version += count;
    }

    private void grow() {
        reserve(Math.max(64, closed + (closed >> 3) + 1));
    }

    private void reserve(int capacity) {
        if (capacity <= openTimes.length) {
            return;
        }
        openTimes = Arrays.copyOf(openTimes, capacity);
        closeTimes = Arrays.copyOf(closeTimes, capacity);
        for (int column = 0; column < stored.length; column++) {
            stored[column] = Arrays.copyOf(stored[column], capacity);
        }
        if (details != null) {
            details = Arrays.copyOf(details, capacity);
        }
    }

    /** Starts or replaces the forming bar as a whole. */
    public void form(long openTime, long closeTime, double open, double high, double low, double close, double volume) {
        if (closed > 0 && openTime <= openTimes[closed - 1]) {
            throw new IllegalArgumentException("the forming bar must open after the last closed bar");
        }
        forming = true;
        formingOpenTime = openTime;
        formingCloseTime = closeTime;
        formingOpen = open;
        formingHigh = high;
        formingLow = low;
        formingClose = close;
        formingVolume = volume;
        version++;
    }

    /** Starts or replaces the forming bar with a bar of others. */
    public void form(Bars bars, int bar) {
        form(
                bars.openTime(bar),
                bars.closeTime(bar),
                bars.open(bar),
                bars.high(bar),
                bars.low(bar),
                bars.close(bar),
                bars.volume(bar));
    }

    /** Adds a bar or trade of a shorter span to the forming bar. */
    public void extendForming(double high, double low, double close, double volume) {
        if (!forming) {
            throw new IllegalStateException("no bar is forming");
        }
        formingHigh = Math.max(formingHigh, high);
        formingLow = Math.min(formingLow, low);
        formingClose = close;
        formingVolume += volume;
        version++;
    }

    /** Closes the forming bar as it stands. */
    public void closeForming() {
        if (!forming) {
            throw new IllegalStateException("no bar is forming");
        }
        forming = false;
        append(formingOpenTime, formingCloseTime, formingOpen, formingHigh, formingLow, formingClose, formingVolume);
    }

    /** Takes the forming bar away, as when it turns out that what was to come of it is a closed bar of another kind. */
    public void dropForming() {
        if (forming) {
            forming = false;
            version++;
        }
    }

    /** Empties the series into new arrays under a new epoch; snapshots taken before stay as they are. */
    public void restart() {
        closed = 0;
        forming = false;
        details = null;
        allocate(64);
        epoch++;
        version++;
    }

    /** Grows with every change; tells without a snapshot whether there is anything new. */
    public long version() {
        return version;
    }

    public Bars snapshot() {
        return new Bars(this);
    }
}

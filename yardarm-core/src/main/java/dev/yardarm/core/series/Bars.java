package dev.yardarm.core.series;

/**
 * A snapshot of a {@link BarSeries}: closed bars {@code 0..closed()-1} in shared columns and, when one is forming,
 * bar {@code closed()} in fields of its own.
 *
 * <p>Taking a snapshot costs one small object, whatever the length: the arrays are those of the series, whose writer
 * only ever writes behind {@code closed()} of every snapshot it gave out. Readers on any thread may keep it as long as
 * they like. Times are microseconds since 1970-01-01T00:00Z; prices and volumes are doubles, NaN where missing.
 */
public final class Bars {
    public static final Bars EMPTY = new BarSeries(0).snapshot();

    private final long[] openTimes;
    private final long[] closeTimes;
    private final double[][] stored;
    private final int closed;
    private final boolean forming;
    private final long formingOpenTime;
    private final long formingCloseTime;
    private final double formingOpen;
    private final double formingHigh;
    private final double formingLow;
    private final double formingClose;
    private final double formingVolume;
    private final double[] details;
    private final double formingDetail;
    private final long epoch;
    private final long version;

    Bars(BarSeries series) {
        openTimes = series.openTimes;
        closeTimes = series.closeTimes;
        stored = series.stored.clone();
        closed = series.closed;
        forming = series.forming;
        formingOpenTime = series.formingOpenTime;
        formingCloseTime = series.formingCloseTime;
        formingOpen = series.formingOpen;
        formingHigh = series.formingHigh;
        formingLow = series.formingLow;
        formingClose = series.formingClose;
        formingVolume = series.formingVolume;
        details = series.details;
        formingDetail = series.formingDetail;
        epoch = series.epoch;
        version = series.version;
    }

    private Bars(Bars of, int first) {
        openTimes = of.openTimes;
        closeTimes = of.closeTimes;
        stored = of.stored;
        closed = first;
        forming = false;
        formingOpenTime = 0;
        formingCloseTime = 0;
        formingOpen = Double.NaN;
        formingHigh = Double.NaN;
        formingLow = Double.NaN;
        formingClose = Double.NaN;
        formingVolume = Double.NaN;
        details = of.details;
        formingDetail = Double.NaN;
        epoch = of.epoch;
        version = of.version;
    }

    /** The first closed bars, none forming; shares the columns. Computations over them begin anew. */
    public Bars first(int count) {
        if (count < 0 || count > closed) {
            throw new IndexOutOfBoundsException("the first " + count + " of " + closed + " bars");
        }
        return new Bars(this, count);
    }

    /** Number of bars that had closed at a moment. Cost: a binary search. */
    public int closedBy(long moment) {
        int low = 0;
        int high = closed;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (closeTimes[middle] <= moment) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** Number of closed bars. */
    public int closed() {
        return closed;
    }

    /** Number of bars, the forming one included. */
    public int size() {
        return forming ? closed + 1 : closed;
    }

    public boolean isEmpty() {
        return size() == 0;
    }

    public boolean hasForming() {
        return forming;
    }

    /** Changes when history was prepended, corrected or re-adjusted: whatever was computed before is void. */
    public long epoch() {
        return epoch;
    }

    /** Grows with every change. */
    public long version() {
        return version;
    }

    public long openTime(int bar) {
        return bar < closed ? openTimes[bar] : formingOpenTime(bar);
    }

    public long closeTime(int bar) {
        if (bar < closed) {
            return closeTimes[bar];
        }
        formingOpenTime(bar);
        return formingCloseTime;
    }

    private long formingOpenTime(int bar) {
        if (!forming || bar != closed) {
            throw new IndexOutOfBoundsException("bar " + bar + " of " + size());
        }
        return formingOpenTime;
    }

    public double open(int bar) {
        return bar < closed ? stored[0][bar] : formingOpen;
    }

    public double high(int bar) {
        return bar < closed ? stored[1][bar] : formingHigh;
    }

    public double low(int bar) {
        return bar < closed ? stored[2][bar] : formingLow;
    }

    public double close(int bar) {
        return bar < closed ? stored[3][bar] : formingClose;
    }

    public double volume(int bar) {
        return bar < closed ? stored[4][bar] : formingVolume;
    }

    /** What was noted beside the prices of a bar, such as the size of its boxes; NaN when nothing was. */
    public double detail(int bar) {
        return bar >= closed ? formingDetail : details == null ? Double.NaN : details[bar];
    }

    public double value(Field field, int bar) {
        return field.of(open(bar), high(bar), low(bar), close(bar), volume(bar));
    }

    /** The field of the forming bar, NaN when no bar is forming. */
    public double formingValue(Field field) {
        return forming ? field.of(formingOpen, formingHigh, formingLow, formingClose, formingVolume) : Double.NaN;
    }

    /**
     * The shared column of a stored field. Only {@code 0..closed()-1} may be read, and nothing may be written.
     *
     * @throws IllegalArgumentException for a derived field, which has no column
     */
    public double[] column(Field field) {
        if (!field.isStored()) {
            throw new IllegalArgumentException(field.word() + " is derived and has no column of its own");
        }
        return stored[field.ordinal()];
    }

    /** The shared column of open times, ascending; only {@code 0..closed()-1} may be read. */
    public long[] openTimes() {
        return openTimes;
    }

    /** The shared column of close times; only {@code 0..closed()-1} may be read. */
    public long[] closeTimes() {
        return closeTimes;
    }

    /**
     * The last bar that opened at or before the time, or -1 when the time is before the first bar.
     * Cost: a binary search.
     */
    public int barAt(long time) {
        if (forming && time >= formingOpenTime) {
            return closed;
        }
        int low = 0;
        int high = closed - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            if (openTimes[middle] <= time) {
                low = middle + 1;
            } else {
                high = middle - 1;
            }
        }
        return high;
    }
}

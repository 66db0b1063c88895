package dev.yardarm.core.series;

import java.util.Arrays;

/**
 * A column of doubles beside a bar series: one value for each closed bar and one for the forming bar, NaN where
 * missing. One thread writes; a {@link #snapshot()} may be read by any.
 */
public final class Column {
    private double[] values;
    private int size;
    private double forming = Double.NaN;

    public Column(int capacity) {
        values = new double[capacity];
    }

    private Column(double[] values, int size, double forming) {
        this.values = values;
        this.size = size;
        this.forming = forming;
    }

    /** The array; only {@code 0..size()-1} holds values. */
    public double[] values() {
        return values;
    }

    /** Number of closed values. */
    public int size() {
        return size;
    }

    /** The value at the forming bar, NaN when none is forming. */
    public double forming() {
        return forming;
    }

    /** The value at a bar: closed, or the forming one at {@code size()}; NaN outside. */
    public double at(int bar) {
        if (bar < 0 || bar > size) {
            return Double.NaN;
        }
        return bar == size ? forming : values[bar];
    }

    /** The last value that is known: the forming one, else the last closed one. */
    public double last() {
        return Double.isNaN(forming) && size > 0 ? values[size - 1] : forming;
    }

    /** Makes room for {@code needed} values, keeping those there are, and returns the array to write into. */
    public double[] room(int needed) {
        if (needed > values.length) {
            values = Arrays.copyOf(values, Math.max(needed, values.length + (values.length >> 3) + 16));
        }
        return values;
    }

    public void resize(int newSize) {
        size = newSize;
    }

    public void setForming(double value) {
        forming = value;
    }

    /** Takes another array as its own, without copying. */
    public void share(double[] shared, int sharedSize) {
        values = shared;
        size = sharedSize;
    }

    /** The column as it stands now; later values do not show in it. */
    public Column snapshot() {
        return new Column(values, size, forming);
    }
}

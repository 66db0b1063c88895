package dev.yardarm.chart.surface;

import java.util.Arrays;

/** A growing array of coordinates that is filled and emptied again each frame, so that a frame allocates nothing. */
public final class Batch {
    private double[] values = new double[256];
    private int length;

    public void clear() {
        length = 0;
    }

    public boolean isEmpty() {
        return length == 0;
    }

    /** Adds a point. */
    public void point(double x, double y) {
        room(2);
        values[length++] = x;
        values[length++] = y;
    }

    /** Adds a rectangle. */
    public void rectangle(double x, double y, double width, double height) {
        room(4);
        values[length++] = x;
        values[length++] = y;
        values[length++] = width;
        values[length++] = height;
    }

    private void room(int more) {
        if (length + more > values.length) {
            values = Arrays.copyOf(values, values.length * 2);
        }
    }

    public double[] values() {
        return values;
    }

    /** Number of points in it. */
    public int points() {
        return length / 2;
    }

    /** Fills the rectangles in it. */
    public void fill(Surface surface, int colour) {
        if (length > 0) {
            surface.fillRectangles(colour, values, length / 4);
        }
    }
}

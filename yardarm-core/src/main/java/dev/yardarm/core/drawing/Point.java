package dev.yardarm.core.drawing;

/**
 * A point of the plane drawings are straight in.
 *
 * @param u running number of the bar on the timeframe of the drawing, with the part of it that has passed
 * @param v price, or its logarithm for a drawing made on a logarithmic scale
 */
public record Point(double u, double v) {
    /** The point a part of the way to another one; 0 for this, 1 for the other, beyond them too. */
    public Point towards(Point other, double part) {
        return new Point(u + (other.u - u) * part, v + (other.v - v) * part);
    }

    public Point plus(double bars, double height) {
        return new Point(u + bars, v + height);
    }
}

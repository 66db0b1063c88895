package dev.yardarm.chart.label;

/** A rectangle in logical pixels, y downward. */
public record Box(double left, double top, double right, double bottom) {
    /** Around a text whose middle height is at y. */
    static Box around(double left, double middle, double width, double height) {
        return new Box(left, middle - height / 2, left + width, middle + height / 2);
    }

    /** True when the two have more than an edge in common. */
    public boolean meets(Box other) {
        return left < other.right && other.left < right && top < other.bottom && other.top < bottom;
    }

    /** True when the other lies in it, up to a hundredth of a pixel. */
    public boolean holds(Box other) {
        return other.left >= left - 0.01
                && other.right <= right + 0.01
                && other.top >= top - 0.01
                && other.bottom <= bottom + 0.01;
    }

    public boolean covers(double x, double y) {
        return x >= left && x <= right && y >= top && y <= bottom;
    }

    public double width() {
        return right - left;
    }

    public double height() {
        return bottom - top;
    }
}

package dev.yardarm.chart.scale;

/**
 * From bars to pixels: bar number b covers the positions b to b + 1, and every bar is equally wide. Immutable.
 *
 * @param left pixel of the left edge
 * @param right pixel of the right edge
 * @param barWidth pixels from bar to bar
 * @param edge position at the right edge
 */
public record TimeScale(double left, double right, double barWidth, double edge) {
    /** Widest a bar gets. */
    public static final double WIDEST = 120;
    /** Narrowest a bar gets: ten thousand bars on a pixel. */
    public static final double NARROWEST = 1e-4;

    public TimeScale {
        if (!(barWidth > 0) || !Double.isFinite(edge)) {
            throw new IllegalArgumentException("bars need a width above zero, not " + barWidth);
        }
    }

    public double x(double position) {
        return right - (edge - position) * barWidth;
    }

    public double position(double x) {
        return edge - (right - x) / barWidth;
    }

    /** X of the middle of a bar. */
    public double middle(int bar) {
        return x(bar + 0.5);
    }

    /** The bar under a pixel; may lie before the first or after the last. */
    public int bar(double x) {
        return (int) Math.floor(position(x));
    }

    /** First bar that shows, not below 0. */
    public int firstVisible() {
        return (int) Math.max(0, Math.floor(position(left)));
    }

    /** The newest bar that shows, of so many there are: what a chart tells while nothing is pointed at; -1 of none. */
    public int newestVisible(int size) {
        return Math.min(size, Math.max(endVisible(size), 1)) - 1;
    }

    /** The bar behind the last one that shows, of so many there are. */
    public int endVisible(int size) {
        return (int) Math.max(firstVisible(), Math.min(size, Math.ceil(edge)));
    }

    /** The same bars moved to the right by a number of pixels. */
    public TimeScale movedBy(double pixels) {
        return new TimeScale(left, right, barWidth, edge - pixels / barWidth);
    }

    /** Bars so many times as wide, the place under a pixel staying where it is. */
    public TimeScale zoomedBy(double factor, double aroundX) {
        double width = Math.max(NARROWEST, Math.min(WIDEST, barWidth * factor));
        double held = position(aroundX);
        return new TimeScale(left, right, width, held + (right - aroundX) / width);
    }

    public TimeScale within(double newLeft, double newRight) {
        return new TimeScale(newLeft, newRight, barWidth, edge);
    }

    /** Held so that at least a few bars of so many stay in view. */
    public TimeScale heldTo(int size) {
        double span = (right - left) / barWidth;
        double keep = Math.min(3, span);
        double least = Math.min(keep, size);
        double most = size + Math.max(0, span - keep);
        double held = Math.max(least, Math.min(most, edge));
        return held == edge ? this : new TimeScale(left, right, barWidth, held);
    }
}

package dev.yardarm.core.drawing;

import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.session.TradingCalendar;

/**
 * The plane a drawing is straight in: bars of the timeframe it was drawn on, counted by the calendar, and price or its
 * logarithm. It does not depend on any chart, so a drawing has one price at one moment wherever it is looked at.
 *
 * <p>On a logarithmic plane prices must be above zero; others have no place (NaN).
 */
public final class Plane {
    private final BarGrid grid;
    private final boolean logarithmic;

    public Plane(TradingCalendar calendar, Timeframe origin, boolean logarithmic) {
        grid = new BarGrid(calendar, origin);
        this.logarithmic = logarithmic;
    }

    TradingCalendar calendar() {
        return grid.calendar();
    }

    public boolean isLogarithmic() {
        return logarithmic;
    }

    /** Running number of the bar a moment falls in, with the part of it that has passed. */
    public double u(long time) {
        return grid.position(time);
    }

    public double v(double price) {
        return !logarithmic ? price : price > 0 ? Math.log(price) : Double.NaN;
    }

    public double price(double v) {
        return logarithmic ? Math.exp(v) : v;
    }

    public Point point(Anchor anchor) {
        return new Point(u(anchor.time()), v(anchor.price()));
    }
}

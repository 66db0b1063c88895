package dev.yardarm.core.drawing;

import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.session.TradingCalendar;
import java.util.List;
import java.util.Objects;

/**
 * A level or a line on an instrument. It belongs to the instrument, not to a chart.
 *
 * <p>A line is straight on the timeframe it was drawn on, counted in that timeframe's bars by the calendar; that gives
 * it one price at one moment, the same on every timeframe, for alerts and for the past and the future alike.
 *
 * @param id unique within the instrument
 * @param origin the timeframe it was drawn on
 * @param anchors one for a level, two for a line
 * @param colour number of the series colour
 * @param width in pixels
 * @param opacity from 0 to 1
 */
public record Drawing(String id, Kind kind, Timeframe origin, List<Anchor> anchors, int colour, double width,
                      double opacity, boolean visible) {
    /** What is drawn. */
    public enum Kind {
        /** A horizontal price. */
        LEVEL(1, "Level"),
        /** A straight line through two points, prolonged to the right. */
        LINE(2, "Trend line");

        private final int anchorCount;
        private final String title;

        Kind(int anchorCount, String title) {
            this.anchorCount = anchorCount;
            this.title = title;
        }

        public int anchorCount() {
            return anchorCount;
        }

        public String title() {
            return title;
        }
    }

    public Drawing {
        Objects.requireNonNull(id);
        Objects.requireNonNull(origin);
        anchors = List.copyOf(anchors);
        if (anchors.size() != kind.anchorCount) {
            throw new IllegalArgumentException(kind.title + " needs " + kind.anchorCount + " points, not "
                    + anchors.size());
        }
        if (!(width > 0) || !(opacity >= 0 && opacity <= 1)) {
            throw new IllegalArgumentException("a drawing needs a width above 0 and an opacity from 0 to 1");
        }
    }

    public Drawing withAnchor(int number, Anchor anchor) {
        java.util.ArrayList<Anchor> changed = new java.util.ArrayList<>(anchors);
        changed.set(number, anchor);
        return withAnchors(changed);
    }

    public Drawing withAnchors(List<Anchor> changed) {
        return new Drawing(id, kind, origin, changed, colour, width, opacity, visible);
    }

    public Drawing withStyle(int newColour, double newWidth, double newOpacity) {
        return new Drawing(id, kind, origin, anchors, newColour, newWidth, newOpacity, visible);
    }

    public Drawing withVisible(boolean shown) {
        return new Drawing(id, kind, origin, anchors, colour, width, opacity, shown);
    }

    /** The same drawing, all of it moved up or down by a price difference. */
    public Drawing movedBy(double priceDifference) {
        return withAnchors(anchors.stream().map(anchor -> anchor.withPrice(anchor.price() + priceDifference)).toList());
    }

    /** Its price at moments of time, prepared once for many questions. Cost of a question: O(1). */
    public Path path(TradingCalendar calendar) {
        if (kind == Kind.LEVEL) {
            double price = anchors.get(0).price();
            return time -> price;
        }
        BarGrid grid = new BarGrid(calendar, origin);
        double start = grid.position(anchors.get(0).time());
        double end = grid.position(anchors.get(1).time());
        double price = anchors.get(0).price();
        if (end == start) {
            return time -> Double.NaN;
        }
        double slope = (anchors.get(1).price() - price) / (end - start);
        return time -> price + slope * (grid.position(time) - start);
    }

    /** The price of a drawing over time. */
    @FunctionalInterface
    public interface Path {
        /** The price at a moment; NaN where it has none, as a line between two points of the same bar. */
        double priceAt(long time);
    }
}

package dev.yardarm.chart.model;

import dev.yardarm.chart.scale.TimeAxis;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Drawing;

/**
 * The course of a drawn line over the visible part of a chart, in pixels.
 *
 * <p>A line is straight on the timeframe it was drawn on. On a lower timeframe it is taken at the first bar of each bar
 * of its own, and straight in between; on the same or a higher one at every bar.
 */
public final class DrawingPath {
    private static final int MOST_POINTS = 1500;

    private DrawingPath() {
    }

    /** Writes the points of a drawing's course into the batch, from its first anchor to the right edge. */
    public static void trace(ChartModel chart, Drawing drawing, Batch points) {
        points.clear();
        if (chart.bars().isEmpty()) {
            return;
        }
        if (drawing.kind() == Drawing.Kind.LEVEL) {
            double y = chart.price().y(drawing.anchors().get(0).price());
            points.point(chart.time().left(), y);
            points.point(chart.plotRight(), y);
            return;
        }
        TimeAxis axis = chart.axis();
        Drawing.Path path = drawing.path(axis.grid().calendar());
        int from = axis.bar(Math.min(drawing.anchors().get(0).time(), drawing.anchors().get(1).time()));
        int first = Math.max(from, chart.time().bar(chart.time().left()) - 1);
        int last = Math.max(first + 1, chart.time().bar(chart.plotRight()) + 1);
        boolean finer = chart.timeframe().isIntraday() && !drawing.origin().isIntraday();
        if (finer) {
            first = startOfSession(axis, first, -1);
            last = startOfSession(axis, last, 1);
        }
        int step = Math.max(1, (last - first) / MOST_POINTS);
        for (int bar = first; bar <= last; bar += step) {
            if (finer && bar != first && bar < last && !opensSession(axis, bar)) {
                continue;
            }
            double price = path.priceAt(axis.openTime(bar));
            if (!Double.isNaN(price)) {
                points.point(chart.time().middle(bar), chart.price().y(price));
            }
        }
    }

    private static boolean opensSession(TimeAxis axis, int bar) {
        long time = axis.openTime(bar);
        return axis.grid().calendar().open(axis.grid().calendar().sessionAt(time)) == time;
    }

    /** The bar that opens the session this one belongs to, or the next session. */
    private static int startOfSession(TimeAxis axis, int bar, int direction) {
        if (axis.grid().timeframe().compareTo(Timeframe.MINUTE) < 0) {
            return bar;
        }
        int candidate = bar;
        for (int steps = 0; steps < MOST_POINTS && !opensSession(axis, candidate); steps++) {
            candidate += direction;
        }
        return candidate;
    }
}

package dev.yardarm.chart.gesture;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.SnapTarget;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import java.util.List;

/**
 * Drawings in the hand: one by one of its points, or one or several as a whole.
 *
 * @param before the drawings as they were, without locked ones
 * @param anchor number of the point that is held; -1 for the whole
 * @param grabbed where they were taken
 */
record DrawingDrag(List<Drawing> before, int anchor, Anchor grabbed) {
    /** The drawings with the hand at a point of the chart. */
    List<Drawing> movedTo(ChartModel chart, double x, double y, boolean snapping) {
        return before.size() == 1 ? List.of(moved(before.get(0), chart, x, y, snapping)) : carried(chart, x, y);
    }

    private Drawing moved(Drawing drawing, ChartModel chart, double x, double y, boolean snapping) {
        Anchor to = SnapTarget.at(chart, x, y, snapping, drawing.id());
        if (drawing.is(Drawing.LEVEL)) {
            return drawing.withAnchor(0, new Anchor(drawing.anchors().get(0).time(), to.price()));
        }
        if (anchor >= 0) {
            return collapses(drawing, chart, to)
                    ? chart.drawing(drawing.id()).orElse(drawing)
                    : drawing.withAnchor(anchor, to);
        }
        return drawing.anchors().size() == 1
                ? drawing.withAnchor(0, to)
                : carried(chart, x, y).get(0);
    }

    /** All of them by the same bars and the same price, levels by the price alone. */
    private List<Drawing> carried(ChartModel chart, double x, double y) {
        Anchor to = SnapTarget.at(chart, x, y, false);
        int bars = chart.axis().bar(to.time()) - chart.axis().bar(grabbed.time());
        return before.stream()
                .map(drawing -> drawing.moved(
                        time -> bars == 0 || drawing.is(Drawing.LEVEL)
                                ? time
                                : chart.axis().openTime(chart.axis().bar(time) + bars),
                        price -> rounded(
                                chart,
                                drawing.logarithmic()
                                        ? price * to.price() / grabbed.price()
                                        : price + (to.price() - grabbed.price()))))
                .toList();
    }

    /** True when a line would lose its direction: both its points on one bar. */
    private boolean collapses(Drawing drawing, ChartModel chart, Anchor to) {
        return drawing.is(Drawing.LINE)
                && chart.axis().bar(drawing.anchors().get(1 - anchor).time())
                        == chart.axis().bar(to.time());
    }

    private static double rounded(ChartModel chart, double price) {
        return chart.instrument()
                .map(instrument -> instrument.format().round(price))
                .orElse(price);
    }
}

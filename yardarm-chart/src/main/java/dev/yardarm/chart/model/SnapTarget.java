package dev.yardarm.chart.model;

import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.series.Bars;

/** Finds the point a drawing sticks to: the nearest of the open, high, low and close of the bar under the pointer. */
public final class SnapTarget {
    /** How near, in pixels, the pointer must come to a price. */
    public static final double REACH = 8;

    private SnapTarget() {
    }

    /**
     * The anchor for a point of the price pane.
     *
     * @param snapping false to take the price under the pointer, rounded to the instrument's tick
     */
    public static Anchor at(ChartModel chart, double x, double y, boolean snapping) {
        int bar = chart.time().bar(x);
        Bars bars = chart.bars();
        double price = chart.price().price(y);
        if (snapping && bar >= 0 && bar < bars.size()) {
            double best = REACH;
            double found = Double.NaN;
            for (double candidate : new double[]{bars.open(bar), bars.high(bar), bars.low(bar), bars.close(bar)}) {
                double distance = Math.abs(chart.price().y(candidate) - y);
                if (distance <= best) {
                    best = distance;
                    found = candidate;
                }
            }
            if (!Double.isNaN(found)) {
                return new Anchor(chart.axis().openTime(bar), found);
            }
        }
        double rounded = chart.instrument().map(instrument -> instrument.format().round(price)).orElse(price);
        return new Anchor(chart.axis().openTime(bar), rounded);
    }
}

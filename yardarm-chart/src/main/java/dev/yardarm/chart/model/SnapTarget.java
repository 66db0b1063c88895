package dev.yardarm.chart.model;

import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.series.Bars;
import java.util.List;

/**
 * Finds the point a drawing sticks to: the nearest of the open, high, low and close of the bar under the pointer; without
 * one within reach the nearest indicator drawn with the price, line of another drawing, or round price.
 */
public final class SnapTarget {
    /** How near, in pixels, the pointer must come to a price. */
    public static final double REACH = 8;
    /** The same for indicators and drawings, and for round prices. */
    private static final double LINES = 6;

    private static final double ROUND = 4;
    /** Pixels between round prices at least. */
    private static final double APART = 48;

    private SnapTarget() {}

    /**
     * The anchor for a point of the price pane.
     *
     * @param snapping false to take the price under the pointer, rounded to the instrument's tick
     */
    public static Anchor at(ChartModel chart, double x, double y, boolean snapping) {
        return at(chart, x, y, snapping, "");
    }

    /** @param except id of a drawing that is not stuck to, as the one that is moved */
    public static Anchor at(ChartModel chart, double x, double y, boolean snapping, String except) {
        int bar = chart.time().bar(x);
        long time = chart.axis().openTime(bar);
        if (snapping) {
            Nearest nearest = new Nearest(chart, y);
            Bars bars = chart.bars();
            if (bar >= 0 && bar < bars.size()) {
                nearest.take(bars.open(bar), REACH);
                nearest.take(bars.high(bar), REACH);
                nearest.take(bars.low(bar), REACH);
                nearest.take(bars.close(bar), REACH);
            }
            if (nearest.isFound()) {
                return new Anchor(time, nearest.price);
            }
            indicators(chart, bar, nearest);
            drawings(chart, time, except, nearest);
            if (!nearest.isFound()) {
                round(chart, y, nearest);
            }
            if (nearest.isFound()) {
                return new Anchor(time, rounded(chart, nearest.price));
            }
        }
        return new Anchor(time, rounded(chart, chart.price().price(y)));
    }

    private static double rounded(ChartModel chart, double price) {
        return chart.instrument()
                .map(instrument -> instrument.format().round(price))
                .orElse(price);
    }

    /** The nearest price so far. */
    private static final class Nearest {
        private final ChartModel chart;
        private final double y;
        private double best = Double.POSITIVE_INFINITY;
        private double price = Double.NaN;

        Nearest(ChartModel chart, double y) {
            this.chart = chart;
            this.y = y;
        }

        void take(double candidate, double reach) {
            double distance = Math.abs(chart.price().y(candidate) - y);
            if (distance <= reach && distance < best) {
                best = distance;
                price = candidate;
            }
        }

        boolean isFound() {
            return !Double.isNaN(price);
        }
    }

    private static void indicators(ChartModel chart, int bar, Nearest nearest) {
        for (IndicatorLayer layer : chart.pricePane().indicators()) {
            List<ChartData.Line> lines = chart.data().of(layer);
            boolean priced = layer.isOnPaneScale()
                    && layer.indicator().place().withPrice()
                    && layer.style().showsOn(chart.timeframe());
            for (int output = 0; output < lines.size() && priced; output++) {
                Indicator.Output declared = layer.indicator().outputs().get(output);
                if (layer.draws(output)
                        && !declared.cue()
                        && layer.indicator().displacement(layer.settings(), output) == 0) {
                    nearest.take(lines.get(output).column().at(bar), LINES);
                }
            }
        }
    }

    private static void drawings(ChartModel chart, long time, String except, Nearest nearest) {
        for (Drawing drawing : chart.drawings()) {
            if (!drawing.id().equals(except) && chart.shows(drawing)) {
                Outline outline = chart.places().outline(drawing);
                for (double height : outline.sketch().heights(outline.plane().u(time))) {
                    nearest.take(outline.plane().price(height), LINES);
                }
            }
        }
    }

    /** A price with as few digits as leave room between neighbours. */
    private static void round(ChartModel chart, double y, Nearest nearest) {
        double price = chart.price().price(y);
        double room = Math.abs(chart.price().price(y - APART) - price);
        double step = Math.pow(10, Math.ceil(Math.log10(room)));
        for (double part : new double[] {0.2, 0.5, 1}) {
            if (step * part >= room) {
                nearest.take(Math.rint(price / (step * part)) * step * part, ROUND);
                return;
            }
        }
    }
}

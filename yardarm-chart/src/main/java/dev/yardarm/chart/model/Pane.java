package dev.yardarm.chart.model;

import dev.yardarm.chart.scale.PriceScale;
import java.util.List;

/**
 * A strip of the chart with a scale of its own, and one at the left for layers that were put there.
 *
 * @param left the scale at the left; null when no layer has it
 * @param indicators the indicators drawn in it
 * @param folded true when only its name shows
 */
public record Pane(String id, Kind kind, PriceScale scale, PriceScale left, List<IndicatorLayer> indicators,
                   boolean folded) {
    /** What it is for. */
    public enum Kind { PRICE, VOLUME, INDICATOR }

    public double top() {
        return scale.top();
    }

    public double bottom() {
        return scale.bottom();
    }

    public boolean covers(double y) {
        return y >= top() && y < bottom();
    }

    /** The scale a layer of this pane is drawn on. */
    public PriceScale scaleOf(IndicatorLayer layer) {
        return layer.onLeft() && left != null ? left : scale;
    }
}

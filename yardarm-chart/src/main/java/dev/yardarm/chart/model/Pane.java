package dev.yardarm.chart.model;

import dev.yardarm.chart.scale.PriceScale;
import java.util.List;
import java.util.Map;

/**
 * A strip of the chart with a scale of its own, and one at the left for layers that were put there.
 *
 * @param left the scale at the left; null when no layer has it
 * @param own scales of layers that have one of their own, by their ids
 * @param percent true when its scale is of changes in per cent
 * @param indicators the indicators drawn in it
 * @param folded true when only its name shows
 */
public record Pane(
        String id,
        Kind kind,
        PriceScale scale,
        PriceScale left,
        Map<String, OwnScale> own,
        boolean percent,
        List<IndicatorLayer> indicators,
        boolean folded) {
    /**
     * The scale of one layer.
     *
     * @param base the value percentages of it are counted from; NaN when they are not
     */
    public record OwnScale(PriceScale scale, double base) {}

    /** What it is for. */
    public enum Kind {
        PRICE,
        VOLUME,
        INDICATOR
    }

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
        OwnScale alone = own.get(layer.id());
        return alone != null ? alone.scale() : layer.scale() == LayerScale.LEFT && left != null ? left : scale;
    }
}

package dev.yardarm.chart.model;

import dev.yardarm.chart.scale.PriceScale;
import java.util.List;

/**
 * A strip of the chart with a scale of its own.
 *
 * @param indicators the indicators drawn in it
 */
public record Pane(Kind kind, PriceScale scale, List<IndicatorLayer> indicators) {
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
}

package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Layer;

/**
 * What a list of layers says of one kind: its words, its value now, its colour, whether it is shown.
 *
 * @param <L> the kind
 */
interface LayerPart<L extends Layer> {
    /** What it is called. */
    String title(ChartModel chart, L layer);

    /** What it is found by, besides its title. */
    default String words(ChartModel chart, L layer) {
        return "";
    }

    /** Its value at the last bar, in words; empty when it has none. */
    default String value(ChartModel chart, L layer) {
        return "";
    }

    /** Number of the colour it is known by; {@link LayerParts#NO_COLOUR} for none. */
    default int colour(L layer) {
        return LayerParts.NO_COLOUR;
    }

    /** True when it can be hidden and shown again. */
    default boolean canHide() {
        return false;
    }

    /** True when it is not hidden. */
    default boolean isVisible(L layer) {
        return true;
    }
}

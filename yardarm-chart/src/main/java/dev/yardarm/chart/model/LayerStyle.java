package dev.yardarm.chart.model;

import dev.yardarm.core.bars.Timeframe;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * How a layer is drawn.
 *
 * @param colour number of the series colour
 * @param width of its lines, in pixels
 * @param opacity from 0 to 1
 * @param outputs how single outputs are drawn otherwise than they are declared, by their names
 * @param levels its level lines; null for those the indicator has
 * @param timeframes those it shows on; empty for all
 */
public record LayerStyle(
        int colour,
        double width,
        double opacity,
        boolean visible,
        Map<String, OutputStyle> outputs,
        List<Double> levels,
        List<Timeframe> timeframes) {
    public LayerStyle {
        outputs = Map.copyOf(outputs);
        levels = levels == null ? null : List.copyOf(levels);
        timeframes = List.copyOf(timeframes);
    }

    /** Everything drawn as it is declared, on all timeframes. */
    public LayerStyle(int colour, double width, double opacity, boolean visible) {
        this(colour, width, opacity, visible, Map.of(), null, List.of());
    }

    public static LayerStyle of(int colour) {
        return new LayerStyle(colour, 1.5, 1, true);
    }

    /** Colour, width and opacity of the lines. */
    public LayerStyle withLine(int newColour, double newWidth, double newOpacity) {
        return new LayerStyle(newColour, newWidth, newOpacity, visible, outputs, levels, timeframes);
    }

    public LayerStyle withVisible(boolean shown) {
        return new LayerStyle(colour, width, opacity, shown, outputs, levels, timeframes);
    }

    /** Draws one output another way; null as it is declared. */
    public LayerStyle withOutput(String name, OutputStyle style) {
        Map<String, OutputStyle> changed = new HashMap<>(outputs);
        if (style == null) {
            changed.remove(name);
        } else {
            changed.put(name, style);
        }
        return new LayerStyle(colour, width, opacity, visible, changed, levels, timeframes);
    }

    public LayerStyle withLevels(List<Double> newLevels) {
        return new LayerStyle(colour, width, opacity, visible, outputs, newLevels, timeframes);
    }

    public LayerStyle onTimeframes(List<Timeframe> shown) {
        return new LayerStyle(colour, width, opacity, visible, outputs, levels, shown);
    }

    /** True when it is to be seen on a timeframe. */
    public boolean showsOn(Timeframe timeframe) {
        return visible && (timeframes.isEmpty() || timeframes.contains(timeframe));
    }
}

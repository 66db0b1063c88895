package dev.yardarm.chart.model;

/**
 * How a layer is drawn.
 *
 * @param colour number of the series colour
 * @param width of its line, in pixels
 * @param opacity from 0 to 1
 */
public record LayerStyle(int colour, double width, double opacity, boolean visible) {
    public static LayerStyle of(int colour) {
        return new LayerStyle(colour, 1.5, 1, true);
    }
}

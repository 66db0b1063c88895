package dev.yardarm.chart.model;

/**
 * The bars themselves.
 *
 * @param form how they are drawn
 */
public record BarsLayer(BarForm form) implements Layer {
    public static final String ID = "price";

    @Override
    public String id() {
        return ID;
    }
}

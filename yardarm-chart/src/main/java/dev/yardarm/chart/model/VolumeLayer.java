package dev.yardarm.chart.model;

/** The volume of the bars in a pane of its own. */
public record VolumeLayer(boolean visible) implements Layer {
    public static final String ID = "volume";

    @Override
    public String id() {
        return ID;
    }
}

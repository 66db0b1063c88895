package dev.yardarm.chart.model;

/**
 * How the trader wants a pane.
 *
 * @param id of the pane: {@code price}, {@code volume}, or that of the layer it was made for
 * @param share part of the chart's height; 0 for the usual one
 * @param folded true when only its name shows
 */
public record PaneChoice(String id, double share, boolean folded) {
    public static final String PRICE = "price";
    public static final String VOLUME = "volume";

    public static PaneChoice usual(String id) {
        return new PaneChoice(id, 0, false);
    }

    public PaneChoice withShare(double newShare) {
        return new PaneChoice(id, Math.max(0.03, Math.min(0.9, newShare)), folded);
    }

    public PaneChoice withFolded(boolean on) {
        return new PaneChoice(id, share, on);
    }
}

package dev.yardarm.chart.model;

import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;

/**
 * An indicator on a chart.
 *
 * @param pane id of the pane it was moved to; empty for the usual one
 * @param onLeft true when it is drawn on the axis at the left
 */
public record IndicatorLayer(String id, Indicator indicator, Settings settings, LayerStyle style, String pane,
                             boolean onLeft) {
    public IndicatorLayer(String id, Indicator indicator, Settings settings, LayerStyle style) {
        this(id, indicator, settings, style, "", false);
    }

    /** Its name with its numbers: {@code ema 20}. */
    public String title() {
        String numbers = settings.numbers(indicator.settings());
        String source = settings.values().get("source");
        boolean usual = source == null || indicator.settings().stream()
                .anyMatch(setting -> setting.name().equals("source") && setting.standard().equals(source));
        return indicator.name() + " " + numbers + (usual ? "" : " " + source);
    }

    /** The id of the pane it lies in. */
    public String paneId() {
        return !pane.isEmpty() ? pane : indicator.place().withPrice() ? PaneChoice.PRICE : id;
    }

    public IndicatorLayer withStyle(LayerStyle newStyle) {
        return new IndicatorLayer(id, indicator, settings, newStyle, pane, onLeft);
    }

    public IndicatorLayer withSettings(Settings newSettings) {
        return new IndicatorLayer(id, indicator, newSettings, style, pane, onLeft);
    }

    /**
     * Moved to another pane. Among prices, what is not priced like them goes to the axis at the left, so that both can be
     * seen.
     */
    public IndicatorLayer inPane(String newPane) {
        boolean foreign = newPane.equals(PaneChoice.PRICE) && !indicator.place().withPrice();
        return new IndicatorLayer(id, indicator, settings, style, newPane.equals(usualPane()) ? "" : newPane, foreign);
    }

    private String usualPane() {
        return indicator.place().withPrice() ? PaneChoice.PRICE : id;
    }

    public IndicatorLayer onLeft(boolean left) {
        return new IndicatorLayer(id, indicator, settings, style, pane, left);
    }
}

package dev.yardarm.chart.model;

import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;

/** An indicator on a chart. */
public record IndicatorLayer(String id, Indicator indicator, Settings settings, LayerStyle style) {
    /** Its name with its numbers: {@code ema 20}. */
    public String title() {
        String numbers = settings.numbers(indicator.settings());
        String source = settings.values().get("source");
        boolean usual = source == null || indicator.settings().stream()
                .anyMatch(setting -> setting.name().equals("source") && setting.standard().equals(source));
        return indicator.name() + " " + numbers + (usual ? "" : " " + source);
    }

    public IndicatorLayer withStyle(LayerStyle newStyle) {
        return new IndicatorLayer(id, indicator, settings, newStyle);
    }

    public IndicatorLayer withSettings(Settings newSettings) {
        return new IndicatorLayer(id, indicator, newSettings, style);
    }
}

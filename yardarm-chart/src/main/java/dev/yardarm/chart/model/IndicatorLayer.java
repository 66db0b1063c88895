package dev.yardarm.chart.model;

import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import java.util.List;
import java.util.Optional;

/**
 * An indicator on a chart.
 *
 * @param pane id of the pane it was moved to; empty for the usual one
 * @param onLeft true when it is drawn on the axis at the left
 * @param higher the timeframe it is computed on; null for the chart's
 */
public record IndicatorLayer(String id, Indicator indicator, Settings settings, LayerStyle style, String pane,
                             boolean onLeft, Higher higher) {
    /** A higher timeframe an indicator is computed on: its complete bars, or the unfinished one too. */
    public record Higher(Timeframe timeframe, boolean forming) {
    }

    public IndicatorLayer(String id, Indicator indicator, Settings settings, LayerStyle style) {
        this(id, indicator, settings, style, "", false, null);
    }

    /** The output of another indicator on the chart that it reads; empty when it reads the bars. */
    public Optional<Setting.Source.Reference> reference() {
        return settings.reference("source");
    }

    /** The same on a higher timeframe; null for the chart's own. */
    public IndicatorLayer on(Higher place) {
        return new IndicatorLayer(id, indicator, settings, style, pane, onLeft, place);
    }

    /** Its name with its numbers: {@code ema 20}. */
    public String title() {
        String numbers = settings.numbers(indicator.settings());
        String source = settings.values().get("source");
        boolean usual = source == null || indicator.settings().stream()
                .anyMatch(setting -> setting.name().equals("source") && setting.standard().equals(source));
        return indicator.name() + " " + numbers + (usual ? "" : reference().map(other -> " of " + other.indicator() + "."
                + other.output()).orElse(" " + source)) + (higher == null ? ""
                : " on " + (higher.forming() ? "forming " : "") + higher.timeframe());
    }

    /** The id of the pane it lies in. */
    public String paneId() {
        return !pane.isEmpty() ? pane : indicator.place().withPrice() ? PaneChoice.PRICE : id;
    }

    public IndicatorLayer withStyle(LayerStyle newStyle) {
        return new IndicatorLayer(id, indicator, settings, newStyle, pane, onLeft, higher);
    }

    public IndicatorLayer withSettings(Settings newSettings) {
        return new IndicatorLayer(id, indicator, newSettings, style, pane, onLeft, higher);
    }

    /**
     * Moved to another pane. Among prices, what is not priced like them goes to the axis at the left, so that both can be
     * seen.
     */
    public IndicatorLayer inPane(String newPane) {
        boolean foreign = newPane.equals(PaneChoice.PRICE) && !indicator.place().withPrice();
        return new IndicatorLayer(id, indicator, settings, style, newPane.equals(usualPane()) ? "" : newPane, foreign,
                higher);
    }

    private String usualPane() {
        return indicator.place().withPrice() ? PaneChoice.PRICE : id;
    }

    public IndicatorLayer onLeft(boolean left) {
        return new IndicatorLayer(id, indicator, settings, style, pane, left, higher);
    }

    /** How an output is drawn: as the trader chose, else as it is declared. */
    public OutputStyle outputStyle(int output) {
        Indicator.Output declared = indicator.outputs().get(output);
        OutputStyle chosen = style.outputs().get(declared.name());
        return chosen != null ? chosen : new OutputStyle(declared.form(), standardColour(output),
                declared.form() == Indicator.Form.COLUMNS ? OutputStyle.Colouring.SIGN : OutputStyle.Colouring.PLAIN);
    }

    /**
     * Lines after the first get colours of their own, unless they border the area of the first bands or are levels of one
     * kind; dashed ones do where they share a pane with no price.
     */
    private int standardColour(int output) {
        Indicator.Output declared = indicator.outputs().get(output);
        boolean borders = indicator.fills().stream().anyMatch(fill -> fill.one() == output || fill.other() == output);
        boolean line = declared.form() == Indicator.Form.LINE
                || declared.form() == Indicator.Form.DASHED && !indicator.place().withPrice();
        if (output == 0 || !line || borders && indicator.fills().get(0).one() < 2) {
            return OutputStyle.OF_LAYER;
        }
        return (style.colour() + output) % Palette.SERIES;
    }

    /** The number of the series colour an output is drawn in. */
    public int colourOf(int output) {
        int own = outputStyle(output).colour();
        return own == OutputStyle.OF_LAYER ? style.colour() : own;
    }

    /** True when an output is drawn at all. */
    public boolean draws(int output) {
        return outputStyle(output).form() != Indicator.Form.NONE;
    }

    /** The level lines of its pane: the trader's own, else those it is declared with. */
    public List<Double> levels() {
        return style.levels() != null ? style.levels() : indicator.place().levels();
    }

    /** The same with another id, as a copy of its own. */
    public IndicatorLayer withId(String newId) {
        return new IndicatorLayer(newId, indicator, settings, style, pane.equals(id) ? "" : pane, onLeft, higher);
    }
}

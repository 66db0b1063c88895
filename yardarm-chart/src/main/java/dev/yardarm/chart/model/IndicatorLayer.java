package dev.yardarm.chart.model;

import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * An indicator on a chart.
 *
 * @param pane id of the pane it was moved to; empty for the usual one
 * @param scale the one it is drawn on
 * @param higher the timeframe it is computed on; null for the chart's
 * @param drawing id of the drawing whose span it has, which it follows; empty for none
 */
public record IndicatorLayer(
        String id,
        Indicator indicator,
        Settings settings,
        LayerStyle style,
        String pane,
        LayerScale scale,
        Higher higher,
        String drawing)
        implements Layer {
    /** A higher timeframe an indicator is computed on: its complete bars, or the unfinished one too. */
    public record Higher(Timeframe timeframe, boolean forming) {}

    public IndicatorLayer(String id, Indicator indicator, Settings settings, LayerStyle style) {
        this(id, indicator, settings, style, "", usualScale(indicator), null, "");
    }

    /** The same of the span of a drawing, which it follows; empty for none. */
    public IndicatorLayer of(String spanOf) {
        return new IndicatorLayer(id, indicator, settings, style, pane, scale, higher, spanOf);
    }

    /** Another instrument is compared by percentages, so that it can be seen whatever it costs; all else as its pane. */
    public static LayerScale usualScale(Indicator indicator) {
        return indicator.isOfBars() ? LayerScale.PERCENT : LayerScale.PANE;
    }

    /** The output of another indicator on the chart that it reads; empty when it reads the bars. */
    public Optional<Setting.Source.Reference> reference() {
        return settings.reference("source");
    }

    /** The same on a higher timeframe; null for the chart's own. */
    public IndicatorLayer on(Higher place) {
        return new IndicatorLayer(id, indicator, settings, style, pane, scale, place, drawing);
    }

    /** Its name with its numbers: {@code ema 20}; the code alone of another instrument. */
    public String title() {
        return title(reference()
                .map(other -> other.indicator() + "." + other.output())
                .orElse(""));
    }

    /** @param read what it reads when that is an output of another indicator */
    String title(String read) {
        if (indicator.isOfBars() && higher == null) {
            return settings.word("with");
        }
        // What has many settings is called by its title and by what is not as usual.
        boolean finds =
                indicator.family() == Indicator.Family.STRUCTURE || indicator.family() == Indicator.Family.ORDER_FLOW;
        String numbers = finds ? chosen() : settings.numbers(indicator.settings());
        String source = settings.values().get("source");
        boolean usual = source == null
                || indicator.settings().stream()
                        .anyMatch(setting -> setting.name().equals("source")
                                && setting.standard().equals(source));
        String name = indicator.family() == Indicator.Family.OWN
                ? indicator.title()
                : finds ? indicator.title().toLowerCase(Locale.ROOT) : indicator.name();
        return (name + " " + numbers).strip()
                + (usual ? "" : read.isEmpty() ? " " + source : " of " + read)
                + (drawing.isEmpty() ? "" : " of a drawing")
                + (higher == null ? "" : " on " + (higher.forming() ? "forming " : "") + higher.timeframe());
    }

    /** Settings of layers that read trades which say how they look, not what they are. */
    private static final Set<String> LOOKS =
            Set.of("mark", "scaled", "widest", "side", "wide", "untouched", "rows", "split", "areas", "drawn");

    /** Those that say which span it has. */
    public static final Set<String> SPAN = Set.of("span", "since", "until");

    /** The settings that are not as they are declared, with their names: a detector has many that nobody changes. */
    private String chosen() {
        return indicator.settings().stream()
                .filter(each -> !(each instanceof Setting.Source)
                        && !LOOKS.contains(each.name())
                        && (drawing.isEmpty() || !SPAN.contains(each.name()))
                        && !each.standard().equals(settings.values().get(each.name())))
                .map(each -> each.name() + " " + settings.values().get(each.name()))
                .collect(Collectors.joining(", "));
    }

    /** The id of the pane it lies in. */
    public String paneId() {
        return !pane.isEmpty() ? pane : indicator.place().withPrice() ? PaneChoice.PRICE : id;
    }

    public IndicatorLayer withStyle(LayerStyle newStyle) {
        return new IndicatorLayer(id, indicator, settings, newStyle, pane, scale, higher, drawing);
    }

    public IndicatorLayer withSettings(Settings newSettings) {
        return new IndicatorLayer(id, indicator, newSettings, style, pane, scale, higher, drawing);
    }

    /**
     * Moved to another pane. Among prices, what is not priced like them goes to the axis at the left, so that both can be
     * seen.
     */
    public IndicatorLayer inPane(String newPane) {
        boolean foreign = newPane.equals(PaneChoice.PRICE) && !indicator.place().withPrice();
        LayerScale there = foreign ? LayerScale.LEFT : scale == LayerScale.LEFT ? LayerScale.PANE : scale;
        return new IndicatorLayer(
                id, indicator, settings, style, newPane.equals(usualPane()) ? "" : newPane, there, higher, drawing);
    }

    private String usualPane() {
        return indicator.place().withPrice() ? PaneChoice.PRICE : id;
    }

    /** The same on another scale. */
    public IndicatorLayer onScale(LayerScale other) {
        return new IndicatorLayer(id, indicator, settings, style, pane, other, higher, drawing);
    }

    /** True when its values are shown as they are, on a scale whose numbers stand at the right. */
    public boolean isOnPaneScale() {
        return scale == LayerScale.PANE;
    }

    /** How an output is drawn: as the trader chose, else as it is declared. */
    public OutputStyle outputStyle(int output) {
        Indicator.Output declared = indicator.outputs().get(output);
        OutputStyle chosen = style.outputs().get(declared.name());
        return chosen != null
                ? chosen
                : new OutputStyle(
                        declared.form(),
                        standardColour(output),
                        declared.form() == Indicator.Form.COLUMNS
                                        && declared.look().colour().isEmpty()
                                ? OutputStyle.Colouring.SIGN
                                : OutputStyle.Colouring.PLAIN,
                        "",
                        null,
                        declared.look().width());
    }

    /** The width of the line of an output, in pixels. */
    public double widthOf(int output) {
        double own = outputStyle(output).width();
        return own == 0 ? style.width() : own;
    }

    /** True when an output gives the bars of the price another colour where it holds. */
    public boolean tints(int output) {
        return outputStyle(output).form() == Indicator.Form.TINT;
    }

    /**
     * Lines after the first get colours of their own, unless they border the area of the first bands or are levels of one
     * kind; dashed ones do where they share a pane with no price.
     */
    private int standardColour(int output) {
        Indicator.Output declared = indicator.outputs().get(output);
        if (!declared.look().colour().isEmpty()) {
            return Palette.number(declared.look().colour());
        }
        if (declared.form() == Indicator.Form.UP || declared.form() == Indicator.Form.DOWN) {
            return declared.form() == Indicator.Form.UP ? Palette.RISE : Palette.FALL;
        }
        boolean borders = indicator.fills().stream().anyMatch(fill -> fill.one() == output || fill.other() == output);
        boolean line = declared.form() == Indicator.Form.LINE
                || declared.form() == Indicator.Form.DASHED
                        && !indicator.place().withPrice();
        if (output == 0 || !line || borders && indicator.fills().get(0).one() < 2) {
            return OutputStyle.OF_LAYER;
        }
        return (style.colour() + output) % Palette.SERIES;
    }

    /** The number of the colour an output is drawn in. */
    public int colourOf(int output) {
        int own = outputStyle(output).colour();
        return own == OutputStyle.OF_LAYER ? style.colour() : own;
    }

    /** The colour it is known by: that of the first of its outputs that is drawn as it is, else that of the layer. */
    public int leadColour() {
        for (int output = 0; output < indicator.outputs().size(); output++) {
            if (draws(output) && !indicator.outputs().get(output).cue()) {
                return colourOf(output);
            }
        }
        return style.colour();
    }

    /** True when an output is drawn at all. */
    public boolean draws(int output) {
        return outputStyle(output).form() != Indicator.Form.NONE;
    }

    /** True when an area between two outputs is filled: both are drawn, or one that is never drawn ends there. */
    public boolean fills(Indicator.Fill fill) {
        return ends(fill.one()) && ends(fill.other());
    }

    private boolean ends(int output) {
        return draws(output)
                || indicator.family() == Indicator.Family.OWN
                        && indicator.outputs().get(output).form() == Indicator.Form.NONE
                        && !style.outputs()
                                .containsKey(indicator.outputs().get(output).name());
    }

    /** True when the values of an output are to be in view: it is drawn, or belongs to bars that are. */
    public boolean reaches(int output) {
        boolean ofBars = indicator.isOfBars() && outputStyle(0).form() == Indicator.Form.BARS;
        return ofBars || draws(output) && !indicator.outputs().get(output).cue();
    }

    /** The level lines of its pane: the trader's own, else those it is declared with. */
    public List<Double> levels() {
        return style.levels() != null ? style.levels() : indicator.place().levels();
    }

    /** The same with another id, as a copy of its own. */
    public IndicatorLayer withId(String newId) {
        return new IndicatorLayer(
                newId, indicator, settings, style, pane.equals(id) ? "" : pane, scale, higher, drawing);
    }
}

package dev.yardarm.desk.room.chart;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerScale;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.model.OutputStyle;
import dev.yardarm.chart.model.UnknownLayer;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.Entries;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Turns an indicator on a chart into its part of a document and back. */
final class LayerKeeper {
    private LayerKeeper() {}

    /** All layers of a chart as they are written: those shown, then those kept though they cannot be. */
    static Entries<Documents.IndicatorLayer> entries(ChartModel chart) {
        List<Entries.Entry<Documents.IndicatorLayer>> all = new ArrayList<>();
        chart.indicators().forEach(layer -> all.add(new Entries.Entry<>(document(layer), null, "")));
        chart.unknownLayers().forEach(layer -> all.add(entry(layer)));
        return new Entries<>(all);
    }

    @SuppressWarnings("unchecked")
    private static Entries.Entry<Documents.IndicatorLayer> entry(UnknownLayer layer) {
        return (Entries.Entry<Documents.IndicatorLayer>) layer.kept();
    }

    /** A layer that cannot be understood, with what it says of itself. */
    static UnknownLayer unknown(Entries.Entry<Documents.IndicatorLayer> entry, String problem) {
        Documents.IndicatorLayer saved = entry.value();
        String title = saved == null || saved.indicator() == null
                ? "layer"
                : saved.indicator()
                        + (saved.settings() == null
                                ? ""
                                : " " + String.join(" ", saved.settings().values()));
        String id = saved == null || saved.id() == null ? "unknown-" + System.identityHashCode(entry) : saved.id();
        return new UnknownLayer(id, title, problem, entry);
    }

    static Documents.IndicatorLayer document(IndicatorLayer layer) {
        LayerStyle style = layer.style();
        return new Documents.IndicatorLayer(
                layer.id(),
                layer.indicator().name(),
                layer.settings().values(),
                style.colour(),
                style.width(),
                style.opacity(),
                style.visible(),
                layer.pane(),
                style.outputs().entrySet().stream()
                        .sorted(Map.Entry.comparingByKey())
                        .map(each -> look(each.getKey(), each.getValue()))
                        .toList(),
                style.levels(),
                style.timeframes(),
                layer.higher() == null ? null : layer.higher().timeframe(),
                layer.higher() != null && layer.higher().forming(),
                layer.scale().word(),
                layer.drawing().isEmpty() ? null : layer.drawing());
    }

    private static Documents.OutputLook look(String output, OutputStyle style) {
        OutputStyle.Tint tint = style.tint();
        return new Documents.OutputLook(
                output,
                style.form().name(),
                style.colour(),
                style.colouring().name(),
                style.ground(),
                tint == null ? null : tint.condition(),
                tint == null ? 0 : tint.colour(),
                style.width());
    }

    private static LayerScale scale(Documents.IndicatorLayer saved) {
        return saved.scale() == null
                ? LayerScale.PANE
                : LayerScale.named(saved.scale())
                        .orElseThrow(() -> new IllegalArgumentException("there is no scale '" + saved.scale() + "'"));
    }

    /**
     * The layer a document describes.
     *
     * @throws IllegalArgumentException when there is no such indicator, or a setting or look it does not have
     */
    static IndicatorLayer layer(Documents.IndicatorLayer saved, Language language) {
        Indicator indicator = language.catalogue()
                .find(isFloorPivots(saved) ? "floor_pivots" : saved.indicator())
                .orElseThrow(() -> new IllegalArgumentException("there is no indicator '" + saved.indicator() + "'"));
        Map<String, OutputStyle> outputs = new HashMap<>();
        for (Documents.OutputLook look : saved.outputs()) {
            if (look.rule() != null) {
                Formula.parseCondition(look.rule(), language);
            }
            outputs.put(
                    look.output(),
                    new OutputStyle(
                            Indicator.Form.valueOf(look.form()),
                            look.colour(),
                            OutputStyle.Colouring.valueOf(look.colouring()),
                            look.ground() == null ? "" : look.ground(),
                            look.rule() == null ? null : new OutputStyle.Tint(look.rule(), look.ruleColour()),
                            look.width()));
        }
        LayerStyle style = new LayerStyle(
                saved.colour(),
                saved.width(),
                saved.opacity(),
                saved.visible(),
                outputs,
                saved.levels(),
                saved.timeframes());
        return new IndicatorLayer(
                saved.id(),
                indicator,
                settings(indicator, saved.settings()),
                style,
                saved.pane() == null ? "" : saved.pane(),
                scale(saved),
                saved.higher() == null ? null : new IndicatorLayer.Higher(saved.higher(), saved.higherForming()),
                saved.drawing() == null ? "" : saved.drawing());
    }

    /** The floor pivots were called pivots before swings were found. */
    private static boolean isFloorPivots(Documents.IndicatorLayer saved) {
        return saved.indicator().equals("pivots") && saved.settings().containsKey("method");
    }

    /**
     * The settings of a layer. Of an indicator of the trader's own, which may have changed meanwhile, those that still are settings of
     * it are taken; of any other all must be.
     */
    private static Settings settings(Indicator indicator, Map<String, String> saved) {
        if (indicator.family() != Indicator.Family.OWN) {
            return Settings.of(indicator, saved);
        }
        Map<String, String> good = new HashMap<>();
        for (Setting setting : indicator.settings()) {
            String text = saved.get(setting.name());
            if (text != null) {
                try {
                    good.put(setting.name(), setting.checked(text));
                } catch (IllegalArgumentException other) {
                    // It may be something else now; it gets the value it has at first.
                }
            }
        }
        try {
            return Settings.of(indicator, good);
        } catch (IllegalArgumentException apart) {
            return Settings.standard(indicator);
        }
    }

    /** A layer with another form of its indicator, as when that was changed by the trader. */
    static IndicatorLayer with(IndicatorLayer layer, Indicator indicator) {
        return layer.indicator() == indicator
                ? layer
                : new IndicatorLayer(
                        layer.id(),
                        indicator,
                        settings(indicator, layer.settings().values()),
                        layer.style(),
                        layer.pane(),
                        layer.scale(),
                        layer.higher(),
                        layer.drawing());
    }

    /** Layers with their indicators as they are defined now. */
    static List<IndicatorLayer> current(List<IndicatorLayer> layers, Language language) {
        return layers.stream()
                .map(layer -> layer.indicator().family() == Indicator.Family.OWN
                        ? language.catalogue()
                                .find(layer.indicator().name())
                                .map(now -> with(layer, now))
                                .orElse(layer)
                        : layer)
                .toList();
    }
}

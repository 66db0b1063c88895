package dev.yardarm.desk.room;

import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.model.OutputStyle;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.data.document.Documents;
import java.util.HashMap;
import java.util.Map;

/** Turns an indicator on a chart into its part of a document and back. */
final class LayerKeeper {
    private LayerKeeper() {
    }

    static Documents.IndicatorLayer document(IndicatorLayer layer) {
        LayerStyle style = layer.style();
        return new Documents.IndicatorLayer(layer.id(), layer.indicator().name(), layer.settings().values(),
                style.colour(), style.width(), style.opacity(), style.visible(), layer.pane(), layer.onLeft(),
                style.outputs().entrySet().stream().sorted(Map.Entry.comparingByKey()).map(each ->
                        new Documents.OutputLook(each.getKey(), each.getValue().form().name(),
                                each.getValue().colour(), each.getValue().colouring().name())).toList(),
                style.levels(), style.timeframes(), layer.higher() == null ? null : layer.higher().timeframe(),
                layer.higher() != null && layer.higher().forming());
    }

    /**
     * The layer a document describes.
     *
     * @throws IllegalArgumentException when there is no such indicator, or a setting or look it does not have
     */
    static IndicatorLayer layer(Documents.IndicatorLayer saved) {
        Indicator indicator = Catalogue.shared().find(saved.indicator()).orElseThrow(
                () -> new IllegalArgumentException("there is no indicator '" + saved.indicator() + "'"));
        Map<String, OutputStyle> outputs = new HashMap<>();
        for (Documents.OutputLook look : saved.outputs()) {
            outputs.put(look.output(), new OutputStyle(Indicator.Form.valueOf(look.form()), look.colour(),
                    OutputStyle.Colouring.valueOf(look.colouring())));
        }
        LayerStyle style = new LayerStyle(saved.colour(), saved.width(), saved.opacity(), saved.visible(), outputs,
                saved.levels(), saved.timeframes());
        return new IndicatorLayer(saved.id(), indicator, Settings.of(indicator, saved.settings()), style,
                saved.pane() == null ? "" : saved.pane(), saved.onLeft(), saved.higher() == null ? null
                : new IndicatorLayer.Higher(saved.higher(), saved.higherForming()));
    }
}

package dev.yardarm.desk.evidence;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** The cues of indicators on a chart, as conditions that can be written elsewhere. */
public final class Cues {
    private Cues() {}

    /** Those of the chosen indicator, else those of all on the chart, in their order. */
    public static List<String> of(ChartModel chart) {
        List<IndicatorLayer> chosen = chart.indicators().stream()
                .filter(each -> chart.selection().equals(new Selection.Layer(each.id())))
                .toList();
        List<String> cues = new ArrayList<>();
        (chosen.isEmpty() ? chart.indicators() : chosen).forEach(each -> cues.addAll(of(each)));
        return cues;
    }

    /** Those of one indicator with the settings it has there. */
    public static List<String> of(IndicatorLayer layer) {
        return outputs(layer, true);
    }

    /** The values of one indicator with the settings it has there, as formulas: its lines, the levels of a profile. */
    public static List<String> values(IndicatorLayer layer) {
        return outputs(layer, false);
    }

    private static List<String> outputs(IndicatorLayer layer, boolean cues) {
        Indicator indicator = layer.indicator();
        String given = indicator.settings().stream()
                .map(Setting::name)
                .filter(name -> !layer.settings()
                        .values()
                        .get(name)
                        .equals(Settings.standard(indicator).values().get(name)))
                .map(name -> name + ": " + layer.settings().values().get(name))
                .collect(Collectors.joining(", "));
        String call = indicator.name() + (given.isEmpty() ? "" : "(" + given + ")");
        return indicator.outputs().stream()
                .filter(each -> each.cue() == cues)
                .map(each -> call + "." + each.name())
                .toList();
    }
}

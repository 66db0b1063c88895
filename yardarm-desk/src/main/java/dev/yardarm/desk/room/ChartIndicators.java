package dev.yardarm.desk.room;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.desk.command.Command;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** The indicators of one chart: each change is a step of undo. Used by the interface's thread alone. */
public final class ChartIndicators {
    private final ChartRoom room;
    private final ChartModel chart;
    private long nextLayer = 1;

    ChartIndicators(ChartRoom room) {
        this.room = room;
        chart = room.chart();
    }

    /** Puts an indicator on the chart, in the first colour not in use, and chooses it. */
    public void add(Indicator indicator, Settings settings) {
        IndicatorLayer layer = new IndicatorLayer(newLayerId(), indicator, settings, LayerStyle.of(freeColour()));
        List<IndicatorLayer> before = chart.indicators();
        List<IndicatorLayer> after = new ArrayList<>(before);
        after.add(layer);
        changeLayers("add " + layer.title(), "", before, after);
        room.studies().select(new Selection.Indicator(layer.id()));
    }

    private String newLayerId() {
        String id;
        do {
            id = "layer-" + nextLayer++;
        } while (chart.indicator(id).isPresent());
        return id;
    }

    /** The first series colour that neither an indicator nor a drawing on the chart has. */
    public int freeColour() {
        Set<Integer> used = new HashSet<>();
        chart.indicators().forEach(layer -> used.add(layer.style().colour()));
        chart.drawings().forEach(drawing -> used.add(drawing.colour()));
        for (int colour = 0; colour < Palette.SERIES; colour++) {
            if (!used.contains(colour)) {
                return colour;
            }
        }
        return (chart.indicators().size() + chart.drawings().size()) % Palette.SERIES;
    }

    /** Changes an indicator's settings or style; the effect shows at once. */
    public void change(IndicatorLayer changed) {
        List<IndicatorLayer> before = chart.indicators();
        List<IndicatorLayer> after = before.stream().map(each -> each.id().equals(changed.id()) ? changed : each)
                .toList();
        if (!after.equals(before)) {
            changeLayers("change " + changed.title(), "layer " + changed.id(), before, after);
        }
    }

    public void remove(String id) {
        List<IndicatorLayer> before = chart.indicators();
        chart.indicator(id).ifPresent(removed -> {
            changeLayers("remove " + removed.title(), "", before,
                    before.stream().filter(each -> !each.id().equals(id)).toList());
            room.studies().select(Selection.NONE);
        });
    }

    public void clear() {
        if (!chart.indicators().isEmpty()) {
            changeLayers("remove all indicators", "", chart.indicators(), List.of());
            room.studies().select(Selection.NONE);
        }
    }

    private void changeLayers(String label, String stem, List<IndicatorLayer> before, List<IndicatorLayer> after) {
        room.desk().undo().execute(Command.of(label, stem, () -> room.showLayers(after), () -> room.showLayers(before)));
    }
}

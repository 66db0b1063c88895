package dev.yardarm.app.chart;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.FigureRows;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;

/** What can be done with a row of figures of the bars under the pointer: its place among the others, leaving it out, adding one. */
final class FigureRowMenu {
    private final ChartRoom room;
    private final IndicatorLayer layer;
    private final String rows;

    private FigureRowMenu(ChartRoom room, IndicatorLayer layer) {
        this.room = room;
        this.layer = layer;
        this.rows = layer.settings().word("rows");
    }

    /** The items for a height of the chart, with a line below them; none where there is no row. */
    static List<MenuItem> at(ChartRoom room, double y) {
        ChartModel chart = room.chart();
        List<MenuItem> items = new ArrayList<>();
        for (IndicatorLayer layer : chart.drawnIndicators()) {
            chart.panes().stream()
                    .filter(pane -> pane.covers(y) && pane.id().equals(layer.paneId()))
                    .findFirst()
                    .flatMap(pane -> FigureRows.of(pane, layer))
                    .ifPresent(rows -> rows.at(y)
                            .ifPresent(row -> items.addAll(new FigureRowMenu(room, layer).of(rows.outputs(), row))));
        }
        return items;
    }

    private List<MenuItem> of(int[] outputs, int row) {
        String word = layer.indicator().outputs().get(outputs[row]).name();
        String name = FigureRows.name(word);
        List<MenuItem> items = new ArrayList<>();
        if (row > 0) {
            items.add(item("Row '" + name + "' up", Setting.Ordered.moved(rows, word, -1)));
        }
        if (row < outputs.length - 1) {
            items.add(item("Row '" + name + "' down", Setting.Ordered.moved(rows, word, 1)));
        }
        if (outputs.length > 1) {
            items.add(item("Leave out '" + name + "'", Setting.Ordered.toggled(rows, word)));
        }
        layer.indicator().settings().stream()
                .filter(Setting.Ordered.class::isInstance)
                .flatMap(setting -> ((Setting.Ordered) setting).words().stream())
                .filter(left -> !Setting.Ordered.in(rows).contains(left))
                .forEach(left ->
                        items.add(item("Add '" + FigureRows.name(left) + "'", Setting.Ordered.toggled(rows, left))));
        items.add(new SeparatorMenuItem());
        return items;
    }

    private MenuItem item(String text, String changed) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(event -> {
            Map<String, String> values = new LinkedHashMap<>(layer.settings().values());
            values.put("rows", changed);
            room.indicators().change(layer.withSettings(Settings.of(layer.indicator(), values)));
        });
        return item;
    }
}

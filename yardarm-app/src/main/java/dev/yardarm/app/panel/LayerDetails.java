package dev.yardarm.app.panel;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.BarsLayer;
import dev.yardarm.chart.model.DrawingLayer;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Layer;
import dev.yardarm.chart.model.PlanLayer;
import dev.yardarm.chart.model.ScenarioLayer;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.model.UnknownLayer;
import dev.yardarm.chart.model.VolumeLayer;
import java.util.List;
import java.util.Map;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** The editor of one chosen layer, in the Layers panel. */
abstract class LayerDetails {
    /** Letters from which a word is written in several lines. */
    private static final int LONG = 14;

    private static final double WORDS = 96;

    private final GridPane grid = new GridPane();
    private int nextRow;

    LayerDetails() {
        grid.getStyleClass().add("details");
        ColumnConstraints words = new ColumnConstraints();
        words.setMinWidth(74);
        ColumnConstraints values = new ColumnConstraints();
        values.setHgrow(Priority.ALWAYS);
        grid.getColumnConstraints().addAll(words, values);
    }

    /** Makes the editor of a layer. */
    private interface Editor {
        LayerDetails of(Workbench bench, Layer layer);
    }

    /** How each kind of layer is edited. */
    private static final Map<Class<? extends Layer>, Editor> EDITORS = Map.of(
            BarsLayer.class, (bench, layer) -> new PriceDetails(bench),
            // The volume is switched on and off with the bars.
            VolumeLayer.class, (bench, layer) -> new PriceDetails(bench),
            IndicatorLayer.class, (bench, layer) -> new IndicatorDetails(bench, layer.id()),
            UnknownLayer.class, (bench, layer) -> new UnknownDetails((UnknownLayer) layer),
            DrawingLayer.class, (bench, layer) -> new DrawingDetails(bench, List.of(layer.id())),
            PlanLayer.class, (bench, layer) -> new PlanDetails(bench),
            ScenarioLayer.class, (bench, layer) -> new ScenarioDetails(bench));

    /** True when there is an editor for a kind of layer. */
    static boolean has(Class<?> kind) {
        return EDITORS.containsKey(kind);
    }

    /** The editor for what is chosen; null when there is nothing to edit. */
    static LayerDetails of(Workbench bench, Selection selection) {
        Layer layer = bench.room().chart().layer(selection).orElse(null);
        if (layer != null) {
            return EDITORS.get(layer.getClass()).of(bench, layer);
        }
        if (selection instanceof Selection.Finding finding) {
            return new FindingDetails(bench, finding.id());
        }
        List<String> drawings = selection.drawings().stream()
                .filter(id -> bench.room().chart().drawing(id).isPresent())
                .toList();
        return drawings.isEmpty() ? null : new DrawingDetails(bench, drawings);
    }

    final GridPane node() {
        return grid;
    }

    /** Shows the layer as it is now. */
    abstract void show();

    final void heading(String text) {
        Label title = new Label(text);
        title.getStyleClass().add("strong");
        title.setWrapText(true);
        grid.add(title, 0, nextRow++, 2, 1);
    }

    final void row(String word, Region value) {
        Label label = new Label(word);
        label.getStyleClass().add("soft");
        if (word.length() > LONG) {
            label.setWrapText(true);
            label.setMaxWidth(WORDS);
        } else {
            label.setMinWidth(Region.USE_PREF_SIZE);
        }
        value.setMaxWidth(Double.MAX_VALUE);
        grid.addRow(nextRow++, label, value);
    }

    final void wide(Region value) {
        grid.add(value, 0, nextRow++, 2, 1);
    }

    final void style(StyleEditor editor) {
        nextRow = editor.addTo(grid, nextRow);
    }

    /** Takes what is typed in a field with Enter or when it is left. */
    static void taking(TextField field, Runnable take) {
        field.setOnAction(event -> take.run());
        field.focusedProperty().addListener((observed, before, now) -> {
            if (!now) {
                take.run();
            }
        });
    }

    /** Shows a text in a field that is not being typed in. */
    static void showText(TextField field, String text) {
        if (!field.isFocused()) {
            field.setText(text);
        }
    }
}

package dev.yardarm.app.panel;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.Selection;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** The editor of one chosen layer, in the Layers panel. */
abstract class LayerDetails {
    /** Letters from which a word is written in several lines. */
    private static final int LONG = 16;

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

    /** The editor for what is chosen; null when there is nothing to edit. */
    static LayerDetails of(Workbench bench, Selection selection) {
        if (selection instanceof Selection.Indicator of
                && bench.room().chart().indicator(of.id()).isPresent()) {
            return new IndicatorDetails(bench, of.id());
        }
        List<String> drawings = selection.drawings().stream()
                .filter(id -> bench.room().chart().drawing(id).isPresent())
                .toList();
        if (!drawings.isEmpty()) {
            return new DrawingDetails(bench, drawings);
        }
        if (selection instanceof Selection.Plan && bench.room().chart().plan().isPresent()) {
            return new PlanDetails(bench);
        }
        return selection instanceof Selection.Price ? new PriceDetails(bench) : null;
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

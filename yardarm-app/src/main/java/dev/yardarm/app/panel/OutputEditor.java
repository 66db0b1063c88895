package dev.yardarm.app.panel;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.OutputStyle;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.indicator.Indicator;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.geometry.Side;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.util.StringConverter;

/** How one output of an indicator is drawn: its form, its colour, and by what it is coloured. */
final class OutputEditor {
    private final Workbench bench;
    private final Supplier<IndicatorLayer> layer;
    private final Consumer<IndicatorLayer> change;
    private final int output;
    private final ComboBox<Indicator.Form> form = new ComboBox<>();
    private final Button colour = new Button();
    private final ContextMenu colours = new ContextMenu();
    private final HBox row = new HBox(4, form, colour);
    private boolean showing;

    OutputEditor(Workbench bench, Supplier<IndicatorLayer> layer, int output, Consumer<IndicatorLayer> change) {
        this.bench = bench;
        this.layer = layer;
        this.output = output;
        this.change = change;
        Indicator.Output declared = layer.get().indicator().outputs().get(output);
        if (declared.cue()) {
            form.getItems().addAll(Indicator.Form.DOTS, Indicator.Form.NONE);
        } else {
            form.getItems().addAll(Indicator.Form.values());
        }
        form.setConverter(new StringConverter<>() {
            @Override
            public String toString(Indicator.Form value) {
                return value == null ? "" : declared.cue() && value == Indicator.Form.DOTS ? "marks" : value.words();
            }

            @Override
            public Indicator.Form fromString(String text) {
                return null;
            }
        });
        form.setId("form-" + declared.name());
        form.setAccessibleText(declared.label() + ": form");
        form.setOnAction(event -> send(style().withForm(form.getValue())));
        form.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(form, Priority.ALWAYS);
        colour.setId("colour-of-" + declared.name());
        colour.setAccessibleText(declared.label() + ": colour");
        Tips.set(colour, "Colour of " + declared.label());
        colour.getStyleClass().add("colour-choice");
        colour.setMinWidth(Region.USE_PREF_SIZE);
        colour.setOnAction(event -> {
            fill(declared.cue());
            colours.show(colour, Side.BOTTOM, 0, 0);
        });
        show();
    }

    private void fill(boolean cue) {
        colours.getItems().clear();
        item("the layer's", layer.get().style().colour(), () -> send(style().withColour(OutputStyle.OF_LAYER)));
        for (int number = 0; number < Palette.SERIES; number++) {
            int chosen = number;
            item("colour " + (number + 1), number, () -> send(style().withColour(chosen)));
        }
        if (!cue) {
            for (OutputStyle.Colouring colouring : OutputStyle.Colouring.values()) {
                MenuItem item = new MenuItem(colouring.words());
                item.setOnAction(event -> send(style().withColouring(colouring)));
                colours.getItems().add(item);
            }
        }
    }

    private void item(String text, int number, Runnable action) {
        MenuItem item = new MenuItem(text, patch(number));
        item.setOnAction(event -> action.run());
        colours.getItems().add(item);
    }

    private Region patch(int number) {
        Region patch = new Region();
        patch.getStyleClass().add("swatch");
        patch.setStyle("-fx-background-color: " + StyleEditor.web(bench.palette().series(number)) + ";");
        return patch;
    }

    private OutputStyle style() {
        return layer.get().outputStyle(output);
    }

    private void send(OutputStyle style) {
        if (!showing && !style.equals(style())) {
            IndicatorLayer now = layer.get();
            change.accept(now.withStyle(now.style().withOutput(now.indicator().outputs().get(output).name(), style)));
        }
    }

    Region row() {
        return row;
    }

    /** Shows the output as it is drawn now. */
    void show() {
        showing = true;
        form.setValue(style().form());
        colour.setGraphic(patch(layer.get().colourOf(output)));
        colour.setDisable(style().form() == Indicator.Form.NONE);
        showing = false;
    }
}

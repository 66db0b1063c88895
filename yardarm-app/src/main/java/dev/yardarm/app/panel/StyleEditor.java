package dev.yardarm.app.panel;

import dev.yardarm.app.theme.Themes;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.surface.Palette;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/** Colour, width and opacity of a layer: two rows of a grid, each change shown at once. */
final class StyleEditor {
    private final Supplier<LayerStyle> style;
    private final Consumer<LayerStyle> change;
    private final ToggleGroup colours = new ToggleGroup();
    private final Slider width = new Slider(0.5, 5, 1.5);
    private final Slider opacity = new Slider(0.1, 1, 1);
    private boolean showing;

    StyleEditor(Workbench bench, Supplier<LayerStyle> style, Consumer<LayerStyle> change) {
        this.style = style;
        this.change = change;
        for (int colour = 0; colour < Palette.SERIES; colour++) {
            colours.getToggles().add(swatch(bench, colour));
        }
        width.setBlockIncrement(0.5);
        width.setMajorTickUnit(0.5);
        width.setMinorTickCount(0);
        width.setSnapToTicks(true);
        width.setId("layer-width");
        width.setAccessibleText("Width");
        opacity.setBlockIncrement(0.1);
        opacity.setId("layer-opacity");
        opacity.setAccessibleText("Opacity");
        width.valueProperty().addListener((observed, before, now) -> send());
        opacity.valueProperty().addListener((observed, before, now) -> send());
    }

    private ToggleButton swatch(Workbench bench, int colour) {
        Region patch = new Region();
        patch.getStyleClass().add("swatch");
        int argb = bench.palette().series(colour);
        patch.setStyle("-fx-background-color: " + Themes.web(argb) + ";");
        ToggleButton button = new ToggleButton("", patch);
        button.getStyleClass().setAll("swatch-button");
        button.setId("colour-" + (colour + 1));
        button.setAccessibleText("Colour " + Palette.name(colour));
        Tips.set(button, "Colour: " + Palette.name(colour));
        button.setOnAction(event -> {
            button.setSelected(true);
            send();
        });
        return button;
    }

    /** Puts the editor into a grid, from a row on; returns the next free row. */
    int addTo(GridPane grid, int row) {
        HBox swatches = new HBox(1);
        colours.getToggles().forEach(toggle -> swatches.getChildren().add((ToggleButton) toggle));
        grid.add(swatches, 0, row, 2, 1);
        grid.add(label("Width"), 0, row + 1);
        grid.add(width, 1, row + 1);
        grid.add(label("Opacity"), 0, row + 2);
        grid.add(opacity, 1, row + 2);
        show();
        return row + 3;
    }

    private static Label label(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("soft");
        label.setMinWidth(Region.USE_PREF_SIZE);
        return label;
    }

    /** Shows the style as it is now. */
    void show() {
        showing = true;
        LayerStyle now = style.get();
        colours.selectToggle(colours.getToggles().get(Math.floorMod(now.colour(), Palette.SERIES)));
        if (!width.isValueChanging()) {
            width.setValue(now.width());
        }
        if (!opacity.isValueChanging()) {
            opacity.setValue(now.opacity());
        }
        showing = false;
    }

    private void send() {
        if (!showing) {
            int colour = colours.getToggles().indexOf(colours.getSelectedToggle());
            double wide = Math.rint(width.getValue() * 2) / 2;
            double dense = Math.rint(opacity.getValue() * 100) / 100;
            change.accept(style.get().withLine(colour, wide, dense));
        }
    }
}

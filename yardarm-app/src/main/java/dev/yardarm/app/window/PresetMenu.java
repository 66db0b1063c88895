package dev.yardarm.app.window;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.desk.room.chart.Presets;
import javafx.scene.control.CustomMenuItem;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;

/** The presets: put on, save, mark as the standard of their timeframe, put in order, delete. */
final class PresetMenu extends MenuButton {
    private final Workbench bench;
    private final Presets presets;

    PresetMenu(Workbench bench) {
        super("Presets");
        this.bench = bench;
        presets = bench.layouts().presets();
        setId("preset-menu");
        getStyleClass().add("tool-menu");
        Tips.set(this, "Saved chart set-ups");
        // Filled whenever it is opened; an empty menu would not open.
        getItems().add(new SeparatorMenuItem());
        setOnShowing(event -> fill());
    }

    private void fill() {
        getItems().clear();
        for (Presets.Offered preset : presets.offered()) {
            Menu menu = new Menu(preset.words());
            menu.getItems()
                    .addAll(
                            item("Apply", () -> presets.apply(preset.name(), bench.room())),
                            item(
                                    preset.standard()
                                            ? "Stop using as default for " + preset.timeframe()
                                            : "Use as default for " + preset.timeframe(),
                                    () -> presets.toggleStandard(preset.name())),
                            item("Overwrite with this chart", () -> presets.save(preset.name(), bench.room())),
                            item("Up", () -> presets.move(preset.name(), -1)),
                            item("Down", () -> presets.move(preset.name(), 1)),
                            item("Delete", () -> presets.delete(preset.name())));
            getItems().add(menu);
        }
        if (presets.offered().isEmpty()) {
            Label empty = new Label("Save how a chart looks, to put\nit on any instrument later.");
            empty.getStyleClass().add("soft");
            CustomMenuItem words = new CustomMenuItem(empty, false);
            getItems().add(words);
        }
        getItems()
                .addAll(
                        new SeparatorMenuItem(),
                        item("Save this chart as a preset", () -> bench.prompt("preset save ")));
    }

    private static MenuItem item(String text, Runnable action) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(event -> action.run());
        return item;
    }
}

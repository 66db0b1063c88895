package dev.yardarm.app.panel;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.desk.room.chart.Tracings;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.SeparatorMenuItem;

/** The tracings of the instrument: which is drawn on, which are shown. */
final class TracingMenu extends MenuButton {
    private final Workbench bench;

    TracingMenu(Workbench bench) {
        this.bench = bench;
        setId("tracing-menu");
        getStyleClass().add("tool-menu");
        Tips.set(this, "Tracings: sheets of drawings of this instrument");
        // Filled whenever it is opened; an empty menu would not open.
        getItems().add(new SeparatorMenuItem());
        setOnShowing(event -> fill());
        showCurrent();
    }

    /** Shows the name of the tracing that is drawn on. */
    void showCurrent() {
        setText(bench.room().tracings().current());
    }

    private void fill() {
        Tracings tracings = bench.room().tracings();
        getItems().clear();
        for (String name : tracings.names()) {
            RadioMenuItem draw = new RadioMenuItem("Draw on " + name);
            draw.setSelected(name.equals(tracings.current()));
            draw.setOnAction(event -> tracings.use(name));
            getItems().add(draw);
        }
        getItems().add(new SeparatorMenuItem());
        for (String name : tracings.names()) {
            CheckMenuItem show = new CheckMenuItem("Show " + name);
            show.setSelected(tracings.isShown(name));
            show.setOnAction(event -> tracings.show(name, show.isSelected()));
            getItems().add(show);
        }
        getItems()
                .addAll(
                        new SeparatorMenuItem(),
                        item("New tracing", () -> bench.prompt("tracing ")),
                        item("Selected drawing to another", () -> bench.prompt("tracing move ")),
                        item("Export drawings", () -> bench.prompt("export drawings ")),
                        item("Import drawings", () -> bench.prompt("import drawings ")));
    }

    private static MenuItem item(String text, Runnable action) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(event -> action.run());
        return item;
    }
}

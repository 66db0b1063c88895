package dev.yardarm.app.chart;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.desk.book.Habits;
import dev.yardarm.desk.room.chart.ChartDrawings;
import dev.yardarm.desk.room.chart.DrawingLooks;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;

/** What can be done with the chosen drawings besides changing them: their order, groups and place, and kept looks. */
public final class DrawingMenus {
    private final Workbench bench;

    public DrawingMenus(Workbench bench) {
        this.bench = bench;
    }

    /** Group, order, lock, place. */
    public MenuButton arrange() {
        MenuButton button = new MenuButton("Arrange");
        button.setId("arrange-drawings");
        fillWhenOpened(button, () -> button.getItems().setAll(arranging()));
        return button;
    }

    /** The items that arrange what is chosen. */
    public List<MenuItem> arranging() {
        ChartDrawings drawings = bench.room().drawings();
        List<Drawing> chosen = bench.room().chart().chosenDrawings();
        boolean locked = chosen.stream().allMatch(each -> each.place().locked());
        boolean own = chosen.stream().noneMatch(each -> each.place().chart().isEmpty());
        boolean grouped = chosen.stream().anyMatch(each -> !each.place().group().isEmpty());
        MenuItem group = item("Group", drawings::group);
        group.setDisable(chosen.size() < 2);
        MenuItem apart = item("Ungroup", drawings::ungroup);
        apart.setDisable(!grouped);
        return List.of(
                group,
                apart,
                new SeparatorMenuItem(),
                item("To the front", () -> drawings.order(true)),
                item("To the back", () -> drawings.order(false)),
                new SeparatorMenuItem(),
                item(locked ? "Free" : "Lock", drawings::toggleLocked),
                item(own ? "On all charts" : "On this chart alone", drawings::toggleOwn),
                item("To another tracing", () -> bench.prompt("tracing move ")));
    }

    /** How new ones come up, kept looks, and kept sets of ratios for a figure that has ratios. */
    public MenuButton looks(Drawing of) {
        MenuButton button = new MenuButton("Style");
        button.setId("drawing-looks");
        Tips.set(button, "Saved styles, and the default for new drawings");
        fillWhenOpened(button, () -> fillLooks(button, of));
        return button;
    }

    private void fillLooks(MenuButton button, Drawing of) {
        DrawingLooks looks = bench.room().drawings().looks();
        Habits habits = bench.desk().habits();
        ChartModel chart = bench.room().chart();
        String title = of.figure().title();
        button.getItems().clear();
        if (chart.chosenDrawings().size() == 1) {
            button.getItems()
                    .addAll(
                            item("Use as default for new ones", looks::makeUsual),
                            item("Reset the default", () -> looks.forgetUsual(of.kind())),
                            new SeparatorMenuItem());
        }
        kept(button, "style", habits.drawingLooks(), looks::takeLook, looks::forgetLook);
        button.getItems().add(item("Save style as ...", () -> bench.prompt("style save ")));
        if (of.options().containsKey("ratios")) {
            button.getItems().add(new SeparatorMenuItem());
            kept(button, "set of ratios", habits.ratioSets(), looks::takeRatios, looks::forgetRatios);
            button.getItems().add(item("Save these ratios as ...", () -> bench.prompt("ratios save ")));
        }
        button.setAccessibleText("Style of " + title);
    }

    private static void kept(
            MenuButton button, String what, Map<String, ?> all, Consumer<String> take, Consumer<String> forget) {
        all.keySet().forEach(name -> button.getItems().add(item(name, () -> take.accept(name))));
        if (!all.isEmpty()) {
            Menu menu = new Menu("Delete a saved " + what);
            all.keySet().forEach(name -> menu.getItems().add(item(name, () -> forget.accept(name))));
            button.getItems().add(menu);
        }
    }

    /** An empty menu would not open, so something stands in it until then. */
    private static void fillWhenOpened(MenuButton button, Runnable fill) {
        button.getItems().add(new SeparatorMenuItem());
        button.setOnShowing(event -> fill.run());
    }

    private static MenuItem item(String text, Runnable action) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(event -> action.run());
        return item;
    }
}

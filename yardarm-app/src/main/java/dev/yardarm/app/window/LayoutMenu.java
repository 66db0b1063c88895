package dev.yardarm.app.window;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.ActionItems;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.desk.room.layout.Arrangement;
import dev.yardarm.desk.room.layout.Layouts;
import java.util.List;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;

/** What can be done with the arrangement of charts. */
final class LayoutMenu extends MenuButton {
    LayoutMenu(Workbench bench) {
        super("Layout");
        setId("layout-menu");
        getStyleClass().add("tool-menu");
        Tips.set(this, "Several charts, tabs and windows (Space L)");
        // Filled when it is first opened; an empty menu would not open.
        getItems().add(new SeparatorMenuItem());
        setOnShowing(event -> {
            getItems().clear();
            fill(bench);
        });
    }

    private void fill(Workbench bench) {
        Layouts layouts = bench.layouts();
        for (String form : List.of("1", "1x2", "2x1", "1x3", "2x2", "row(0,col(1,2))", "2x3", "3x4")) {
            Arrangement arrangement = Arrangement.parse(form);
            int count = arrangement.charts().size();
            add(
                    form.startsWith("row") ? "1 large, 2 small" : count == 1 ? "1 chart" : count + " charts, " + form,
                    () -> layouts.arrange(arrangement));
        }
        getItems().add(new SeparatorMenuItem());
        for (String each : List.of("split-right", "split-below", "maximise-restore", "own-window")) {
            getItems().add(ActionItems.of(bench, "layout." + each));
        }
        getItems().add(new SeparatorMenuItem());
        getItems().add(ActionItems.of(bench, "layout.new-layout"));
        add("Step-down M W D", () -> layouts.stepDown(List.of(Timeframe.MONTH, Timeframe.WEEK, Timeframe.DAY)));
        add("Step-down D 1h 5m", () -> layouts.stepDown(List.of(Timeframe.DAY, Timeframe.HOUR, Timeframe.MINUTES_5)));
        getItems().add(ActionItems.of(bench, "layout.reverse-order"));
        getItems().add(new SeparatorMenuItem());
        add("Export the workspace", () -> bench.prompt("export workspace "));
        add("Import a workspace (added to yours)", () -> bench.prompt("import workspace "));
    }

    private void add(String text, Runnable action) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(event -> action.run());
        getItems().add(item);
    }
}

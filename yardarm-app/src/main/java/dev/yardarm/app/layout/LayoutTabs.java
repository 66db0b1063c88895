package dev.yardarm.app.layout;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.layout.Layout;
import dev.yardarm.desk.room.layout.Layouts;
import java.util.List;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/** The layouts as tabs; hidden while there is only one. */
public final class LayoutTabs extends HBox {
    private static final double NARROW = 34;

    private final Workbench bench;
    private final Layouts layouts;

    public LayoutTabs(Workbench bench) {
        this.bench = bench;
        layouts = bench.layouts();
        getStyleClass().add("layout-tabs");
        setId("layout-tabs");
        layouts.listen(aspect -> {
            if (aspect == Aspect.LAYOUT) {
                show();
            }
        });
        show();
    }

    private void show() {
        List<Layout> tabs =
                layouts.all().stream().filter(layout -> !layout.hasOwnWindow()).toList();
        getChildren().clear();
        setVisible(tabs.size() > 1);
        setManaged(tabs.size() > 1);
        if (tabs.size() < 2) {
            return;
        }
        for (Layout layout : tabs) {
            ToggleButton tab = new ToggleButton(layout.title());
            tab.getStyleClass().setAll("layout-tab");
            tab.setSelected(layout == layouts.front());
            tab.setFocusTraversable(false);
            // The one in front is told whole however narrow it gets; the others say what they are under the pointer.
            tab.setMinWidth(tab.isSelected() ? Region.USE_PREF_SIZE : NARROW);
            Tips.set(
                    tab,
                    layout.title() + "   " + bench.actions().tip(bench.actions().get("layout.next-layout")));
            tab.setOnAction(event -> {
                tab.setSelected(true);
                layouts.show(layout);
            });
            MenuItem rename = new MenuItem("Rename");
            rename.setOnAction(event -> {
                layouts.show(layout);
                bench.prompt("layout name " + layout.title());
            });
            MenuItem remove = new MenuItem("Remove " + layout.title());
            remove.setOnAction(event -> layouts.remove(layout));
            tab.setContextMenu(new ContextMenu(rename, remove));
            getChildren().add(tab);
        }
    }
}

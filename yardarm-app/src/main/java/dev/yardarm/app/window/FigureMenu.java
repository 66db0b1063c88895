package dev.yardarm.app.window;

import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.core.drawing.Figure;
import dev.yardarm.core.drawing.Figures;
import dev.yardarm.desk.action.View;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;

/** All figures to draw, by family. */
final class FigureMenu extends MenuButton {
    FigureMenu(Workbench bench) {
        super("Draw");
        setId("figure-menu");
        getStyleClass().add("tool-menu");
        setMinWidth(USE_PREF_SIZE);
        Tips.set(this, "All that can be drawn (Space D and a letter; or type its name)");
        for (Figure.Family family : Figure.Family.values()) {
            Menu menu = new Menu(family.title());
            Figures.shared().all().stream()
                    .filter(each -> each.family() == family)
                    .forEach(figure -> {
                        MenuItem item = new MenuItem(figure.title());
                        item.setId("draw-" + figure.name());
                        item.setOnAction(event -> {
                            bench.room().studies().take(Tool.of(figure.name()));
                            bench.go(View.CHART);
                        });
                        menu.getItems().add(item);
                    });
            getItems().add(menu);
        }
    }
}

package dev.yardarm.app.chart;

import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Hit;
import dev.yardarm.chart.model.HitTest;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.model.SnapTarget;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.desk.room.ChartRoom;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;

/** The menus of a right click: each acts on what lies under the pointer, without choosing it first. */
final class ChartMenu {
    private final ChartRoom room;

    ChartMenu(ChartRoom room) {
        this.room = room;
    }

    ContextMenu at(double x, double y) {
        ChartModel chart = room.chart();
        Hit hit = HitTest.at(chart, x, y);
        ContextMenu menu = new ContextMenu();
        if (hit instanceof Hit.OnDrawing on) {
            chart.drawing(on.id()).ifPresent(drawing -> ofDrawing(menu, drawing));
        } else if (hit instanceof Hit.OnIndicator on) {
            chart.indicator(on.id()).ifPresent(layer -> ofIndicator(menu, layer));
        } else if (hit instanceof Hit.OnBracket) {
            menu.getItems().add(item("Remove the plan", room.studies()::removePlan));
        } else if (hit instanceof Hit.PriceAxis) {
            ofPriceAxis(menu);
        } else if (hit instanceof Hit.TimeAxisStrip) {
            menu.getItems().addAll(item("Show the newest bars", () -> view(ChartModel::follow)),
                    item("Show all bars", () -> view(each -> each.showLast(each.bars().size()))));
        } else {
            ofPane(menu, x, y);
        }
        return menu;
    }

    private void view(Consumer<ChartModel> change) {
        change.accept(room.chart());
        room.tell(dev.yardarm.desk.room.Aspect.VIEW);
    }

    private static MenuItem item(String text, Runnable action) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(event -> action.run());
        return item;
    }

    private void ofDrawing(ContextMenu menu, Drawing drawing) {
        Selection selection = new Selection.Drawing(drawing.id());
        menu.getItems().addAll(
                item("Alert when price reaches it", () -> {
                    room.studies().select(selection);
                    room.studies().setAlert(Alert.Trigger.REACHES);
                }),
                item("Alert when a bar closes beyond it", () -> {
                    room.studies().select(selection);
                    room.studies().setAlert(Alert.Trigger.CLOSES_BEYOND);
                }),
                new SeparatorMenuItem(),
                item("Edit in Layers", () -> room.studies().select(selection)),
                item("Hide", () -> room.studies().change(drawing, drawing.withVisible(false))),
                item("Delete", () -> {
                    room.studies().select(selection);
                    room.studies().deleteChosen();
                }));
    }

    private void ofIndicator(ContextMenu menu, IndicatorLayer layer) {
        LayerStyle style = layer.style();
        menu.getItems().addAll(
                item("Edit in Layers", () -> room.studies().select(new Selection.Indicator(layer.id()))),
                item("Hide", () -> room.changeIndicator(layer.withStyle(
                        new LayerStyle(style.colour(), style.width(), style.opacity(), false)))),
                item("Remove " + layer.title(), () -> room.removeIndicator(layer.id())));
    }

    private void ofPriceAxis(ContextMenu menu) {
        ChartModel chart = room.chart();
        menu.getItems().addAll(item("Fit the price scale", () -> view(ChartModel::fitPrice)),
                item(chart.isLogarithmic() ? "Straight scale" : "Logarithmic scale",
                        () -> room.setLogarithmic(!chart.isLogarithmic())));
    }

    private void ofPane(ContextMenu menu, double x, double y) {
        ChartModel chart = room.chart();
        if (chart.instrument().isEmpty() || chart.bars().isEmpty()) {
            return;
        }
        boolean inPrice = chart.pricePane().covers(y);
        if (inPrice) {
            Anchor anchor = SnapTarget.at(chart, x, y, true);
            String price = chart.instrument().get().format().format(anchor.price());
            menu.getItems().addAll(item("Level at " + price,
                            () -> room.studies().draw(Drawing.Kind.LEVEL, List.of(anchor))),
                    item("Trend line from here", () -> {
                        room.studies().take(Tool.LINE);
                        room.gestures().put(anchor);
                    }),
                    item("Plan a trade with entry " + price, () -> {
                        room.studies().take(Tool.PLAN);
                        room.gestures().put(anchor);
                    }), new SeparatorMenuItem());
        }
        Menu timeframes = new Menu("Timeframe");
        room.desk().timeframes().forEach(timeframe -> timeframes.getItems().add(item(timeframe.toString(),
                () -> room.setTimeframe(timeframe))));
        Menu forms = new Menu("Bars");
        for (BarForm form : BarForm.values()) {
            forms.getItems().add(item(form == BarForm.LINE ? "line through closes" : form.word(),
                    () -> room.setForm(form)));
        }
        menu.getItems().addAll(timeframes, forms,
                item(chart.isVolumeShown() ? "Hide volume" : "Show volume",
                        () -> room.setVolumeShown(!chart.isVolumeShown())),
                item("Show the newest bars", () -> view(ChartModel::follow)));
    }
}

package dev.yardarm.app.view;

import dev.yardarm.app.workbench.ActionItems;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.alert.AlertWork;
import dev.yardarm.desk.alert.WatchDesk;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.table.Rows;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.SplitPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The alerts: what waits, the record of what fired, and the chart of the one in hand with its level. */
public final class WatchView extends VBox implements RowsView {
    private final WatchDesk desk;
    private final RowTable<Alert> waiting;
    private final RowTable<Firing> fired;
    private final RowChart chart;
    private final Listening heard;

    public WatchView(Workbench bench) {
        desk = new WatchDesk(bench.desk());
        waiting = new RowTable<>(desk.waiting(), "waiting-alerts", "Alerts that are set");
        fired = new RowTable<>(desk.fired(), "fired-alerts", "Alerts that fired");
        chart = new RowChart(bench, "alerts");
        getStyleClass().add("view");
        setId("watch-view");
        waiting.setEmpty(
                "No alerts set. Select a level or line on a chart and press "
                        + ActionItems.keys(bench, "mark.alert-reached")
                        + ",\nor right click it, to be told when price gets there;\nor type alert and a condition, as alert rsi(14) < 30.");
        fired.setEmpty("Nothing has fired yet.");
        chart.setEmpty("The chart of the selected alert shows here, with its level.");
        waiting.onOpen(row -> chart.open(), row -> desk.removeInHand());
        fired.onOpen(row -> chart.open(), row -> desk.removeInHand());
        AlertWork alerts = bench.desk().alertWork();
        waiting.onMenu(row -> List.of(
                RowTable.item("Open the chart", () -> bench.openChart(row.instrument())),
                RowTable.item("Remove", () -> alerts.remove(row.id()))));
        fired.onMenu(row -> List.of(
                RowTable.item("Open the chart", () -> bench.openChart(row.instrument())),
                RowTable.item("Remove", () -> alerts.remove(row))));
        waiting.focusedProperty().addListener((observed, was, now) -> worked(now, false));
        fired.focusedProperty().addListener((observed, was, now) -> worked(now, true));
        Button remove = new Button("Remove");
        remove.setOnAction(event -> desk.removeInHand());
        VBox tables = new VBox(
                6,
                head("Waiting", waiting.columnsMenu()),
                waiting,
                head("Fired", fired.columnsMenu()),
                fired,
                new HBox(6, remove));
        VBox.setVgrow(waiting, Priority.ALWAYS);
        VBox.setVgrow(fired, Priority.ALWAYS);
        tables.setMinWidth(300);
        SplitPane split = new SplitPane(tables, chart);
        split.setDividerPositions(0.46);
        VBox.setVgrow(split, Priority.ALWAYS);
        getChildren().add(split);
        heard = Listening.all(
                desk.waiting().listen(rows -> follow()), desk.fired().listen(rows -> follow()));
        waiting.show();
        fired.show();
        follow();
    }

    private static HBox head(String text, Region menu) {
        Label title = new Label(text);
        title.getStyleClass().add("panel-title");
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox head = new HBox(8, title, gap, menu);
        head.setStyle("-fx-alignment: center-left;");
        return head;
    }

    /** The table that has the focus is the one worked in. */
    private void worked(boolean focused, boolean inFired) {
        if (focused) {
            desk.takeFired(inFired);
            follow();
        }
    }

    private void follow() {
        chart.show(desk.subject().orElse(null));
    }

    @Override
    public View which() {
        return View.WATCH;
    }

    @Override
    public void focusStart() {
        if (desk.isFiredInHand()) {
            fired.focus();
        } else {
            waiting.focus();
        }
    }

    @Override
    public Rows<?> inHand() {
        return desk.isFiredInHand() ? desk.fired() : desk.waiting();
    }

    @Override
    public RowChart chart() {
        return chart;
    }

    @Override
    public void close() {
        heard.close();
        waiting.close();
        fired.close();
        chart.close();
        desk.close();
    }
}

package dev.yardarm.app.view;

import dev.yardarm.app.chart.FiringPictures;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.call.Call;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.alert.AlertWork;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.table.Rows;
import dev.yardarm.desk.watch.WatchDesk;
import dev.yardarm.desk.watch.WatchDesk.Part;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.SplitPane;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * The alerts and calls: what waits, what is expected, the record of what fired, and the chart of the one in hand, of what fired as it was then,
 * with the picture that was taken.
 */
final class WatchView extends VBox implements RowsView {
    private final Workbench bench;
    private final WatchDesk desk;
    private final RowTable<Alert> waiting;
    private final RowTable<Call> calls;
    private final RowTable<Firing> fired;
    private final RowChart chart;
    private final FiringPicture picture;
    private final BellMenu bell;
    private final Label record = new Label();
    private final Listening heard;

    WatchView(Workbench bench, FiringPictures pictures) {
        this.bench = bench;
        desk = new WatchDesk(bench.desk());
        waiting = new RowTable<>(desk.waiting(), "waiting-alerts", "Alerts that are set");
        calls = new RowTable<>(desk.calls().rows(), "calls", "Calls");
        fired = new RowTable<>(desk.fired(), "fired-alerts", "Alerts that fired");
        chart = new RowChart(bench, "alerts");
        picture = new FiringPicture(pictures);
        bell = new BellMenu(bench.desk().bell());
        getStyleClass().add("page");
        setId("watch-view");
        waiting.setEmpty("No alerts set. Right click a level on a chart, or type one:\n"
                + "alert closes above 104.20 on 30m for 5 days");
        calls.setEmpty("No calls. Type what you expect:\nabove 104.20 expect 107, wrong below 102.80");
        fired.setEmpty("Nothing has fired yet.");
        chart.setEmpty("The chart of the selected row shows here, with its level.");
        waiting.onOpen(row -> chart.open(), row -> desk.removeInHand());
        calls.onOpen(row -> chart.open(), row -> desk.removeInHand());
        fired.onOpen(row -> chart.open(), row -> desk.removeInHand());
        menus();
        worksIn(waiting, Part.WAITING);
        worksIn(calls, Part.CALLS);
        worksIn(fired, Part.FIRED);
        record.getStyleClass().add("soft");
        record.setId("call-record");
        record.setMinWidth(0);
        VBox tables = new VBox(
                6,
                head("Waiting", bell, write("Write an alert", "alert "), waiting.columnsMenu()),
                waiting,
                head("Calls", record, write("Make a call", "call "), calls.columnsMenu()),
                calls,
                head("Fired", picture.toggle(), fired.columnsMenu()),
                fired);
        VBox.setVgrow(waiting, Priority.ALWAYS);
        VBox.setVgrow(calls, Priority.SOMETIMES);
        VBox.setVgrow(fired, Priority.ALWAYS);
        calls.setPrefHeight(110);
        calls.setMinHeight(86);
        waiting.setPrefHeight(220);
        fired.setPrefHeight(220);
        tables.setMinWidth(300);
        VBox.setVgrow(chart, Priority.ALWAYS);
        VBox side = new VBox(4, chart, picture);
        SplitPane split = new SplitPane(tables, side);
        split.setDividerPositions(0.53);
        VBox.setVgrow(split, Priority.ALWAYS);
        getChildren().add(split);
        heard = Listening.all(
                desk.waiting().listen(rows -> follow()),
                desk.calls().rows().listen(rows -> follow()),
                desk.fired().listen(rows -> follow()));
        waiting.show();
        calls.show();
        fired.show();
        follow();
    }

    private void menus() {
        AlertWork alerts = bench.desk().alertWork();
        waiting.onMenu(row -> List.of(
                RowTable.item("Open the chart", () -> bench.openChart(row.instrument())),
                RowTable.item("Change it", () -> {
                    alerts.remove(row.id());
                    bench.desk().tell("The alert is taken out to be written anew; Ctrl+Z brings it back as it was.");
                    bench.prompt("alert " + row.instrument().code() + " " + desk.line(row));
                }),
                RowTable.item("Set it again from now", () -> desk.again(row)),
                RowTable.item("Copy as a line", () -> copy("alert " + desk.line(row))),
                RowTable.item("Remove", () -> alerts.remove(row.id()))));
        calls.onMenu(row -> List.of(
                RowTable.item("Open the chart", () -> bench.openChart(row.instrument())),
                RowTable.item("Plan it", () -> bench.desk()
                        .directory()
                        .find(row.instrument())
                        .ifPresent(each -> bench.desk().callWork().plan(each, row))),
                RowTable.item("Alert at its trigger", () -> bench.desk()
                        .directory()
                        .find(row.instrument())
                        .ifPresent(each -> bench.desk().callWork().alert(each, row))),
                RowTable.item("Remove", () -> bench.desk().callWork().remove(row.id()))));
        fired.onMenu(row -> List.of(
                RowTable.item("Open the chart at that moment", () -> bench.openFiring(row)),
                RowTable.item("Set it again from now", () -> desk.again(row)),
                RowTable.item("Remove", () -> alerts.remove(row))));
    }

    private static void copy(String line) {
        ClipboardContent content = new ClipboardContent();
        content.putString(line);
        Clipboard.getSystemClipboard().setContent(content);
    }

    private Button write(String what, String beginning) {
        Button button = new Button(what);
        button.getStyleClass().add("flat");
        button.setMinWidth(USE_PREF_SIZE);
        button.setOnAction(event -> bench.prompt(beginning));
        return button;
    }

    private static HBox head(String text, Region... more) {
        Label title = new Label(text);
        title.getStyleClass().add("panel-title");
        title.setMinWidth(USE_PREF_SIZE);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox head = new HBox(8, title, gap);
        head.getChildren().addAll(more);
        head.getStyleClass().add("table-head");
        return head;
    }

    /** The table that has the focus is the one worked in. */
    private void worksIn(RowTable<?> table, Part part) {
        table.focusedProperty().addListener((observed, before, now) -> {
            if (now) {
                desk.take(part);
                follow();
            }
        });
    }

    private void follow() {
        chart.show(desk.subject().orElse(null));
        picture.show(desk.inHand() == Part.FIRED ? desk.fired().inHand().orElse(null) : null);
        List<String> lines = desk.calls().record();
        record.setText(bench.desk().books().calls().isEmpty() ? "" : lines.get(0));
        Tips.set(record, String.join("\n", lines));
    }

    @Override
    public View which() {
        return View.WATCH;
    }

    @Override
    public void focusStart() {
        switch (desk.inHand()) {
            case WAITING -> waiting.focus();
            case CALLS -> calls.focus();
            case FIRED -> fired.focus();
        }
    }

    @Override
    public Rows<?> inHand() {
        return desk.rows(desk.inHand());
    }

    @Override
    public RowChart chart() {
        return chart;
    }

    @Override
    public void close() {
        heard.close();
        bell.close();
        waiting.close();
        calls.close();
        fired.close();
        chart.close();
        desk.close();
    }
}

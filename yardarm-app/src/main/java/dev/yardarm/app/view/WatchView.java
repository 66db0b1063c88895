package dev.yardarm.app.view;

import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.book.Books;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TableView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The alerts: what waits, and the record of what fired, newest first. */
public final class WatchView extends VBox {
    private final Workbench bench;
    private final TableView<Alert> waiting = new TableView<>();
    private final TableView<Alert> fired = new TableView<>();

    public WatchView(Workbench bench) {
        this.bench = bench;
        getStyleClass().add("view");
        setId("watch-view");
        waiting.setId("waiting-alerts");
        fired.setId("fired-alerts");
        waiting.setPlaceholder(Columns.empty("No alert waits. Choose a level or line on a chart and press M A,\n"
                + "or right click it, to be told when price gets there."));
        fired.setPlaceholder(Columns.empty("Nothing has fired yet."));
        build(waiting);
        waiting.getColumns().add(Columns.words("Set", 150, alert -> time(alert, alert.setAt())));
        waiting.getColumns().add(Columns.numbers("Level now", 90, alert -> level(alert)));
        build(fired);
        fired.getColumns().add(Columns.words("Fired", 150, alert -> time(alert, alert.firedAt())));
        fired.getColumns().add(Columns.numbers("At price", 90, alert -> instrument(alert)
                .map(each -> each.format().format(alert.firedPrice()))
                .orElse("")));
        Label first = new Label("Waiting");
        Label second = new Label("Fired");
        first.getStyleClass().add("panel-title");
        second.getStyleClass().add("panel-title");
        Button remove = new Button("Remove");
        remove.setOnAction(event -> removeChosen());
        VBox.setVgrow(waiting, Priority.ALWAYS);
        VBox.setVgrow(fired, Priority.ALWAYS);
        getChildren().addAll(first, waiting, second, fired, new HBox(6, remove));
        bench.desk().books().listen(subject -> {
            if (subject == Books.Subject.ALERTS || subject == Books.Subject.DRAWINGS) {
                show();
            }
        });
        show();
    }

    private void build(TableView<Alert> table) {
        table.setFixedCellSize(28);
        table.getColumns()
                .add(Columns.words("Code", 70, alert -> alert.instrument().code()));
        table.getColumns().add(Columns.words("Name", 180, alert -> instrument(alert)
                .map(Instrument::name)
                .orElse("not there any more")));
        table.getColumns().add(Columns.words("On", 130, this::drawing));
        table.getColumns()
                .add(Columns.words(
                        "When",
                        190,
                        alert -> alert.trigger() == Alert.Trigger.CLOSES_BEYOND
                                ? "a bar of " + alert.timeframe() + " closes "
                                        + (alert.above() ? "below it" : "above it")
                                : "price " + (alert.above() ? "falls to it" : "rises to it")));
        Columns.onOpen(table, alert -> bench.openChart(alert.instrument()));
        Columns.onMenu(
                table,
                Map.of(
                        "Open the chart",
                        alert -> bench.openChart(alert.instrument()),
                        "Remove the alert",
                        alert -> bench.room().studies().removeAlert(alert)));
        table.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (event.getCode() == KeyCode.DELETE) {
                removeChosen();
                event.consume();
            }
        });
    }

    private Optional<Instrument> instrument(Alert alert) {
        return bench.desk().directory().find(alert.instrument());
    }

    private Optional<Drawing> found(Alert alert) {
        return bench.desk().books().drawings(alert.instrument()).stream()
                .filter(each -> each.id().equals(alert.drawing()))
                .findFirst();
    }

    private String drawing(Alert alert) {
        return found(alert).map(each -> each.title() + " of " + each.origin()).orElse("deleted drawing");
    }

    private String level(Alert alert) {
        return instrument(alert)
                .flatMap(each -> found(alert)
                        .map(drawing -> each.format().format(bench.desk().valueNow(each, drawing))))
                .orElse("");
    }

    private String time(Alert alert, long time) {
        return instrument(alert)
                .map(each -> Readout.time(
                        time, Timeframe.MINUTE, bench.desk().calendar(each).zone()))
                .orElse("");
    }

    private void show() {
        List<Alert> all = new ArrayList<>(bench.desk().books().alerts());
        waiting.getItems()
                .setAll(all.stream().filter(alert -> !alert.hasFired()).toList());
        fired.getItems()
                .setAll(all.stream()
                        .filter(Alert::hasFired)
                        .sorted(Comparator.comparingLong(Alert::firedAt).reversed())
                        .toList());
    }

    private void removeChosen() {
        TableView<Alert> table = fired.isFocused() ? fired : waiting;
        Alert chosen = table.getSelectionModel().getSelectedItem();
        if (chosen == null) {
            chosen = fired.getSelectionModel().getSelectedItem();
        }
        if (chosen != null) {
            bench.room().studies().removeAlert(chosen);
        }
    }

    /** Puts the focus where work begins. */
    public void focusStart() {
        TableView<Alert> table = waiting.getItems().isEmpty() ? fired : waiting;
        table.requestFocus();
        if (table.getSelectionModel().isEmpty()) {
            table.getSelectionModel().select(0);
        }
    }
}

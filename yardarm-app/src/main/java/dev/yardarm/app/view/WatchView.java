package dev.yardarm.app.view;

import dev.yardarm.app.workbench.ActionItems;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.desk.book.Books;
import java.util.Comparator;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
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
    private final TableView<Firing> fired = new TableView<>();

    public WatchView(Workbench bench) {
        this.bench = bench;
        getStyleClass().add("view");
        setId("watch-view");
        waiting.setId("waiting-alerts");
        waiting.setAccessibleText("Alerts that are set");
        fired.setId("fired-alerts");
        fired.setAccessibleText("Alerts that fired");
        waiting.setPlaceholder(Columns.empty("No alerts set. Select a level or line on a chart and press "
                + ActionItems.keys(bench, "mark.alert-reached")
                + ",\nor right click it, to be told when price gets there."));
        fired.setPlaceholder(Columns.empty("Nothing has fired yet."));
        build(waiting, Alert::instrument, this::drawing, Alert::trigger, Alert::timeframe, Alert::above);
        waiting.getColumns().add(Columns.words("Set", 150, alert -> time(alert.instrument(), alert.setAt())));
        waiting.getColumns().add(Columns.numbers("Level now", 90, this::level));
        build(fired, Firing::instrument, this::drawing, Firing::trigger, Firing::timeframe, Firing::above);
        fired.getColumns().add(Columns.words("Fired", 150, firing -> time(firing.instrument(), firing.at())));
        fired.getColumns().add(Columns.numbers("At price", 90, firing -> instrument(firing.instrument())
                .map(each -> each.format().format(firing.price()))
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
            if (subject == Books.Subject.ALERTS
                    || subject == Books.Subject.FIRINGS
                    || subject == Books.Subject.DRAWINGS) {
                show();
            }
        });
        bench.desk().alertRunner().listen(alert -> show());
        show();
    }

    private <T> void build(
            TableView<T> table,
            Function<T, InstrumentId> of,
            Function<T, String> on,
            Function<T, Alert.Trigger> trigger,
            Function<T, Timeframe> timeframe,
            Predicate<T> above) {
        table.setFixedCellSize(28);
        table.getColumns().add(Columns.words("Code", 70, row -> of.apply(row).code()));
        table.getColumns().add(Columns.words("Name", 180, row -> instrument(of.apply(row))
                .map(Instrument::name)
                .orElse("not there now")));
        table.getColumns().add(Columns.words("On", 130, on));
        table.getColumns()
                .add(Columns.words(
                        "When",
                        190,
                        row -> trigger.apply(row) == Alert.Trigger.CLOSES_BEYOND
                                ? "a bar of " + timeframe.apply(row) + " closes "
                                        + (above.test(row) ? "below it" : "above it")
                                : "price " + (above.test(row) ? "falls to it" : "rises to it")));
        Columns.onOpen(table, row -> bench.openChart(of.apply(row)));
        Columns.onMenu(
                table, Map.of("Open the chart", row -> bench.openChart(of.apply(row)), "Remove", row -> remove(row)));
        table.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (event.getCode() == KeyCode.DELETE) {
                removeChosen();
                event.consume();
            }
        });
    }

    private void remove(Object row) {
        if (row instanceof Alert alert) {
            bench.desk().alertWork().remove(alert.id());
        } else if (row instanceof Firing firing) {
            bench.desk().alertWork().remove(firing);
        }
    }

    private Optional<Instrument> instrument(InstrumentId id) {
        return bench.desk().directory().find(id);
    }

    private Optional<Drawing> found(InstrumentId instrument, String drawing) {
        return bench.desk().books().drawings(instrument).stream()
                .filter(each -> each.id().equals(drawing))
                .findFirst();
    }

    private String drawing(Alert alert) {
        return found(alert.instrument(), alert.drawing())
                .map(each -> each.title() + " of " + each.origin())
                .orElse("deleted drawing");
    }

    private String drawing(Firing firing) {
        return found(firing.instrument(), firing.drawing())
                .map(each -> each.title() + " of " + each.origin())
                .orElse(firing.on().isEmpty() ? "deleted drawing" : firing.on());
    }

    private String level(Alert alert) {
        double level = bench.desk().alertRunner().level(alert);
        return Double.isNaN(level)
                ? ""
                : instrument(alert.instrument())
                        .map(each -> each.format().format(level))
                        .orElse("");
    }

    private String time(InstrumentId instrument, long time) {
        return instrument(instrument)
                .map(each -> Readout.time(
                        time, Timeframe.MINUTE, bench.desk().calendar(each).zone()))
                .orElse("");
    }

    private void show() {
        Books books = bench.desk().books();
        waiting.getItems().setAll(books.alerts().stream().filter(books::waits).toList());
        fired.getItems()
                .setAll(books.firings().stream()
                        .sorted(Comparator.comparingLong(Firing::at).reversed())
                        .toList());
    }

    private void removeChosen() {
        Object chosen = fired.isFocused() ? null : waiting.getSelectionModel().getSelectedItem();
        remove(chosen == null ? fired.getSelectionModel().getSelectedItem() : chosen);
    }

    /** Puts the focus where work begins. */
    public void focusStart() {
        TableView<?> table = waiting.getItems().isEmpty() ? fired : waiting;
        table.requestFocus();
        if (table.getSelectionModel().isEmpty()) {
            table.getSelectionModel().select(0);
        }
    }
}

package dev.yardarm.app.view;

import dev.yardarm.app.chart.SmallChart;
import dev.yardarm.app.workbench.ActionItems;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.scan.ScanDesk;
import dev.yardarm.desk.scan.ScanRunner;
import dev.yardarm.desk.table.Rows;
import java.util.List;
import java.util.Map;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.SplitPane;
import javafx.scene.control.TableCell;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Builds and runs scans: conditions at the left, what fits in the middle, the chart of the result in hand at the right. */
public final class ScanView extends HBox implements RowsView {
    private static final double ROW = 28;
    /** Rows with a small chart in them. */
    private static final double CHART_ROW = 56;

    private final Workbench bench;
    private final ScanDesk desk;
    private final ListView<String> saved = new ListView<>();
    private final TextField name = new TextField();
    private final ComboBox<String> list = new ComboBox<>();
    private final ComboBox<Timeframe> timeframe = new ComboBox<>();
    private final VBox conditions = new VBox(4);
    private final Label problem = new Label();
    private final Label summary = new Label();
    private final RowTable<ScanRunner.Found> results;
    private final RowChart chart;
    private final Listening heard;
    private boolean filling;
    /** Whether results are awaited, to get the focus when they come. */
    private boolean running;

    public ScanView(Workbench bench) {
        this.bench = bench;
        desk = new ScanDesk(bench.desk());
        results = new RowTable<>(desk.found(), "scan-results", "What the scan found");
        chart = new RowChart(bench, "scan");
        getStyleClass().add("view");
        setId("scan-view");
        results.setCells(ScanDesk.CHART, ChartCell::new);
        results.onOpen(found -> chart.open(), null);
        results.onMenu(Map.of("Open the chart", found -> chart.open()));
        chart.setEmpty("The chart of the selected result shows here.");
        summary.setId("scan-summary");
        summary.setWrapText(true);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox head = new HBox(8, title("Results"), gap, results.columnsMenu());
        head.setStyle("-fx-alignment: center-left;");
        VBox found = new VBox(6, head, summary, results);
        found.setMinWidth(220);
        VBox.setVgrow(results, Priority.ALWAYS);
        SplitPane split = new SplitPane(found, chart);
        split.setDividerPositions(0.44);
        HBox.setHgrow(split, Priority.ALWAYS);
        getChildren().addAll(editor(), split);
        heard = Listening.all(desk.listen(this::changed), desk.found().listen(rows -> follow()));
        showSaved();
        fill();
        if (!desk.saved().isEmpty()) {
            saved.getSelectionModel().select(0);
        }
        showWords();
        results.show();
        follow();
    }

    private Region editor() {
        saved.setId("scans");
        saved.setAccessibleText("Saved scans");
        saved.setPrefHeight(130);
        saved.setMinHeight(100);
        saved.setFixedCellSize(26);
        saved.getSelectionModel().selectedIndexProperty().addListener((observed, before, now) -> {
            if (!filling && now.intValue() >= 0) {
                desk.open(desk.saved().get(now.intValue()));
            }
        });
        saved.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ENTER) {
                run();
                event.consume();
            } else if (event.getCode() == KeyCode.DELETE) {
                delete();
                event.consume();
            }
        });
        name.setId("scan-name");
        name.setPromptText("name of the scan");
        name.setAccessibleText("Name of the scan");
        list.setId("scan-list");
        list.setAccessibleText("List to scan");
        list.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(list, Priority.ALWAYS);
        timeframe.getItems().setAll(bench.desk().timeframes());
        timeframe.setId("scan-timeframe");
        timeframe.setAccessibleText("Timeframe of the scan");
        problem.getStyleClass().add("problem");
        problem.setId("scan-problem");
        problem.setWrapText(true);
        Label help = new Label("All conditions must hold at the last bar. They read every indicator of the catalogue "
                + "(" + ActionItems.keys(bench, "indicator.catalogue")
                + "), the fields open high low close volume typical midprice range turnover, and the functions abs log "
                + "sqrt round min max. on W reads a higher timeframe, of #CODE another instrument, back 3 an earlier bar. "
                + "Joined by + - * / ^, > >= < <= = <>, crosses above, crosses below, and or not.");
        help.setWrapText(true);
        help.getStyleClass().addAll("soft", "small");
        VBox editor = new VBox(
                8,
                title("Scans"),
                saved,
                name,
                new HBox(6, list, timeframe),
                title("Conditions"),
                conditions,
                new HBox(6, button("Add condition", "add-condition", () -> addCondition("")
                        .requestFocus())),
                problem,
                new HBox(
                        6,
                        button("Run", "run-scan", this::run),
                        button("Save", "save-scan", this::save),
                        button("Delete", "delete-scan", this::delete)),
                help);
        editor.setPrefWidth(290);
        editor.setMinWidth(290);
        editor.setMaxWidth(290);
        ScrollPane scroll = new ScrollPane(editor);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setMinWidth(304);
        scroll.setPrefWidth(304);
        scroll.getStyleClass().add("bare");
        return scroll;
    }

    private static Button button(String text, String id, Runnable action) {
        Button button = new Button(text);
        button.setId(id);
        button.setOnAction(event -> action.run());
        return button;
    }

    private static Label title(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("panel-title");
        return label;
    }

    private void changed(ScanDesk.Change change) {
        switch (change) {
            case SAVED -> showSaved();
            case DRAFT -> fill();
            case WORDS -> showWords();
        }
    }

    private void showWords() {
        problem.setText(desk.problem());
        summary.setText(desk.summary());
        results.setEmpty(desk.empty());
    }

    private void follow() {
        if (running && !desk.found().rows().isEmpty()) {
            running = false;
            results.focus();
        }
        results.setFixedCellSize(desk.found().isShown(ScanDesk.CHART) ? CHART_ROW : ROW);
        chart.show(desk.subject().orElse(null));
    }

    /** A small chart of the found instrument. */
    private final class ChartCell extends TableCell<ScanRunner.Found, ScanRunner.Found> {
        private final SmallChart small = new SmallChart();

        ChartCell() {
            small.setPrefHeight(CHART_ROW - 10);
            small.setMinHeight(CHART_ROW - 10);
        }

        @Override
        protected void updateItem(ScanRunner.Found found, boolean none) {
            super.updateItem(found, none);
            if (none || found == null) {
                setGraphic(null);
                return;
            }
            small.show(
                    found.instrument(),
                    desk.timeframe(),
                    bench.desk().calendar(found.instrument()),
                    found.bars(),
                    bench.palette());
            setGraphic(small);
        }
    }

    private void showSaved() {
        filling = true;
        int chosen = saved.getSelectionModel().getSelectedIndex();
        saved.getItems().setAll(desk.saved().stream().map(Scan::name).toList());
        saved.getSelectionModel().select(Math.min(chosen, saved.getItems().size() - 1));
        String keep = list.getValue();
        list.getItems().setAll(desk.lists());
        list.setValue(keep);
        filling = false;
    }

    /** Shows the scan being written. */
    private void fill() {
        Scan scan = desk.draft();
        name.setText(scan.name());
        list.setValue(
                list.getItems().contains(scan.list())
                        ? scan.list()
                        : list.getItems().isEmpty() ? null : list.getItems().get(0));
        timeframe.setValue(scan.timeframe());
        conditions.getChildren().clear();
        scan.conditions().forEach(this::addCondition);
        if (scan.conditions().isEmpty()) {
            addCondition("");
        }
    }

    private TextField addCondition(String text) {
        TextField field = new TextField(text);
        field.setPromptText("close crosses above sma(close, 50)");
        field.setAccessibleText("Condition");
        field.getStyleClass().add("condition");
        field.setOnAction(event -> run());
        field.focusedProperty().addListener((observed, before, now) -> {
            if (!now) {
                write();
                desk.check();
            }
        });
        HBox.setHgrow(field, Priority.ALWAYS);
        Button remove = new Button("×");
        remove.setAccessibleText("Remove the condition");
        remove.getStyleClass().add("flat");
        HBox row = new HBox(2, field, remove);
        remove.setOnAction(event -> {
            if (conditions.getChildren().size() > 1) {
                conditions.getChildren().remove(row);
            } else {
                field.clear();
            }
            write();
            desk.check();
        });
        conditions.getChildren().add(row);
        return field;
    }

    /** Hands what stands in the fields to the desk. */
    private void write() {
        List<String> texts = conditions.getChildren().stream()
                .map(row -> ((TextField) ((HBox) row).getChildren().get(0)).getText())
                .toList();
        desk.write(new Scan(
                name.getText().strip(),
                list.getValue() == null ? "" : list.getValue(),
                timeframe.getValue() == null ? Timeframe.DAY : timeframe.getValue(),
                texts));
    }

    /** Puts a condition in place of the ones there and runs it over a list. */
    public void scanFor(String condition, String listName) {
        saved.getSelectionModel().clearSelection();
        running = true;
        desk.scanFor(condition, listName, bench.room().chart().timeframe());
    }

    /** Runs what is in the editor; its results get the focus. */
    public void run() {
        write();
        running = true;
        desk.run();
    }

    private void save() {
        write();
        if (!desk.save() && name.getText().isBlank()) {
            name.requestFocus();
        }
    }

    private void delete() {
        int chosen = saved.getSelectionModel().getSelectedIndex();
        if (chosen >= 0) {
            desk.delete(desk.saved().get(chosen));
        }
    }

    @Override
    public View which() {
        return View.SCAN;
    }

    @Override
    public void focusStart() {
        if (desk.found().rows().isEmpty()) {
            saved.requestFocus();
        } else {
            results.focus();
        }
    }

    /** The conditions are what a scan is searched by. */
    @Override
    public void search() {
        TextField first = (TextField)
                ((HBox) conditions.getChildren().get(0)).getChildren().get(0);
        first.requestFocus();
        first.selectAll();
    }

    @Override
    public Rows<?> inHand() {
        return desk.found();
    }

    @Override
    public RowChart chart() {
        return chart;
    }

    @Override
    public void close() {
        heard.close();
        results.close();
        chart.close();
        desk.close();
    }
}

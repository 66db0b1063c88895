package dev.yardarm.app.view;

import dev.yardarm.app.chart.SmallChart;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanMatch;
import dev.yardarm.core.series.Bars;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.scan.ScanRunner;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Builds and runs scans: conditions at the left, what fits at the right, each with a small chart. */
public final class ScanView extends HBox {
    private final Workbench bench;
    private final ListView<String> saved = new ListView<>();
    private final TextField name = new TextField();
    private final ComboBox<String> list = new ComboBox<>();
    private final ComboBox<Timeframe> timeframe = new ComboBox<>();
    private final VBox conditions = new VBox(4);
    private final Label problem = new Label();
    private final Label summary = new Label();
    private final TableView<ScanRunner.Found> results = new TableView<>();
    private Timeframe shownTimeframe = Timeframe.DAY;
    private boolean filling;

    public ScanView(Workbench bench) {
        this.bench = bench;
        getStyleClass().add("view");
        setId("scan-view");
        VBox editor = new VBox(8);
        editor.setPrefWidth(330);
        editor.setMinWidth(330);
        saved.setId("scans");
        saved.setAccessibleText("Saved scans");
        saved.setPrefHeight(130);
        saved.setMinHeight(100);
        saved.setFixedCellSize(26);
        saved.getSelectionModel().selectedIndexProperty().addListener((observed, before, now) -> {
            if (!filling && now.intValue() >= 0) {
                fill(bench.desk().books().scans().get(now.intValue()));
            }
        });
        saved.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ENTER) {
                run();
            } else if (event.getCode() == KeyCode.DELETE) {
                delete();
            }
        });
        name.setId("scan-name");
        name.setPromptText("name of the scan");
        list.setId("scan-list");
        list.setAccessibleText("List to scan");
        list.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(list, Priority.ALWAYS);
        timeframe.getItems().setAll(bench.desk().timeframes());
        timeframe.setId("scan-timeframe");
        timeframe.setAccessibleText("Timeframe of the scan");
        Button add = new Button("Add condition");
        add.setId("add-condition");
        add.setOnAction(event -> addCondition("").requestFocus());
        Button run = new Button("Run");
        run.setId("run-scan");
        run.setDefaultButton(false);
        run.setOnAction(event -> run());
        Button save = new Button("Save");
        save.setId("save-scan");
        save.setOnAction(event -> save());
        Button delete = new Button("Delete");
        delete.setOnAction(event -> delete());
        problem.getStyleClass().add("problem");
        problem.setId("scan-problem");
        problem.setWrapText(true);
        Label help = new Label("All conditions must hold at the last bar. Fields: open high low close volume typical "
                + "midprice range turnover. Functions: sma ema rsi highest lowest, abs log sqrt round min max. "
                + "Also: + - * / ^, > >= < <= = <>, crosses above, crosses below, and or not, back 3.");
        help.setWrapText(true);
        help.getStyleClass().addAll("soft", "small");
        editor.getChildren()
                .addAll(
                        title("Scans"),
                        saved,
                        name,
                        new HBox(6, list, timeframe),
                        title("Conditions"),
                        conditions,
                        new HBox(6, add),
                        problem,
                        new HBox(6, run, save, delete),
                        help);
        VBox found = new VBox(6, summary, results);
        summary.setId("scan-summary");
        HBox.setHgrow(found, Priority.ALWAYS);
        VBox.setVgrow(results, Priority.ALWAYS);
        buildTable();
        getChildren().addAll(editor, found);
        bench.desk().books().listen(subject -> {
            if (subject == Books.Subject.SCANS || subject == Books.Subject.LISTS) {
                showSaved();
            }
        });
        bench.paletteProperty().addListener((observed, before, now) -> results.refresh());
        showSaved();
        if (!bench.desk().books().scans().isEmpty()) {
            saved.getSelectionModel().select(0);
        } else {
            fill(new Scan("", "", Timeframe.DAY, List.of("")));
        }
    }

    private static Label title(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("panel-title");
        return label;
    }

    private void buildTable() {
        results.setId("scan-results");
        results.setAccessibleText("What the scan found");
        results.setPlaceholder(
                Columns.empty("Select a scan or write conditions, then Run.\nEnter on a result opens " + "its chart."));
        results.setFixedCellSize(58);
        results.getColumns()
                .add(Columns.words("Code", 64, found -> found.instrument().code()));
        results.getColumns()
                .add(Columns.words("Name", 170, found -> found.instrument().name()));
        results.getColumns()
                .add(Columns.words("Sector", 130, found -> found.instrument().sector()));
        results.getColumns().add(Columns.numbers("Last", 76, found -> found.instrument()
                .format()
                .format(found.bars().close(found.bars().size() - 1))));
        results.getColumns().add(Columns.changes("Change", 72, found -> change(found.bars())));
        results.getColumns()
                .add(Columns.words("Bar", 64, found -> found.match() == ScanMatch.PROVISIONAL ? "forming" : "closed"));
        TableColumn<ScanRunner.Found, ScanRunner.Found> chart = new TableColumn<>("Last 90 bars");
        chart.setPrefWidth(230);
        chart.setSortable(false);
        chart.setCellValueFactory(row -> new ReadOnlyObjectWrapper<>(row.getValue()));
        chart.setCellFactory(column -> new ChartCell());
        results.getColumns().add(chart);
        Columns.onOpen(results, this::open);
        Columns.onMenu(results, Map.of("Open the chart", this::open));
    }

    private void open(ScanRunner.Found found) {
        bench.room().open(found.instrument(), shownTimeframe);
        bench.go(View.CHART);
    }

    private static String change(Bars bars) {
        int last = bars.size() - 1;
        return last < 1 ? "" : Readout.percent(bars.close(last) / bars.close(last - 1) - 1);
    }

    /** A small chart of the found instrument. */
    private final class ChartCell extends TableCell<ScanRunner.Found, ScanRunner.Found> {
        private final SmallChart chart = new SmallChart();

        ChartCell() {
            chart.setPrefHeight(48);
            chart.setMinHeight(48);
        }

        @Override
        protected void updateItem(ScanRunner.Found found, boolean empty) {
            super.updateItem(found, empty);
            if (empty || found == null) {
                setGraphic(null);
                return;
            }
            chart.show(
                    found.instrument(),
                    shownTimeframe,
                    bench.desk().calendar(found.instrument()),
                    found.bars(),
                    bench.palette());
            setGraphic(chart);
        }
    }

    private void showSaved() {
        filling = true;
        int chosen = saved.getSelectionModel().getSelectedIndex();
        saved.getItems()
                .setAll(bench.desk().books().scans().stream().map(Scan::name).toList());
        saved.getSelectionModel().select(Math.min(chosen, saved.getItems().size() - 1));
        String keep = list.getValue();
        list.getItems()
                .setAll(bench.desk().books().lists().stream()
                        .map(NamedList::name)
                        .toList());
        list.setValue(keep);
        filling = false;
    }

    private void fill(Scan scan) {
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
        problem.setText("");
    }

    private TextField addCondition(String text) {
        TextField field = new TextField(text);
        field.setPromptText("close crosses above sma(close, 50)");
        field.setAccessibleText("Condition");
        field.getStyleClass().add("condition");
        field.setOnAction(event -> run());
        field.focusedProperty().addListener((observed, before, now) -> {
            if (!now) {
                check();
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
            check();
        });
        conditions.getChildren().add(row);
        return field;
    }

    private List<TextField> fields() {
        return conditions.getChildren().stream()
                .map(row -> (TextField) ((HBox) row).getChildren().get(0))
                .toList();
    }

    /** Shows the first faulty condition; true when all are good. */
    private boolean check() {
        problem.setText("");
        int number = 0;
        for (TextField field : fields()) {
            number++;
            if (field.getText().isBlank()) {
                continue;
            }
            try {
                Formula.parseCondition(field.getText(), bench.desk().language().now());
            } catch (FormulaException bad) {
                problem.setText("Condition " + number + ", " + bad.getMessage());
                return false;
            }
        }
        return true;
    }

    private Scan scan() {
        List<String> texts = new ArrayList<>();
        fields().stream()
                .map(TextField::getText)
                .filter(text -> !text.isBlank())
                .forEach(texts::add);
        return new Scan(
                name.getText().strip(),
                list.getValue() == null ? "" : list.getValue(),
                timeframe.getValue() == null ? Timeframe.DAY : timeframe.getValue(),
                texts);
    }

    /** Puts a condition in place of the ones there and runs it over a list. */
    public void scanFor(String condition, String listName) {
        saved.getSelectionModel().clearSelection();
        fill(new Scan("", listName, bench.room().chart().timeframe(), List.of(condition)));
        run();
    }

    /** Runs what is in the editor. */
    public void run() {
        if (!check()) {
            return;
        }
        Scan scan = scan();
        if (scan.conditions().isEmpty()) {
            problem.setText("Write at least one condition, such as close > sma(close, 50).");
            return;
        }
        summary.setText("Scanning ...");
        bench.desk().scan(scan, this::show, failed -> {
            summary.setText("");
            problem.setText("The scan failed: " + failed.getMessage());
        });
    }

    private void show(ScanRunner.Result result) {
        shownTimeframe = result.scan().timeframe();
        results.getItems().setAll(result.found());
        String missing = result.missing().isEmpty() ? "" : "  Skipped: " + String.join("; ", result.missing());
        summary.setText(result.found().size() + " of " + result.looked() + " match, "
                + result.scan().list() + ", "
                + result.scan().timeframe() + ", as of "
                + Readout.time(
                        result.asOf(),
                        Timeframe.MINUTE,
                        bench.room()
                                .instrument()
                                .map(each -> bench.desk().calendar(each).zone())
                                .orElse(ZoneOffset.UTC))
                + "." + missing);
        if (!result.found().isEmpty()) {
            results.getSelectionModel().select(0);
            results.requestFocus();
        } else {
            results.setPlaceholder(Columns.empty(
                    "Nothing in " + result.scan().list() + " fits. Loosen a condition " + "or select another list."));
        }
    }

    private void save() {
        Scan scan = scan();
        if (scan.name().isEmpty()) {
            problem.setText("Give the scan a name to save it.");
            name.requestFocus();
            return;
        }
        if (!check() || scan.conditions().isEmpty()) {
            return;
        }
        bench.desk().scanWork().save(scan);
        bench.desk().tell("The scan '" + scan.name() + "' is saved.");
    }

    private void delete() {
        int chosen = saved.getSelectionModel().getSelectedIndex();
        if (chosen >= 0) {
            bench.desk()
                    .scanWork()
                    .delete(bench.desk().books().scans().get(chosen).name());
        }
    }

    /** Puts the focus where work begins. */
    public void focusStart() {
        if (results.getItems().isEmpty()) {
            saved.requestFocus();
        } else {
            results.requestFocus();
        }
    }
}

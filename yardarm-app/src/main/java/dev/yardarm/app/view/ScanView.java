package dev.yardarm.app.view;

import dev.yardarm.app.chart.SmallChart;
import dev.yardarm.app.scan.FormulaField;
import dev.yardarm.app.scan.RuleEditor;
import dev.yardarm.app.scan.UniverseMenu;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Completion;
import dev.yardarm.core.formula.Rule;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.scan.ScanDesk;
import dev.yardarm.desk.scan.ScanRunner;
import dev.yardarm.desk.table.Rows;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.DatePicker;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.SplitPane;
import javafx.scene.control.TableCell;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;

/** Builds and runs scans: conditions at the left, what fits in the middle, the chart of the result in hand at the right. */
public final class ScanView extends HBox implements RowsView {
    private static final double ROW = 28;
    /** Rows with a small chart in them. */
    private static final double CHART_ROW = 56;

    private final Workbench bench;
    private final ScanDesk desk;
    private final ListView<String> saved = new ListView<>();
    private final TextField name = new TextField();
    private final UniverseMenu universe;
    private final ComboBox<Timeframe> timeframe = new ComboBox<>();
    private final RuleEditor rule;
    private final TextArea text = new TextArea();
    private final FormulaField rank;
    private final TextField columns = new TextField();
    private final DatePicker day = new DatePicker();
    private final VBox reasons = new VBox(2);
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
        universe = new UniverseMenu(this::choices, chosen -> write());
        rule = new RuleEditor(
                new RuleEditor.Help() {
                    @Override
                    public List<Completion> proposals(String of, int caret) {
                        return desk.proposals(of, caret);
                    }

                    @Override
                    public Optional<Rule.Group> ruleOf(String condition) {
                        return desk.ruleOf(condition);
                    }
                },
                desk::setRule,
                bench::pick,
                this::run);
        rank = new FormulaField(desk::proposals, "a formula, the largest first");
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
        reasons.setId("scan-reasons");
        VBox found = new VBox(6, head, summary, results, reasons);
        found.setMinWidth(220);
        VBox.setVgrow(results, Priority.ALWAYS);
        SplitPane split = new SplitPane(found, chart);
        split.setDividerPositions(0.5);
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
        saved.setPrefHeight(108);
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
        universe.setId("scan-universe");
        HBox.setHgrow(universe, Priority.ALWAYS);
        timeframe.getItems().setAll(bench.desk().timeframes());
        timeframe.setId("scan-timeframe");
        timeframe.setAccessibleText("Timeframe of the scan");
        problem.getStyleClass().add("problem");
        problem.setId("scan-problem");
        problem.setWrapText(true);
        problem.managedProperty().bind(problem.textProperty().isNotEmpty());
        text.setId("scan-text");
        text.setAccessibleText("The condition as a formula");
        text.setPromptText("close crosses above sma(close, 50)");
        text.setWrapText(true);
        text.setPrefRowCount(3);
        text.textProperty().addListener((observed, before, now) -> {
            if (text.isFocused()) {
                desk.setText(now);
            }
        });
        text.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (event.getCode() == KeyCode.ENTER && !event.isShiftDown()) {
                run();
                event.consume();
            }
        });
        rank.setId("scan-rank");
        rank.setAccessibleText("Formula the results are ordered by");
        rank.setOnAction(event -> run());
        columns.setId("scan-formulas");
        columns.setPromptText("rsi(14); close / sma(close, 50) - 1");
        columns.setAccessibleText("Formulas shown as columns, with ; between them");
        columns.setOnAction(event -> run());
        day.setId("scan-day");
        day.setPromptText("now");
        day.setAccessibleText("Scan as of the end of a past day; empty for now");
        day.setMaxWidth(Double.MAX_VALUE);
        day.setConverter(new IsoDay());
        day.valueProperty().addListener((observed, before, now) -> desk.setDay(now));
        VBox editor = new VBox(
                8,
                title("Scans"),
                saved,
                name,
                new HBox(6, universe, timeframe),
                new HBox(
                        6,
                        button("Run", "run-scan", this::run),
                        button("Save", "save-scan", this::save),
                        button("Delete", "delete-scan", this::delete)),
                problem,
                title("Condition"),
                rule,
                label("as a formula"),
                text,
                label("Order"),
                rank,
                label("Columns"),
                columns,
                label("As of"),
                day);
        editor.setPrefWidth(318);
        editor.setMinWidth(318);
        editor.setMaxWidth(318);
        ScrollPane scroll = new ScrollPane(editor);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setMinWidth(332);
        scroll.setPrefWidth(332);
        scroll.getStyleClass().add("bare");
        return scroll;
    }

    private static Button button(String text, String id, Runnable action) {
        Button button = new Button(text);
        button.setId(id);
        button.setOnAction(event -> action.run());
        return button;
    }

    private static Label label(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("soft");
        return label;
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
            case RULE -> rule.show(desk.rule());
            case TEXT -> showText();
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
        reasons.getChildren().clear();
        for (String line : desk.reasons()) {
            Label reason = new Label(line);
            reason.setWrapText(true);
            reason.setMinHeight(Region.USE_PREF_SIZE);
            reason.getStyleClass().add(line.contains("it decides") ? "decisive" : "soft");
            reasons.getChildren().add(reason);
        }
    }

    private void showText() {
        if (!text.isFocused()) {
            text.setText(desk.draft().condition());
        }
    }

    private UniverseMenu.Choices choices() {
        return new UniverseMenu.Choices(desk.lists(), desk.indices(), desk.sectors(), desk.tiers());
    }

    /** Days as they are written everywhere else; what is no day is now. */
    private static final class IsoDay extends StringConverter<LocalDate> {
        @Override
        public String toString(LocalDate value) {
            return value == null ? "" : value.toString();
        }

        @Override
        public LocalDate fromString(String written) {
            try {
                return written == null || written.isBlank() ? null : LocalDate.parse(written.strip());
            } catch (DateTimeParseException bad) {
                return null;
            }
        }
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
        filling = false;
    }

    /** Shows the scan being written. */
    private void fill() {
        Scan scan = desk.draft();
        filling = true;
        name.setText(scan.name());
        universe.show(scan.universe());
        timeframe.setValue(scan.timeframe());
        rank.setText(scan.rank());
        columns.setText(String.join("; ", scan.columns()));
        text.setText(scan.condition());
        rule.show(desk.rule());
        filling = false;
    }

    /** Hands what stands in the fields to the desk; the condition it has already. */
    private void write() {
        if (filling) {
            return;
        }
        desk.write(
                name.getText().strip(),
                universe.universe(),
                timeframe.getValue() == null ? Timeframe.DAY : timeframe.getValue(),
                rank.getText().strip(),
                Arrays.stream(columns.getText().split(";"))
                        .map(String::strip)
                        .filter(each -> !each.isEmpty())
                        .toList());
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

    /** The condition is what a scan is searched by. */
    @Override
    public void search() {
        rule.focusFirst();
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

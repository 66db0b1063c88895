package dev.yardarm.app.view;

import dev.yardarm.app.chart.SmallChart;
import dev.yardarm.app.scan.EvidencePage;
import dev.yardarm.app.scan.ScanEditor;
import dev.yardarm.app.theme.Tips;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanRun;
import dev.yardarm.core.scan.Universe;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.evidence.EvidenceDesk;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.scan.ScanDesk;
import dev.yardarm.desk.scan.ScanRunner;
import dev.yardarm.desk.table.Rows;
import java.io.File;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.SplitPane;
import javafx.scene.control.TableCell;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.Clipboard;
import javafx.scene.input.DataFormat;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;

/**
 * Builds and runs scans: the editor at the left; beside it what fits with the chart of the one in hand, or the evidence of what came
 * after earlier occurrences, with its cases.
 */
public final class ScanView extends HBox implements RowsView {
    private static final double ROW = 28;
    /** Rows with a small chart in them. */
    private static final double CHART_ROW = 56;

    private final Workbench bench;
    private final ScanDesk desk;
    private final EvidenceDesk evidence;
    private final ScanEditor editor;
    private final VBox reasons = new VBox(2);
    private final Label summary = new Label();
    private final RowTable<ScanRunner.Found> results;
    private final RowTable<EvidenceDesk.Case> cases;
    private final RowChart chart;
    private final RowChart caseChart;
    private final EvidencePage page;
    private final SplitPane found;
    private final VBox beside = new VBox(6);
    private final ToggleButton showResults = new ToggleButton("Results");
    private final ToggleButton showEvidence = new ToggleButton("Evidence");
    private final MenuButton more = new MenuButton("More");
    private final MenuButton asked = new MenuButton("Asked before");
    private final Listening heard;
    /** Whether results are awaited, to get the focus when they come. */
    private boolean running;
    /** Whether evidence is awaited, whose cases get the focus when they come. */
    private boolean gathering;

    public ScanView(Workbench bench) {
        this.bench = bench;
        desk = new ScanDesk(bench.desk());
        evidence = new EvidenceDesk(bench.desk());
        results = new RowTable<>(desk.found(), "scan-results", "What the scan found");
        chart = new RowChart(bench, "scan");
        cases = new RowTable<>(evidence.cases(), "evidence-cases", "Occurrences");
        caseChart = new RowChart(bench, "evidence");
        editor = new ScanEditor(bench, desk, this::run);
        getStyleClass().add("view");
        setId("scan-view");
        results.setCells(ScanDesk.CHART, ChartCell::new);
        results.onOpen(row -> chart.open(), null);
        results.onMenu(this::menu);
        chart.setEmpty("The chart of the selected result shows here.");
        cases.setEmpty("Every occurrence of the condition is listed here.");
        cases.onOpen(row -> caseChart.open(), null);
        cases.onMenu(row -> List.of(RowTable.item("Open the chart", caseChart::open)));
        caseChart.setEmpty("The chart of the selected occurrence shows here.");
        summary.setId("scan-summary");
        summary.setWrapText(true);
        reasons.setId("scan-reasons");
        VBox listed = new VBox(6, summary, results, reasons);
        listed.setMinWidth(220);
        VBox.setVgrow(results, Priority.ALWAYS);
        found = new SplitPane(listed, chart);
        found.setDividerPositions(0.5);
        SplitPane split = new SplitPane(cases, caseChart);
        split.setDividerPositions(0.5);
        split.setMinHeight(180);
        page = new EvidencePage(bench, evidence, split);
        VBox.setVgrow(found, Priority.ALWAYS);
        HBox.setHgrow(beside, Priority.ALWAYS);
        beside.setMinWidth(300);
        getChildren().addAll(editor, beside);
        heard = Listening.all(
                desk.listen(change -> showWords()),
                desk.found().listen(rows -> follow()),
                evidence.cases().listen(rows -> followCase()));
        beside.getChildren().addAll(head(), found);
        showWords();
        results.show();
        cases.show();
        follow();
    }

    /** What can be done with one result: its chart, an alert, stances and the note. */
    private List<MenuItem> menu(ScanRunner.Found row) {
        Instrument instrument = row.instrument();
        Desk all = bench.desk();
        List<MenuItem> items = new ArrayList<>();
        items.add(RowTable.item("Open the chart", chart::open));
        items.add(RowTable.item("Set an alert on it", () -> desk.setAlert(instrument)));
        items.add(new SeparatorMenuItem());
        for (Stance.Kind kind :
                List.of(Stance.Kind.LONG, Stance.Kind.SHORT, Stance.Kind.WAIT, Stance.Kind.SKIP, Stance.Kind.NONE)) {
            items.add(RowTable.item(
                    kind == Stance.Kind.NONE ? "No stance" : "Stance: " + kind.word(),
                    () -> all.stanceWork().take(instrument.id(), kind, "")));
        }
        items.add(RowTable.item("Note\u2026", () -> {
            // What is typed in the command line is about the row in hand.
            desk.found().take(desk.found().rows().indexOf(row));
            bench.prompt("note " + all.books().stance(instrument.id()).note());
        }));
        return items;
    }

    private HBox head() {
        ToggleGroup pages = new ToggleGroup();
        for (ToggleButton each : new ToggleButton[] {showResults, showEvidence}) {
            each.setToggleGroup(pages);
            each.getStyleClass().add("page-tab");
        }
        showResults.setId("show-results");
        showEvidence.setId("show-evidence");
        Tips.set(showEvidence, "What came after earlier occurrences of the condition");
        showResults.setSelected(true);
        showResults.setOnAction(event -> showPage(false));
        showEvidence.setOnAction(event -> evidence());
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        more.setId("scan-more");
        more.getStyleClass().add("flat");
        more.setAccessibleText("What can be done with the results");
        MenuItem list = new MenuItem("Save as a list");
        list.setOnAction(event -> desk.saveAsList());
        MenuItem alerts = new MenuItem("Set an alert on each");
        alerts.setOnAction(event -> desk.setAlerts());
        CheckMenuItem sectors = new CheckMenuItem("Group by sector");
        sectors.setSelected(desk.isBySector());
        sectors.setOnAction(event -> desk.setBySector(sectors.isSelected()));
        Menu runs = new Menu("Earlier runs");
        runs.getItems().add(new MenuItem("..."));
        more.setOnShowing(event -> offerRuns(runs));
        MenuItem file = new MenuItem("Export as CSV\u2026");
        file.setOnAction(event -> export());
        MenuItem text = new MenuItem("Copy the scan as text");
        text.setOnAction(event -> {
            Clipboard.getSystemClipboard()
                    .setContent(Map.of(DataFormat.PLAIN_TEXT, desk.draft().text()));
            bench.desk().tell("The scan is on the clipboard, as text.");
        });
        more.getItems().setAll(list, alerts, sectors, runs, file, text);
        asked.setId("evidence-asked");
        asked.getStyleClass().add("flat");
        asked.setAccessibleText("What was asked of the past before");
        asked.getItems().add(new MenuItem("..."));
        asked.setOnShowing(event -> offerAsked());
        for (Node each : List.of(asked, more, results.columnsMenu())) {
            each.managedProperty().bind(each.visibleProperty());
        }
        asked.setVisible(false);
        HBox head = new HBox(6, showResults, showEvidence, gap, asked, more, results.columnsMenu());
        head.getStyleClass().add("middle-left");
        return head;
    }

    /** What the saved scan found before; one that is chosen is looked at again as of its moment. */
    private void offerRuns(Menu runs) {
        editor.write();
        runs.getItems().clear();
        for (ScanRun run : desk.runs()) {
            runs.getItems().add(RowTable.item(desk.words(run), () -> {
                running = true;
                desk.look(run);
            }));
        }
        if (runs.getItems().isEmpty()) {
            MenuItem none = new MenuItem("none yet; those of saved scans are kept");
            none.setDisable(true);
            runs.getItems().add(none);
        }
    }

    /** What was asked before; one that is chosen is asked again from its moment. */
    private void offerAsked() {
        asked.getItems().clear();
        evidence.asked().stream().limit(20).forEach(each -> asked.getItems()
                .add(RowTable.item(evidence.words(each), () -> {
                    gathering = true;
                    evidence.ask(each);
                })));
        if (asked.getItems().isEmpty()) {
            MenuItem none = new MenuItem("nothing yet");
            none.setDisable(true);
            asked.getItems().add(none);
        }
    }

    private void showPage(boolean ofEvidence) {
        showResults.setSelected(!ofEvidence);
        showEvidence.setSelected(ofEvidence);
        Node shown = ofEvidence ? page : found;
        VBox.setVgrow(shown, Priority.ALWAYS);
        if (beside.getChildren().get(1) != shown) {
            beside.getChildren().set(1, shown);
        }
        results.columnsMenu().setVisible(!ofEvidence);
        more.setVisible(!ofEvidence);
        asked.setVisible(ofEvidence);
        if (ofEvidence) {
            chart.rest();
            caseChart.wake();
        } else {
            caseChart.rest();
            chart.wake();
        }
    }

    /** Shows what came after what is being written; looked through anew only when that has changed. */
    public void evidence() {
        showPage(true);
        gather();
    }

    /** Asks what came after what is being written. */
    private void gather() {
        editor.write();
        Scan draft = desk.draft().scan();
        if (draft.condition().isBlank()) {
            return;
        }
        if (evidence.isOf(draft.condition(), draft.universe(), draft.timeframe())) {
            cases.focus();
            return;
        }
        gathering = true;
        evidence.ask(draft.condition(), draft.universe(), draft.timeframe());
    }

    /** Asks what came after a condition, over a list, on the timeframe of the chart in hand. */
    public void evidenceOf(String condition, String listName) {
        editor.clearChoice();
        desk.draft().open(Scan.of("", listName, bench.room().chart().timeframe(), List.of(condition)));
        showPage(true);
        gathering = true;
        evidence.ask(condition, Universe.of(listName), bench.room().chart().timeframe());
    }

    private void export() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Export the results");
        chooser.setInitialFileName("scan.csv");
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("CSV", "*.csv"));
        File file = chooser.showSaveDialog(getScene().getWindow());
        if (file != null) {
            desk.export(file.toPath());
        }
    }

    private void showWords() {
        summary.setText(desk.summary());
        results.setEmpty(desk.empty());
    }

    private void follow() {
        if (running && !desk.found().rows().isEmpty()) {
            running = false;
            showPage(false);
            results.focus();
        }
        results.setFixedCellSize(desk.found().isShown(ScanDesk.CHART) ? CHART_ROW : ROW);
        chart.show(desk.subject().orElse(null));
        chart.tryOut(desk.lines());
        reasons.getChildren().clear();
        for (String line : desk.reasons()) {
            Label reason = new Label(line);
            reason.setWrapText(true);
            reason.setMinHeight(Region.USE_PREF_SIZE);
            reason.getStyleClass().add(line.contains("it decides") ? "decisive" : "soft");
            reasons.getChildren().add(reason);
        }
    }

    private void followCase() {
        if (gathering && !evidence.cases().rows().isEmpty()) {
            gathering = false;
            cases.focus();
        }
        caseChart.show(evidence.subject().orElse(null));
        caseChart.tryOut(evidence.marks());
    }

    /** A small chart of the found instrument. */
    private final class ChartCell extends TableCell<ScanRunner.Found, ScanRunner.Found> {
        private final SmallChart small = new SmallChart();

        ChartCell() {
            small.setPrefHeight(CHART_ROW - 10);
            small.setMinHeight(CHART_ROW - 10);
        }

        @Override
        protected void updateItem(ScanRunner.Found row, boolean none) {
            super.updateItem(row, none);
            if (none || row == null) {
                setGraphic(null);
                return;
            }
            small.show(
                    row.instrument(),
                    desk.timeframe(),
                    bench.desk().calendar(row.instrument()),
                    row.bars(),
                    row.outcome().lines(),
                    bench.palette());
            setGraphic(small);
        }
    }

    /** Puts a condition in place of the ones there and runs it over a list. */
    public void scanFor(String condition, String listName) {
        editor.clearChoice();
        running = true;
        desk.scanFor(condition, listName, bench.room().chart().timeframe());
    }

    /** Opens a scan and runs it over its universe. */
    public void runScan(Scan scan) {
        editor.clearChoice();
        running = true;
        desk.runScan(scan);
    }

    /** Runs what is in the editor; its results get the focus. */
    public void run() {
        editor.write();
        running = true;
        desk.run();
    }

    private boolean isEvidence() {
        return showEvidence.isSelected();
    }

    @Override
    public View which() {
        return View.SCAN;
    }

    @Override
    public void focusStart() {
        if (isEvidence()) {
            cases.focus();
        } else if (desk.found().rows().isEmpty()) {
            editor.focusSaved();
        } else {
            results.focus();
        }
    }

    /** The condition is what a scan is searched by. */
    @Override
    public void search() {
        editor.focusCondition();
    }

    @Override
    public Rows<?> inHand() {
        return isEvidence() ? evidence.cases() : desk.found();
    }

    @Override
    public RowChart chart() {
        return isEvidence() ? caseChart : chart;
    }

    @Override
    public void close() {
        heard.close();
        editor.close();
        page.close();
        results.close();
        cases.close();
        chart.close();
        caseChart.close();
        desk.close();
        evidence.close();
    }
}

package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.app.chart.ChartView;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Rule;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.action.View;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.TableView;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.GridPane;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Scans built without writing a formula, and what came after earlier occurrences. */
class ScanBuilderTest {
    @TempDir
    private Path home;

    private WindowFixture app;

    @BeforeEach
    void open() throws Exception {
        app = new WindowFixture(home);
        app.open(true);
    }

    @AfterEach
    void close() throws Exception {
        app.close();
    }

    private <T extends Node> T find(String query) {
        return app.robot().lookup(query).query();
    }

    private List<TextField> conditions() {
        return app.robot().lookup(".condition").<TextField>queryAll().stream().toList();
    }

    private String text() {
        return ((TextArea) find("#scan-text")).getText();
    }

    private TableView<?> table(String id) {
        return app.robot().lookup(id).queryTableView();
    }

    private String label(String id) {
        return app.get(() -> ((Label) find(id)).getText());
    }

    /** Chooses an entry of the nth choice of the rows. */
    private <T> void choose(String name, int number, T wanted) {
        app.get(() -> {
            @SuppressWarnings("unchecked")
            ComboBox<T> box = (ComboBox<T>) app.robot().lookup(".combo-box").queryAll().stream()
                    .filter(node -> name.equals(node.getAccessibleText()))
                    .toList()
                    .get(number);
            box.setValue(wanted);
            return null;
        });
    }

    /** Of several nodes the one furthest down. */
    private Node lowest(String query) {
        return app.robot().lookup(query).queryAll().stream()
                .max(Comparator.comparingDouble(node -> node.localToScene(0, 0).getY()))
                .orElseThrow();
    }

    private void goToScan() throws Exception {
        app.click("#chart");
        app.keys("gs");
        app.await("the view", () -> app.window().bench().viewProperty().get() == View.SCAN);
    }

    @Test
    void rowsMakeTheTextAndTheTextMakesTheRows() throws Exception {
        goToScan();
        // Two conditions of the first scan are there; the second goes, and another comes.
        app.await("the rows", () -> conditions().size() == 2);
        app.robot().clickOn(lowest("\u00d7"));
        app.await("one row", () -> conditions().size() == 1);
        assertThat(app.get(this::text)).isEqualTo("close > sma(close, 50)");
        app.click("#add-condition");
        app.await("two rows", () -> conditions().size() == 2);
        app.robot().write("rsi(14)", 0);
        choose("How", 1, Rule.How.BETWEEN);
        app.get(() -> {
            TextField against = (TextField) app.robot().lookup(".text-field").queryAll().stream()
                    .filter(node -> "Against what".equals(node.getAccessibleText()))
                    .toList()
                    .get(1);
            against.setText("50 and 80");
            return null;
        });
        choose("Since when", 1, Rule.Since.SEEN);
        app.await("its text", () -> text().equals("close > sma(close, 50) and rsi(14) is between 50 and 80 seen in 1"));
        choose("How the rows below are joined", 0, Rule.Joined.ANY);
        app.await("joined otherwise", () -> text().equals(
                        "close > sma(close, 50) or rsi(14) is between 50 and 80 seen in 1"));
        app.robot().clickOn("#scan-text").push(KeyCode.CONTROL, KeyCode.A);
        app.robot().write("close > open and (high > 0 or low > 0) and volume is rising", 0);
        app.await("rows of the text", () -> conditions().size() == 4);
        assertThat(app.get(() -> conditions().stream().map(TextField::getText).toList()))
                .containsExactly("close", "high", "low", "volume");
        app.robot().write(" and clsoe > 1", 0);
        app.await("the fault", () -> label("#scan-problem").contains("did you mean 'close'"));
        assertThat(app.get(this::conditions)).hasSize(4);
    }

    /** A row is put on another timeframe, on bars not made by time and on another instrument without writing. */
    @Test
    void aRowIsPutOnOtherBarsFromItsMenu() throws Exception {
        goToScan();
        app.await("the rows", () -> conditions().size() == 2);
        where("on W");
        app.await("on weeks", () -> text().startsWith("close on W > sma(close, 50)"));
        where("on bars not made by time", "range 10");
        app.await("on range bars", () -> text().startsWith("close on range 10 > sma(close, 50)"));
        where("of another instrument", "the benchmark");
        app.await("of the benchmark", () -> text().startsWith("close of benchmark > sma(close, 50)"));
        where("the bars of the scan");
        app.await("as it was", () -> text().startsWith("close > sma(close, 50)"));
        // From the catalogue: one of the cues of an indicator stands by itself.
        app.robot().clickOn(app.robot().lookup("\u2026").queryAll().iterator().next());
        app.await("the catalogue", () -> find("#indicator-picker").isVisible());
        app.robot().write("engulfing", 0).push(KeyCode.ENTER);
        app.await(
                "its cues",
                () -> app.robot().lookup("Bearish engulfing   cue").tryQuery().isPresent());
        app.robot().clickOn("Bearish engulfing   cue");
        app.await("the cue", () -> text().startsWith("engulfing.bearish and "));
        assertThat(label("#scan-problem")).isEmpty();
    }

    /** Opens the menu of the first row and goes down these entries. */
    private void where(String... entries) {
        app.robot()
                .clickOn(app.robot().lookup(".row-where").queryAll().iterator().next());
        for (String entry : entries) {
            app.robot().clickOn(entry);
        }
    }

    @Test
    void aWholeFormulaTypedIntoARowIsTakenApart() throws Exception {
        goToScan();
        app.await("the rows", () -> conditions().size() == 2);
        app.robot()
                .clickOn(conditions().get(0))
                .push(KeyCode.CONTROL, KeyCode.A)
                .write("volume > 2 * sma(volume, 20) seen in 3", 0)
                .push(KeyCode.TAB);
        app.await("taken apart", () -> conditions().get(0).getText().equals("volume"));
        assertThat(app.get(this::text)).startsWith("volume > 2 * sma(volume, 20) seen in 3 and ");
    }

    @Test
    void whatFitsIsSaidAndWhatNearlyFitsIsShownWhenNothingDoes() throws Exception {
        app.line("close > sma(close, 20)");
        app.await("results", () -> table("#scan-results").getItems().size() > 2);
        app.await(
                "why",
                () -> app.robot().lookup("#scan-reasons .decisive").tryQuery().isPresent());
        assertThat(app.get(() -> ((Labeled) find("#scan-reasons .decisive")).getText()))
                .contains("close > sma(close, 20): holds", "against", "it decides");
        app.line("close > 1000000");
        app.await("the nearest", () -> label("#scan-summary").contains("The nearest misses"));
        assertThat(label("#scan-summary")).startsWith("0 of ");
        assertThat(app.get(() -> table("#scan-results").getItems())).hasSize(10);
    }

    @Test
    void evidenceOfACueComesByOneKeyAndItsCasesAreWalkedThrough() throws Exception {
        app.line("macd");
        app.await("the indicator", () -> app.chart().indicators().size() == 1);
        app.click("#chart");
        app.keys("id");
        app.await("the view", () -> app.window().bench().viewProperty().get() == View.SCAN);
        app.await("the cases", () -> table("#evidence-cases").getItems().size() > 50);
        assertThat(label("#evidence-condition")).isEqualTo("macd.cross_up");
        assertThat(label("#evidence-summary")).contains("occurrences in", "held back");
        assertThat(app.get(() -> ((GridPane) find("#evidence-figures")).getChildren()))
                .hasSize(6 * 9);
        app.await(
                "the first case",
                () -> ((Labeled) find("#evidence-page .code")).getText().length() > 1);
        app.robot().push(KeyCode.PAGE_DOWN);
        app.await(
                "the second", () -> table("#evidence-cases").getSelectionModel().getSelectedIndex() == 1);
        int seen = app.get(() -> table("#evidence-cases").getItems().size());
        app.click("#evidence-held");
        app.await("all of them", () -> table("#evidence-cases").getItems().size() > seen);
        assertThat(label("#evidence-summary")).doesNotContain("held back");
        app.robot().clickOn("#evidence-cases").push(KeyCode.ENTER);
        app.await("its chart", () -> app.window().bench().viewProperty().get() == View.CHART);
    }

    @Test
    void resultsBecomeAList() throws Exception {
        app.line("close > 0");
        app.await("results", () -> table("#scan-results").getItems().size() > 5);
        app.click("#scan-more");
        app.robot().clickOn("Save as a list");
        app.await("the list", () -> app.desk().books().lists().stream()
                .anyMatch(list ->
                        list.name().equals("Found") && list.instruments().size() > 5));
    }

    /** Through the results by key with two timeframes beside them; a stance and a note for the row in hand. */
    @Test
    void resultsAreSteppedThroughInAStepDownLayoutAndGetStances() throws Exception {
        app.line("close > 0");
        app.await("results", () -> table("#scan-results").getItems().size() > 5);
        app.click("#scan-charts");
        app.robot().clickOn("step-down W D");
        app.await(
                "two charts",
                () -> app.robot().lookup("#row-chart-2").tryQuery().isPresent());
        app.await("both loaded", () -> isShown("#row-chart", Timeframe.WEEK) && isShown("#row-chart-2", Timeframe.DAY));
        String first = shownCode();
        app.get(() -> {
            table("#scan-results").requestFocus();
            return null;
        });
        app.robot().push(KeyCode.PAGE_DOWN);
        app.await("the next", () -> !shownCode().equals(first) && isShown("#row-chart", Timeframe.WEEK));
        app.await("on both", () -> isShown("#row-chart-2", Timeframe.DAY));
        String second = shownCode();
        app.keys("ml");
        app.await("the stance", () -> label("#scan-stance").equals("long"));
        app.line("note waits for the turn");
        app.await("the note", () -> label("#scan-stance").equals("long  \u201cwaits for the turn\u201d"));
        InstrumentId taken = app.desk().directory().byCode(second).orElseThrow().id();
        assertThat(app.get(() -> app.desk().books().stance(taken).kind())).isEqualTo(Stance.Kind.LONG);
        assertThat(app.window().bench().viewProperty().get()).isEqualTo(View.SCAN);
        app.robot().push(KeyCode.PAGE_UP);
        app.await(
                "back", () -> shownCode().equals(first) && label("#scan-stance").isEmpty());
        app.click("#scan-more");
        app.robot().clickOn("Group by sector");
        app.await(
                "groups",
                () -> table("#scan-results").getColumns().get(0).getText().equals("Group"));
        app.click("#scan-more");
        app.robot().clickOn("Set an alert on each");
        int count = table("#scan-results").getItems().size();
        app.await("alerts", () -> app.desk().books().alerts().size() == count);
    }

    private String shownCode() {
        return app.get(() -> ((Label) find(".row-chart .code")).getText());
    }

    private boolean isShown(String chart, Timeframe timeframe) {
        ChartModel model = ((ChartView) find(chart)).room().chart();
        return model.timeframe().equals(timeframe)
                && !model.bars().isEmpty()
                && model.instrument().orElseThrow().code().equals(shownCode());
    }

    /** A saved scan is let run by itself, runs when its time comes, and what it found is looked at again. */
    @Test
    void aScanIsScheduledRunsAndItsRunsAreLookedAtAgain() throws Exception {
        goToScan();
        app.await("the rows", () -> conditions().size() == 2);
        app.robot().clickOn("#scan-text").push(KeyCode.CONTROL, KeyCode.A);
        app.robot().write("close > sma(close, 10)", 0);
        app.robot().clickOn("#scan-name").push(KeyCode.CONTROL, KeyCode.A).write("By itself", 0);
        schedule("each evening");
        app.await("what to do first", () -> label("#scan-problem").contains("Save the scan first"));
        app.click("#save-scan");
        schedule("each evening");
        app.await(
                "the schedule",
                () -> app.desk().scanWork().schedule("By itself").isPresent());
        long evening = app.desk()
                        .calendar(app.desk().directory().byCode("KTRL").orElseThrow())
                        .close(LocalDate.of(2026, 6, 19))
                + 11 * Times.MINUTE;
        app.desk().hub().beatAt(evening);
        app.await("the run", () -> app.desk().scanWork().runs("By itself").size() == 1);
        app.await("it is told", () -> app.notices().contains("Scan 'By itself', each evening, as of Fri 19 Jun 2026"));
        app.click("#scan-more");
        app.robot().moveTo("Earlier runs").clickOn("Earlier runs");
        app.await("its run", () -> app.robot().lookup(".menu-item .label").queryAll().stream()
                .anyMatch(node -> ((Labeled) node).getText().startsWith("Fri 19 Jun 2026")));
        app.robot()
                .clickOn(app.robot().lookup(".menu-item .label").queryAll().stream()
                        .filter(node -> ((Labeled) node).getText().startsWith("Fri 19 Jun 2026"))
                        .findFirst()
                        .orElseThrow());
        int found = app.desk().scanWork().runs("By itself").get(0).found().size();
        app.await(
                "the same again",
                () -> label("#scan-summary").startsWith(found + " of ")
                        && table("#scan-results").getItems().size() == found);
        schedule("when asked");
        app.await(
                "no schedule", () -> app.desk().scanWork().schedule("By itself").isEmpty());
        // Evidence of what is written, by the key that gives it on a chart.
        app.robot().clickOn("#scan-results");
        app.keys("id");
        app.await("the cases", () -> table("#evidence-cases").getItems().size() > 50);
        assertThat(label("#evidence-condition")).isEqualTo("close > sma(close, 10)");
    }

    private void schedule(String when) {
        app.get(() -> {
            this.<ComboBox<String>>find("#scan-schedule").setValue(when);
            return null;
        });
    }
}

package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.line.Proposal;
import dev.yardarm.desk.market.SourceState;
import java.nio.file.Path;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The parts of the window one by one, with good and bad input. */
class PanelsTest {
    @TempDir
    private Path home;

    private WindowFixture app;

    @BeforeEach
    void open() throws Exception {
        app = new WindowFixture(home);
        app.open(true);
        app.await("the panels", () -> app.robot().lookup("#list").tryQuery().isPresent());
    }

    @AfterEach
    void close() throws Exception {
        app.close();
    }

    private String notice() {
        return app.notices();
    }

    private TextField field(String query) {
        return app.robot().lookup(query).queryAs(TextField.class);
    }

    private void type(String query, String text) {
        app.robot()
                .clickOn(query)
                .push(KeyCode.CONTROL, KeyCode.A)
                .write(text, 0)
                .push(KeyCode.ENTER);
    }

    @Test
    void theCommandLineCompletesAndSaysWhatEachProposalIs() throws Exception {
        app.robot().push(KeyCode.CONTROL, KeyCode.K).write("harb", 0);
        ListView<Proposal> proposals = app.robot().lookup("#completion").queryListView();
        app.await(
                "proposals", () -> proposals.isVisible() && proposals.getItems().size() >= 3);
        assertThat(proposals.getItems()).allMatch(each -> each.kind().equals("instrument"));
        app.robot().push(KeyCode.DOWN);
        String second = app.get(() -> proposals.getItems().get(1).text());
        app.robot().push(KeyCode.TAB);
        app.await("the completed line", () -> field("#command-line").getText().equals(second));
        app.robot().push(KeyCode.ENTER);
        app.await(
                "its chart", () -> app.room().instrument().orElseThrow().code().equals(second));
        app.robot().push(KeyCode.CONTROL, KeyCode.K);
        app.await(
                "recent lines",
                () -> proposals.isVisible()
                        && proposals.getItems().get(0).text().equals(second));
        app.robot().push(KeyCode.ESCAPE);
        app.await(
                "the chart's focus", () -> app.robot().lookup("#chart").query().isFocused());
    }

    @Test
    void lettersAreForTypingAndSpaceLeads() throws Exception {
        app.robot().push(KeyCode.K);
        app.await("the letter", () -> field("#command-line").getText().equals("k"));
        app.robot().push(KeyCode.ESCAPE).push(KeyCode.ESCAPE);
        app.await("the chart", () -> app.robot().lookup("#chart").query().isFocused());
        app.robot().push(KeyCode.SPACE);
        app.await("the groups", () -> app.robot().lookup("#hint-panel").query().isVisible());
        assertThat(app.robot().lookup("#hint-panel").query().getAccessibleText())
                .contains("T Timeframe");
        app.robot().push(KeyCode.ESCAPE);
        app.keys("tz");
        app.await("why", () -> notice().contains("Nothing is on that key"));
        assertThat(field("#command-line").getText()).isEmpty();
    }

    @Test
    void enterOnALineThatNeedsMoreCompletesItAndSaysWhatIsMissing() throws Exception {
        for (String[] each : new String[][] {
            {"preset", "needs a name"},
            {"titl", "needs a name"},
            {"expo", "needs a file"},
            {"sav", "needs a file"},
            {"go t", "needs a day"},
            {"list new", "needs a name"},
            {"key", "needs an action"}
        }) {
            app.line(each[0]);
            app.await("what is missing for " + each[0], () -> notice().contains(each[1]));
            app.await(
                    "the line goes on",
                    () -> field("#command-line").isFocused()
                            && field("#command-line").getText().startsWith(each[0]));
            app.robot().push(KeyCode.ESCAPE).push(KeyCode.ESCAPE);
        }
        app.line("notices");
        app.await("the notices", () -> app.robot().lookup("#help").query().isVisible());
        assertThat(app.desk().notices()).anyMatch(text -> text.contains("needs a day"));
        app.robot().push(KeyCode.ESCAPE);
        app.await("the chart", () -> app.robot().lookup("#chart").query().isFocused());
    }

    @Test
    void badLinesAreToldAndChangeNothing() throws Exception {
        app.line("sma 0");
        app.await("why", () -> notice().contains("from 1 to 5000"));
        assertThat(app.chart().indicators()).isEmpty();
        app.robot().push(KeyCode.ESCAPE).push(KeyCode.ESCAPE);
        app.line("plan 100 100 120");
        app.await("why", () -> notice().contains("stop must differ"));
        assertThat(app.chart().plan()).isEmpty();
        app.line("clsoe > 3");
        app.await("why", () -> notice().contains("did you mean 'close'"));
        app.robot().push(KeyCode.ESCAPE).push(KeyCode.ESCAPE);
        app.line("line 2026-06-15 100 2026-06-15 101");
        app.await("why", () -> notice().contains("two bars"));
        app.line("alert");
        app.await("why", () -> notice().contains("Select a level or line first"));
        assertThat(app.desk().books().alerts()).isEmpty();
    }

    @Test
    void layersAreChosenHiddenEditedAndRemovedByKeyboard() throws Exception {
        app.line("sma 50");
        app.line("level 101.25");
        app.keys("wk");
        ListView<Selection> layers = app.robot().lookup("#layers").queryListView();
        app.await("the layers' focus", layers::isFocused);
        app.robot().push(KeyCode.HOME).push(KeyCode.DOWN).push(KeyCode.DOWN);
        app.await("the average selected", () -> app.chart().selection() instanceof Selection.Layer);
        app.robot().push(KeyCode.ENTER);
        app.await("hidden", () -> !app.chart().indicators().get(0).style().visible());
        app.robot().push(KeyCode.ENTER);
        app.await("shown", () -> app.chart().indicators().get(0).style().visible());
        @SuppressWarnings("unchecked")
        ComboBox<String> source = app.robot().lookup("#setting-source").queryAs(ComboBox.class);
        app.robot().interact(() -> source.setValue("high"));
        app.await("the source", () -> app.chart().indicators().get(0).title().equals("sma 50 high"));
        app.robot().clickOn("#layers").push(KeyCode.END);
        app.await("the level selected", () -> app.chart().selection() instanceof Selection.Drawing);
        app.robot().push(KeyCode.DELETE);
        app.await("no level", () -> app.chart().drawings().isEmpty());
    }

    @Test
    void keysDoNothingOnAChartThatIsHidden() throws Exception {
        app.line("level 101.25");
        app.await("it is selected", () -> app.chart().selection() instanceof Selection.Drawing);
        app.keys("gp");
        app.await("the plans", () -> app.window().bench().viewProperty().get() == View.PLAN);
        double width = app.chart().time().barWidth();
        app.keys("xx");
        TextField line = app.robot().lookup("#command-line").queryAs(TextField.class);
        app.await("what is typed goes to the command line", () -> line.getText().startsWith("x"));
        app.robot().push(KeyCode.ESCAPE);
        app.robot().push(KeyCode.ESCAPE);
        app.robot().push(KeyCode.EQUALS);
        assertThat(app.chart().time().barWidth()).isEqualTo(width);
        assertThat(app.chart().drawings()).hasSize(1);
        app.robot().push(KeyCode.ESCAPE);
        app.robot().push(KeyCode.ESCAPE);
        assertThat(app.window().bench().viewProperty().get()).isEqualTo(View.PLAN);
    }

    @Test
    void aMarketThatDoesNotAnswerIsSeenAtAGlance() throws Exception {
        Desk desk = app.window().bench().desk();
        String source = desk.directory().sources().get(0);
        Button feed = app.robot().lookup("#feed").queryButton();
        desk.directory().setState(source, SourceState.offline(desk.clock().now(), "the line is cut"));
        app.await("what stands in the status line", () -> feed.getText().startsWith("simulated, no answer since "));
        app.await("why", () -> notice().contains("the line is cut"));
        desk.directory().setState(source, SourceState.READY);
        app.await("as before", () -> feed.getText().equals("simulated, paused"));
        app.await("that it is over", () -> notice().contains("answers again"));
    }

    @Test
    void badNumbersInFieldsAreToldAndTheOldOnesStay() throws Exception {
        app.line("level 101.25");
        type("#anchor-price-0", "high");
        app.await("why", () -> notice().contains("'high' is not a number"));
        assertThat(field("#anchor-price-0").getText()).isEqualTo("101.25");
        app.line("line 2026-03-02 95.2 2026-05-11 101");
        type("#anchor-date-1", "some day");
        app.await("why", () -> notice().contains("is not a date"));
        type("#anchor-date-1", "2026-05-18");
        app.await(
                "the other date",
                () -> app.chart().drawings().get(1).anchors().get(1).time()
                        == app.desk()
                                .calendar(app.room().instrument().orElseThrow())
                                .open(java.time.LocalDate.of(2026, 5, 18)));
    }

    @Test
    void theNumbersOfAPlanAreTypedAndItsSizeFollows() throws Exception {
        app.line("plan 104.20 102.80 107");
        type("#plan-stop", "103.20");
        app.await("the stop", () -> app.chart().plan().orElseThrow().stop() == 103.2);
        app.await("the size", () -> app.robot()
                .lookup("#plan-size")
                .queryAs(Label.class)
                .getText()
                .contains("Size 239"));
        assertThat(app.robot().lookup("#plan-size").queryAs(Label.class).getText())
                .contains("what the account can pay for");
        type("#plan-account", "100000");
        type("#plan-risk", "0.5");
        app.await("the other limit", () -> app.robot()
                .lookup("#plan-size")
                .queryAs(Label.class)
                .getText()
                .contains("size set by the risk per trade"));
        type("#plan-target", "90");
        app.await("why", () -> notice().contains("target must lie above"));
        assertThat(app.chart().plan()).map(TradePlan::target).contains(107.0);
        app.click("#remove-plan");
        app.await("no plan", () -> app.chart().plan().isEmpty());
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await("the plan again", () -> app.chart().plan().isPresent());
        app.line("plans");
        type("#standard-risk", "0");
        app.await("why", () -> notice().contains("above zero"));
    }

    @Test
    void thePriceLayerChangesBarsScaleAndVolume() throws Exception {
        app.robot().interact(() -> app.room().studies().select(Selection.PRICE));
        @SuppressWarnings("unchecked")
        ComboBox<ScaleChoice.Mode> mode = app.robot().lookup("#scale-mode").queryAs(ComboBox.class);
        app.robot().interact(() -> mode.setValue(ScaleChoice.Mode.LOGARITHMIC));
        app.await("log", () -> app.chart().isLogarithmic());
        app.click("#volume-shown");
        app.await("no volume", () -> !app.chart().isVolumeShown());
        @SuppressWarnings("unchecked")
        ComboBox<BarForm> form = app.robot().lookup("#bar-form").queryAs(ComboBox.class);
        app.robot().interact(() -> form.setValue(BarForm.BARS));
        app.await("bars", () -> app.chart().form() == BarForm.BARS);
        app.robot()
                .clickOn("#chart")
                .push(KeyCode.CONTROL, KeyCode.Z)
                .push(KeyCode.CONTROL, KeyCode.Z)
                .push(KeyCode.CONTROL, KeyCode.Z);
        app.await(
                "all taken back",
                () -> app.chart().form() == BarForm.CANDLES
                        && app.chart().isVolumeShown()
                        && !app.chart().isLogarithmic());
    }

    @Test
    void thePriceLayerSetsRangeSessionLinesAndAdjustment() throws Exception {
        app.robot().interact(() -> app.room().studies().select(Selection.PRICE));
        @SuppressWarnings("unchecked")
        ComboBox<ScaleChoice.Fit> fit = app.robot().lookup("#scale-fit").queryAs(ComboBox.class);
        app.robot().interact(() -> fit.setValue(ScaleChoice.Fit.HELD));
        app.await(
                "a held range",
                () -> app.chart().scale().fit() == ScaleChoice.Fit.HELD
                        && app.chart().scale().hasRange());
        app.click("#inverted");
        app.await("upside down", () -> app.chart().scale().inverted());
        app.click("#breaks-shown");
        app.await("no lines", () -> !app.chart().areBreaksShown());
        app.click("#dividends");
        app.await(
                "without dividends",
                () -> app.chart().request().dividends() && !app.chart().bars().isEmpty());
        app.line("undo");
        app.await("taken back", () -> !app.chart().request().dividends());
        app.line("VRTQ");
        app.await(
                "the future",
                () -> app.room().instrument().orElseThrow().code().equals("VRTQ")
                        && !app.chart().bars().isEmpty());
        app.robot().interact(() -> app.room().studies().select(Selection.PRICE));
        @SuppressWarnings("unchecked")
        ComboBox<BarRequest.Joint> joint = app.robot().lookup("#joint").queryAs(ComboBox.class);
        double first = app.chart().bars().close(0);
        app.robot().interact(() -> joint.setValue(BarRequest.Joint.UNADJUSTED));
        app.await(
                "as traded",
                () -> !app.chart().bars().isEmpty() && app.chart().bars().close(0) != first);
        app.robot().interact(() -> {
            app.room().setRule(dev.yardarm.core.bars.BarRule.parse("brick:40@D"));
        });
        app.await(
                "bricks",
                () -> !app.chart().request().isTime() && !app.chart().bars().isEmpty());
        app.await("said so in the layers", () -> app.robot().lookup("#layers .label").queryAll().stream()
                .anyMatch(node -> node instanceof Label label && label.getText().startsWith("price, bricks of 40")));
        @SuppressWarnings("unchecked")
        ComboBox<BarForm> form = app.robot().lookup("#bar-form").queryAs(ComboBox.class);
        app.robot().interact(() -> form.setValue(BarForm.COLUMNS));
        app.await(
                "bars of time again",
                () -> app.chart().request().isTime() && app.chart().form() == BarForm.COLUMNS);
    }

    @Test
    void menusOfListsLayoutsAndPresetsAct() throws Exception {
        app.click("#list-menu");
        app.robot().clickOn("Add the instrument on the chart");
        app.click("#preset-menu");
        app.robot().clickOn("Save this chart as a preset");
        app.await("the command line", () -> app.robot().lookup(".command-line").queryAll().stream()
                .anyMatch(node ->
                        node instanceof TextField field && field.getText().startsWith("preset save")));
        app.robot().write("plain", 0).push(KeyCode.ENTER);
        app.await(
                "a preset",
                () -> app.window().bench().layouts().presets().named("plain").isPresent());
        app.click("#layout-menu");
        app.robot().clickOn("2 charts, 1x2");
        app.await(
                "two charts",
                () -> app.window().bench().layouts().front().charts().size() == 2);
        app.click("#layout-menu");
        app.robot().clickOn("1 chart");
        app.await(
                "one chart",
                () -> app.window().bench().layouts().front().charts().size() == 1);
    }

    @Test
    void aScanWithAFaultSaysWhereAndAGoodOneIsSaved() throws Exception {
        app.keys("gs");
        app.await("the view", () -> app.window().bench().viewProperty().get() == View.SCAN);
        TextField condition = app.robot().lookup(".condition").queryAs(TextField.class);
        app.robot()
                .clickOn(condition)
                .push(KeyCode.CONTROL, KeyCode.A)
                .write("close > smaa(close, 50)", 0)
                .push(KeyCode.ENTER);
        app.await(
                "the fault",
                () -> app.robot()
                                .lookup("#scan-problem")
                                .queryAs(Label.class)
                                .getText()
                                .contains("Row 1, position 9")
                        && app.robot()
                                .lookup("#scan-problem")
                                .queryAs(Label.class)
                                .getText()
                                .contains("did you mean 'sma'"));
        app.robot().clickOn(condition).push(KeyCode.CONTROL, KeyCode.A).write("close > 0", 0);
        type("#scan-name", "Everything");
        app.click("#save-scan");
        app.await("saved", () -> app.desk().books().scans().stream()
                .anyMatch(each -> each.name().equals("Everything")));
        app.click("#run-scan");
        TableView<?> results = app.robot().lookup("#scan-results").queryTableView();
        app.await("results", () -> !results.getItems().isEmpty());
        assertThat(app.robot().lookup("#scan-summary").queryAs(Label.class).getText())
                .contains("match", "19 Jun 2026 15:42");
    }

    @Test
    void theListFindsAndARowCanBeActedOnWithoutOpeningIt() throws Exception {
        app.robot().push(KeyCode.CONTROL, KeyCode.F).write("quay", 0);
        ListView<dev.yardarm.core.instrument.Instrument> list =
                app.robot().lookup("#list").queryListView();
        app.await(
                "fewer rows",
                () -> list.getItems().size() < 5 && !list.getItems().isEmpty());
        String code = app.get(() -> list.getItems().get(0).code());
        app.robot().push(KeyCode.ENTER);
        app.await(
                "its chart", () -> app.room().instrument().orElseThrow().code().equals(code));
        @SuppressWarnings("unchecked")
        ComboBox<String> names = app.robot().lookup("#list-name").queryAs(ComboBox.class);
        app.robot().interact(() -> field("#list-filter").clear());
        app.robot().interact(() -> names.setValue("Indices"));
        app.await("the indices", () -> list.getItems().size() == 12);
        app.robot()
                .interact(() ->
                        app.desk().stanceWork().take(list.getItems().get(3).id(), Stance.Kind.SHORT, ""));
        assertThat(app.desk().books().stance(list.getItems().get(3).id()).kind())
                .isEqualTo(Stance.Kind.SHORT);
        assertThat(app.room().instrument().orElseThrow().code()).isEqualTo(code);
    }

    @Test
    void panelsFoldAwayAndComeBackAndHelpShowsAllKeys() throws Exception {
        double narrow = app.get(() -> app.chart().width());
        app.keys("hl");
        app.keys("hk");
        app.keys("hs");
        app.await("a wide chart", () -> app.chart().width() > narrow + 400);
        app.keys("hl");
        app.keys("hk");
        app.keys("hs");
        app.await("the panels again", () -> app.chart().width() == narrow);
        app.robot().push(KeyCode.F1);
        Node help = app.robot().lookup("#help").query();
        app.await("help", help::isVisible);
        assertThat(app.robot().from(help).lookup("Page Down, Page Up").tryQuery())
                .isPresent();
        app.robot().push(KeyCode.ESCAPE);
        app.await("no help", () -> !help.isVisible());
    }

    @Test
    void escapeEndsToolThenSelection() throws Exception {
        app.line("level 101.25");
        app.keys("dl");
        app.await("a hint", () -> app.robot()
                .lookup("#tool-hint")
                .queryAs(Label.class)
                .getText()
                .contains("first point"));
        app.robot().push(KeyCode.ESCAPE);
        app.await("no tool", () -> app.robot()
                .lookup("#tool-hint")
                .queryAs(Label.class)
                .getText()
                .isEmpty());
        assertThat(app.chart().selection()).isInstanceOf(Selection.Drawing.class);
        app.robot().push(KeyCode.ESCAPE);
        app.await("no selection", () -> app.chart().selection() == Selection.NONE);
    }
}

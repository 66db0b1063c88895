package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.OutputStyle;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.stance.Stance;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.event.Event;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.input.ContextMenuEvent;
import javafx.scene.input.KeyCode;
import org.assertj.core.data.Percentage;
import org.fxmisc.richtext.CodeArea;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Indicators of one's own and blends as a trader makes them in the window. */
class OwnIndicatorsTest {
    private static final String MEAN =
            "define \"My mean\" in price\nsetting length = 5 from 2 to 50\nline sma(close, length) \"Mean\"\n";

    @TempDir
    private Path home;

    private WindowFixture app;

    @AfterEach
    void close() throws Exception {
        app.close();
    }

    private void open() throws Exception {
        app = new WindowFixture(home);
        app.open(true);
        app.click("#chart");
        app.keys("io");
        app.await(
                "the editor", () -> app.robot().lookup("#own-panel").tryQuery().isPresent());
    }

    private <T extends Node> T find(String query) {
        return app.robot().lookup(query).query();
    }

    private CodeArea area() {
        return find("#definition");
    }

    /** Puts a text into the editor as if it had been pasted. */
    private void paste(String text) {
        app.get(() -> {
            area().requestFocus();
            area().replaceText(text);
            return null;
        });
    }

    private List<IndicatorLayer> drawn() {
        return app.get(() -> app.chart().drawnIndicators());
    }

    private List<IndicatorLayer> layers() {
        return app.get(() -> app.chart().indicators());
    }

    private double last(IndicatorLayer layer) {
        return app.get(() -> {
            var lines = app.chart().data().of(layer);
            return lines.isEmpty() ? Double.NaN : lines.get(0).column().last();
        });
    }

    @Test
    void aDefinitionIsTypedTriedOutSavedRestyledBrokenAndBroughtBack() throws Exception {
        open();
        app.click("#new-definition");
        app.get(() -> {
            area().clear();
            area().requestFocus();
            return null;
        });
        app.robot().write("define \"My mean\" in price\n", 0);
        app.robot().write("line sm", 0);
        app.await("proposals", () -> find("#proposals").isVisible());
        assertThat(app.get(() -> ((ListView<?>) find("#proposals")).getItems().size()))
                .isPositive();
        app.robot().push(KeyCode.ENTER);
        app.await("the proposal taken", () -> area().getText().contains("line sma()"));
        app.robot().write("close, 5", 0);
        app.await("the draft on the chart", () -> drawn().size() == 1);
        assertThat(layers()).isEmpty();
        app.await("its values", () -> last(drawn().get(0)) > 0);
        // A letter typed in the editor opens no command line.
        assertThat(area().getText()).contains("line sma(close, 5)");
        paste(MEAN);
        app.robot().push(KeyCode.CONTROL, KeyCode.S);
        app.await("saved", () -> app.desk().ownWork().find("my_mean").isPresent());
        app.robot().push(KeyCode.CONTROL, KeyCode.ENTER);
        app.await("on the chart", () -> layers().size() == 1 && drawn().size() == 1);
        // Its setting in Layers.
        app.await(
                "its details",
                () -> app.robot().lookup("#setting-length").tryQuery().isPresent());
        Spinner<Integer> length = find("#setting-length");
        app.get(() -> {
            length.getValueFactory().setValue(9);
            return null;
        });
        app.await("the setting", () -> layers().get(0).settings().whole("length") == 9);
        app.await("its values", () -> last(layers().get(0)) > 0);
        double mean = last(layers().get(0));
        // Broken, the last good one stays on the chart.
        paste(MEAN.replace("sma(", "smaa("));
        app.await(
                "a fault",
                () -> ((javafx.scene.layout.VBox) find("#faults")).getChildren().get(0) instanceof Labeled link
                        && link.getText().contains("line 3"));
        app.click("#save-definition");
        app.await(
                "the broken version",
                () -> app.desk()
                                .ownWork()
                                .find("my_mean")
                                .orElseThrow()
                                .versions()
                                .size()
                        == 2);
        assertThat(last(layers().get(0))).isEqualTo(mean);
        // A version comes back.
        app.click("#own-versions");
        app.await(
                "the versions",
                () -> ((ListView<?>) find("#versions")).getItems().size() == 2);
        app.get(() -> {
            ((ListView<?>) find("#versions")).getSelectionModel().select(1);
            return null;
        });
        assertThat(app.robot().lookup(".difference-gone").queryAll()).isNotEmpty();
        app.click("#bring-back");
        app.await("the text of the first", () -> area().getText().equals(MEAN));
        app.robot().push(KeyCode.CONTROL, KeyCode.S);
        app.await(
                "a third version",
                () -> app.desk()
                                .ownWork()
                                .find("my_mean")
                                .orElseThrow()
                                .versions()
                                .size()
                        == 3);
        assertThat(app.get(() -> app.desk().ownWork().state().faults())).isEmpty();
        app.click("#own-close");
        app.await("the lists again", () -> find("#list").isVisible());
        // In the picker, with its help.
        app.click("#chart");
        app.keys("ii");
        app.await("the catalogue", () -> find("#indicator-picker").isVisible());
        app.robot().write("my mean", 0);
        app.await(
                "it is found",
                () -> ((ListView<?>) find("#indicator-list")).getItems().size() == 1);
        app.robot().push(KeyCode.ESCAPE);
    }

    private void say(String sentence) throws Exception {
        app.get(() -> {
            TextField field = find("#sentence");
            field.requestFocus();
            field.setText(sentence);
            return null;
        });
        app.robot().push(KeyCode.ENTER);
        app.await(
                "what it was understood as",
                () -> !app.robot().lookup("#proposed").queryAll().isEmpty());
    }

    @Test
    void threeSentencesMakeAnIndicatorEachShownBeforeItIsTaken() throws Exception {
        open();
        say("colour bars whose low stays over a climbing 40-bar weighted average");
        assertThat(((Label) find("#understood")).getText()).contains("low > average");
        assertThat(area().getText()).isEmpty();
        app.robot().push(KeyCode.ENTER);
        app.await("the draft", () -> area().getText().contains("wma(close, 40)"));
        app.await("the draft on the chart", () -> drawn().size() == 1);
        say("make the average adjustable");
        app.click("#take-proposal");
        app.await("the setting", () -> area().getText().contains("setting length = 40"));
        say("name those bars Strong and give them a cue");
        app.click("#leave-proposal");
        assertThat(area().getText()).doesNotContain("Strong");
        say("name those bars Strong and give them a cue");
        app.click("#take-proposal");
        app.await("the name", () -> area().getText().contains("cue \"Strong begins\""));
        say("colour bars above the average price of gizmos");
        assertThat(((Label) find("#unclear")).getText()).contains("Not understood");
        assertThat(app.get(() -> find("#take-proposal").isVisible())).isFalse();
        app.robot().push(KeyCode.ESCAPE);
        app.click("#put-on-chart");
        app.await("on the chart", () -> layers().size() == 1);
        assertThat(app.get(() -> layers().get(0).outputStyle(0).form()))
                .isEqualTo(dev.yardarm.core.indicator.Indicator.Form.TINT);
        OutputStyle other = app.get(() -> layers().get(0).outputStyle(0).withColour(3));
        app.get(() -> {
            app.room()
                    .indicators()
                    .change(layers().get(0).withStyle(layers().get(0).style().withOutput("strong", other)));
            return null;
        });
        assertThat(layers().get(0).colourOf(0)).isEqualTo(3);
    }

    @Test
    void anExampleIsFoundOpenedAndTextFilesComeInAndGoOut() throws Exception {
        open();
        app.click("#own-library");
        app.await(
                "the library", () -> ((ListView<?>) find("#library")).getItems().size() >= 30);
        app.get(() -> {
            ((TextField) find("#library-search")).setText("four stages");
            return null;
        });
        app.click("#library-open");
        app.await("the example", () -> area().getText().contains("\"Four stages\""));
        app.await("tried out", () -> drawn().size() == 1);
        Path file = Files.writeString(home.resolve("more.txt"), MEAN);
        app.get(() -> {
            app.desk().ownWork().takeIn(Files.readString(file));
            return null;
        });
        app.click("#own-library");
        app.get(() -> {
            ((TextField) find("#library-search")).setText("my mean");
            return null;
        });
        app.await(
                "the one taken in",
                () -> ((ListView<?>) find("#library")).getItems().size() == 1);
        app.click("#library-delete");
        app.await("it is gone", () -> app.desk().ownWork().all().isEmpty());
    }

    @Test
    void whatWasNotSavedSurvivesAnotherTextAndTheEndAndTheListsComeBack() throws Exception {
        open();
        paste(MEAN);
        app.click("#new-definition");
        app.await("the new one", () -> area().getText().contains("New indicator"));
        app.await("it is said", () -> app.notices().contains("brings it back"));
        app.get(() -> {
            area().requestFocus();
            return null;
        });
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await("the text before", () -> area().getText().equals(MEAN));
        app.await("it is kept", () -> Files.readString(home.resolve("documents/workspace.json"))
                .contains("My mean"));
        app.close();
        app = new WindowFixture(home);
        app.open(true);
        assertThat(app.get(() -> find("#list-panel").getParent().isVisible())).isTrue();
        app.click("#chart");
        app.keys("io");
        app.await("the text as it was left", () -> area().getText().equals(MEAN));
        app.await("tried out again", () -> drawn().size() == 1);
    }

    @Test
    void aBlendIsMadeInALineAndUsedOnAChartInAListAndInAComparison() throws Exception {
        open();
        app.click("#own-blends");
        app.get(() -> {
            ((TextField) find("#blend-formula")).setText("#KTRL / #MARN");
            return null;
        });
        app.await("its preview", () -> drawn().size() == 1 && last(drawn().get(0)) > 0);
        app.click("#own-close");
        assertThat(drawn()).isEmpty();
        Instrument blend = openBlend("\"Kettering over Marn\" KTRL / MARN");
        assertThat(blend.kind()).isEqualTo(Instrument.Kind.BLEND);
        assertThat(app.get(() -> app.chart().isOfCloses())).isTrue();
        assertThat(((Label) app.robot().lookup("#chart-title .soft").query()).getText())
                .contains("closes");
        putIntoList(blend);
        app.line("KTRL");
        app.await("the other chart", () -> app.chart()
                .instrument()
                .filter(each -> each.code().equals("KTRL"))
                .isPresent());
        app.line("compare KTMR");
        app.await("the comparison", () -> layers().size() == 1 && last(layers().get(0)) > 0);
        app.line("blend KTMR 2 * KTRL / MARN");
        app.await("the changed blend", () -> app.desk()
                .blendWork()
                .find("KTMR")
                .orElseThrow()
                .formula()
                .contains("2 *"));
        app.line("blend delete KTMR");
        app.await("it is gone", () -> app.desk().directory().byCode("KTMR").isEmpty());
    }

    /** Makes the blend KTMR and waits for its chart. */
    private Instrument openBlend(String what) throws Exception {
        app.line("blend KTMR " + what);
        app.await(
                "its chart",
                () -> app.chart()
                                .instrument()
                                .filter(each -> each.code().equals("KTMR"))
                                .isPresent()
                        && !app.chart().bars().isEmpty());
        return app.get(() -> app.chart().instrument().orElseThrow());
    }

    private void putIntoList(Instrument instrument) throws Exception {
        app.line("list add");
        app.await("it is in the list", () -> app.room().members().contains(instrument));
    }

    /** With the market running: the chart, the row of the list and the comparison move with the parts. */
    @Test
    void aBlendMovesWithTheMarketOnAChartInAListAndInAComparison() throws Exception {
        app = new WindowFixture(home);
        app.open(false);
        app.click("#chart");
        Instrument blend = openBlend("KTRL / MARN");
        putIntoList(blend);
        app.get(() -> {
            this.<ListView<Instrument>>find("#list").scrollTo(blend);
            return null;
        });
        app.await("its price in the list", () -> !priceInList(blend).isEmpty());
        String listed = app.get(() -> priceInList(blend));
        double shown = lastOnChart();
        app.await("the chart moves", () -> lastOnChart() != shown);
        app.await("the row of the list moves", () -> !priceInList(blend).equals(listed));
        app.line("KTRL");
        app.await("the other chart", () -> app.chart()
                .instrument()
                .filter(each -> each.code().equals("KTRL"))
                .isPresent());
        app.line("compare KTMR");
        app.await("the comparison", () -> layers().size() == 1 && last(layers().get(0)) > 0);
        double compared = last(layers().get(0));
        app.await("the comparison moves", () -> last(layers().get(0)) != compared);
        // What it shows now is what its parts are worth now.
        double marn = app.desk()
                .histories()
                .load(
                        app.desk().directory().byCode("MARN").orElseThrow(),
                        BarRequest.of(Timeframe.DAY),
                        app.desk().clock().now())
                .series()
                .snapshot()
                .close(app.get(() -> app.chart().bars().size()) - 1);
        assertThat(last(layers().get(0))).isCloseTo(lastOnChart() / marn, Percentage.withPercentage(2));
    }

    private double lastOnChart() {
        return app.get(() -> app.chart().bars().close(app.chart().bars().size() - 1));
    }

    private String priceInList(Instrument instrument) {
        return app.robot().lookup("#list .label").queryAll().stream()
                .filter(node -> ((Labeled) node).getText().equals(instrument.code()) && node.getScene() != null)
                .findFirst()
                .map(node ->
                        ((Labeled) node.getParent().getChildrenUnmodifiable().get(3)).getText())
                .orElse("");
    }

    /** A cue of an indicator of one's own: an alert by key, the row in Watch, taken back by undo. */
    @Test
    void anAlertWaitsOnACueOfOnesOwn() throws Exception {
        open();
        paste(MEAN + "cue \"Over\" when close > sma(close, length)\n");
        app.robot().push(KeyCode.CONTROL, KeyCode.S);
        app.await("saved", () -> app.desk().ownWork().find("my_mean").isPresent());
        app.robot().push(KeyCode.CONTROL, KeyCode.ENTER);
        app.await("on the chart", () -> layers().size() == 1 && drawn().size() == 1);
        app.click("#own-close");
        app.click("#chart");
        app.keys("mc");
        app.await("the alert", () -> app.desk().books().alerts().size() == 1);
        assertThat(app.get(() -> app.desk().books().alerts().get(0).condition()))
                .isEqualTo("my_mean.over");
        app.line("alert rsi(14) < 30");
        app.await("the other alert", () -> app.desk().books().alerts().size() == 2);
        assertThat(app.notices()).contains("Alert set on KTRL: rsi(14) < 30 on D");
        app.keys("gw");
        app.await("both in Watch", () -> app.robot().lookup("#waiting-alerts .table-cell").queryAll().stream()
                .map(node -> ((Labeled) node).getText())
                .toList()
                .containsAll(List.of("my_mean.over", "rsi(14) < 30")));
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await("taken back", () -> app.desk().books().alerts().size() == 1);
    }

    /** Rows that were made anew with each quote changed places under a press. */
    @Test
    void rowsOfTheListStayWhereTheyAreWhenWhatTheyShowChanges() throws Exception {
        app = new WindowFixture(home);
        app.open(true);
        ListView<Instrument> list = find("#list");
        app.await("the list", () -> list.getItems().size() > 5);
        List<Instrument> some = app.get(() -> List.copyOf(list.getItems().subList(0, 5)));
        List<Node> before = app.get(() -> some.stream().map(this::rowOf).toList());
        for (Instrument each : some) {
            // In one turn of the thread: with the layout that comes of it, and before any other.
            List<Node> after = app.get(() -> {
                app.desk().stanceWork().take(each.id(), Stance.Kind.LONG, "");
                list.layout();
                return some.stream().map(this::rowOf).toList();
            });
            assertThat(after).as("after the stance of " + each.code()).isEqualTo(before);
        }
        assertThat(app.get(() -> app.robot().lookup("#list .stance").queryAll().stream()
                        .filter(node -> ((Labeled) node).getText().equals("long"))
                        .count()))
                .isEqualTo(5);
    }

    @Test
    void chosenRowsOfAListBecomeABasketWhoseWeightsAreChangedInTheEditor() throws Exception {
        app = new WindowFixture(home);
        app.open(true);
        ListView<Instrument> list = find("#list");
        app.await("the list", () -> list.getItems().size() > 5);
        Instrument first = app.get(() -> list.getItems().get(0));
        Instrument second = app.get(() -> list.getItems().get(1));
        app.robot().clickOn(rowOf(first));
        app.robot().press(KeyCode.SHIFT).clickOn(rowOf(second)).release(KeyCode.SHIFT);
        // The offscreen toolkit makes no requests for menus out of right clicks.
        app.robot().interact(() -> {
            Node row = rowOf(second);
            Point2D at = row.localToScreen(2, 2);
            Event.fireEvent(
                    row,
                    new ContextMenuEvent(
                            ContextMenuEvent.CONTEXT_MENU_REQUESTED, 2, 2, at.getX(), at.getY(), false, null));
        });
        app.await("the menu", () -> app.robot().lookup("Blend of 2").tryQuery().isPresent());
        app.robot()
                .push(KeyCode.UP)
                .push(KeyCode.UP)
                .push(KeyCode.UP)
                .push(KeyCode.UP)
                .push(KeyCode.RIGHT);
        app.await(
                "its forms",
                () -> app.robot().lookup("basket with weights").tryQuery().isPresent());
        app.robot().push(KeyCode.UP).push(KeyCode.ENTER);
        app.await("the formula in the editor", () -> ((TextField) find("#blend-formula"))
                .getText()
                .equals("0.5 * #" + first.code() + " + 0.5 * #" + second.code()));
        app.await("its preview", () -> drawn().size() == 1);
        app.get(() -> {
            TextField formula = find("#blend-formula");
            formula.setText(formula.getText().replaceFirst("0\\.5", "0.7").replaceFirst("0\\.5", "0.3"));
            ((TextField) find("#blend-code")).setText("PAIR");
            return null;
        });
        app.click("#blend-open");
        app.await("its chart", () -> app.chart()
                .instrument()
                .filter(each -> each.code().equals("PAIR"))
                .isPresent());
        assertThat(app.desk().blendWork().find("PAIR").orElseThrow().formula())
                .isEqualTo("0.7 * #" + first.code() + " + 0.3 * #" + second.code());
    }

    private Node rowOf(Instrument instrument) {
        return app.robot().lookup("#list .label").queryAll().stream()
                .filter(node -> ((Labeled) node).getText().equals(instrument.code()) && node.getScene() != null)
                .findFirst()
                .orElseThrow();
    }
}

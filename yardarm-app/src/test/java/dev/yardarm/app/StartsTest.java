package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.desk.action.View;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** First starts, later starts, and starts with damaged files; what fires while the window is open. */
class StartsTest {
    @TempDir
    private Path home;

    private WindowFixture start(boolean still) throws Exception {
        WindowFixture app = new WindowFixture(home);
        app.open(still);
        app.await("the panels", () -> app.robot().lookup("#list").tryQuery().isPresent());
        return app;
    }

    private static String notice(WindowFixture app) {
        return app.notices();
    }

    @Test
    void theFirstStartShowsAChartAndMakesTheDataMeanwhile() throws Exception {
        WindowFixture app = new WindowFixture(home);
        app.openAsItIs(true);
        assertThat(app.room().instrument().orElseThrow().code()).isEqualTo("KTRL");
        assertThat(app.chart().timeframe()).isEqualTo(Timeframe.DAY);
        assertThat(app.chart().bars().size()).isGreaterThan(3600);
        app.await("the data made", () -> notice(app).contains("demo data is made"));
        app.close();
        assertThat(home.resolve("history/halcyon-1-2/D.parquet")).isNotEmptyFile();
        assertThat(home.resolve("orders.jsonl"))
                .content()
                .contains(
                        "\"kind\":\"large\"",
                        "\"kind\":\"absorbed\"",
                        "\"kind\":\"untouched_poc\"",
                        "VRTQ-M26",
                        "EMBRA");
        assertThat(home.resolve("planted.jsonl")).content().contains("\"kind\":\"double_top\"", "\"knowable\":\"20");
    }

    @Test
    void aDamagedWorkspaceIsSetAsideAndToldAndTheRestIsThere() throws Exception {
        WindowFixture first = start(true);
        first.line("level 101.5");
        first.line("night watch");
        first.close();
        Path workspace = home.resolve("documents/workspace.json");
        Files.writeString(workspace, Files.readString(workspace).substring(0, 90));
        try (var copies = Files.walk(home.resolve("documents/last-good"))) {
            for (Path copy : copies.filter(each -> each.getFileName().toString().startsWith("workspace"))
                    .toList()) {
                Files.delete(copy);
            }
        }
        WindowFixture second = start(true);
        second.await(
                "what happened",
                () -> notice(second).contains("workspace") && notice(second).contains("set aside"));
        assertThat(second.chart().drawings()).hasSize(1);
        assertThat(second.window().theme()).as("a new workspace").isEqualTo(Palette.Theme.DAYLIGHT);
        try (var aside = Files.list(home.resolve("documents/set-aside"))) {
            assertThat(aside).hasSize(1);
        }
        second.close();
    }

    @Test
    void theWindowComesBackInTheViewAndThemeItWasLeftIn() throws Exception {
        WindowFixture first = start(true);
        first.line("MARN W");
        first.await(
                "weeks",
                () -> first.chart().timeframe().equals(Timeframe.WEEK)
                        && !first.chart().bars().isEmpty());
        first.keys("ht");
        first.keys("hk");
        first.keys("gp");
        first.close();
        WindowFixture second = new WindowFixture(home);
        second.open(true);
        assertThat(second.window().bench().viewProperty().get()).isEqualTo(View.PLAN);
        assertThat(second.window().theme()).isEqualTo(Palette.Theme.NIGHT_WATCH);
        second.keys("gc");
        assertThat(second.room().instrument().orElseThrow().code()).isEqualTo("MARN");
        assertThat(second.chart().timeframe()).isEqualTo(Timeframe.WEEK);
        second.await("the folded panel", () -> second.robot()
                .lookup("#layers-panel")
                .tryQuery()
                .filter(panel -> !panel.getParent().getParent().isVisible())
                .isPresent());
        second.close();
    }

    @Test
    void aFiredAlertShowsAtOnceAndIsPutAwayByAClick() throws Exception {
        WindowFixture app = start(true);
        app.robot().interact(() -> {
            var instrument = app.room().instrument().orElseThrow();
            long open = app.desk().calendar(instrument).open(java.time.LocalDate.of(2026, 6, 19));
            app.room().studies().draw(Drawing.LEVEL, List.of(new dev.yardarm.core.drawing.Anchor(open, 105)));
            app.desk()
                    .books()
                    .alertShelf()
                    .put(Alert.onDrawing(
                            "a",
                            instrument.id(),
                            app.chart().drawings().get(0).id(),
                            Alert.Trigger.REACHES,
                            Timeframe.DAY,
                            false,
                            open + 1));
        });
        Node shown = app.robot().lookup("#alert-notice").query();
        app.await("the notice", shown::isVisible);
        assertThat(notice(app)).contains("KTRL reaches \"Level\"");
        assertThat(app.chart().firings()).hasSize(1);
        assertThat(app.chart().alerts()).isEmpty();
        app.line("MARN");
        app.await(
                "another chart",
                () -> app.room().instrument().orElseThrow().code().equals("MARN"));
        assertThat(shown.isVisible()).as("it stays until it was looked at").isTrue();
        app.keys("ga");
        app.await(
                "its chart", () -> app.room().instrument().orElseThrow().code().equals("KTRL"));
        assertThat(shown.isVisible()).isFalse();
        app.close();
    }

    @Test
    void theStripFollowsTheInstrumentAndMarksTheTimeframeShown() throws Exception {
        WindowFixture app = start(true);
        app.await(
                "the mark",
                () -> app.robot().lookup("#strip-D").query().getStyleClass().contains("strip-current"));
        app.keys("tw");
        app.await(
                "the other mark",
                () -> app.robot().lookup("#strip-W").query().getStyleClass().contains("strip-current")
                        && !app.robot()
                                .lookup("#strip-D")
                                .query()
                                .getStyleClass()
                                .contains("strip-current"));
        app.robot().interact(() -> app.robot().lookup("#strip-4h").query().requestFocus());
        app.robot().push(KeyCode.ENTER);
        app.await("four hours", () -> app.chart().timeframe().equals(Timeframe.HOURS_4));
        app.close();
    }

    @Test
    void whileTypingLettersAreLetters() throws Exception {
        WindowFixture app = start(true);
        app.robot().push(KeyCode.CONTROL, KeyCode.F);
        app.robot().write("n", 0);
        app.await("typed", () -> app.robot()
                .lookup("#list-filter")
                .queryTextInputControl()
                .getText()
                .equals("n"));
        assertThat(app.room().instrument().orElseThrow().code())
                .as("N did not step")
                .isEqualTo("KTRL");
        assertThat(app.robot().lookup("#hint-panel").query().isVisible()).isFalse();
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await("its own undo", () -> app.robot()
                .lookup("#list-filter")
                .queryTextInputControl()
                .getText()
                .isEmpty());
        assertThat(app.chart().selection()).isEqualTo(Selection.NONE);
        app.close();
    }
}

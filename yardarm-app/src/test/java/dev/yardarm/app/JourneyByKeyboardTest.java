package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.action.View;
import java.nio.file.Path;
import javafx.scene.control.TableView;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The trader's day by keyboard alone, from the first start to the second. */
class JourneyByKeyboardTest {
    @TempDir
    private Path home;

    @Test
    void aDayByKeyboard() throws Exception {
        WindowFixture app = new WindowFixture(home);
        app.open(false);
        openAndSetUp(app);
        indicators(app);
        draw(app);
        timeframesAndRounds(app);
        find(app);
        waitForIt(app);
        plan(app);
        app.close();
        comeBack();
    }

    private void openAndSetUp(WindowFixture app) throws Exception {
        app.line("kettering");
        app.await(
                "KTRL",
                () -> app.room().instrument().orElseThrow().code().equals("KTRL")
                        && !app.chart().bars().isEmpty());
        app.keys("bb");
        assertThat(app.chart().form()).isEqualTo(BarForm.BARS);
        app.keys("bl");
        assertThat(app.chart().form()).isEqualTo(BarForm.LINE);
        app.keys("bc");
        assertThat(app.chart().form()).isEqualTo(BarForm.CANDLES);
        String second = "wd4hf51m";
        Timeframe[] expected = {
            Timeframe.WEEK,
            Timeframe.DAY,
            Timeframe.HOURS_4,
            Timeframe.HOUR,
            Timeframe.MINUTES_15,
            Timeframe.MINUTES_5,
            Timeframe.MINUTE,
            Timeframe.MONTH
        };
        for (int at = 0; at < second.length(); at++) {
            app.keys("t" + second.charAt(at));
            assertThat(app.chart().timeframe()).isEqualTo(expected[at]);
            app.await("bars of " + expected[at], () -> !app.chart().bars().isEmpty());
        }
        app.keys("td");
        app.await("days", () -> !app.chart().bars().isEmpty());
        double width = app.chart().time().barWidth();
        app.robot().push(KeyCode.EQUALS);
        app.await("a zoom", () -> app.chart().time().barWidth() > width);
        app.robot().push(KeyCode.LEFT);
        app.robot().push(KeyCode.LEFT);
        app.robot().push(KeyCode.LEFT);
        app.await("the past", () -> !app.chart().isFollowing());
        app.robot().push(KeyCode.END);
        app.await("the newest bars", () -> app.chart().isFollowing());
        app.keys("sl");
        assertThat(app.chart().isLogarithmic()).isTrue();
        app.keys("sn");
        app.keys("hv");
        assertThat(app.chart().isVolumeShown()).isFalse();
        app.keys("hv");
        app.line("night watch");
        assertThat(app.window().theme()).isEqualTo(Palette.Theme.NIGHT_WATCH);
        app.keys("ht");
        assertThat(app.window().theme()).isEqualTo(Palette.Theme.DAYLIGHT);
        app.keys("g");
        assertThat(app.robot().lookup("#hint-panel").query().isVisible()).isTrue();
        app.robot().push(KeyCode.ESCAPE);
        assertThat(app.robot().lookup("#hint-panel").query().isVisible()).isFalse();
        app.line("zzqx");
        app.await("why", () -> app.notices().contains("Nothing is called 'zzqx'"));
        app.robot().push(KeyCode.ESCAPE);
        app.robot().push(KeyCode.ESCAPE);
    }

    private void indicators(WindowFixture app) throws Exception {
        app.line("sma 50");
        app.line("ema 20");
        app.line("rsi 14");
        app.await("values of three", () -> app.chart().data().indicators().size() == 3);
        assertThat(app.chart().panes()).hasSize(3);
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        assertThat(app.chart().indicators()).hasSize(2);
        app.robot().push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Z);
        assertThat(app.chart().indicators()).hasSize(3);
    }

    private void draw(WindowFixture app) throws Exception {
        app.line("level 98.40");
        assertThat(app.chart().drawings()).hasSize(1);
        app.robot().push(KeyCode.UP);
        app.await(
                "a nudge", () -> app.chart().drawings().get(0).anchors().get(0).price() == 98.41);
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await(
                "the old price",
                () -> app.chart().drawings().get(0).anchors().get(0).price() == 98.40);
        app.keys("dl");
        app.robot().push(KeyCode.LEFT);
        for (int press = 0; press < 20; press++) {
            app.robot().push(KeyCode.LEFT);
        }
        app.robot().push(KeyCode.ENTER);
        for (int press = 0; press < 12; press++) {
            app.robot().push(KeyCode.RIGHT);
        }
        app.robot().push(KeyCode.ENTER);
        app.await("a line", () -> app.chart().drawings().size() == 2);
        app.robot().push(KeyCode.DELETE);
        app.await("no line", () -> app.chart().drawings().size() == 1);
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await("the line again", () -> app.chart().drawings().size() == 2);
    }

    private void timeframesAndRounds(WindowFixture app) throws Exception {
        app.keys("th");
        app.await("hours", () -> !app.chart().bars().isEmpty());
        assertThat(app.chart().drawings()).hasSize(2).allMatch(drawing -> drawing.origin()
                .isHigherThan(app.chart().timeframe()));
        app.keys("td");
        app.keys("ml");
        app.robot().push(KeyCode.PAGE_DOWN);
        app.await("the next", () -> app.room().instrument().orElseThrow().code().equals("EBSP"));
        assertThat(app.chart().indicators()).hasSize(3);
        app.keys("mk");
        app.robot().write("too wide", 0);
        app.robot().push(KeyCode.ENTER);
        app.keys("mn");
        app.robot().write("look on Monday", 0);
        app.robot().push(KeyCode.ENTER);
        Stance stance = app.get(() ->
                app.desk().books().stance(app.room().instrument().orElseThrow().id()));
        assertThat(stance.kind()).isEqualTo(Stance.Kind.SKIP);
        assertThat(stance.reason()).isEqualTo("too wide");
        assertThat(stance.note()).isEqualTo("look on Monday");
        app.robot().push(KeyCode.PAGE_UP);
        app.await(
                "back",
                () -> app.room().instrument().orElseThrow().code().equals("KTRL")
                        && !app.chart().bars().isEmpty());
        assertThat(app.desk()
                        .books()
                        .stance(app.room().instrument().orElseThrow().id())
                        .kind())
                .isEqualTo(Stance.Kind.LONG);
    }

    private void find(WindowFixture app) throws Exception {
        app.line("close > sma(close, 50) and rsi(14) > 50");
        assertThat(app.window().bench().viewProperty().get()).isEqualTo(View.SCAN);
        TableView<?> results = app.robot().lookup("#scan-results").queryTableView();
        app.await("results", () -> !results.getItems().isEmpty());
        app.robot().push(KeyCode.ENTER);
        app.await("the chart", () -> app.window().bench().viewProperty().get() == View.CHART);
        app.line("#KTRL");
        app.await(
                "KTRL",
                () -> app.room().instrument().orElseThrow().code().equals("KTRL")
                        && !app.chart().bars().isEmpty());
    }

    private void waitForIt(WindowFixture app) throws Exception {
        double last = app.get(() -> app.chart().bars().close(app.chart().bars().size() - 1));
        app.line(String.format(java.util.Locale.ROOT, "level %.2f", last + 0.05));
        app.keys("ma");
        app.line(String.format(java.util.Locale.ROOT, "level %.2f", last - 0.05));
        app.keys("ma");
        assertThat(app.desk().books().alerts()).hasSize(2);
        app.desk().clock().setSpeed(600);
        app.await("an alert", () -> !app.desk().books().firings().isEmpty());
        app.await("a notice", () -> app.robot().lookup("#alert-notice").query().isVisible());
        app.desk().clock().setRunning(false);
        app.keys("gw");
        TableView<?> fired = app.robot().lookup("#fired-alerts").queryTableView();
        assertThat(fired.getItems()).isNotEmpty();
        assertThat(app.chart().firings()).isNotEmpty();
        app.keys("gc");
    }

    private void plan(WindowFixture app) throws Exception {
        app.line("plan 104 101.5 111");
        assertThat(app.chart().plan()).isPresent();
        app.keys("gp");
        TableView<?> plans = app.robot().lookup("#plans").queryTableView();
        assertThat(plans.getItems()).hasSize(1);
        app.robot().push(KeyCode.ENTER);
        app.await("the chart", () -> app.window().bench().viewProperty().get() == View.CHART);
    }

    private void comeBack() throws Exception {
        WindowFixture again = new WindowFixture(home);
        again.open(true);
        again.await("KTRL", () -> again.room().instrument().orElseThrow().code().equals("KTRL"));
        assertThat(again.chart().indicators())
                .extracting(layer -> layer.title())
                .containsExactly("sma 50", "ema 20", "rsi 14");
        assertThat(again.chart().drawings()).hasSize(4);
        assertThat(again.chart().plan())
                .hasValueSatisfying(plan -> assertThat(plan.target()).isEqualTo(111));
        assertThat(again.desk().books().alerts()).hasSize(2);
        assertThat(again.desk().books().firings()).isNotEmpty();
        assertThat(again.desk()
                        .books()
                        .stance(again.room().members().get(1).id())
                        .reason())
                .isEqualTo("too wide");
        again.close();
    }
}

package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.ScenarioMark;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.series.Times;
import java.nio.file.Path;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Scenarios in the window: typed, weighed side by side in Layers, struck out by price and taken back. */
class ScenariosViewTest {
    @TempDir
    private Path home;

    private WindowFixture app;
    private double last;

    @BeforeEach
    void open() throws Exception {
        app = new WindowFixture(home);
        app.open(true);
        app.line("KTRL D");
        app.await("the chart", () -> !app.chart().bars().isEmpty());
        last = app.get(() -> app.chart().data().last());
        app.line(String.format(
                Locale.ROOT, "scenario \"fifth up\" 60%% to %.2f, wrong below %.2f", last + 8, last - 0.15));
        app.line(String.format(Locale.ROOT, "scenario \"flat\" 25%% to %.2f, wrong above %.2f", last - 4, last + 30));
        app.line(String.format(Locale.ROOT, "scenario \"deep\" to %.2f, wrong above %.2f", last - 9, last + 40));
        app.await("three of them", () -> app.chart().scenarios().size() == 3);
    }

    @AfterEach
    void close() throws Exception {
        app.close();
    }

    private ScenarioMark mark(String title) {
        return app.get(() -> app.chart().scenarios().stream()
                .filter(each -> each.scenario().title().equals(title))
                .findFirst()
                .orElseThrow());
    }

    private void choose() throws Exception {
        app.get(() -> {
            app.room().studies().select(Selection.SCENARIOS);
            return true;
        });
        app.await(
                "side by side",
                () -> app.robot().lookup("#scenarios").tryQuery().isPresent());
    }

    private void press(String button) {
        app.robot().interact(() -> ((Button) app.robot().lookup(button).query()).fire());
    }

    @Test
    void oneIsStruckOutByPriceToldAndTakenBack() throws Exception {
        assertThat(Math.round(mark("fifth up").share())).isEqualTo(60);
        assertThat(Math.round(mark("deep").share())).as("what was left").isEqualTo(15);
        choose();
        app.desk().clock().setSpeed(600);
        app.desk().clock().setRunning(true);
        app.await(
                "price strikes it out",
                () -> mark("fifth up").struck() || app.desk().clock().now() < 0);
        app.desk().clock().setRunning(false);
        assertThat(app.notices()).contains("Scenario 'fifth up' on KTRL was struck out at");
        assertThat(mark("flat").share() + mark("deep").share()).isBetween(99.99, 100.01);
        app.await(
                "it can be taken back",
                () -> app.robot().lookup("#back-fifth-up").tryQuery().isPresent());
        press("#back-fifth-up");
        app.await("it stands again", () -> !mark("fifth up").struck());
        assertThat(Math.round(mark("fifth up").share())).isEqualTo(60);
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await("the taking back is undone", () -> mark("fifth up").struck());
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await("the strike is undone", () -> !mark("fifth up").struck());
    }

    @Test
    void sharesAreTypedAndWhatDecidesIsAnAlert() throws Exception {
        choose();
        TextField share = app.robot().lookup("#share-flat").query();
        app.robot().interact(() -> {
            share.requestFocus();
            share.setText("45");
        });
        app.robot().push(KeyCode.ENTER);
        app.await("its share", () -> Math.round(mark("flat").share()) == 45);
        assertThat(mark("fifth up").share() + mark("deep").share()).isBetween(54.99, 55.01);
        VBox history = app.robot().lookup("#scenario-history").query();
        assertThat(app.get(() -> history.getChildren().size())).isEqualTo(4);
        String alert =
                "#alert-" + String.format(Locale.ROOT, "%.2f", last - 0.15).replace('.', '-');
        press(alert);
        app.await("the alert", () -> app.desk().books().alerts().size() == 1);
        app.line("share of deep 50%");
        app.await("by a line", () -> Math.round(mark("deep").share()) == 50);
        app.line("strike deep");
        app.await("struck out", () -> mark("deep").struck());
        app.line("take back deep");
        app.await("taken back", () -> !mark("deep").struck());
        app.line("share of nobody 50%");
        app.await("it is told", () -> app.notices().contains("there is no scenario 'nobody'"));
    }

    @Test
    void theyAreThereAfterARestart() throws Exception {
        app.line("scenario \"inner\" 40% to " + String.format(Locale.ROOT, "%.2f", last + 6) + " wrong below "
                + String.format(Locale.ROOT, "%.2f", last - 0.1) + " in fifth up");
        app.await("four of them", () -> app.chart().scenarios().size() == 4);
        long moment = app.desk().clock().now();
        app.close();
        app.openAsItIs(true);
        app.await("they are back", () -> app.chart().scenarios().size() == 4);
        assertThat(mark("fifth up").smaller()).isTrue();
        assertThat(app.desk().clock().now()).isBetween(moment - Times.MINUTE, moment + Times.MINUTE);
    }
}

package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.action.View;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Typing a code on a chart opens its chart and does nothing else; typing an indicator puts it on. */
class TypingTest {
    @TempDir
    Path home;

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

    private void type(String text) {
        app.type(text);
    }

    private void enter() {
        app.get(() -> {
            fire(KeyEvent.KEY_PRESSED, KeyCode.ENTER, "");
            fire(KeyEvent.KEY_RELEASED, KeyCode.ENTER, "");
            return true;
        });
    }

    private void fire(javafx.event.EventType<KeyEvent> type, KeyCode code, String letters) {
        var scene = app.robot().lookup("#status").query().getScene();
        var target = scene.getFocusOwner();
        javafx.event.Event.fireEvent(target, new KeyEvent(type, letters, letters, code, false, false, false, false));
    }

    /** All that a key might have done by mistake. */
    private String state() {
        return app.get(() -> List.of(
                        app.window().bench().viewProperty().get(),
                        app.window().theme(),
                        app.chart().indicators().size(),
                        app.chart().drawings().size(),
                        app.chart().plan().isPresent(),
                        app.chart().scale(),
                        app.chart().isVolumeShown(),
                        app.desk().books().alerts().size(),
                        app.desk().books().plans().size(),
                        app.window().bench().layouts().all().size(),
                        app.window().bench().layouts().front().charts().size(),
                        app.chart().timeframe(),
                        app.room().gestures().tool(),
                        app.robot().lookup("#list-panel").query().isVisible())
                .toString());
    }

    private String line() {
        return app.robot().lookup("#command-line").queryAs(TextField.class).getText();
    }

    @Test
    void everyCodeOpensItsChartAndDoesNothingElse() throws Exception {
        String before = state();
        List<String> wrong = new ArrayList<>();
        List<Instrument> all = app.desk().directory().all();
        assertThat(all).hasSizeGreaterThan(150);
        for (int number = 0; number < all.size(); number++) {
            Instrument instrument = all.get(number);
            String code = instrument.code();
            // Small letters go the same way; those of every third are enough to tell.
            for (String typed : number % 3 == 0 ? List.of(code, code.toLowerCase(Locale.ROOT)) : List.of(code)) {
                type(typed);
                if (!line().equals(typed)) {
                    wrong.add(typed + " stands as '" + line() + "' in the line");
                }
                enter();
                String opened =
                        app.get(() -> app.room().instrument().orElseThrow().code());
                if (!opened.equals(instrument.code())) {
                    wrong.add(typed + " opened " + opened);
                }
                app.get(() -> {
                    app.robot().lookup("#chart").query().requestFocus();
                    return true;
                });
            }
        }
        assertThat(wrong).isEmpty();
        assertThat(state()).isEqualTo(before);
        assertThat(app.notices()).doesNotContain("Nothing is called");
    }

    @Test
    void everyIndicatorTypedIsPutOn() throws Exception {
        String before = state();
        List<String> wrong = new ArrayList<>();
        List<Indicator> all = app.get(() -> app.desk().language().catalogue().all()).stream()
                .filter(each -> !each.isOfBars())
                .toList();
        assertThat(all).hasSizeGreaterThan(90);
        for (Indicator indicator : all) {
            type(indicator.name());
            enter();
            List<String> on = app.get(() -> app.chart().indicators().stream()
                    .map(each -> each.indicator().name())
                    .toList());
            if (!on.equals(List.of(indicator.name()))) {
                wrong.add(indicator.name() + " put on " + on + ", line '" + line() + "'");
            }
            app.get(() -> {
                app.room().indicators().clear();
                app.robot().lookup("#chart").query().requestFocus();
                return true;
            });
        }
        assertThat(wrong).isEmpty();
        assertThat(state()).isEqualTo(before);
    }

    @Test
    void lettersTypedInOtherViewsOpenChartsTooAndChartKeysDoNothingThere() throws Exception {
        app.keys("gw");
        app.await("Watch", () -> app.window().bench().viewProperty().get() == View.WATCH);
        app.keys("x");
        app.await("why", () -> app.notices().contains("Nothing is on that key"));
        app.keys("gp");
        app.await("Plan", () -> app.window().bench().viewProperty().get() == View.PLAN);
        app.robot().push(KeyCode.DELETE).push(KeyCode.PAGE_DOWN).push(KeyCode.F2);
        String shown = app.get(() -> app.room().instrument().orElseThrow().code());
        assertThat(shown).as("keys do not act on a chart that is hidden").isEqualTo("KTRL");
        type("marn");
        enter();
        app.await(
                "its chart",
                () -> app.window().bench().viewProperty().get() == View.CHART
                        && app.room().instrument().orElseThrow().code().equals("MARN"));
    }
}

package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerScale;
import dev.yardarm.core.indicator.Indicator;
import java.nio.file.Path;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Slider;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Other instruments on the chart as a trader puts them there, and what can be done to the look of any layer. */
class ComparisonsTest {
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

    private IndicatorLayer layer(int number) {
        return app.get(() -> app.chart().indicators().get(number));
    }

    private int count() {
        return app.get(() -> app.chart().indicators().size());
    }

    private <T extends Node> T find(String query) {
        return app.robot().lookup(query).query();
    }

    private void choose(String query, Object value) {
        ComboBox<Object> choice = find(query);
        app.get(() -> {
            choice.setValue(value);
            return null;
        });
    }

    @Test
    void severalAreTickedInTheListAndCorrelated() throws Exception {
        app.click("#chart");
        app.keys("iw");
        app.await("the list", () -> find("#compare-panel").isVisible());
        assertThat(app.robot().lookup("#compare-KTRL").tryQuery())
                .as("not with itself")
                .isEmpty();
        app.click("#compare-MARN");
        app.robot().write("tidq", 0);
        app.robot().push(KeyCode.DOWN);
        app.robot().push(KeyCode.SPACE);
        app.robot().push(KeyCode.ENTER);
        app.await(
                "both",
                () -> count() == 2
                        && !find("#compare-panel").isVisible()
                        && app.chart().data().indicators().size() == 2);
        assertThat(layer(0).title() + " " + layer(1).title()).isEqualTo("MARN TIDQ");
        assertThat(layer(0).style().colour()).isNotEqualTo(layer(1).style().colour());
        app.line("correlate marn tidq 40");
        app.await(
                "the correlation",
                () -> app.chart().data().indicators().size() == 3
                        && Math.abs(app.chart()
                                        .data()
                                        .of(layer(2))
                                        .get(0)
                                        .column()
                                        .last())
                                <= 1);
        assertThat(app.get(() -> app.chart().titleOf(layer(2)))).isEqualTo("correlation 40, returns, TIDQ of MARN");
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await("both gone together", () -> count() == 0);
    }

    @Test
    void theListIsLeftWithEscapeAndTakesTheOneInHandWithEnter() throws Exception {
        app.click("#chart");
        app.keys("iw");
        app.robot().push(KeyCode.ESCAPE);
        app.await("closed", () -> !find("#compare-panel").isVisible());
        app.line("compare");
        app.await("open again", () -> find("#compare-panel").isVisible());
        app.robot().write("marrin", 0);
        app.click("#compare-bars");
        app.click("#compare-below");
        app.robot().push(KeyCode.ENTER);
        app.await(
                "as bars in a pane below",
                () -> count() == 1 && app.chart().panes().size() == 3);
        assertThat(layer(0).outputStyle(0).form()).isEqualTo(Indicator.Form.BARS);
        choose("#layer-scale", LayerScale.OWN);
        app.await("its own scale", () -> layer(0).scale() == LayerScale.OWN);
        app.line("compare nobody");
        app.robot().push(KeyCode.ESCAPE);
        assertThat(count()).isEqualTo(1);
    }

    @Test
    void aRuleAndAGroundAreTypedAndWrongOnesRefused() throws Exception {
        app.line("rsi 14");
        app.await("the layer", () -> count() == 1);
        choose("#form-value", Indicator.Form.AREA);
        app.await("the field for its ground", () -> find("#ground-value").isVisible());
        ComboBox<String> ground = find("#ground-value");
        type(ground, "50");
        app.await("the ground", () -> layer(0).outputStyle(0).ground().equals("50"));
        type(ground, "nothing");
        app.await("refused", () -> app.notices().contains("ends at a number or at another output"));
        assertThat(layer(0).outputStyle(0).ground()).isEqualTo("50");
        app.click("#colour-of-value");
        app.await("the colours", () -> app.robot().lookup("by rule").tryQuery().isPresent());
        app.click("by rule");
        app.await(
                "the other colours",
                () -> app.robot().lookup("moss where it holds").tryQuery().isPresent());
        app.click("moss where it holds");
        app.await(
                "the rule's field",
                () -> layer(0).outputStyle(0).tint() != null
                        && find("#rule-value").isVisible());
        type(find("#rule-value"), "close >");
        app.await("told", () -> app.notices().contains("The rule stays as it was"));
        type(find("#rule-value"), "close > sma(20)");
        app.await("the rule", () -> layer(0).outputStyle(0).tint().condition().equals("close > sma(20)"));
        app.await("worked out", () -> app.chart().data().tint(layer(0), 0) != null);
        type(find("#rule-value"), "");
        app.await("no rule", () -> layer(0).outputStyle(0).tint() == null);
    }

    private void type(Node field, String text) {
        app.robot().clickOn(field);
        app.robot().push(KeyCode.CONTROL, KeyCode.A);
        app.robot().push(KeyCode.DELETE);
        app.robot().write(text, 0);
        app.robot().push(KeyCode.ENTER);
    }

    @Test
    void draggingTheSliderOfASettingRedrawsWhileItMovesAndIsOneStepOfUndo() throws Exception {
        app.line("sma 50");
        app.await(
                "the layer",
                () -> count() == 1 && app.chart().data().indicators().size() == 1);
        Slider slider = find("#slide-length");
        Bounds place = app.get(() -> slider.localToScreen(slider.getBoundsInLocal()));
        double middle = place.getMinY() + place.getHeight() / 2;
        double from = place.getMinX()
                + place.getWidth()
                        * app.get(() -> (slider.getValue() - slider.getMin()) / (slider.getMax() - slider.getMin()));
        app.robot().drag(from, middle).moveTo(place.getMaxX() - 12, middle);
        app.await(
                "a longer average while the button is down",
                () -> layer(0).settings().whole("length") > 60);
        app.robot().moveTo(place.getMinX() + 5, middle);
        app.await("a shorter one", () -> layer(0).settings().whole("length") < 40);
        app.robot().drop();
        app.await(
                "computed",
                () -> app.chart()
                                .data()
                                .of(layer(0))
                                .get(0)
                                .column()
                                .at(layer(0).settings().whole("length"))
                        > 0);
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await("as it was", () -> layer(0).settings().whole("length") == 50);
    }
}

package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import java.nio.file.Path;
import java.util.List;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Drawings as a trader makes them: placed by clicks, keys and lines, adjusted by hand and by numbers, kept. */
class DrawingsTest {
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

    private Drawing drawing(int number) {
        return app.get(() -> app.chart().drawings().get(number));
    }

    private int count() {
        return app.get(() -> app.chart().drawings().size());
    }

    private <T extends Node> T find(String query) {
        return app.robot().lookup(query).query();
    }

    private int last() {
        return app.get(() -> app.chart().bars().closed() - 1);
    }

    private double high(int bar) {
        return app.get(() -> app.chart().bars().high(bar));
    }

    private double low(int bar) {
        return app.get(() -> app.chart().bars().low(bar));
    }

    private void type(String query, String text) {
        TextField field = find(query);
        app.get(() -> {
            field.requestFocus();
            field.selectAll();
            return null;
        });
        app.robot().write(text, 0);
        app.robot().push(KeyCode.ENTER);
    }

    @Test
    void aRetracementIsPlacedByTwoClicksOnWhatTheBarsHaveAndAdjustedByNumbers() throws Exception {
        int from = last() - 40;
        int to = last() - 8;
        app.click("#chart");
        app.keys("dr");
        app.await("the tool", () -> app.room().gestures().tool().word().equals("retracement"));
        app.robot().clickOn(app.at(from, low(from) - 0.05));
        app.robot().clickOn(app.at(to, high(to) + 0.05));
        app.await("the drawing", () -> count() == 1);
        assertThat(drawing(0).anchors())
                .as("both points stick to the bars")
                .isEqualTo(app.get(() -> List.of(
                        new Anchor(app.chart().bars().openTime(from), low(from)),
                        new Anchor(app.chart().bars().openTime(to), high(to)))));
        assertThat(app.get(() -> app.chart().selection()))
                .isEqualTo(new Selection.Drawing(drawing(0).id()));
        type("#setting-ratios", "0.5, 0.618");
        app.await("other ratios", () -> drawing(0).options().get("ratios").equals("0.5 0.618"));
        type("#setting-ratios", "half");
        app.await("refused", () -> app.notices().contains("The drawing stays as it was"));
        type("#anchor-price-1", "111.5");
        app.await("the exact price", () -> drawing(0).anchors().get(1).price() == 111.5);
        type("#drawing-name", "swing");
        app.await("its name", () -> drawing(0).title().equals("swing"));
        app.robot().push(KeyCode.ESCAPE);
        app.click("#chart");
        for (int step = 0; step < 3; step++) {
            app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        }
        app.await("undone step by step", () -> drawing(0).anchors().get(1).price() == high(to));
        app.close();
        app.open(true);
        app.await("there again", () -> count() == 1 && drawing(0).kind().equals("retracement"));
    }

    @Test
    void aChannelTakesThreePointsIsMovedAsAWholeClonedAndLocked() throws Exception {
        app.line("channel 2026-03-10 97 2026-05-12 101 2026-04-29 106");
        app.await("the channel", () -> count() == 1);
        List<Anchor> before = drawing(0).anchors();
        int bar = app.get(() -> app.chart().axis().bar(before.get(0).time())) + 20;
        double price = app.get(() -> drawing(0)
                .path(app.chart().axis().grid().calendar())
                .priceAt(app.chart().axis().openTime(bar)));
        Point2D on = app.at(bar, price);
        app.robot().drag(on).moveBy(14, 0).moveBy(7, 0).drop();
        app.await(
                "three bars to the right",
                () -> app.chart().axis().bar(drawing(0).anchors().get(0).time())
                        == app.chart().axis().bar(before.get(0).time()) + 3);
        assertThat(drawing(0).anchors().get(1).price()).isCloseTo(before.get(1).price(), within(0.3));
        app.click("#clone-drawing");
        app.await("a second one", () -> count() == 2);
        assertThat(drawing(1).anchors().get(0).price())
                .isEqualTo(drawing(0).anchors().get(0).price());
        CheckBox locked = find("#drawing-locked");
        app.get(() -> {
            locked.fire();
            return null;
        });
        app.await("locked", () -> drawing(1).place().locked());
        ComboBox<Drawing.Style.Dash> dash = find("#drawing-dash");
        app.get(() -> {
            dash.setValue(Drawing.Style.Dash.DOTTED);
            return null;
        });
        app.await("dotted", () -> drawing(1).style().dash() == Drawing.Style.Dash.DOTTED);
        app.line("W");
        app.await(
                "weeks",
                () -> app.chart().timeframe().equals(Timeframe.WEEK)
                        && !app.chart().bars().isEmpty());
        List<Drawing> onWeeks = app.get(() -> app.chart().drawings());
        app.line("D");
        app.await(
                "days",
                () -> app.chart().timeframe().equals(Timeframe.DAY)
                        && !app.chart().bars().isEmpty());
        assertThat(app.get(() -> app.chart().drawings()))
                .as("another timeframe moves nothing")
                .isEqualTo(onWeeks);
    }

    @Test
    void wavesArePlacedByKeysAndSayWhatTheyBreak() throws Exception {
        app.line("impulse 2026-03-16 96.5 2026-04-24 106.8 2026-05-13 95");
        app.await("the count", () -> count() == 1);
        assertThat(app.get(() -> dev.yardarm.chart.model.DrawingShape.of(app.chart(), drawing(0)).words().stream()
                        .map(dev.yardarm.chart.model.DrawingShape.Words::text)
                        .toList()))
                .contains("1", "2", "broken: wave 2 goes beyond the start of wave 1");
        app.line("gap");
        app.await("the tool", () -> app.room().gestures().tool().word().equals("gap"));
        app.robot().push(KeyCode.ESCAPE);
        app.await("put down", () -> app.room().gestures().tool().word().isEmpty());
        app.click("#figure-menu");
        app.await("families", () -> app.robot().lookup("Ratios").tryQuery().isPresent());
        app.robot().push(KeyCode.ESCAPE);
        app.line("box 2026-03-16 96.5");
        assertThat(count()).isEqualTo(1);
    }
}

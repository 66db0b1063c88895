package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.drawing.Drawing;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import javafx.geometry.Point2D;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Several drawings in the window: chosen by hand and in Layers, changed together, copied; searched; kept looks. */
class SeveralDrawingsTest {
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

    private List<Drawing> drawings() {
        return app.get(() -> app.chart().drawings());
    }

    private List<String> chosen() {
        return app.get(() -> app.chart().selection().drawings());
    }

    /** A line between two prices near the last bars, and two levels. */
    private void three() throws Exception {
        app.line("line 2026-05-20 100.5 2026-06-10 103.5 extend:none");
        app.line("level 108");
        app.line("level 98");
        app.await("three", () -> drawings().size() == 3);
        app.robot().push(KeyCode.ESCAPE);
    }

    private Point2D onLevel(int number) {
        int bar = app.get(() -> app.chart().bars().closed() - 35);
        return app.at(bar, drawings().get(number).anchors().get(0).price());
    }

    private Point2D onLine() {
        Drawing line = drawings().get(0);
        int bar = app.get(() -> (app.chart().axis().bar(line.anchors().get(0).time())
                        + app.chart().axis().bar(line.anchors().get(1).time()))
                / 2);
        return app.at(bar, app.get(() -> app.chart()
                .places()
                .valueOf(line, app.chart().axis().openTime(bar))));
    }

    @Test
    void theyAreChosenByShiftAndMovedTogether() throws Exception {
        three();
        app.robot().clickOn(onLine());
        app.await("the line", () -> chosen().size() == 1);
        app.robot().press(KeyCode.SHIFT).clickOn(onLevel(1)).release(KeyCode.SHIFT);
        app.await("the level too", () -> chosen().size() == 2);
        assertThat(app.robot().lookup("2 drawings selected").tryQuery()).isPresent();
        List<Drawing> before = drawings();
        Point2D hand = onLine();
        app.robot()
                .drag(hand, MouseButton.PRIMARY)
                .moveBy(0, -16)
                .moveBy(0, -14)
                .drop();
        app.await(
                "both higher",
                () -> drawings().get(1).anchors().get(0).price()
                        > before.get(1).anchors().get(0).price() + 0.2);
        double up = drawings().get(1).anchors().get(0).price()
                - before.get(1).anchors().get(0).price();
        assertThat(drawings().get(0).anchors().get(0).price()
                        - before.get(0).anchors().get(0).price())
                .isCloseTo(up, within(0.02));
        assertThat(drawings().get(2)).isEqualTo(before.get(2));
        app.robot().push(KeyCode.UP);
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await("both back", () -> drawings().equals(before));
        app.robot().push(KeyCode.DELETE);
        app.await("both gone", () -> drawings().size() == 1);
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await("both there", () -> drawings().equals(before));
    }

    @Test
    void aBoxChoosesAndTheyAreGroupedLockedAndGivenALook() throws Exception {
        three();
        Point2D line = onLine();
        app.robot()
                .press(KeyCode.SHIFT)
                .drag(line.add(-40, -60))
                .moveTo(line.add(0, 0))
                .moveTo(line.add(60, 30))
                .drop()
                .release(KeyCode.SHIFT);
        app.await("the line alone", () -> chosen().equals(
                        List.of(drawings().get(0).id())));
        app.robot().push(KeyCode.CONTROL, KeyCode.A);
        app.await("all", () -> chosen().size() == 3);
        app.keys("d2");
        app.await(
                "grouped",
                () -> drawings().stream()
                                        .map(each -> each.place().group())
                                        .distinct()
                                        .count()
                                == 1
                        && !drawings().get(0).place().group().isEmpty());
        app.robot().push(KeyCode.ESCAPE);
        app.robot().clickOn(onLevel(1));
        app.await("the whole group", () -> chosen().size() == 3);
        CheckBox locked = app.robot().lookup("#drawing-locked").query();
        app.get(() -> {
            locked.fire();
            return null;
        });
        app.await("all locked", () -> drawings().stream()
                .allMatch(each -> each.place().locked()));
        ComboBox<Drawing.Style.Words> words =
                app.robot().lookup("#drawing-words").query();
        app.get(() -> {
            words.setValue(Drawing.Style.Words.ABOVE);
            return null;
        });
        app.await(
                "words", () -> drawings().stream().allMatch(each -> each.style().words() == Drawing.Style.Words.ABOVE));
        List<Integer> colours = drawings().stream().map(Drawing::colour).toList();
        javafx.scene.control.Slider width = app.robot().lookup("#layer-width").query();
        app.get(() -> {
            width.setValue(4);
            return null;
        });
        app.await("all wider", () -> drawings().stream()
                .allMatch(each -> each.style().width() == 4));
        assertThat(drawings())
                .extracting(Drawing::colour)
                .as("each keeps its colour")
                .isEqualTo(colours)
                .doesNotHaveDuplicates();
        app.keys("d3");
        app.await("apart", () -> drawings().stream()
                .allMatch(each -> each.place().group().isEmpty()));
        app.robot().push(KeyCode.ESCAPE);
        app.robot().clickOn(onLine());
        app.await("one", () -> chosen().size() == 1);
        app.line("look save plain");
        app.line("choose all drawings");
        app.line("look plain");
        app.await(
                "one colour",
                () -> drawings().stream().map(Drawing::colour).distinct().count() == 1);
    }

    @Test
    void copiesGoOverTheClipboardToAnotherInstrument() throws Exception {
        three();
        app.click("#chart");
        app.robot().push(KeyCode.CONTROL, KeyCode.A);
        app.await("all", () -> chosen().size() == 3);
        app.robot().push(KeyCode.CONTROL, KeyCode.C);
        app.await("told", () -> app.notices().contains("3 drawings are on the clipboard"));
        app.line("MARN");
        app.await(
                "the other",
                () -> app.room().instrument().orElseThrow().code().equals("MARN")
                        && !app.chart().bars().isEmpty());
        assertThat(drawings()).isEmpty();
        app.click("#chart");
        app.robot().push(KeyCode.CONTROL, KeyCode.V);
        app.await("pasted", () -> drawings().size() == 3);
        assertThat(chosen()).hasSize(3);
    }

    @Test
    void layersAreSearchedFilteredAndChosenThere() throws Exception {
        three();
        app.line("sma 50");
        ListView<Selection> layers = app.robot().lookup("#layers").query();
        app.await("price, volume, average, three", () -> layers.getItems().size() == 6);
        TextField search = app.robot().lookup("#layers-search").query();
        app.get(() -> {
            search.setText("lev");
            return null;
        });
        app.await("levels", () -> layers.getItems().size() == 2);
        assertThat(app.robot().lookup("2 of 6 layers").tryQuery()).isPresent();
        app.get(() -> {
            layers.getSelectionModel().selectAll();
            return null;
        });
        app.await("both levels", () -> Set.copyOf(chosen())
                .equals(Set.of(drawings().get(1).id(), drawings().get(2).id())));
        app.get(() -> {
            layers.requestFocus();
            return null;
        });
        app.robot().push(KeyCode.ENTER);
        app.await("hidden", () -> drawings().stream().filter(Drawing::visible).count() == 1);
        app.get(() -> {
            search.setText("");
            return null;
        });
        ComboBox<?> kind = app.robot().lookup("#layers-kind").query();
        app.get(() -> {
            kind.getSelectionModel().select(kind.getItems().size() - 2);
            return null;
        });
        app.await("hidden ones alone", () -> layers.getItems().size() == 2);
        app.get(() -> {
            kind.getSelectionModel().select(1);
            return null;
        });
        app.await(
                "the average alone",
                () -> layers.getItems().size() == 1 && layers.getItems().get(0) instanceof Selection.Layer);
        app.keys("hz");
        app.await("told in the panel", () -> app.robot()
                .lookup("All drawings are hidden (Space H Z).")
                .tryQuery()
                .isPresent());
    }

    @Test
    void aDrawingOfThisChartAloneIsThereAfterAStart() throws Exception {
        three();
        app.robot().clickOn(onLevel(1));
        app.await("selected", () -> chosen().size() == 1);
        CheckBox own = app.robot().lookup("#drawing-own").query();
        app.get(() -> {
            own.fire();
            return null;
        });
        app.await("kept here", () -> !drawings().get(1).place().chart().isEmpty());
        app.line("split right");
        app.await(
                "another chart without it",
                () -> app.get(() -> app.window().bench().layouts().focused().charts().stream()
                        .anyMatch(each -> each.chart().drawings().size() == 2)));
        app.close();
        app.open(true);
        app.await("both as they were", () -> app.get(() -> app.window().bench().layouts().focused().charts().stream()
                        .map(each -> each.chart().drawings().size())
                        .sorted()
                        .toList())
                .equals(List.of(2, 3)));
    }

    @Test
    void whatAToolWaitsForAndWhatAWaveCountWouldBreakIsTold() throws Exception {
        app.click("#chart");
        app.line("impulse");
        Label hint = app.robot().lookup("#tool-hint").query();
        app.await("the first", () -> hint.isVisible() && hint.getText().contains("where wave 1 begins"));
        int bar = app.get(() -> app.chart().bars().closed() - 40);
        for (double[] point : new double[][] {{0, 100}, {5, 106}, {9, 103}}) {
            app.robot().clickOn(app.at(bar + (int) point[0], point[1]));
        }
        app.robot().moveTo(app.at(bar + 14, 104));
        app.await("wave 3 is too short", () -> hint.getText()
                .contains("Breaks a rule: wave 3 does not go beyond the end of wave 1"));
        app.robot().moveTo(app.at(bar + 14, 112));
        app.await("wave 3 is all right", () -> !hint.getText().contains("Breaks"));
        app.robot().push(KeyCode.BACK_SPACE);
        app.await("one taken back", () -> hint.getText().contains("the end of wave 2"));
        app.robot().push(KeyCode.ESCAPE);
        app.await("nothing is left", () -> !hint.isVisible() && drawings().isEmpty());
    }

    @Test
    void theMenuOfADrawingActsOnItOrOnAllThatAreChosen() throws Exception {
        three();
        app.robot().rightClickOn(onLevel(1));
        app.await("its menu", () -> app.robot()
                .lookup("Alert when price reaches it")
                .tryQuery()
                .isPresent());
        app.robot().clickOn("Alert when price reaches it");
        app.await("an alert", () -> app.get(() -> app.desk().books().alerts().size()) == 1);
        app.robot().push(KeyCode.CONTROL, KeyCode.A);
        app.await("all", () -> chosen().size() == 3);
        app.robot().rightClickOn(onLine());
        app.await("of all", () -> app.robot().lookup("Arrange").tryQuery().isPresent());
        assertThat(app.robot().lookup("Alert when price reaches it").tryQuery())
                .as("an alert is on one")
                .isEmpty();
        app.robot().clickOn("Hide");
        app.await("all hidden", () -> drawings().stream().noneMatch(Drawing::visible));
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await("back", () -> drawings().stream().allMatch(Drawing::visible));
        app.robot().rightClickOn(onLevel(2));
        app.await("again", () -> app.robot().lookup("Duplicate").tryQuery().isPresent());
        app.robot().clickOn("Duplicate");
        app.await("six", () -> drawings().size() == 6);
    }

    @Test
    void newOnesComeUpLikeTheChosenOneAndRatiosAreKept() throws Exception {
        app.line("retracement 2026-05-20 100.5 2026-06-10 113.5 ratios:0.4,0.6");
        app.await("it", () -> drawings().size() == 1);
        app.line("ratios save mine");
        app.get(() -> {
            app.room()
                    .drawings()
                    .changeChosen("style", each -> each.withStyle(each.style().withLine(6, 3, 1)));
            return null;
        });
        app.line("default drawing");
        app.await("told", () -> app.notices().contains("The default for new ones is now"));
        app.line("retracement 2026-05-20 99 2026-06-10 112");
        app.await("the second", () -> drawings().size() == 2);
        assertThat(drawings().get(1).style().colour()).isEqualTo(6);
        assertThat(drawings().get(1).options()).containsEntry("ratios", "0.4 0.6");
        app.line("fan 2026-05-20 99 2026-06-10 112");
        app.await("the third", () -> drawings().size() == 3);
        app.line("ratios mine");
        app.await("its ratios", () -> drawings().get(2).options().get("ratios").equals("0.4 0.6"));
        app.close();
        app.open(true);
        app.line("retracement 2026-05-20 98 2026-06-10 111");
        app.await(
                "also after a start",
                () -> drawings().size() == 4 && drawings().get(3).style().colour() == 6);
    }

    @Test
    void theWholeAnalysisIsRemovedAndBroughtBackInOneStep() throws Exception {
        three();
        app.line("sma 50");
        app.await("both kinds", () -> app.get(() -> app.chart().indicators().size()) == 1);
        app.click("#chart");
        app.keys("xa");
        app.await(
                "nothing",
                () -> drawings().isEmpty()
                        && app.get(() -> app.chart().indicators().isEmpty()));
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await(
                "all of it",
                () -> drawings().size() == 3
                        && app.get(() -> app.chart().indicators().size()) == 1);
        app.keys("hz");
        app.await("hidden", () -> !app.get(() -> app.chart().areDrawingsShown()));
        app.keys("hz");
        app.await("shown", () -> app.get(() -> app.chart().areDrawingsShown()));
    }
}

package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.DrawingShape;
import dev.yardarm.chart.model.Found;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.structure.AgreementMap;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.GridPane;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Structure as a trader uses it: looked for with a key, clicked to be told what happened there, kept, inherited. */
class DetectorsTest {
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

    private List<Found> found(int layer) {
        return app.get(() -> app.chart().data().found(app.chart().indicators().get(layer)));
    }

    /** The middle of a line of a finding that is in view, on the screen. */
    private Point2D on(Found found) {
        return app.get(() -> {
            Drawing drawing = app.chart().found().all().stream()
                    .filter(each -> each.id().equals(found.id()))
                    .findFirst()
                    .orElseThrow();
            double[] line = DrawingShape.of(app.chart(), drawing).lines().get(0).points();
            double x = Math.min(app.chart().plotRight() - 120, Math.max(line[0], line[2]) - 60);
            return find("#chart").localToScreen(x, line[1]);
        });
    }

    private boolean isInView(Found found) {
        return app.get(() -> found.finding().lines().values().stream()
                .map(app.chart().price()::y)
                .allMatch(y -> y > app.chart().price().top() + 60
                        && y < app.chart().price().bottom() - 10));
    }

    @Test
    void oneKeyFindsLevelsAndAClickTellsTheirHistoryAndKeepsOne() throws Exception {
        app.click("#chart");
        app.keys("el");
        app.await(
                "levels",
                () -> !app.chart().indicators().isEmpty()
                        && !app.chart()
                                .data()
                                .found(app.chart().indicators().get(0))
                                .isEmpty());
        Found level = found(0).stream()
                .filter(each -> each.finding().lines().containsKey("upper") && isInView(each))
                .findFirst()
                .orElseThrow();
        app.robot().clickOn(on(level));
        app.await("it is chosen", () -> app.chart().selection().equals(new Selection.Finding(level.id())));
        app.await(
                "what happened there",
                () -> !((Label) find("#finding-title")).getText().isEmpty());
        assertThat(((Label) find("#finding-title")).getText()).matches("(?s)(support|resistance).*since .*");
        GridPane told = find("#finding-history");
        List<String> words = app.get(() -> told.getChildren().stream()
                .map(each -> ((Label) each).getText())
                .toList());
        assertThat(words).contains("confirmed", "score", "upper", "lower");
        app.click("#keep-finding");
        app.await("the drawing", () -> app.chart().drawings().size() == 1);
        assertThat(app.get(() -> app.chart().drawings().get(0).kind())).isEqualTo("zone");
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await("taken back", () -> app.chart().drawings().isEmpty());

        app.click("#chart");
        app.keys("el");
        app.await("taken away", () -> app.chart().indicators().isEmpty());
        app.robot().push(KeyCode.CONTROL, KeyCode.Z);
        app.await("there again", () -> app.chart().indicators().size() == 1);
    }

    @Test
    void weeklyFindingsAreInheritedByTheDayAndFoundInTheList() throws Exception {
        app.click("#chart");
        app.keys("es");
        app.await(
                "swings",
                () -> !app.chart().indicators().isEmpty()
                        && !app.chart()
                                .data()
                                .found(app.chart().indicators().get(0))
                                .isEmpty());
        app.keys("eh");
        app.await(
                "those of weeks and months",
                () -> app.chart().indicators().size() == 3
                        && !app.chart()
                                .data()
                                .found(app.chart().indicators().get(1))
                                .isEmpty());
        assertThat(app.get(() -> app.chart().titleOf(app.chart().indicators().get(1))))
                .isEqualTo("swings on W");
        app.click("#chart");
        app.keys("en");
        app.await("one is chosen", () -> app.chart().selection() instanceof Selection.Finding);
        app.click("#finding-layer");
        app.await("its layer", () -> app.chart().selection() instanceof Selection.Layer);
        TextField search = find("#finding-search");
        app.get(() -> {
            search.requestFocus();
            return null;
        });
        app.robot().write("change of structure", 0);
        ListView<?> list = find("#findings");
        app.await(
                "those that were searched",
                () -> !list.getItems().isEmpty()
                        && list.getItems().stream()
                                .allMatch(each -> ((Found) each).words().startsWith("change of structure")));
        app.get(() -> {
            list.requestFocus();
            list.getSelectionModel().select(list.getItems().size() - 1);
            return null;
        });
        app.robot().push(KeyCode.ENTER);
        app.await(
                "the oldest in view",
                () -> app.chart().selection() instanceof Selection.Finding
                        && !app.chart().isFollowing());
    }

    @Test
    void oneKeyPutsAllTargetsOnTheChartEachWithItsPriceAndHowFarItIs() throws Exception {
        app.click("#chart");
        app.keys("ex");
        app.await(
                "targets",
                () -> !app.chart().indicators().isEmpty()
                        && !app.chart()
                                .data()
                                .found(app.chart().indicators().get(0))
                                .isEmpty());
        List<Found> standing =
                found(0).stream().filter(each -> !each.state().isEnd()).toList();
        assertThat(standing).isNotEmpty();
        double last = app.get(() -> app.chart().data().last());
        app.keys("en");
        app.await("one is chosen", () -> app.chart().selection() instanceof Selection.Finding);
        Found chosen = app.get(() -> app.room().detectors().chosen().orElseThrow());
        GridPane told = find("#finding-history");
        List<String> words = app.get(() -> told.getChildren().stream()
                .map(each -> ((Label) each).getText())
                .toList());
        assertThat(words).contains("target", "score");
        assertThat(words.get(words.indexOf("target") + 1)).contains("%");
        assertThat(chosen.finding().target()).isPositive().isNotEqualTo(last);
    }

    @Test
    void theMapOfAgreementIsHoveredAndClickedAndItsZonesGoneThroughByKey() throws Exception {
        app.click("#chart");
        app.keys("ea");
        app.await(
                "the map",
                () -> app.chart().agreement().map().isPresent()
                        && !app.chart().agreement().zones().isEmpty());
        app.keys("ez");
        app.await("zoomed to the nearest", () -> app.chart().scale().fit() == ScaleChoice.Fit.MANUAL);
        Point2D zone = app.get(() -> {
            AgreementMap.Zone nearest = app.chart().agreement().zones().stream()
                    .min(Comparator.comparingDouble(
                            each -> Math.abs(each.low() - app.chart().data().last())))
                    .orElseThrow();
            double y = app.chart().price().y((nearest.low() + nearest.high()) / 2);
            return find("#chart").localToScreen(app.chart().agreementLeft() + 6, y);
        });
        app.robot().moveTo(zone.add(-1, 0));
        app.robot().moveTo(zone);
        app.await("who agrees", () -> app.robot().lookup(".mark-text").queryAll().stream()
                .anyMatch(each -> each.isVisible() && ((Label) each).getText().contains("agree")));
        app.robot().clickOn(zone);
        app.await("all prices again", () -> app.chart().scale().fit() == ScaleChoice.Fit.PRICE);
        app.keys("ea");
        app.await("taken away", () -> app.chart().indicators().isEmpty());
    }

    @Test
    void aScanAndARuleOfColourReadWhatWasFound() throws Exception {
        app.line("close > levels.below and pivots.trend = 1");
        TableView<?> results = app.robot().lookup("#scan-results").queryTableView();
        app.await(
                "companies that rise by structure above a level",
                () -> results.getItems().size() > 3);
        app.await(
                "why",
                () -> app.robot().lookup("#scan-reasons .decisive").tryQuery().isPresent());

        app.keys("gc");
        app.line("sma 20");
        app.await("the average", () -> app.chart().indicators().size() == 1);
        app.click("#colour-of-value");
        app.await("the colours", () -> app.robot().lookup("by rule").tryQuery().isPresent());
        app.click("by rule");
        app.await(
                "the other colours",
                () -> app.robot().lookup("moss where it holds").tryQuery().isPresent());
        app.click("moss where it holds");
        app.await("the field", () -> find("#rule-value").isVisible());
        app.robot().clickOn("#rule-value").push(KeyCode.CONTROL, KeyCode.A).write("close > levels.above back 1", 0);
        app.robot().push(KeyCode.ENTER);
        app.await("the rule", () -> {
            IndicatorLayer layer = app.chart().indicators().get(0);
            return layer.outputStyle(0).tint() != null
                    && layer.outputStyle(0).tint().condition().equals("close > levels.above back 1")
                    && app.chart().data().tint(layer, 0) != null;
        });
        assertThat(app.get(() -> {
                    Column rule =
                            app.chart().data().tint(app.chart().indicators().get(0), 0);
                    int held = 0;
                    for (int bar = 0; bar < app.chart().bars().closed(); bar++) {
                        held += rule.at(bar) == 1 ? 1 : 0;
                    }
                    return held;
                }))
                .as("days that closed above the level that had been next above")
                .isGreaterThan(20);
    }
}

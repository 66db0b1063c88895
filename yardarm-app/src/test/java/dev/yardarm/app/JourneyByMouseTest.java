package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.BracketLayout;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.action.View;
import java.nio.file.Path;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.geometry.VerticalDirection;
import javafx.scene.control.ListView;
import javafx.scene.control.Spinner;
import javafx.scene.control.TableView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The trader's day by mouse alone; only numbers and words are typed. */
class JourneyByMouseTest {
    @TempDir
    private Path home;

    @Test
    void aDayByMouse() throws Exception {
        WindowFixture app = new WindowFixture(home);
        app.open(true);
        openAndSetUp(app);
        indicators(app);
        draw(app);
        timeframesAndRounds(app);
        find(app);
        watchAndPlan(app);
        app.close();
    }

    private static void clickRow(WindowFixture app, String list, int row, double rowHeight) {
        Bounds bounds = app.boundsOf(list);
        app.robot().clickOn(bounds.getMinX() + 30, bounds.getMinY() + (row + 0.5) * rowHeight);
    }

    private void openAndSetUp(WindowFixture app) throws Exception {
        ListView<Instrument> list = app.robot().lookup("#list").queryListView();
        clickRow(app, "#list", 2, 26);
        app.await(
                "the third",
                () -> app.room()
                                .instrument()
                                .orElseThrow()
                                .equals(list.getItems().get(2))
                        && !app.chart().bars().isEmpty());
        clickRow(app, "#list", 0, 26);
        app.await(
                "the first",
                () -> app.room().instrument().orElseThrow().code().equals("KTRL")
                        && !app.chart().bars().isEmpty());
        double width = app.chart().time().barWidth();
        app.robot().moveTo(app.onChart(300, 150));
        app.robot().scroll(3, VerticalDirection.DOWN);
        app.await("a zoom", () -> app.chart().time().barWidth() != width);
        double edge = app.chart().time().edge();
        app.robot()
                .moveTo(app.onChart(300, 380))
                .press(MouseButton.PRIMARY)
                .moveBy(150, 0)
                .release(MouseButton.PRIMARY);
        app.await("a pan", () -> app.chart().time().edge() < edge - 5);
        double right = app.get(() -> app.chart().plotRight());
        app.robot()
                .moveTo(app.onChart(right + 20, 120))
                .press(MouseButton.PRIMARY)
                .moveBy(0, 60)
                .release(MouseButton.PRIMARY);
        app.await("a compressed axis", () -> app.chart().isPriceManual());
        app.doubleClick(app.onChart(right + 20, 120));
        app.await("a fitted axis", () -> !app.chart().isPriceManual());
        app.doubleClick(app.onChart(300, app.get(() -> app.chart().plotBottom()) + 10));
        app.await("the newest bars", () -> app.chart().isFollowing());
        app.click("#theme");
        assertThat(app.window().theme()).isEqualTo(Palette.Theme.NIGHT_WATCH);
        app.click("#theme");
    }

    private void indicators(WindowFixture app) throws Exception {
        app.click("#add-indicator");
        app.robot().write("sma", 0);
        app.robot().push(KeyCode.ENTER);
        app.await("an average", () -> app.chart().indicators().size() == 1);
        assertThat(app.chart().selection()).isInstanceOf(Selection.Layer.class);
        Spinner<Integer> period = app.robot().lookup("#setting-length").query();
        app.robot()
                .doubleClickOn(period.getEditor())
                .push(KeyCode.CONTROL, KeyCode.A)
                .write("21", 0)
                .push(KeyCode.ENTER);
        app.await(
                "another period", () -> app.chart().indicators().get(0).title().equals("sma 21"));
        app.await(
                "its values",
                () -> Double.isNaN(app.chart()
                                .data()
                                .indicators()
                                .values()
                                .iterator()
                                .next()
                                .get(0)
                                .column()
                                .at(19))
                        && !Double.isNaN(app.chart()
                                .data()
                                .indicators()
                                .values()
                                .iterator()
                                .next()
                                .get(0)
                                .column()
                                .at(20)));
        app.click("#colour-5");
        assertThat(app.chart().indicators().get(0).style().colour()).isEqualTo(4);
        double wide = app.chart().indicators().get(0).style().width();
        Bounds slider = app.boundsOf("#layer-width");
        app.robot().clickOn(slider.getMinX() + slider.getWidth() * 0.8, slider.getCenterY());
        app.await("a wider line", () -> app.chart().indicators().get(0).style().width() > wide);
        Bounds opacity = app.boundsOf("#layer-opacity");
        app.robot().clickOn(opacity.getMinX() + opacity.getWidth() * 0.3, opacity.getCenterY());
        app.await("a paler line", () -> app.chart().indicators().get(0).style().opacity() < 0.6);
        Bounds layers = app.boundsOf("#layers");
        app.robot().clickOn(layers.getMinX() + 15, layers.getMinY() + 65);
        app.await(
                "a hidden line", () -> !app.chart().indicators().get(0).style().visible());
        app.robot().clickOn(layers.getMinX() + 15, layers.getMinY() + 65);
        app.await("a shown line", () -> app.chart().indicators().get(0).style().visible());
    }

    private void draw(WindowFixture app) throws Exception {
        int last = app.get(() -> app.chart().bars().size()) - 1;
        double high = app.get(() -> app.chart().bars().high(last - 20));
        app.click("#tool-level");
        Point2D point = app.at(last - 20, high);
        app.robot().clickOn(point.getX(), point.getY() - 3);
        app.await("a level", () -> app.chart().drawings().size() == 1);
        assertThat(app.chart().drawings().get(0).anchors().get(0).price())
                .as("snapped to the high")
                .isEqualTo(high);
        app.robot()
                .doubleClickOn("#anchor-price-0")
                .push(KeyCode.CONTROL, KeyCode.A)
                .write("101.37", 0)
                .push(KeyCode.ENTER);
        app.await(
                "the exact price",
                () -> app.chart().drawings().get(0).anchors().get(0).price() == 101.37);
        app.click("#tool-line");
        int first = wickNear(app, last - 45);
        int second = wickNear(app, last - 22);
        int third = wickNear(app, last - 14);
        double low = app.get(() -> app.chart().bars().low(first));
        double other = app.get(() -> app.chart().bars().low(second));
        app.robot().clickOn(app.at(first, low)).clickOn(app.at(second, other));
        app.await("a line", () -> app.chart().drawings().size() == 2);
        assertThat(app.chart().drawings().get(1).anchors())
                .extracting(anchor -> anchor.price())
                .containsExactly(low, other);
        double farther = app.get(() -> app.chart().bars().low(third));
        app.robot()
                .moveTo(app.at(second, other))
                .press(MouseButton.PRIMARY)
                .moveTo(app.at(third - 2, farther))
                .moveTo(app.at(third, farther))
                .release(MouseButton.PRIMARY);
        app.await(
                "a moved end",
                () -> app.chart().drawings().get(1).anchors().get(1).time()
                        == app.chart().bars().openTime(third));
        app.robot().rightClickOn(app.at(first, low));
        app.await("a menu", () -> app.robot()
                .lookup("Alert when price reaches it")
                .tryQuery()
                .isPresent());
        app.robot()
                .clickOn(app.robot()
                        .lookup("Delete")
                        .lookup((javafx.scene.Node node) -> node.getScene()
                                != app.robot().lookup("#chart").query().getScene())
                        .<javafx.scene.Node>query());
        app.await("one drawing", () -> app.chart().drawings().size() == 1);
    }

    /** A bar from here on whose low stands clear of its open and close, so that a pixel cannot mistake it. */
    private static int wickNear(WindowFixture app, int from) {
        return app.get(() -> {
            var bars = app.chart().bars();
            for (int bar = from; bar < bars.size(); bar++) {
                if (Math.min(bars.open(bar), bars.close(bar)) - bars.low(bar) > 0.7) {
                    return bar;
                }
            }
            throw new AssertionError("no bar with a clear low after " + from);
        });
    }

    private void timeframesAndRounds(WindowFixture app) throws Exception {
        app.await(
                "a strip with bars",
                () -> app.robot().lookup("#strip-1h").tryQuery().isPresent());
        app.click("#strip-1h");
        app.await(
                "hours",
                () -> app.chart().timeframe().equals(Timeframe.HOUR)
                        && !app.chart().bars().isEmpty());
        assertThat(app.chart().drawings()).singleElement().matches(level -> level.origin()
                .isHigherThan(app.chart().timeframe()));
        app.click("#strip-D");
        app.await(
                "days",
                () -> app.chart().timeframe().equals(Timeframe.DAY)
                        && !app.chart().bars().isEmpty());
        app.click("#button-wait");
        app.click("#button-next");
        app.await("the next", () -> app.room().instrument().orElseThrow().code().equals("EBSP"));
        app.click("#button-previous");
        app.await(
                "back",
                () -> app.room().instrument().orElseThrow().code().equals("KTRL")
                        && !app.chart().bars().isEmpty());
        assertThat(app.desk()
                        .books()
                        .stance(app.room().instrument().orElseThrow().id())
                        .kind())
                .isEqualTo(Stance.Kind.WAIT);
    }

    private void find(WindowFixture app) throws Exception {
        app.click("#view-scan");
        clickRow(app, "#scans", 2, 26);
        app.click("#run-scan");
        TableView<?> results = app.robot().lookup("#scan-results").queryTableView();
        app.await("results", () -> !results.getItems().isEmpty());
        Bounds table = app.boundsOf("#scan-results");
        app.doubleClick(new Point2D(table.getMinX() + 40, table.getMinY() + 60));
        app.await("the chart", () -> app.window().bench().viewProperty().get() == View.CHART);
        clickRow(app, "#list", 0, 26);
        app.await(
                "KTRL",
                () -> app.room().instrument().orElseThrow().code().equals("KTRL")
                        && !app.chart().bars().isEmpty());
    }

    private void watchAndPlan(WindowFixture app) throws Exception {
        int last = app.get(() -> app.chart().bars().size()) - 1;
        app.await(
                "the level in view",
                () -> app.chart().pricePane().covers(app.chart().price().y(101.37))
                        && app.chart().drawings().size() == 1);
        app.robot().rightClickOn(app.at(last - 30, 101.37));
        app.await("a menu", () -> app.robot()
                .lookup("Alert when a bar closes beyond it")
                .tryQuery()
                .isPresent());
        app.robot().clickOn("Alert when a bar closes beyond it");
        app.await("an alert", () -> app.desk().books().alerts().size() == 1);
        app.click("#view-watch");
        TableView<?> waiting = app.robot().lookup("#waiting-alerts").queryTableView();
        assertThat(waiting.getItems()).hasSize(1);
        app.click("#view-chart");
        app.click("#tool-plan");
        app.robot().clickOn(app.at(last - 8, 104)).clickOn(app.at(last - 8, 102));
        app.await("a plan", () -> app.chart().plan().isPresent());
        BracketLayout bracket =
                app.get(() -> BracketLayout.of(app.chart(), app.chart().plan().get()));
        double before = app.chart().plan().get().target();
        double x = (bracket.spineX() + bracket.armEnd()) / 2;
        app.robot()
                .moveTo(app.onChart(x, bracket.targetY()))
                .press(MouseButton.PRIMARY)
                .moveBy(0, -20)
                .moveBy(0, -20)
                .release(MouseButton.PRIMARY);
        app.await("a farther target", () -> app.chart().plan().get().target() > before);
        app.click("#view-plan");
        TableView<?> plans = app.robot().lookup("#plans").queryTableView();
        assertThat(plans.getItems()).hasSize(1);
        app.click("#view-chart");
    }
}

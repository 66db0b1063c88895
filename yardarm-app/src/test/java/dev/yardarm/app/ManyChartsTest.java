package dev.yardarm.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.app.chart.ChartView;
import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.layout.Layout;
import dev.yardarm.desk.room.layout.Layouts;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.geometry.VerticalDirection;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import javafx.stage.Window;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Many charts by mouse and keyboard: layouts, links, presets, panes, scales, lists; and all found after a restart. */
class ManyChartsTest {
    @TempDir
    private Path home;

    private static Layouts layouts(WindowFixture app) {
        return app.window().bench().layouts();
    }

    private static ChartView view(WindowFixture app, ChartRoom room) {
        return app.robot().lookup(".chart-view").<ChartView>queryAllAs(ChartView.class).stream()
                .filter(each -> each.room() == room)
                .findFirst()
                .orElseThrow();
    }

    private static Point2D on(WindowFixture app, ChartRoom room, double x, double y) {
        return app.get(() -> view(app, room).localToScreen(x, y));
    }

    private static void allBars(WindowFixture app) throws Exception {
        app.await("bars of all", () -> layouts(app).front().charts().stream()
                .noneMatch(chart -> chart.chart().bars().isEmpty()));
    }

    @Test
    void layoutsAreSplitLinkedResizedAndFoundAgain() throws Exception {
        WindowFixture app = new WindowFixture(home);
        app.open(true);
        app.keys("ls");
        app.await("two charts", () -> layouts(app).front().charts().size() == 2);
        app.line("split below");
        app.await("three charts", () -> layouts(app).front().charts().size() == 3);
        allBars(app);
        List<ChartRoom> charts = layouts(app).front().charts();

        app.robot().clickOn(on(app, charts.get(2), 100, 60));
        app.await("the chart that was clicked", () -> app.room() == charts.get(2));
        app.line("W");
        app.await("weeks", () -> charts.get(2).chart().timeframe().equals(Timeframe.WEEK));
        app.line("link 2 shares instrument crosshair");
        app.robot().clickOn(on(app, charts.get(0), 100, 60));
        app.line("link 2");
        app.line("MARN");
        app.await(
                "both on it",
                () -> charts.get(2).instrument().orElseThrow().code().equals("MARN"));
        assertThat(charts.get(1).instrument().orElseThrow().code()).isEqualTo("KTRL");
        allBars(app);
        app.robot().moveTo(on(app, charts.get(0), 150, 90));
        app.await("the pointer on the other", () -> charts.get(2).pointer().isShown());
        long there = charts.get(2).pointer().time();
        assertThat(charts.get(0).chart().axis().bar(there))
                .isEqualTo(charts.get(0).chart().time().bar(150));

        Node divider = app.robot().lookup(".layout-split > .split-pane-divider").queryAll().stream()
                .filter(node -> node.getParent() instanceof javafx.scene.control.SplitPane split
                        && split.getOrientation() == javafx.geometry.Orientation.HORIZONTAL)
                .findFirst()
                .orElseThrow();
        Bounds bounds = app.get(() -> divider.localToScreen(divider.getBoundsInLocal()));
        app.robot()
                .moveTo(bounds.getCenterX(), bounds.getCenterY())
                .press(MouseButton.PRIMARY)
                .moveBy(-120, 0)
                .release(MouseButton.PRIMARY);
        app.await(
                "other weights",
                () -> layouts(app).front().arrangement().toString().startsWith("row(")
                        && !layouts(app).front().arrangement().toString().startsWith("row(0*0.5000")
                        && !layouts(app)
                                .front()
                                .arrangement()
                                .toString()
                                .startsWith("row(col(0*0.5000,2*0.5000)*0.5000"));
        String arrangement = layouts(app).front().arrangement().toString();

        app.robot().clickOn(on(app, charts.get(1), 100, 60));
        app.keys("lm");
        app.await("one of them large", () -> layouts(app).front().maximised().isPresent());
        assertThat(app.robot().lookup(".chart-tab").queryAll()).hasSize(3);
        app.keys("lm");
        app.await("all of them", () -> layouts(app).front().maximised().isEmpty());
        app.line("step-down W D 1h");
        app.await(
                "a second tab",
                () -> layouts(app).all().size() == 2
                        && layouts(app).front().charts().size() == 3);
        app.line("layout name From far to near");
        app.line("title the week");
        app.keys("lw");
        app.await(
                "a window of its own",
                () -> Window.getWindows().stream()
                                .filter(each -> each instanceof Stage)
                                .count()
                        == 2);
        app.close();

        WindowFixture again = new WindowFixture(home);
        again.open(true);
        List<Layout> all = layouts(again).all();
        assertThat(all).hasSize(3);
        assertThat(all.get(0).arrangement()).hasToString(arrangement);
        assertThat(all.get(0).charts())
                .extracting(ChartRoom::link)
                .containsExactlyElementsOf(all.get(0).charts().stream()
                        .map(chart -> chart.instrument().orElseThrow().code().equals("MARN") ? 2 : 0)
                        .toList());
        assertThat(all.get(1).title()).isEqualTo("From far to near");
        assertThat(all.get(2).hasOwnWindow()).isTrue();
        assertThat(all.get(2).charts().get(0).title()).isEqualTo("the week");
        assertThat(Window.getWindows().stream()
                        .filter(each -> each instanceof Stage)
                        .count())
                .isEqualTo(2);
        again.close();
    }

    @Test
    void scalesPanesPresetsAndKindsOfBars() throws Exception {
        WindowFixture app = new WindowFixture(home);
        app.open(true);
        app.line("rsi 9");
        app.keys("sp");
        app.await("per cent", () -> app.chart().scale().mode() == ScaleChoice.Mode.PERCENT);
        double right = app.get(() -> app.chart().plotRight());
        app.robot()
                .moveTo(app.onChart(right + 20, 120))
                .press(MouseButton.PRIMARY)
                .moveBy(0, 50)
                .release(MouseButton.PRIMARY);
        app.await("a range by hand", () -> app.chart().isPriceManual());
        app.doubleClick(app.onChart(right + 20, 120));
        app.await("fitted", () -> !app.chart().isPriceManual());
        double width = app.chart().time().barWidth();
        double bottom = app.get(() -> app.chart().plotBottom()) + 10;
        app.robot()
                .moveTo(app.onChart(300, bottom))
                .press(MouseButton.PRIMARY)
                .moveBy(80, 0)
                .release(MouseButton.PRIMARY);
        app.await("wider bars", () -> app.chart().time().barWidth() > width);
        String rsi = app.chart().indicators().get(0).id();
        double edge = app.get(() -> app.chart().pane(rsi).orElseThrow().top());
        app.robot()
                .moveTo(app.onChart(300, edge))
                .press(MouseButton.PRIMARY)
                .moveBy(0, -50)
                .release(MouseButton.PRIMARY);
        app.await("a higher pane", () -> app.chart().pane(rsi).orElseThrow().top() < edge - 40);

        app.robot()
                .press(KeyCode.CONTROL)
                .moveTo(app.onChart(200, 150))
                .press(MouseButton.PRIMARY)
                .moveBy(200, 0)
                .release(MouseButton.PRIMARY)
                .release(KeyCode.CONTROL);
        app.await(
                "a span", () -> !app.chart().isFollowing() || app.chart().time().barWidth() > width * 1.5);
        app.robot().push(KeyCode.END);
        app.line("preset save swing");
        app.line("preset standard swing");
        app.line("averaged");
        app.line("linear");
        app.line("range 40");
        app.await(
                "range bars",
                () -> BarRule.parse("range:40").equals(app.chart().request().rule())
                        && !app.chart().bars().isEmpty());
        assertThat(app.chart().madeFrom()).isEqualTo("from bars of 1m");
        app.line("preset swing");
        app.await(
                "the preset",
                () -> app.chart().request().isTime()
                        && app.chart().form() == BarForm.CANDLES
                        && app.chart().scale().mode() == ScaleChoice.Mode.PERCENT);
        app.line("session 03:00-04:00");
        app.await(
                "an empty session is told on the chart",
                () -> app.room().problem().contains("nothing is traded"));
        app.line("session whole");
        app.await(
                "bars again",
                () -> app.room().problem().isEmpty() && !app.chart().bars().isEmpty());

        app.robot().moveTo(app.onChart(300, 150)).press(KeyCode.F2);
        app.await("measuring", () -> app.get(() -> view(app, app.room()).isMeasuring()));
        app.robot().moveBy(120, 60);
        app.await("its words", () -> ((javafx.scene.control.Label)
                        app.robot().lookup("#measure").query())
                .getText()
                .contains("bars"));
        app.robot().release(KeyCode.F2);
        app.await("no more", () -> !view(app, app.room()).isMeasuring());

        app.keys("hd");
        app.await("a table", () -> app.robot().lookup("#data-table").tryQuery().isPresent());
        app.keys("hd");
        Bounds strip = app.boundsOf("#overview");
        app.robot().clickOn(strip.getMinX() + strip.getWidth() * 0.4, strip.getCenterY());
        app.await("the past", () -> !app.chart().isFollowing());
        app.robot().moveTo(app.onChart(300, 150)).scroll(2, VerticalDirection.UP);
        for (String file : List.of("chart.png", "chart.svg", "chart.csv")) {
            app.line("save " + home.resolve(file));
            app.await(file, () -> Files.exists(home.resolve(file)));
        }
        assertThat(Files.readString(home.resolve("chart.svg")))
                .startsWith("<svg")
                .contains("KTRL");
        assertThat(Files.readString(home.resolve("chart.csv"))).startsWith("time,open,high,low,close,volume,rsi 9\n");
        app.line("save " + home.resolve("chart.bmp"));
        app.await("what is wrong", () -> app.notices().contains("png, svg or csv"));
        app.line("save " + home.resolve("nowhere/chart.svg"));
        app.await("why not", () -> app.notices().contains("its folder does not exist"));
        app.close();

        WindowFixture again = new WindowFixture(home);
        again.open(true);
        assertThat(again.chart().scale().mode()).isEqualTo(ScaleChoice.Mode.PERCENT);
        assertThat(again.chart().paneChoices()).isNotEmpty();
        assertThat(layouts(again).presets().standard(Timeframe.DAY)).isPresent();
        again.close();
    }

    @Test
    void aListIsMadePastedAndKeptAndKeysAreChanged() throws Exception {
        WindowFixture app = new WindowFixture(home);
        app.open(true);
        app.line("list new Focus");
        app.await("a new list", () -> app.room().listName().equals("Focus"));
        app.line("list paste");
        app.await("the field", () -> app.robot()
                .lookup("#paste-text")
                .tryQuery()
                .filter(Node::isVisible)
                .isPresent());
        app.robot().interact(() -> ((javafx.scene.control.TextArea)
                        app.robot().lookup("#paste-text").query())
                .setText("KTRL\tMARN\nNONE1"));
        app.await("what is found", () -> ((javafx.scene.control.Label)
                        app.robot().lookup("#paste-result").query())
                .getText()
                .equals("2 found, not found: NONE1"));
        app.click("#paste-add");
        app.await("its members", () -> app.desk()
                .books()
                .list("Focus")
                .orElseThrow()
                .instruments()
                .equals(List.of(new InstrumentId("halcyon", "KTRL"), new InstrumentId("halcyon", "MARN"))));
        app.line("list sort code");
        app.line("list weight PV60 50");
        app.await("the top half", () -> app.room().listName().equals("PV60 top 50 %"));
        app.line("key layout.split-beside V");
        app.line("key bars.candles Ü2");
        app.await("refused", () -> app.notices().contains("single letter"));
        app.keys("lv");
        app.await("the changed key works", () -> layouts(app).front().charts().size() == 2);
        app.line("card");
        app.await(
                "a card",
                () -> app.robot().lookup("#card").queryAll().stream().anyMatch(Node::isVisible)
                        && app.robot().lookup("#card .label").queryAll().size() > 8);
        app.close();
        // As a key file of before has it: by the name the action had then.
        Path keys = home.resolve("documents/keys.json");
        assertThat(Files.readString(keys)).contains("layout.split-right");
        Files.writeString(
                keys,
                Files.readString(keys).replace("split-right", "split-beside").replace("space", "plain"));

        WindowFixture again = new WindowFixture(home);
        again.open(true);
        assertThat(again.room().listName()).isEqualTo("PV60 top 50 %");
        again.keys("lv");
        again.await("the key is kept", () -> layouts(again).front().charts().size() == 3);
        again.line("export workspace " + home.resolve("all.json"));
        again.await("the file", () -> Files.exists(home.resolve("all.json")));
        again.line("import workspace " + home.resolve("all.json"));
        again.await("beside it", () -> layouts(again).all().size() == 2);
        again.line("key leader off");
        again.await("what there is", () -> again.notices().contains("The leader is space or alt"));
        again.close();
    }
}

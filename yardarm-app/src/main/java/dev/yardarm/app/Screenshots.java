package dev.yardarm.app;

import dev.yardarm.app.view.WatchPages;
import dev.yardarm.app.window.MainWindow;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.app.workbench.Writing;
import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.own.Examples;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.room.chart.ChartDrawings;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.chart.LinkedPointer;
import dev.yardarm.desk.room.layout.Arrangement;
import dev.yardarm.desk.room.layout.ExecutionLayout;
import dev.yardarm.desk.room.layout.LinkRules;
import dev.yardarm.desk.room.layout.RivalLayout;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayDeque;
import java.util.Comparator;
import java.util.Deque;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javafx.animation.PauseTransition;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.control.Button;
import javafx.scene.control.ListView;
import javafx.scene.control.TableView;
import javafx.scene.image.WritableImage;
import javafx.stage.Stage;
import javafx.util.Duration;
import javax.imageio.ImageIO;
import org.fxmisc.richtext.CodeArea;

/**
 * Takes the pictures of the main views from the demo data with the market frozen: a day's work is laid out by the same
 * calls a user's keys and clicks make, then each view is shown and photographed.
 */
final class Screenshots {
    private static final int SETTLE_MILLIS = 2500;

    private final Desk desk;
    private final Stage stage;
    private final Path out;
    private final MainWindow window;
    private final Workbench bench;
    private final Deque<Runnable> steps = new ArrayDeque<>();

    Screenshots(Desk desk, Stage stage, Path out) {
        this.desk = desk;
        this.stage = stage;
        this.out = out;
        window = new MainWindow(desk, stage);
        bench = window.bench();
    }

    /** @param then runs when all are taken and the window is closed, before the application ends */
    void take(Runnable then) {
        window.open();
        open("MARN", Timeframe.DAY);
        steps.add(() -> planAround(-0.015, 0.03));
        steps.add(() -> room().studies().takeStance(Stance.Kind.WAIT, ""));
        open("EBSP", Timeframe.DAY);
        steps.add(() -> planAround(0.02, -0.05));
        steps.add(() -> room().studies().takeStance(Stance.Kind.SHORT, ""));
        open("MNRC", Timeframe.DAY);
        steps.add(() -> room().studies().takeStance(Stance.Kind.SKIP, "no clear swing"));
        open("VHRB", Timeframe.DAY);
        steps.add(this::alertOfTheMorning);
        open("KTRL", Timeframe.WEEK);
        steps.add(this::weeklyLevel);
        open("KTRL", Timeframe.DAY);
        steps.add(this::studyKtrl);
        steps.add(() -> planAround(-0.02, 0.05));
        steps.add(() -> shoot("chart-daylight"));
        steps.add(() -> bench.themeProperty().set(Palette.Theme.NIGHT_WATCH));
        steps.add(() -> bench.themeProperty().set(Palette.Theme.DAYLIGHT));
        steps.add(this::linkedCharts);
        steps.add(() -> {});
        steps.add(this::setUpLinkedCharts);
        steps.add(() -> {});
        steps.add(() -> shoot("charts-linked"));
        steps.add(() -> bench.themeProperty().set(Palette.Theme.NIGHT_WATCH));
        steps.add(() -> bench.themeProperty().set(Palette.Theme.DAYLIGHT));
        steps.add(() -> bench.layouts().add("Structure", Arrangement.grid(1, 1)));
        steps.add(() -> {
            room().showLayers(List.of());
            room().open(instrument("KTRL"), BarRequest.of(Timeframe.DAY));
            room().setLogarithmic(false);
        });
        steps.add(() -> {});
        steps.add(this::structure);
        steps.add(() -> {});
        steps.add(this::levelInHand);
        steps.add(() -> shoot("structure"));
        steps.add(() -> bench.themeProperty().set(Palette.Theme.NIGHT_WATCH));
        steps.add(this::patterns);
        steps.add(() -> {});
        steps.add(() -> shoot("patterns"));
        steps.add(() -> bench.themeProperty().set(Palette.Theme.DAYLIGHT));
        steps.add(this::agreement);
        steps.add(() -> {});
        steps.add(() -> shoot("agreement"));
        steps.add(() -> {
            room().showLayers(List.of());
            room().open(instrument("KTRL"), BarRequest.of(Timeframe.DAY));
            room().detectors().toggle(detector("waves"));
        });
        steps.add(() -> {});
        steps.add(() -> RivalLayout.show(bench.layouts()));
        steps.add(() -> {});
        steps.add(() -> room().detectors().step(1));
        steps.add(() -> shoot("waves"));
        steps.add(() -> bench.layouts().add("Order flow", Arrangement.grid(1, 1)));
        steps.add(() -> OrderFlowShots.footprint(room(), instrument("VRTQ")));
        steps.add(() -> {});
        steps.add(() -> shoot("footprint"));
        steps.add(() -> OrderFlowShots.profiles(room(), instrument("EMBRA")));
        steps.add(() -> {});
        steps.add(() -> shoot("profiles"));
        steps.add(() -> bench.themeProperty().set(Palette.Theme.NIGHT_WATCH));
        steps.add(() -> {
            room().showLayers(List.of());
            room().open(instrument("VRTQ"), BarRequest.of(Timeframe.MINUTE));
            ExecutionLayout.show(bench.layouts());
        });
        steps.add(() -> {});
        steps.add(() -> {});
        steps.add(() -> shoot("execution"));
        steps.add(() -> bench.themeProperty().set(Palette.Theme.DAYLIGHT));
        steps.add(() -> bench.layouts().add("Drawings", Arrangement.grid(1, 1)));
        steps.add(() -> {
            room().showLayers(List.of());
            room().open(instrument("MARN"), Timeframe.DAY);
        });
        steps.add(() -> {});
        steps.add(this::workedChart);
        steps.add(() -> shoot("drawings"));
        steps.add(this::waveCount);
        steps.add(this::denseChart);
        steps.add(() -> {});
        steps.add(() -> shoot("dense"));
        ownIndicators();
        scenarios();
        steps.add(() -> desk.habits().setTable("scan", "code chart stance last change by decided"));
        steps.add(() -> bench.go(View.SCAN));
        steps.add(() -> ((ListView<?>) stage.getScene().lookup("#scans"))
                .getSelectionModel()
                .select(1));
        steps.add(() -> ((javafx.scene.control.Button) stage.getScene().lookup("#run-scan")).fire());
        steps.add(() -> shoot("scan"));
        steps.add(() -> bench.themeProperty().set(Palette.Theme.NIGHT_WATCH));
        steps.add(() -> bench.evidence("rsi(14) crosses above 30"));
        steps.add(() -> shoot("evidence"));
        steps.add(() -> bench.themeProperty().set(Palette.Theme.DAYLIGHT));
        steps.add(() -> desk.alertWork()
                .setOn(
                        List.of(instrument("KTRL")),
                        "rsi(14) < 30",
                        Timeframe.DAY,
                        desk.language().now()));
        steps.add(this::waiting);
        board();
        steps.add(() -> {
            // What fired, with the picture that was taken then.
            TableView<?> fired = (TableView<?>) stage.getScene().lookup("#fired-alerts");
            fired.requestFocus();
            fired.getSelectionModel().select(0);
        });
        steps.add(() -> {});
        steps.add(() -> shoot("watch"));
        steps.add(() -> bench.go(View.PLAN));
        steps.add(() -> shoot("plan"));
        steps.add(() -> {
            window.close();
            then.run();
            System.exit(0);
        });
        next();
    }

    /** The editor with an example on weekly bars, with a sentence that waits to be taken. */
    private void ownIndicators() {
        steps.add(() -> bench.layouts().add("Own", Arrangement.grid(1, 1)));
        steps.add(() -> {
            room().showLayers(List.of());
            room().open(instrument("KTRL"), Timeframe.WEEK);
        });
        steps.add(() -> {});
        steps.add(() -> bench.write(new Writing.Indicator("")));
        steps.add(() -> ((CodeArea) stage.getScene().lookup("#definition"))
                .replaceText(Examples.find("four stages").get(0).text()));
        steps.add(() -> press("#put-on-chart"));
        steps.add(() -> {});
        steps.add(() -> shoot("own-indicator"));
        steps.add(() -> {
            room().showLayers(List.of());
            press("#new-definition");
            ((CodeArea) stage.getScene().lookup("#definition")).replaceText("");
        });
        steps.add(() -> bench.themeProperty().set(Palette.Theme.DAYLIGHT));
        steps.add(() -> press("#own-close"));
    }

    /** Rival readings of a chart, one of them with two within it, and the strip of quotes over it. */
    private void scenarios() {
        steps.add(() -> bench.layouts().add("Scenarios", Arrangement.grid(1, 1)));
        steps.add(() -> {
            room().showLayers(List.of());
            room().open(instrument("WPSL"), BarRequest.of(Timeframe.DAY));
            bench.act("hide-and-show.strip-of-quotes");
        });
        steps.add(() -> {});
        steps.add(() -> {
            scenario("fifth wave up", 50, 1.05, 1.10, 0.955);
            scenario("sideways", 30, 0.985, 1.02, 1.06);
            scenario("deep correction", 20, 0.95, 0.91, 1.075);
            room().studies().select(Selection.SCENARIOS);
        });
        steps.add(() -> {});
        steps.add(() -> shoot("scenarios"));
        steps.add(() -> bench.act("hide-and-show.strip-of-quotes"));
    }

    /** @param wrong as a part of the last price, as the two targets are */
    private void scenario(String title, int share, double first, double second, double wrong) {
        Instrument instrument = room().instrument().orElseThrow();
        double last = room().chart().data().last();
        desk.scenarioWork()
                .make(
                        instrument,
                        String.format(
                                Locale.ROOT,
                                "\"%s\" %d%% to %.2f, %.2f, wrong at %.2f",
                                title,
                                share,
                                last * first,
                                last * second,
                                last * wrong),
                        last);
    }

    /** The quote board as a page and as a wall, then what waits. */
    private void board() {
        steps.add(() -> {
            window.watch().board().setLists(List.of("Large companies", "Indices"));
            window.watch().show(WatchPages.Page.BOARD);
            bench.go(View.WATCH);
        });
        steps.add(() -> {});
        steps.add(() -> window.watch().board().sortBy("percent"));
        steps.add(() -> {});
        steps.add(() -> shoot("board"));
        steps.add(() -> {
            bench.themeProperty().set(Palette.Theme.NIGHT_WATCH);
            window.watch().board().setLists(List.of("All companies"));
            window.watch().show(WatchPages.Page.WALL);
        });
        steps.add(() -> {});
        steps.add(() -> {});
        steps.add(() -> shoot("wall"));
        steps.add(() -> {
            bench.themeProperty().set(Palette.Theme.DAYLIGHT);
            window.watch().show(WatchPages.Page.ALERTS);
        });
        steps.add(() -> {});
    }

    private void press(String button) {
        ((Button) stage.getScene().lookup(button)).fire();
    }

    private ChartRoom room() {
        return bench.room();
    }

    private void linkedCharts() {
        bench.layouts().add("Day trading", Arrangement.grid(2, 2));
        bench.layouts().setLinks(1, EnumSet.of(LinkRules.Shared.INSTRUMENT, LinkRules.Shared.CROSSHAIR));
        bench.layouts().front().charts().forEach(chart -> {
            chart.showLayers(List.of());
            chart.setLink(1);
        });
        room().open(desk.directory().byCode("VRTQ").orElseThrow(), Timeframe.HOUR);
    }

    private void setUpLinkedCharts() {
        List<ChartRoom> charts = bench.layouts().front().charts();
        add("ema", "20");
        charts.get(1).open(charts.get(1).instrument().orElseThrow(), BarRequest.of(Timeframe.MINUTES_15));
        charts.get(1).setForm(BarForm.AVERAGED);
        charts.get(2).setRule(BarRule.parse("range:12"));
        charts.get(3).open(charts.get(3).instrument().orElseThrow(), BarRequest.of(Timeframe.MINUTES_5));
        charts.get(3).setScale("percent", charts.get(3).chart().scale().withMode(ScaleChoice.Mode.PERCENT));
        charts.get(3).setForm(BarForm.AREA);
        charts.get(0).pointTo(LinkedPointer.NONE);
    }

    /** The high or low of the bar of a date. */
    private Anchor point(String date, boolean high) {
        Bars bars = room().chart().bars();
        TradingCalendar calendar = room().chart().axis().grid().calendar();
        int bar = room().chart().axis().bar(calendar.open(calendar.sameOrNext(LocalDate.parse(date))));
        return new Anchor(bars.openTime(bar), high ? bars.high(bar) : bars.low(bar));
    }

    /** The lowest low between two dates. */
    private Anchor lowest(String from, String to) {
        Anchor least = point(from, false);
        for (LocalDate day = LocalDate.parse(from); !day.isAfter(LocalDate.parse(to)); day = day.plusDays(1)) {
            Anchor other = point(day.toString(), false);
            least = other.price() < least.price() ? other : least;
        }
        return least;
    }

    /** A zone, two retracements that agree and a measured move. */
    private void workedChart() {
        ChartDrawings drawings = room().drawings();
        Anchor low = point("2026-04-10", false);
        Anchor pullback = point("2026-05-13", false);
        Anchor high = point("2026-06-05", true);
        drawings.draw("zone", List.of(low, new Anchor(low.time(), low.price() + 4)));
        drawings.draw("retracement", List.of(low, high));
        drawings.draw("retracement", List.of(pullback, high));
        drawings.draw("measured_move", List.of(low, point("2026-05-05", true), pullback));
        drawings.draw(
                "callout",
                List.of(high, new Anchor(point("2026-05-06", true).time(), high.price() + 2)),
                Map.of("text", "second test failed at {price}"));
    }

    private void waveCount() {
        room().tracings().use("waves");
        room().tracings().show("main", false);
        room().drawings()
                .draw(
                        "impulse",
                        List.of(
                                lowest("2026-02-02", "2026-02-20"),
                                point("2026-03-09", true),
                                lowest("2026-04-06", "2026-04-20"),
                                point("2026-05-27", true),
                                point("2026-06-02", false),
                                point("2026-06-05", true)),
                        Map.of("degree", "intermediate"));
    }

    /** Three retracements, the wave count, the plan of the morning, six layers, levels with alerts. */
    private void denseChart() {
        room().tracings().show("main", true);
        ChartDrawings drawings = room().drawings();
        drawings.draw("retracement", List.of(point("2026-03-09", true), lowest("2026-04-06", "2026-04-20")));
        for (String name : List.of("bollinger", "ichimoku", "macd")) {
            room().indicators().add(Catalogue.builtIn().find(name).orElseThrow());
        }
        add("sma", "50");
        add("ema", "20");
        add("rsi", "14");
        Anchor newest = point("2026-06-18", true);
        for (double above : new double[] {1.03, 0.975, 0.94}) {
            Instrument instrument = room().instrument().orElseThrow();
            drawings.draw(
                    Drawing.LEVEL,
                    List.of(new Anchor(newest.time(), instrument.format().round(newest.price() * above))));
            room().studies().setAlert(Alert.Trigger.REACHES);
        }
        room().chart().setBarWidth(8);
    }

    /** Swings of the day, and levels of day, week and month. */
    private void structure() {
        room().detectors().toggle(detector("pivots"));
        room().detectors().toggle(detector("levels"));
        room().detectors().inherit();
        room().chart().setBarWidth(3);
        room().setVolumeShown(false);
    }

    /** The level nearest to the price, with what happened there. */
    private void levelInHand() {
        double last = room().chart().data().last();
        room().chart().indicators().stream()
                .flatMap(each -> room().chart().data().found(each).stream())
                .filter(each -> each.finding().lines().containsKey("upper"))
                .min(Comparator.comparingDouble(
                        each -> Math.abs(each.finding().lines().get("upper") - last)))
                .ifPresent(each -> room().studies().select(new Selection.Finding(each.id())));
    }

    /** Patterns with their targets. */
    private void patterns() {
        room().showLayers(List.of());
        room().open(instrument("GNGW"), BarRequest.of(Timeframe.DAY));
        room().detectors().toggle(detector("pattern"));
        room().chart().setBarWidth(7);
    }

    /** Where levels, lines, gaps, targets and a drawn retracement agree. */
    private void agreement() {
        room().showLayers(List.of());
        room().open(instrument("HRRN"), BarRequest.of(Timeframe.DAY));
        room().detectors().toggle(detector("agreement"));
        room().detectors().toggle(detector("targets"));
        room().chart().setBarWidth(6);
    }

    private Indicator detector(String word) {
        return desk.language().catalogue().find(word).orElseThrow();
    }

    private Instrument instrument(String code) {
        return desk.directory().byCode(code).orElseThrow();
    }

    private void next() {
        PauseTransition pause = new PauseTransition(Duration.millis(SETTLE_MILLIS));
        pause.setOnFinished(event -> {
            Runnable step = steps.poll();
            if (step != null) {
                step.run();
                next();
            }
        });
        pause.play();
    }

    private void open(String code, Timeframe timeframe) {
        steps.add(() -> {
            Instrument instrument = desk.directory().byCode(code).orElseThrow();
            room().open(instrument, timeframe);
        });
    }

    private void planAround(double stop, double target) {
        Bars bars = room().chart().bars();
        double entry = bars.close(bars.size() - 1);
        room().studies().makePlan(entry, entry * (1 + stop), entry * (1 + target));
    }

    /** A level a little above the open with an alert set at the open: the day's trades make it fire. */
    private void alertOfTheMorning() {
        Bars bars = room().chart().bars();
        int last = bars.size() - 1;
        Instrument instrument = room().instrument().orElseThrow();
        double price = instrument.format().round((bars.open(last) + 2 * bars.high(last)) / 3);
        room().drawings().draw(Drawing.LEVEL, List.of(new Anchor(bars.openTime(last), price)));
        Drawing level = room().chart().drawings().get(0);
        desk.books()
                .alertShelf()
                .put(Alert.onDrawing(
                        "morning",
                        instrument.id(),
                        level.id(),
                        Alert.Trigger.REACHES,
                        Timeframe.DAY,
                        false,
                        bars.openTime(last)));
    }

    /** Alerts in one line and calls in a sentence. */
    private void waiting() {
        alert("KTRL", "closes above 105.20 on 30m for 5 days \"retest of the breakout\"");
        alert("KTRL", "turns back at 102.80 by 0.5 atr until Friday");
        alert("MARN", "first closes above 205 on 1h then reaches 205 within 5 bars");
        alert("EBSP", "within 0.5 % of ema(50) each time");
        call("KTRL", "above 105.20 expect 108, wrong below 102.80, until 3 July; below 102.80 the other reading: 99");
        call("MARN", "closes below 199 on 4h expect 194, wrong above 203.50, for 10 days");
    }

    private void alert(String code, String line) {
        desk.alertWork()
                .set(
                        List.of(instrument(code)),
                        line,
                        new BarRule.Time(Timeframe.DAY),
                        desk.language().now(),
                        each -> Double.NaN);
    }

    private void call(String code, String sentence) {
        desk.callWork().make(instrument(code), sentence, new BarRule.Time(Timeframe.DAY));
    }

    private void weeklyLevel() {
        Bars bars = room().chart().bars();
        int high = bars.size() - 30;
        for (int bar = bars.size() - 30; bar < bars.size() - 4; bar++) {
            high = bars.high(bar) > bars.high(high) ? bar : high;
        }
        room().drawings().draw(Drawing.LEVEL, List.of(new Anchor(bars.openTime(high), bars.high(high))));
    }

    private void studyKtrl() {
        add("sma", "50");
        add("ema", "20");
        add("rsi", "14");
        Bars bars = room().chart().bars();
        int first = lowest(bars, bars.size() - 110, bars.size() - 60);
        int second = lowest(bars, bars.size() - 50, bars.size() - 8);
        TradingCalendar calendar = desk.calendar(room().instrument().orElseThrow());
        BarGrid grid = new BarGrid(calendar, Timeframe.DAY);
        room().drawings()
                .draw(
                        Drawing.LINE,
                        List.of(
                                new Anchor(grid.slotAt(bars.openTime(first)).openTime(), bars.low(first)),
                                new Anchor(grid.slotAt(bars.openTime(second)).openTime(), bars.low(second))));
        room().studies().setAlert(Alert.Trigger.CLOSES_BEYOND);
        room().studies().setAlert(Alert.Trigger.REACHES);
        room().studies().takeStance(Stance.Kind.LONG, "");
        room().studies().writeNote("holds above the weekly level");
    }

    private static int lowest(Bars bars, int from, int to) {
        int lowest = Math.max(0, from);
        for (int bar = lowest; bar < to; bar++) {
            lowest = bars.low(bar) < bars.low(lowest) ? bar : lowest;
        }
        return lowest;
    }

    private void add(String name, String length) {
        Catalogue.builtIn().find(name).ifPresent(found -> room().indicators()
                .add(found, Settings.of(found, Map.of("length", length))));
    }

    private void shoot(String name) {
        WritableImage image = stage.getScene().snapshot(null);
        try {
            Files.createDirectories(out);
            ImageIO.write(
                    SwingFXUtils.fromFXImage(image, null),
                    "png",
                    out.resolve(name + ".png").toFile());
            System.err.println("wrote " + out.resolve(name + ".png"));
        } catch (IOException failed) {
            System.err.println("yardarm: the picture " + name + " cannot be written: " + failed.getMessage());
            System.exit(1);
        }
    }
}

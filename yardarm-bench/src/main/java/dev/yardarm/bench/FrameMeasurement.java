package dev.yardarm.bench;

import dev.yardarm.app.chart.ChartView;
import dev.yardarm.app.log.ToolkitLog;
import dev.yardarm.app.theme.Themes;
import dev.yardarm.app.theme.Zoom;
import dev.yardarm.app.window.MainWindow;
import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.desk.Desk;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import javafx.animation.AnimationTimer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.StackPane;
import javafx.scene.shape.Rectangle;
import javafx.stage.Stage;

/**
 * Measures the main chart in the window at 1280x800: issuing a frame on the interface's thread, completed frames (pulses
 * at full speed, each waiting for the one before to be rendered), and moves of the crosshair. Prints medians and ratios.
 */
public final class FrameMeasurement extends Application {
    private static final int WARM_UP = 120;
    private static final int COUNTED = 240;
    private static final int FEW = 2_000;
    private static final int MANY = 1_000_000;

    private final double[] completed = new double[8];
    private final double[] issued = new double[8];
    private final Rectangle pixel = new Rectangle(4, 4, 1, 1);
    private final List<Rectangle> bare =
            Stream.generate(Rectangle::new).limit(6).toList();
    private Desk desk;
    private MainWindow window;
    private ChartView view;

    /** Starts it from the class path. */
    public static final class Launch {
        private Launch() {}

        public static void main(String[] arguments) {
            System.setProperty("javafx.animation.fullspeed", "true");
            ToolkitLog.expectClassPath();
            Application.launch(FrameMeasurement.class, arguments);
        }
    }

    @Override
    public void start(Stage stage) throws Exception {
        Path home = Files.createTempDirectory("yardarm-bench");
        Themes.loadFonts();
        desk = new Desk(new Desk.Options(home, true, 1, true), Platform::runLater);
        window = new MainWindow(desk, stage);
        window.open();
        view = (ChartView) stage.getScene().lookup("#chart");
        new Thread(() -> {
                    try {
                        Thread.sleep(9000);
                    } catch (InterruptedException ended) {
                        return;
                    }
                    Platform.runLater(() -> measure(0));
                })
                .start();
    }

    /**
     * Steps: full frames of few bars, of many bars, crosshair over many bars, pulses in which one pixel changes, pulses in
     * which six bare nodes move as the crosshair's do, full frames of a dense chart, and of sixty candles and sixty footprints.
     */
    private void measure(int step) {
        if (step == 8) {
            report();
            return;
        }
        window.bench().room().close();
        pixel.setManaged(false);
        ChartModel chart = window.bench().room().chart();
        if (step == 3) {
            moveTo(-1, -1);
            ((StackPane) Zoom.content(view.getScene())).getChildren().add(pixel);
        }
        if (step == 4) {
            pixel.setVisible(false);
            bare.forEach(each -> each.setManaged(false));
            ((StackPane) Zoom.content(view.getScene())).getChildren().addAll(bare);
        }
        if (step == 5) {
            bare.forEach(each -> each.setVisible(false));
            dense(chart);
        }
        if (step >= 6) {
            orderFlow(chart, step == 7);
        }
        if (step < 2) {
            Bars bars = MadeBars.minutes(step == 0 ? FEW : MANY).snapshot();
            chart.open(
                    chart.instrument().orElseThrow(), Timeframe.MINUTE, TradingCalendar.roundTheClock(ZoneOffset.UTC));
            chart.setData(ChartData.of(bars));
            chart.showLast(bars.size());
        }
        new AnimationTimer() {
            private final double[] times = new double[WARM_UP + COUNTED];
            private final double[] issuing = new double[WARM_UP + COUNTED];
            private int count = -1;
            private long last;

            @Override
            public void handle(long now) {
                long time = System.nanoTime();
                if (count >= 0) {
                    times[count] = (time - last) / 1e6;
                }
                last = time;
                count++;
                if (count == times.length) {
                    stop();
                    completed[step] = median(Arrays.copyOfRange(times, WARM_UP, times.length));
                    if (step != 3) {
                        issued[step] = median(Arrays.copyOfRange(issuing, WARM_UP, times.length));
                    }
                    measure(step + 1);
                } else if (step < 2 || step >= 5) {
                    // Inside a pulse, so that what is issued is also drawn and nothing piles up.
                    view.canvas().paintNow();
                    issuing[count] = (System.nanoTime() - time) / 1e6;
                } else if (step == 3) {
                    pixel.setX(4 + count % 2);
                } else if (step == 4) {
                    moveBare(100 + count * 2 % 500, 60 + count % 200);
                } else {
                    moveTo(100 + count * 2 % 500, 60 + count % 200);
                    issuing[count] = (System.nanoTime() - time) / 1e6;
                }
            }
        }.start();
    }

    /** Three retracements, a wave count, five levels and six indicators over few bars: some eighty texts to place. */
    private static void dense(ChartModel chart) {
        Bars bars = MadeBars.minutes(FEW).snapshot();
        List<IndicatorLayer> layers = Stream.of("ema", "sma", "bollinger", "ichimoku", "rsi", "macd")
                .map(name -> Catalogue.builtIn().find(name).orElseThrow())
                .map(found -> new IndicatorLayer(
                        found.name(),
                        found,
                        Settings.standard(found),
                        LayerStyle.of(found.name().length())))
                .toList();
        chart.open(chart.instrument().orElseThrow(), Timeframe.MINUTE, TradingCalendar.roundTheClock(ZoneOffset.UTC));
        chart.setIndicators(layers);
        chart.setData(new ChartDataBuilder(layers).update(bars));
        List<Drawing> drawings = new ArrayList<>();
        int last = bars.size() - 1;
        for (int number = 0; number < 3; number++) {
            drawings.add(drawing("retracement " + number, "retracement", bars, last - 80 + 9 * number, last - 10));
        }
        drawings.add(
                drawing("waves", "impulse", bars, last - 85, last - 70, last - 60, last - 35, last - 28, last - 12));
        for (int number = 0; number < 5; number++) {
            drawings.add(drawing("level " + number, Drawing.LEVEL, bars, last - 10 * number));
        }
        chart.setDrawings(drawings);
        chart.showLast(100);
    }

    /** Sixty bars of some forty prices, as candles or as footprints. */
    private static void orderFlow(ChartModel chart, boolean isFootprint) {
        OrderFlowMeasurement.Fed fed = new OrderFlowMeasurement.Fed(
                "time:1m", isFootprint ? List.of(OrderFlowMeasurement.layer(1, "footprint", Map.of())) : List.of());
        TickSeries ticks = OrderFlowMeasurement.trades(70 * 1_000, 20_000 * Times.DAY, 60_000, 1);
        fed.take(ticks, 0, ticks.size());
        chart.open(chart.instrument().orElseThrow(), Timeframe.MINUTE, TradingCalendar.roundTheClock(ZoneOffset.UTC));
        chart.setDrawings(List.of());
        chart.setIndicators(fed.layers());
        chart.setData(fed.data());
        chart.showLast(60);
    }

    private static Drawing drawing(String id, String kind, Bars bars, int... at) {
        List<Anchor> anchors = Arrays.stream(at)
                .mapToObj(bar -> new Anchor(bars.openTime(bar), bar % 2 == 0 ? bars.high(bar) : bars.low(bar)))
                .toList();
        return new Drawing(id, kind, Timeframe.MINUTE, anchors, 3);
    }

    /** Four lines with a gap where they meet, and two places for tags, without any text. */
    private void moveBare(double x, double y) {
        Bounds chart = view.localToScene(view.getBoundsInLocal());
        double left = chart.getMinX();
        double top = chart.getMinY();
        double right = chart.getMaxX() - 80;
        double bottom = chart.getMaxY() - 24;
        double[][] places = {
            {left + x, top + 36, 1, Math.max(1, y - 48)},
            {left + x, top + y + 12, 1, bottom - top - y - 12},
            {left, top + y, x - 12, 1},
            {left + x + 12, top + y, right - left - x - 12, 1},
            {right + 2, top + y - 8, 70, 16},
            {left + x - 40, bottom + 3, 80, 18}
        };
        for (int each = 0; each < places.length; each++) {
            Rectangle node = bare.get(each);
            node.setX(places[each][0]);
            node.setY(places[each][1]);
            node.setWidth(places[each][2]);
            node.setHeight(places[each][3]);
        }
    }

    static int nodes(Node node) {
        int count = 1;
        if (node instanceof Parent parent) {
            for (Node child : parent.getChildrenUnmodifiable()) {
                count += nodes(child);
            }
        }
        return count;
    }

    private void moveTo(double x, double y) {
        Event.fireEvent(
                view,
                new MouseEvent(
                        MouseEvent.MOUSE_MOVED,
                        x,
                        y,
                        x,
                        y,
                        MouseButton.NONE,
                        0,
                        false,
                        false,
                        false,
                        false,
                        false,
                        false,
                        false,
                        false,
                        false,
                        false,
                        null));
    }

    private static double median(double[] times) {
        double[] sorted = times.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }

    private void report() {
        System.out.printf(
                Locale.ROOT,
                "issue a frame: %,d bars %.2f ms, %,d bars %.2f ms, ratio %.2f%n",
                FEW,
                issued[0],
                MANY,
                issued[1],
                issued[1] / issued[0]);
        System.out.printf(
                Locale.ROOT,
                "completed frame: %,d bars %.2f ms, %,d bars %.2f ms, ratio %.2f%n",
                FEW,
                completed[0],
                MANY,
                completed[1],
                completed[1] / completed[0]);
        System.out.printf(
                Locale.ROOT,
                "crosshair move, completed: %.2f ms, part of a full frame %.2f; on the interface's thread %.2f ms%n",
                completed[2],
                completed[2] / completed[1],
                issued[2]);
        System.out.printf(
                Locale.ROOT,
                "a pulse in which one pixel changes: %.2f ms; in which six bare nodes move like the crosshair's: %.2f ms, "
                        + "part of a full frame %.2f%n",
                completed[3],
                completed[4],
                completed[4] / completed[1]);
        System.out.printf(
                Locale.ROOT, "issue a frame of a dense chart: %.2f ms, completed %.2f ms%n", issued[5], completed[5]);
        System.out.printf(
                Locale.ROOT,
                "60 bars of some 40 prices: candles issued %.2f ms, completed %.2f ms; footprints %.2f ms, %.2f ms, ratio %.2f%n",
                issued[6],
                completed[6],
                issued[7],
                completed[7],
                completed[7] / completed[6]);
        System.out.printf("nodes in the window: %d%n", nodes(view.getScene().getRoot()));
        System.exit(0);
    }
}

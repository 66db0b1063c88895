package dev.yardarm.bench;

import dev.yardarm.app.board.BoardTable;
import dev.yardarm.app.board.BoardWall;
import dev.yardarm.app.chart.ChartView;
import dev.yardarm.app.chart.PaintedRegion;
import dev.yardarm.app.log.ToolkitLog;
import dev.yardarm.app.theme.Themes;
import dev.yardarm.app.view.WatchPages;
import dev.yardarm.app.window.MainWindow;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Times;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.board.Board;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.CountDownLatch;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.animation.AnimationTimer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.stage.Stage;

/**
 * The quote board with 500 instruments, each traded ten times a second: a frame of it against one of the chart in the same window at 1280x800,
 * issued and completed; then how long taking in a tenth of a second takes, and what memory is held before and after hours of it.
 */
public final class BoardMeasurement extends Application {
    private static final long BETWEEN = Times.SECOND / 10;
    private static final int WARM_UP = 120;
    private static final int COUNTED = 240;
    private static final int HOURS = 4;

    private Desk desk;
    private MainWindow window;
    private Stage stage;
    private long moment;

    /** Starts it from the class path. */
    public static final class Launch {
        private Launch() {}

        public static void main(String[] arguments) {
            System.setProperty("javafx.animation.fullspeed", "true");
            ToolkitLog.expectClassPath();
            Application.launch(BoardMeasurement.class, arguments);
        }
    }

    /** What frames took, in milliseconds. */
    private record Frames(double issued, double completed) {}

    @Override
    public void start(Stage shown) throws Exception {
        Path home = Files.createTempDirectory("yardarm-bench");
        Themes.loadFonts();
        stage = shown;
        desk = new Desk(new Desk.Options(home, true, 1, true), Platform::runLater);
        window = new MainWindow(desk, stage);
        window.open();
        moment = desk.clock().now();
        new Thread(this::measure, "measure").start();
    }

    private <T> T front(Supplier<T> task) {
        CountDownLatch done = new CountDownLatch(1);
        Object[] result = new Object[1];
        Platform.runLater(() -> {
            result[0] = task.get();
            done.countDown();
        });
        try {
            done.await();
        } catch (InterruptedException ended) {
            Thread.currentThread().interrupt();
        }
        @SuppressWarnings("unchecked")
        T typed = (T) result[0];
        return typed;
    }

    private void measure() {
        try {
            // The daily history is made first.
            Thread.sleep(30_000);
            double least = completed(this::small);
            Frames chart = frames(() -> ((ChartView) stage.getScene().lookup("#chart")).canvas());
            BusyMarket market = new BusyMarket(BETWEEN);
            desk.directory().add(market);
            Board board = front(() -> {
                // In hand is something that is not traded, so that the chart beside the board rests.
                String list = desk.listWork()
                        .make(
                                "Busy",
                                Stream.concat(
                                                desk.directory().all().stream()
                                                        .filter(each -> each.kind() == Instrument.Kind.ECONOMIC)
                                                        .limit(1),
                                                market.instruments().stream())
                                        .map(Instrument::id)
                                        .toList());
                window.watch().board().setLists(List.of(list));
                window.watch().show(WatchPages.Page.BOARD);
                window.bench().go(View.WATCH);
                return window.watch().board();
            });
            while (front(() -> market.instruments().stream()
                    .anyMatch(each -> board.quote(each.id()).isEmpty()))) {
                Thread.sleep(200);
            }
            beats(20);
            Frames table = frames(() -> ((BoardTable) stage.getScene().lookup("#board-table")));
            front(() -> {
                window.watch().show(WatchPages.Page.WALL);
                return null;
            });
            Thread.sleep(3000);
            Frames wall = frames(() -> ((BoardWall) stage.getScene().lookup("#board-wall")));
            front(() -> {
                window.watch().show(WatchPages.Page.BOARD);
                return null;
            });
            double beat = beats(600);
            long before = used();
            beats(HOURS * 36_000);
            long after = used();
            System.out.printf(
                    Locale.ROOT,
                    "a frame in which a few pixels change: completed %.2f ms%n"
                            + "of the chart: issued %.2f ms, completed %.2f ms%n"
                            + "of the board, 500 instruments: issued %.2f ms, completed %.2f ms; of a chart's %.2f, %.2f%n"
                            + "of the wall of 500 tiles: issued %.2f ms, completed %.2f ms; of a chart's %.2f, %.2f%n"
                            + "a tenth of a second with 500 trades, median: %.2f ms%n"
                            + "held before and after %d hours of it: %.1f MB, %.1f MB%n",
                    least,
                    chart.issued(),
                    chart.completed(),
                    table.issued(),
                    table.completed(),
                    table.issued() / chart.issued(),
                    table.completed() / chart.completed(),
                    wall.issued(),
                    wall.completed(),
                    wall.issued() / chart.issued(),
                    wall.completed() / chart.completed(),
                    beat,
                    HOURS,
                    before / 1e6,
                    after / 1e6);
        } catch (InterruptedException ended) {
            Thread.currentThread().interrupt();
        }
        System.exit(0);
    }

    /** So many tenths of a second, one right after the other; the median time of one in milliseconds. */
    private double beats(int count) {
        double[] times = new double[count];
        for (int at = 0; at < count; at++) {
            moment += BETWEEN;
            long begin = System.nanoTime();
            desk.hub().beatAt(moment);
            times[at] = (System.nanoTime() - begin) / 1e6;
            if (at % 100 == 0) {
                // The interface takes in what it was told.
                front(() -> null);
            }
        }
        return median(times);
    }

    private static long used() throws InterruptedException {
        for (int round = 0; round < 3; round++) {
            System.gc();
            Thread.sleep(200);
        }
        return Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
    }

    /** Frames of what is painted there, each after a tenth of a second of the market. */
    private Frames frames(Supplier<PaintedRegion> region) throws InterruptedException {
        PaintedRegion painted = front(region);
        return new Frames(issued(painted), completed(painted::redraw));
    }

    /** The painting alone, at the pace of a market that goes by faster: a frame every 40 milliseconds. */
    private double issued(PaintedRegion painted) throws InterruptedException {
        double[] times = new double[WARM_UP + COUNTED];
        for (int at = 0; at < times.length; at++) {
            beat();
            // What the beat told has come before.
            times[at] = front(() -> {
                long begin = System.nanoTime();
                painted.paintNow();
                return (System.nanoTime() - begin) / 1e6;
            });
            Thread.sleep(40);
        }
        return median(Arrays.copyOfRange(times, WARM_UP, times.length));
    }

    /**
     * From the pulse in which something changes until the next but one: in between something small changes too, so that its pulse waits until
     * the one before is rendered and copied to the screen.
     */
    private double completed(Runnable change) throws InterruptedException {
        double[] times = new double[WARM_UP + COUNTED];
        CountDownLatch done = new CountDownLatch(1);
        Platform.runLater(() -> new AnimationTimer() {
            private int count;
            private int step;
            private long began;

            @Override
            public void handle(long now) {
                switch (step++) {
                    case 0 -> beat();
                    case 1 -> {
                        began = System.nanoTime();
                        change.run();
                    }
                    case 2 -> small();
                    default -> {
                        times[count++] = (System.nanoTime() - began) / 1e6;
                        step = 0;
                    }
                }
                if (count == times.length) {
                    stop();
                    done.countDown();
                }
            }
        }.start());
        done.await();
        return median(Arrays.copyOfRange(times, WARM_UP, times.length));
    }

    /** Changes something of a few pixels. */
    private void small() {
        Node status = stage.getScene().lookup("#status");
        status.setOpacity(status.getOpacity() == 1 ? 0.99 : 1);
    }

    private void beat() {
        moment += BETWEEN;
        desk.hub().beatAt(moment);
    }

    private static double median(double[] times) {
        double[] sorted = times.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }
}

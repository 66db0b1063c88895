package dev.yardarm.bench;

import dev.yardarm.app.chart.ChartView;
import dev.yardarm.app.log.ToolkitLog;
import dev.yardarm.app.window.MainWindow;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.layout.Arrangement;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import javafx.animation.AnimationTimer;
import javafx.animation.PauseTransition;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import javafx.util.Duration;

/**
 * Eight charts side by side: what a completed pulse costs when one of them has new data, against all eight having it,
 * and that only charts with new data are drawn.
 */
public final class ChartsMeasurement extends Application {
    private static final int WARM_UP = 60;
    private static final int COUNTED = 160;
    private static final int CHARTS = 8;

    private final double[] medians = new double[2];
    private MainWindow window;
    private List<ChartRoom> rooms;
    private List<ChartView> views;

    /** Starts it from outside the toolkit. */
    public static final class Launch {
        private Launch() {}

        public static void main(String[] arguments) {
            System.setProperty("javafx.animation.fullspeed", "true");
            ToolkitLog.expectClassPath();
            Application.launch(ChartsMeasurement.class, arguments);
        }
    }

    @Override
    public void start(Stage stage) throws IOException {
        Path home = Files.createTempDirectory("yardarm-charts");
        Desk desk = new Desk(new Desk.Options(home, true, 1, true), Platform::runLater);
        window = new MainWindow(desk, stage);
        window.open();
        window.bench().layouts().arrange(Arrangement.grid(2, 4));
        rooms = window.bench().layouts().front().charts();
        List<String> codes = List.of("KTRL", "MARN", "EBSP", "VHRB", "WPSL", "NTWQ", "HLCB", "GNGW");
        for (int at = 0; at < CHARTS; at++) {
            rooms.get(at)
                    .open(
                            desk.directory().byCode(codes.get(at)).orElseThrow(),
                            rooms.get(at).chart().timeframe());
        }
        PauseTransition settle = new PauseTransition(Duration.seconds(12));
        settle.setOnFinished(event -> {
            views = rooms.stream().map(this::view).toList();
            measure(0);
        });
        settle.play();
    }

    private ChartView view(ChartRoom room) {
        return (ChartView) window.bench()
                .layouts()
                .layoutOf(room)
                .map(layout ->
                        javafx.stage.Window.getWindows().get(0).getScene().getRoot().lookupAll(".chart-view").stream()
                                .filter(node -> ((ChartView) node).room() == room)
                                .findFirst()
                                .orElseThrow())
                .orElseThrow();
    }

    private long[] drawn() {
        return views.stream().mapToLong(view -> view.canvas().drawnCount()).toArray();
    }

    private void measure(int step) {
        if (step == 2) {
            System.out.printf(
                    Locale.ROOT,
                    "a pulse with one of %d charts: %.2f ms, with all: %.2f ms, ratio %.2f%n",
                    CHARTS,
                    medians[0],
                    medians[1],
                    medians[0] / medians[1]);
            System.exit(0);
        }
        long[] before = drawn();
        new AnimationTimer() {
            private final double[] times = new double[WARM_UP + COUNTED];
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
                    double[] counted = Arrays.copyOfRange(times, WARM_UP, times.length);
                    Arrays.sort(counted);
                    medians[step] = counted[counted.length / 2];
                    long[] after = drawn();
                    StringBuilder text = new StringBuilder();
                    for (int at = 0; at < CHARTS; at++) {
                        text.append(' ').append(after[at] - before[at]);
                    }
                    System.out.println((step == 0 ? "one has new data" : "all have") + ", drawn:" + text);
                    measure(step + 1);
                    return;
                }
                for (int at = 0; at < (step == 0 ? 1 : CHARTS); at++) {
                    rooms.get(at).tell(Aspect.DATA);
                }
            }
        }.start();
    }
}

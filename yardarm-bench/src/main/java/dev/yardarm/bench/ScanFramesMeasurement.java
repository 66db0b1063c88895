package dev.yardarm.bench;

import dev.yardarm.app.log.ToolkitLog;
import dev.yardarm.app.theme.Themes;
import dev.yardarm.app.window.MainWindow;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.desk.Desk;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import javafx.animation.AnimationTimer;
import javafx.animation.PauseTransition;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import javafx.util.Duration;

/**
 * Whether the window keeps its frames while a scan runs behind it: the time between two pulses with a live chart in front, first by
 * itself, then while scans of all companies with five
 * conditions run one after the other without a pause.
 */
public final class ScanFramesMeasurement extends Application {
    private static final double SECONDS = 8;
    private static final List<String> CONDITIONS = List.of(
            "close > sma(close, 50)",
            "rsi(14) < 70",
            "close crosses above ema(close, 20) seen in 10",
            "volume > 1.2 * sma(volume, 20)",
            "highest(high, 50) - close < 2 * atr(14)");

    private final List<Double> intervals = new ArrayList<>();
    private Desk desk;
    private long last;
    private int scans;
    private boolean scanning;

    /** Starts it from the class path. */
    public static final class Launch {
        private Launch() {}

        public static void main(String[] arguments) {
            ToolkitLog.expectClassPath();
            Application.launch(ScanFramesMeasurement.class, arguments);
        }
    }

    @Override
    public void start(Stage stage) throws Exception {
        Path home = Files.createTempDirectory("yardarm-bench");
        Themes.loadFonts();
        desk = new Desk(new Desk.Options(home, true, 1, false), Platform::runLater);
        MainWindow window = new MainWindow(desk, stage);
        window.open();
        new AnimationTimer() {
            @Override
            public void handle(long now) {
                if (last != 0) {
                    intervals.add((now - last) / 1e6);
                }
                last = now;
            }
        }.start();
        // The daily history is made first.
        later(25, () -> {
            scanning = true;
            scan();
            later(10, () -> {
                scanning = false;
                later(4, this::alone);
            });
        });
    }

    private static void later(double seconds, Runnable action) {
        PauseTransition pause = new PauseTransition(Duration.seconds(seconds));
        pause.setOnFinished(event -> action.run());
        pause.play();
    }

    private void alone() {
        intervals.clear();
        later(SECONDS, () -> {
            String alone = told();
            scanning = true;
            scans = 0;
            scan();
            intervals.clear();
            later(SECONDS, () -> {
                System.out.printf(
                        Locale.ROOT, "between two pulses, alone: %s; while %d scans ran: %s%n", alone, scans, told());
                System.exit(0);
            });
        });
    }

    private void scan() {
        if (scanning) {
            scans++;
            desk.scan(
                    Scan.of("five", "All companies", Timeframe.DAY, CONDITIONS),
                    found -> scan(),
                    failed -> System.out.println(failed));
        }
    }

    private String told() {
        List<Double> sorted = new ArrayList<>(intervals);
        Collections.sort(sorted);
        return String.format(
                Locale.ROOT,
                "median %.1f ms, 95 of 100 under %.1f ms, 99 of 100 under %.1f ms, longest %.1f ms (%d)",
                sorted.get(sorted.size() / 2),
                sorted.get(sorted.size() * 95 / 100),
                sorted.get(sorted.size() * 99 / 100),
                sorted.get(sorted.size() - 1),
                sorted.size());
    }
}

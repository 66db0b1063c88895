package dev.yardarm.bench;

import dev.yardarm.app.log.ToolkitLog;
import dev.yardarm.app.theme.Themes;
import dev.yardarm.app.window.MainWindow;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.desk.Desk;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;

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

    private final Pulses pulses = new Pulses();
    private Desk desk;
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
        pulses.start();
        // The daily history is made first.
        Pulses.later(25, () -> {
            scanning = true;
            scan();
            Pulses.later(10, () -> {
                scanning = false;
                Pulses.later(4, this::alone);
            });
        });
    }

    private void alone() {
        pulses.count(SECONDS, alone -> {
            scanning = true;
            scans = 0;
            scan();
            pulses.count(SECONDS, busy -> {
                System.out.printf(
                        Locale.ROOT, "between two pulses, alone: %s; while %d scans ran: %s%n", alone, scans, busy);
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
}

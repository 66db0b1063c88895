package dev.yardarm.bench;

import dev.yardarm.app.chart.ChartView;
import dev.yardarm.app.log.ToolkitLog;
import dev.yardarm.app.theme.Themes;
import dev.yardarm.app.window.MainWindow;
import dev.yardarm.app.workbench.Writing;
import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.desk.Desk;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import javafx.animation.PauseTransition;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;
import javafx.util.Duration;
import org.fxmisc.richtext.CodeArea;

/**
 * From a key in the editor to the chart that shows what it means: a digit of a definition is typed and taken back over a chart of
 * some 5,000 bars, in the window, pulses at their usual pace. Counted until the frame with the new values has been issued. Prints
 * the median, the ninth tenth and the pulses in between.
 */
public final class TypingMeasurement extends Application {
    private static final int WARM_UP = 40;
    private static final int COUNTED = 160;
    private static final String BEFORE = "define \"Typed\" in price\n"
            + "setting length = 20 from 2 to 400\n"
            + "let middle = ema(close, length)\n"
            + "line middle \"Middle\"\n"
            + "tint \"Climbing\" rise when close > middle and middle is rising for 3\n"
            + "tint \"Sinking\" fall when close < middle and middle is falling for 3\n"
            + "cue \"Through\" when close crosses above middle\n"
            + "line sma(close, 20";
    private static final String AFTER = ") \"Mean\"\n";

    private final double[] times = new double[WARM_UP + COUNTED];
    private final double[] handled = new double[WARM_UP + COUNTED];
    private final int[] pulses = new int[WARM_UP + COUNTED];
    private final ScheduledExecutorService keys = Executors.newSingleThreadScheduledExecutor();
    private MainWindow window;
    private CodeArea area;
    private ChartView view;
    private int count;
    private double shown;
    private long painted;
    private long pressed;
    private int since;
    private boolean waiting;

    /** Starts it from the class path. */
    public static final class Launch {
        private Launch() {}

        public static void main(String[] arguments) {
            ToolkitLog.expectClassPath();
            Application.launch(TypingMeasurement.class, arguments);
        }
    }

    @Override
    public void start(Stage stage) throws Exception {
        Path home = Files.createTempDirectory("yardarm-bench");
        Themes.loadFonts();
        Desk desk = new Desk(new Desk.Options(home, true, 1, true), Platform::runLater);
        window = new MainWindow(desk, stage);
        window.open();
        later(9000, () -> {
            window.bench().room().open(desk.directory().byCode("EMBRA").orElseThrow(), Timeframe.DAY);
            window.bench().write(new Writing.Indicator(""));
            later(4000, () -> begin(stage));
        });
    }

    private static void later(double milliseconds, Runnable action) {
        PauseTransition pause = new PauseTransition(Duration.millis(milliseconds));
        pause.setOnFinished(event -> action.run());
        pause.play();
    }

    private ChartModel chart() {
        return window.bench().room().chart();
    }

    private void begin(Stage stage) {
        view = (ChartView) stage.getScene().lookup("#chart");
        area = (CodeArea) stage.getScene().lookup("#definition");
        area.requestFocus();
        area.replaceText(BEFORE + AFTER);
        area.moveTo(BEFORE.length());
        stage.getScene().addPostLayoutPulseListener(this::pulsed);
        later(2000, this::type);
    }

    /** The last value of the line whose length is typed; not a number before it is there. */
    private double value() {
        List<IndicatorLayer> layers = chart().drawnIndicators();
        List<ChartData.Line> lines =
                layers.isEmpty() ? List.of() : chart().data().of(layers.get(layers.size() - 1));
        return lines.isEmpty()
                ? Double.NaN
                : lines.get(lines.size() - 1).column().last();
    }

    private void type() {
        if (count == times.length) {
            report();
            return;
        }
        shown = value();
        painted = view.canvas().drawnCount();
        since = 0;
        waiting = true;
        pressed = System.nanoTime();
        if (count % 2 == 0) {
            Event.fireEvent(area, key(KeyEvent.KEY_PRESSED, "", KeyCode.DIGIT5));
            Event.fireEvent(area, key(KeyEvent.KEY_TYPED, "5", KeyCode.UNDEFINED));
        } else {
            Event.fireEvent(area, key(KeyEvent.KEY_PRESSED, "", KeyCode.BACK_SPACE));
        }
        handled[count] = (System.nanoTime() - pressed) / 1e6;
    }

    private static KeyEvent key(javafx.event.EventType<KeyEvent> type, String character, KeyCode code) {
        return new KeyEvent(type, character, "", code, false, false, false, false);
    }

    private void pulsed() {
        if (!waiting) {
            return;
        }
        since++;
        if (view.canvas().drawnCount() > painted && value() != shown) {
            waiting = false;
            times[count] = (System.nanoTime() - pressed) / 1e6;
            pulses[count] = since;
            count++;
            // From outside the pulses, at another place between two of them each time, as keys come.
            keys.schedule(() -> Platform.runLater(this::type), 60_000 + count * 7_300 % 16_667, TimeUnit.MICROSECONDS);
        }
    }

    private void report() {
        double[] counted = Arrays.copyOfRange(times, WARM_UP, times.length);
        Arrays.sort(counted);
        double[] handling = Arrays.copyOfRange(handled, WARM_UP, times.length);
        Arrays.sort(handling);
        int[] between = Arrays.copyOfRange(pulses, WARM_UP, times.length);
        System.out.printf(
                Locale.ROOT,
                "keystroke to frame, %,d bars: median %.1f ms, nine of ten under %.1f ms, slowest %.1f ms; "
                        + "%.1f ms of it handling the key; pulses %.2f on average, at most %d%n",
                chart().bars().size(),
                counted[COUNTED / 2],
                counted[COUNTED * 9 / 10],
                counted[COUNTED - 1],
                handling[COUNTED / 2],
                Arrays.stream(between).average().orElse(0),
                Arrays.stream(between).max().orElse(0));
        System.exit(0);
    }
}

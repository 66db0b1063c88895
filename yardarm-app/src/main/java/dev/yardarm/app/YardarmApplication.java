package dev.yardarm.app;

import dev.yardarm.app.theme.Themes;
import dev.yardarm.app.window.MainWindow;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.room.chart.Aspect;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.stream.Stream;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The application's life: the desk is opened while the toolkit starts, then the window. */
public final class YardarmApplication extends Application {
    private static StartOptions options;
    private static CompletableFuture<Desk> opening;
    private MainWindow window;
    private boolean firstChart;

    /** Begins to open the desk; called before the toolkit starts. */
    static void prepare(StartOptions start) {
        options = start;
        opening = CompletableFuture.supplyAsync(() -> {
            try {
                return new Desk(
                        new Desk.Options(start.home(), start.isDemo(), start.seed(), start.still()),
                        Platform::runLater);
            } catch (IOException failed) {
                throw new CompletionException(failed);
            }
        });
    }

    @Override
    public void start(Stage stage) {
        Thread.setDefaultUncaughtExceptionHandler(
                (thread, failed) -> Log.IT.error("unexpected failure on {}", thread.getName(), failed));
        mark("toolkit started");
        // What needs no desk, while it opens.
        Themes.prepare(Palette.Theme.DAYLIGHT);
        Themes.loadFonts();
        mark("fonts loaded");
        Desk desk;
        try {
            desk = opening.join();
        } catch (CompletionException failed) {
            System.err.println("yardarm: " + failed.getCause().getMessage());
            Platform.exit();
            System.exit(1);
            return;
        }
        mark("desk open");
        if (options.command().equals("shots")) {
            new Screenshots(desk, stage, options.out()).take(() -> {
                if (options.isForPicturesAlone()) {
                    remove(options.home());
                }
            });
            return;
        }
        try {
            window = new MainWindow(desk, stage);
            mark("window built");
            window.bench().listen(this::markFirstChart);
            window.open();
            mark("window shown");
        } catch (RuntimeException failed) {
            // Told here: the toolkit would end the application without a word of what went wrong.
            Log.IT.error("the window cannot be opened", failed);
            System.err.println(
                    "yardarm: the window cannot be opened; what was saved is untouched in " + options.home());
            Runtime.getRuntime().halt(1);
        }
    }

    private static void remove(Path folder) {
        try (Stream<Path> all = Files.walk(folder)) {
            for (Path each : (Iterable<Path>) all.sorted(Comparator.reverseOrder())::iterator) {
                Files.delete(each);
            }
        } catch (IOException kept) {
            Log.IT.warn("{} was not removed", folder, kept);
        }
    }

    private void markFirstChart(Aspect aspect) {
        if (aspect == Aspect.DATA && !firstChart) {
            firstChart = true;
            Platform.runLater(() -> mark("first chart"));
        }
    }

    /** Tells how long the start has taken so far. */
    private static void mark(String what) {
        Log.IT.info(
                "{} after {} ms",
                what,
                System.currentTimeMillis()
                        - ManagementFactory.getRuntimeMXBean().getStartTime());
    }

    /** The log, set up on the thread that opens the desk so that the toolkit need not wait for it. */
    private static final class Log {
        static final Logger IT = LoggerFactory.getLogger(YardarmApplication.class);
    }

    @Override
    public void stop() {
        System.exit(0);
    }
}

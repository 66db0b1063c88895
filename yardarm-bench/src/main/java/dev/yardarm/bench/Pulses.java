package dev.yardarm.bench;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import javafx.animation.AnimationTimer;
import javafx.animation.PauseTransition;
import javafx.util.Duration;

/** The times between two pulses of a window, which say whether it keeps its frames. Used by the interface's thread. */
final class Pulses {
    private final List<Double> intervals = new ArrayList<>();
    private long last;

    /** Begins to look at them. */
    void start() {
        new AnimationTimer() {
            @Override
            public void handle(long now) {
                if (last != 0) {
                    intervals.add((now - last) / 1e6);
                }
                last = now;
            }
        }.start();
    }

    /** Counts those of so many seconds from now on and tells of them. */
    void count(double seconds, Consumer<String> told) {
        intervals.clear();
        later(seconds, () -> told.accept(told()));
    }

    /** Does something in so many seconds. */
    static void later(double seconds, Runnable action) {
        PauseTransition pause = new PauseTransition(Duration.seconds(seconds));
        pause.setOnFinished(event -> action.run());
        pause.play();
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

package dev.yardarm.desk.room.chart;

import java.util.ArrayList;
import java.util.List;

/** What is to be done with a chart as soon as its bars are there: who types quickly is ahead of them. */
final class OnceLoaded {
    private final List<Runnable> tasks = new ArrayList<>();

    void add(Runnable task) {
        tasks.add(task);
    }

    /** Does what waits, in the order it came. */
    void run() {
        List<Runnable> due = List.copyOf(tasks);
        tasks.clear();
        due.forEach(Runnable::run);
    }

    /**
     * Gives up what waits.
     *
     * @return false when nothing waited
     */
    boolean drop() {
        boolean any = !tasks.isEmpty();
        tasks.clear();
        return any;
    }
}

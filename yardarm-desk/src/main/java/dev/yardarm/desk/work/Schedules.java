package dev.yardarm.desk.work;

import com.google.errorprone.annotations.concurrent.GuardedBy;
import dev.yardarm.core.bars.Timetable;
import dev.yardarm.desk.listening.Listening;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.PriorityQueue;
import java.util.concurrent.Executor;
import java.util.function.Consumer;

/**
 * Runs things at times of the market: a small heap of what is due next, looked at with each beat of whatever moves the time, so it
 * works at any speed and over nights that are skipped. What came due several times since it was looked at last - the
 * application was closed, a weekend was skipped - runs once and is told how often it was missed.
 *
 * <p>May be used by any thread; runs happen on the given executor. Cost of a beat at which nothing is due: one comparison.
 */
public final class Schedules {
    private final Executor runner;

    @GuardedBy("this")
    private final PriorityQueue<Entry> entries = new PriorityQueue<>(Comparator.comparingLong(entry -> entry.due));

    /**
     * One run.
     *
     * @param due when it was due last
     * @param now what time it is
     * @param missed how often it was due before that and nobody looked
     */
    public record Run(long due, long now, int missed) {}

    private static final class Entry {
        private final Timetable timetable;
        private final Consumer<Run> task;
        private long due;

        Entry(Timetable timetable, Consumer<Run> task, long due) {
            this.timetable = timetable;
            this.task = task;
            this.due = due;
        }
    }

    /** @param runner runs what is due */
    public Schedules(Executor runner) {
        this.runner = runner;
    }

    /**
     * Runs something whenever it is due.
     *
     * @param since when it ran last; what came due since then is made up for with the next beat
     * @return closes it
     */
    public synchronized Listening add(Timetable timetable, long since, Consumer<Run> task) {
        Entry entry = new Entry(timetable, task, timetable.next(since));
        entries.add(entry);
        return () -> remove(entry);
    }

    private synchronized void remove(Entry entry) {
        entries.remove(entry);
    }

    /** How many there are. */
    public synchronized int count() {
        return entries.size();
    }

    /** Time has come to {@code now}: what is due runs. */
    public void advance(long now) {
        for (Runnable run : due(now)) {
            runner.execute(run);
        }
    }

    private synchronized List<Runnable> due(long now) {
        List<Runnable> runs = new ArrayList<>();
        while (!entries.isEmpty() && entries.peek().due <= now) {
            Entry entry = entries.poll();
            long last = Math.max(entry.due, entry.timetable.last(entry.due, now));
            int missed = last == entry.due ? 0 : Math.min(Timetable.MOST, 1 + entry.timetable.times(entry.due, last));
            Run run = new Run(last, now, missed);
            entry.due = entry.timetable.next(last);
            entries.add(entry);
            runs.add(() -> entry.task.accept(run));
        }
        return runs;
    }
}

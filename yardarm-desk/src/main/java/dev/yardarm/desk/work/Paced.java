package dev.yardarm.desk.work;

import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.TimeUnit;

/**
 * Something that follows from a change, done soon and once for all that changes until then: at once when it has rested, else when it has.
 * It rests for a pause, and for ten times as long as it took, so that however much changes, a tenth of the thread is its share. Used by the
 * interface's thread.
 */
public final class Paced implements AutoCloseable {
    private static final int SHARE = 10;

    private final Executor front;
    private final long pause;
    private final Runnable task;
    private boolean due;
    private boolean closed;
    private long restedAt = System.nanoTime();

    /**
     * @param front the interface's thread
     * @param millis from the end of one to the next at least
     */
    public Paced(Executor front, long millis, Runnable task) {
        this.front = front;
        this.pause = TimeUnit.MILLISECONDS.toNanos(millis);
        this.task = task;
    }

    /** Has it done; after what the thread has been given already. */
    public void ask() {
        if (due || closed) {
            return;
        }
        due = true;
        long wait = restedAt - System.nanoTime();
        if (wait <= 0) {
            front.execute(this::run);
        } else {
            CompletableFuture.delayedExecutor(wait, TimeUnit.NANOSECONDS, front).execute(this::run);
        }
    }

    private void run() {
        due = false;
        if (!closed) {
            long began = System.nanoTime();
            task.run();
            long done = System.nanoTime();
            restedAt = done + Math.max(pause, SHARE * (done - began));
        }
    }

    /** It is not done any more, even when it was asked for. */
    @Override
    public void close() {
        closed = true;
    }
}

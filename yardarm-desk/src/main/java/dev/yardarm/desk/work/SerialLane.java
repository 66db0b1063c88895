package dev.yardarm.desk.work;

import com.google.errorprone.annotations.concurrent.GuardedBy;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.concurrent.Executor;
import java.util.concurrent.RejectedExecutionException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Runs tasks one after the other on the threads of a pool: what one owner hands over is done in that order and never at the
 * same time, while many lanes share few threads. So each chart computes by itself, needs no locks for its own state, and a
 * chart that is slow keeps no other waiting. After a few tasks a lane goes to the end of the pool's queue.
 *
 * <p>A task that fails is logged and the next one runs; who must know of it catches it itself. State that belongs to a lane is touched by its tasks
 * alone; {@link #check()} says so where it matters.
 */
public final class SerialLane implements Executor {
    private static final Logger LOG = LoggerFactory.getLogger(SerialLane.class);
    /** Tasks run in one go before other lanes get their turn. */
    private static final int TURN = 32;

    private final Executor pool;

    @GuardedBy("tasks")
    private final Deque<Runnable> tasks = new ArrayDeque<>();

    @GuardedBy("tasks")
    private boolean queued;

    private volatile Thread running;

    /** @param pool runs the tasks of many lanes */
    public SerialLane(Executor pool) {
        this.pool = pool;
    }

    @Override
    public void execute(Runnable task) {
        synchronized (tasks) {
            tasks.add(task);
            if (queued) {
                return;
            }
            queued = true;
        }
        start();
    }

    private void start() {
        try {
            pool.execute(this::work);
        } catch (RejectedExecutionException closed) {
            LOG.debug("work after the end is dropped");
        }
    }

    private void work() {
        for (int done = 0; done < TURN; done++) {
            Runnable task;
            synchronized (tasks) {
                task = tasks.poll();
                if (task == null) {
                    queued = false;
                    return;
                }
            }
            running = Thread.currentThread();
            run(task);
            running = null;
        }
        start();
    }

    private static void run(Runnable task) {
        try {
            task.run();
        } catch (RuntimeException | Error failed) {
            LOG.error("a task of a lane failed", failed);
        }
    }

    /** Fails when it is not a task of this lane that asks. */
    public void check() {
        if (Thread.currentThread() != running) {
            throw new IllegalStateException("this belongs to a lane and was touched from " + Thread.currentThread());
        }
    }
}

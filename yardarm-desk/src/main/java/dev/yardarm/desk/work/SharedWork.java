package dev.yardarm.desk.work;

import com.google.errorprone.annotations.concurrent.GuardedBy;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.atomic.AtomicInteger;

/**
 * Tasks that several threads take one by one. The owner finishes: it works too, and when nothing is left it waits for those who
 * are still at a task. Helpers that come late find nothing to do.
 */
final class SharedWork {
    private final List<Callable<Void>> tasks;
    private final AtomicInteger next = new AtomicInteger();

    @GuardedBy("this")
    private int atWork;

    @GuardedBy("this")
    private boolean over;

    @GuardedBy("this")
    private Throwable problem;

    SharedWork(List<Callable<Void>> tasks) {
        this.tasks = tasks;
    }

    /** Takes tasks until none is left; what one throws ends it for all. */
    void help() {
        synchronized (this) {
            if (over) {
                return;
            }
            atWork++;
        }
        try {
            for (int at = next.getAndIncrement(); at < tasks.size(); at = next.getAndIncrement()) {
                tasks.get(at).call();
            }
        } catch (Exception | Error failed) {
            next.set(tasks.size());
            fail(failed);
        } finally {
            synchronized (this) {
                atWork--;
                notifyAll();
            }
        }
    }

    private synchronized void fail(Throwable failed) {
        if (problem == null) {
            problem = failed;
        }
    }

    /**
     * Works, and waits until all tasks are done.
     *
     * @throws Exception what the first task that failed threw
     */
    void finish() throws Exception {
        help();
        synchronized (this) {
            over = true;
            while (atWork > 0) {
                wait();
            }
            if (problem instanceof Exception failed) {
                throw failed;
            }
            if (problem instanceof Error failed) {
                throw failed;
            }
        }
    }
}

package dev.yardarm.desk;

import dev.yardarm.desk.work.Scheduler;
import java.time.Duration;
import java.util.concurrent.Callable;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;

/** Stands in for the interface's thread in tests. */
final class Front implements Executor, AutoCloseable {
    static {
        Delays.begin();
    }

    private final ExecutorService thread = Executors.newSingleThreadExecutor();

    @Override
    public void execute(Runnable task) {
        if (!thread.isShutdown()) {
            thread.execute(task);
        }
    }

    /** Does something on the thread and waits for its result. */
    <T> T get(Callable<T> task) {
        try {
            return thread.submit(task).get(90, TimeUnit.SECONDS);
        } catch (Exception failed) {
            throw new AssertionError(failed);
        }
    }

    void run(Runnable task) {
        get(() -> {
            task.run();
            return null;
        });
    }

    /** Waits until something holds on the thread. */
    void await(String what, BooleanSupplier condition) {
        long end = System.nanoTime() + Duration.ofSeconds(90).toNanos();
        while (!get(condition::getAsBoolean)) {
            if (System.nanoTime() > end) {
                throw new AssertionError("waited in vain for: " + what);
            }
            try {
                Thread.sleep(20);
            } catch (InterruptedException interrupted) {
                throw new AssertionError(interrupted);
            }
        }
    }

    /** Waits until nothing is under way any more, and nothing came of what was handed to the thread either. */
    void settle(Scheduler scheduler) {
        for (int calm = 0; calm < 2; ) {
            await("work is done", scheduler::isIdle);
            run(() -> {});
            calm = scheduler.isIdle() ? calm + 1 : 0;
        }
    }

    @Override
    public void close() {
        thread.shutdownNow();
    }
}

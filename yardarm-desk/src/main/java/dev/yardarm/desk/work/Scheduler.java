package dev.yardarm.desk.work;

import com.google.errorprone.annotations.concurrent.GuardedBy;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ThreadFactory;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Runs all work off the interface's thread, on three {@link Lane lanes} with threads of their own; nothing else in the
 * application has a pool. A job is told by a key: a newer one with the same key cancels the older, whose result is dropped.
 * Results and failures are handed to the interface's executor. May be used by any thread.
 */
public final class Scheduler implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Scheduler.class);
    private final Map<Lane, ExecutorService> lanes = new EnumMap<>(Lane.class);
    private final int threadCount;
    private final Executor front;
    private final AtomicInteger underWay = new AtomicInteger();

    @GuardedBy("running")
    private final Map<String, Job> running = new LinkedHashMap<>();

    /** Work that reports to its job. */
    @FunctionalInterface
    public interface Work<T> {
        T run(Job job) throws Exception;
    }

    /**
     * @param threadCount of each lane
     * @param front where results are handed to, usually the interface's thread
     */
    public Scheduler(int threadCount, Executor front) {
        this.threadCount = threadCount;
        this.front = front;
        for (Lane lane : Lane.values()) {
            AtomicInteger number = new AtomicInteger();
            String name = "work-" + lane.name().toLowerCase(java.util.Locale.ROOT) + "-";
            lanes.put(lane, new Counted(threadCount, task -> {
                Thread thread = new Thread(task, name + number.incrementAndGet());
                thread.setDaemon(true);
                return thread;
            }));
        }
    }

    /** A serial lane on the threads of {@link Lane#NOW}, for what one owner does over and over. */
    public SerialLane lane() {
        return new SerialLane(lanes.get(Lane.NOW));
    }

    /** Runs tasks on a lane that need neither a key nor progress; what fails is logged. */
    public Executor on(Lane lane) {
        return task -> {
            try {
                lanes.get(lane).execute(() -> {
                    try {
                        task.run();
                    } catch (RuntimeException | Error failed) {
                        LOG.error("work in the background failed", failed);
                    }
                });
            } catch (RejectedExecutionException closed) {
                LOG.debug("work after the end is dropped");
            }
        };
    }

    /** Works something out on a lane. */
    public <T> CompletableFuture<T> submit(Lane lane, Supplier<T> work) {
        return CompletableFuture.supplyAsync(work, lanes.get(lane));
    }

    /**
     * Starts a job.
     *
     * @param lane how soon it is wanted
     * @param title for people; empty for work too short to be told
     * @param done takes the result, unless the job was cancelled
     * @param failed takes what went wrong, unless the job was cancelled
     */
    public <T> Job start(
            Lane lane, String key, String title, Work<T> work, Consumer<T> done, Consumer<Exception> failed) {
        Job job = new Job(key, title);
        synchronized (running) {
            Job older = running.put(key, job);
            if (older != null) {
                older.cancel();
            }
        }
        try {
            lanes.get(lane).execute(() -> run(job, work, done, failed));
        } catch (RejectedExecutionException closed) {
            job.cancel();
        }
        return job;
    }

    private <T> void run(Job job, Work<T> work, Consumer<T> done, Consumer<Exception> failed) {
        try {
            job.check();
            T result = work.run(job);
            front.execute(() -> {
                if (!job.isCancelled()) {
                    done.accept(result);
                }
            });
        } catch (CancellationException cancelled) {
            LOG.debug("cancelled: {}", job.key());
        } catch (Exception failure) {
            if (failure instanceof RuntimeException && !(failure instanceof IllegalArgumentException)) {
                LOG.error("unexpected failure of {}", job.key(), failure);
            }
            tell(job, failure, failed);
        } catch (Error failure) {
            LOG.error("{} could not be done", job.key(), failure);
            tell(job, new IllegalStateException(failure.toString(), failure), failed);
        } finally {
            synchronized (running) {
                running.remove(job.key(), job);
            }
        }
    }

    private void tell(Job job, Exception failure, Consumer<Exception> failed) {
        front.execute(() -> {
            if (!job.isCancelled()) {
                failed.accept(failure);
            }
        });
    }

    /** Jobs under way that have a title, oldest first. */
    public List<Job> jobs() {
        synchronized (running) {
            List<Job> shown = new ArrayList<>(running.values());
            shown.removeIf(job -> job.title().isEmpty() || job.isCancelled());
            return shown;
        }
    }

    /**
     * True when nothing is under way and nothing waits for a thread, jobs without a title and the tasks of serial lanes among them. What they handed
     * to the interface may still lie there.
     */
    public boolean isIdle() {
        return underWay.get() == 0;
    }

    /** A pool of fixed size whose tasks are counted from when they are taken to when they are done. */
    private final class Counted extends ThreadPoolExecutor {
        Counted(int threadCount, ThreadFactory threads) {
            super(threadCount, threadCount, 0, TimeUnit.SECONDS, new LinkedBlockingQueue<>(), threads);
        }

        @Override
        public void execute(Runnable task) {
            underWay.incrementAndGet();
            try {
                super.execute(task);
            } catch (RejectedExecutionException closed) {
                underWay.decrementAndGet();
                throw closed;
            }
        }

        @Override
        protected void afterExecute(Runnable task, Throwable failed) {
            super.afterExecute(task, failed);
            underWay.decrementAndGet();
        }
    }

    /** Cancels the job of a key, if there is one. */
    public void cancel(String key) {
        synchronized (running) {
            Job job = running.remove(key);
            if (job != null) {
                job.cancel();
            }
        }
    }

    /**
     * Runs tasks on all threads of a lane that have nothing else to do, and on the caller's, and waits for them: a job that
     * shares out its work needs no pool of its own, and comes to an end even when every other thread is busy.
     *
     * @throws Exception what the first task that failed threw; the others are not begun then
     */
    public void inParallel(Lane lane, List<Callable<Void>> tasks) throws Exception {
        SharedWork shared = new SharedWork(tasks);
        for (int helper = 1; helper < Math.min(threadCount, tasks.size()); helper++) {
            lanes.get(lane).execute(shared::help);
        }
        shared.finish();
    }

    @Override
    public void close() {
        synchronized (running) {
            running.values().forEach(Job::cancel);
        }
        lanes.values().forEach(ExecutorService::shutdown);
        try {
            for (ExecutorService lane : lanes.values()) {
                if (!lane.awaitTermination(3, TimeUnit.SECONDS)) {
                    lane.shutdownNow();
                }
            }
            for (ExecutorService lane : lanes.values()) {
                // What it reads and writes is closed next.
                if (!lane.awaitTermination(20, TimeUnit.SECONDS)) {
                    LOG.warn("work goes on that does not look whether it was given up");
                }
            }
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
        }
    }
}

package dev.yardarm.desk.work;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.CancellationException;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Runs work on a few threads of its own. A job is told by a key: a newer one with the same key cancels the older, whose
 * result is dropped. Results and failures are handed to the interface's executor.
 */
public final class Scheduler implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Scheduler.class);
    private final ExecutorService threads;
    private final Executor front;
    private final Map<String, Job> running = new LinkedHashMap<>();

    /** Work that reports to its job. */
    @FunctionalInterface
    public interface Work<T> {
        T run(Job job) throws Exception;
    }

    /** @param front where results are handed to, usually the interface's thread */
    public Scheduler(int threadCount, Executor front) {
        this.front = front;
        AtomicInteger number = new AtomicInteger();
        this.threads = Executors.newFixedThreadPool(threadCount, task -> {
            Thread thread = new Thread(task, "work-" + number.incrementAndGet());
            thread.setDaemon(true);
            return thread;
        });
    }

    /**
     * Starts a job.
     *
     * @param done takes the result, unless the job was cancelled
     * @param failed takes what went wrong
     */
    public <T> Job start(String key, String title, Work<T> work, Consumer<T> done, Consumer<Exception> failed) {
        Job job = new Job(key, title);
        synchronized (running) {
            Job older = running.put(key, job);
            if (older != null) {
                older.cancel();
            }
        }
        threads.execute(() -> run(job, work, done, failed));
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
            front.execute(() -> {
                if (!job.isCancelled()) {
                    failed.accept(failure);
                }
            });
        } finally {
            synchronized (running) {
                running.remove(job.key(), job);
            }
        }
    }

    /** Jobs under way that have a title, oldest first. */
    public List<Job> jobs() {
        synchronized (running) {
            List<Job> shown = new ArrayList<>(running.values());
            shown.removeIf(job -> job.title().isEmpty() || job.isCancelled());
            return shown;
        }
    }

    public void cancel(String key) {
        synchronized (running) {
            Job job = running.remove(key);
            if (job != null) {
                job.cancel();
            }
        }
    }

    /** Runs tasks on the scheduler's threads and the caller's, and waits for all of them. */
    public static void inParallel(int threadCount, List<Callable<Void>> tasks) throws Exception {
        ExecutorService pool = Executors.newFixedThreadPool(threadCount, task -> {
            Thread thread = new Thread(task, "parallel");
            thread.setDaemon(true);
            return thread;
        });
        try {
            for (var result : pool.invokeAll(tasks)) {
                result.get();
            }
        } finally {
            pool.shutdownNow();
        }
    }

    @Override
    public void close() {
        synchronized (running) {
            running.values().forEach(Job::cancel);
        }
        threads.shutdown();
        try {
            if (!threads.awaitTermination(3, TimeUnit.SECONDS)) {
                threads.shutdownNow();
            }
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
        }
    }
}

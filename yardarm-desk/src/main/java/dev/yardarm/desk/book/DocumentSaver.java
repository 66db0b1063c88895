package dev.yardarm.desk.book;

import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ScheduledThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Writes documents on a thread of its own, a moment after they change. Changes that come faster than the disk takes them
 * are written once, with the newest content. What cannot be written stays waiting and is tried again every few seconds;
 * the user is told once, and once more when it worked.
 */
public final class DocumentSaver implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(DocumentSaver.class);
    private static final int DELAY_MILLIS = 60;
    private static final int RETRY_MILLIS = 4000;
    /** So many times as long as the last writing took nothing is written after it. */
    private static final int REST = 8;

    private final DocumentStore store;
    private final Consumer<String> tell;
    private final Map<String, Pending<?>> pending = new LinkedHashMap<>();
    /** What could not be written; it is tried again by itself and holds up nothing else. */
    private final Map<String, Pending<?>> failed = new LinkedHashMap<>();

    /** Held while documents are taken and written, so that an older one never comes after a newer one. */
    private final Object writing = new Object();

    private boolean scheduled;
    private boolean retrying;
    private final ScheduledThreadPoolExecutor thread;
    private String failing;
    private volatile long writeMillis;

    private record Pending<T>(
            DocumentKind<T> kind, String name, Supplier<T> document, DocumentStore.Joining<T> joining) {
        void write(DocumentStore store) throws IOException {
            if (joining == null) {
                store.write(kind, name, document.get());
            } else {
                store.write(kind, name, document.get(), joining);
            }
        }
    }

    /** @param tell takes notices for the user, on any thread */
    public DocumentSaver(DocumentStore store, Consumer<String> tell) {
        this.store = store;
        this.tell = tell;
        this.thread = new ScheduledThreadPoolExecutor(1, task -> {
            Thread made = new Thread(task, "saver");
            made.setDaemon(true);
            return made;
        });
        // What waits at the end is written by who closes.
        thread.setExecuteExistingDelayedTasksAfterShutdownPolicy(false);
    }

    /** Tells the user something about a document. */
    void tell(String notice) {
        tell.accept(notice);
    }

    public DocumentStore store() {
        return store;
    }

    /** Saves a document soon; the document must not change any more. */
    public <T> void save(DocumentKind<T> kind, String name, T document) {
        save(kind, name, () -> document, null);
    }

    /**
     * The same for a document that somebody else may have changed.
     *
     * @param document made when it is written, on the saver's thread, from what does not change any more
     * @param joining null to write over it
     */
    public <T> void save(DocumentKind<T> kind, String name, Supplier<T> document, DocumentStore.Joining<T> joining) {
        boolean start;
        synchronized (pending) {
            String key = kind.format() + "/" + name;
            failed.remove(key);
            pending.put(key, new Pending<>(kind, name, document, joining));
            start = !scheduled;
            scheduled = true;
        }
        if (start && !thread.isShutdown()) {
            // What takes long to write is written less often, so that a busy shelf leaves the machine to others.
            thread.schedule(this::writeAll, Math.max(DELAY_MILLIS, REST * writeMillis), TimeUnit.MILLISECONDS);
        }
    }

    private void writeAll() {
        synchronized (writing) {
            Map<String, Pending<?>> taken;
            synchronized (pending) {
                scheduled = false;
                taken = new LinkedHashMap<>(pending);
                pending.clear();
            }
            long before = System.nanoTime();
            write(taken);
            writeMillis = (System.nanoTime() - before) / 1_000_000;
        }
    }

    private void writeFailed() {
        synchronized (writing) {
            Map<String, Pending<?>> taken;
            synchronized (pending) {
                retrying = false;
                taken = new LinkedHashMap<>(failed);
            }
            write(taken);
        }
    }

    private void write(Map<String, Pending<?>> taken) {
        String problem = null;
        for (Map.Entry<String, Pending<?>> entry : taken.entrySet()) {
            try {
                entry.getValue().write(store);
                synchronized (pending) {
                    failed.remove(entry.getKey(), entry.getValue());
                }
            } catch (IOException | RuntimeException notWritten) {
                LOG.warn("{}", notWritten.getMessage());
                problem = notWritten.getMessage();
                synchronized (pending) {
                    if (!pending.containsKey(entry.getKey())) {
                        failed.put(entry.getKey(), entry.getValue());
                    }
                }
            }
        }
        store.takeNotices().forEach(tell);
        report(problem);
    }

    private void report(String problem) {
        boolean retry;
        boolean clear;
        synchronized (pending) {
            clear = failed.isEmpty();
            retry = !clear && !retrying;
            retrying |= retry;
        }
        if (problem != null && failing == null) {
            tell.accept(problem);
        }
        failing = problem != null ? problem : failing;
        if (retry && !thread.isShutdown()) {
            thread.schedule(this::writeFailed, RETRY_MILLIS, TimeUnit.MILLISECONDS);
        }
        if (clear && problem == null && failing != null) {
            failing = null;
            tell.accept("Everything is saved again.");
        }
    }

    /** Waits until what was handed over so far is written, or cannot be for now. */
    public void flush() {
        try {
            thread.submit(() -> {
                        writeAll();
                        writeFailed();
                    })
                    .get();
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
        } catch (ExecutionException failed) {
            throw new IllegalStateException(failed);
        }
    }

    /** Writes what waits, after what is being written, and stops. */
    @Override
    public void close() {
        thread.shutdown();
        writeAll();
        writeFailed();
    }
}

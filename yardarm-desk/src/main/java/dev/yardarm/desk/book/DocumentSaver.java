package dev.yardarm.desk.book;

import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
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

    private final DocumentStore store;
    private final Consumer<String> tell;
    private final Map<String, Pending<?>> pending = new LinkedHashMap<>();
    private final ScheduledExecutorService thread;
    private String failing;

    private record Pending<T>(DocumentKind<T> kind, String name, T document, DocumentStore.Joining<T> joining) {
        void write(DocumentStore store) throws IOException {
            if (joining == null) {
                store.write(kind, name, document);
            } else {
                store.write(kind, name, document, joining);
            }
        }
    }

    /** @param tell takes notices for the user, on any thread */
    public DocumentSaver(DocumentStore store, Consumer<String> tell) {
        this.store = store;
        this.tell = tell;
        this.thread = Executors.newSingleThreadScheduledExecutor(task -> {
            Thread made = new Thread(task, "saver");
            made.setDaemon(true);
            return made;
        });
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
        save(kind, name, document, null);
    }

    /** The same for a document that somebody else may have changed; null to write over it. */
    public <T> void save(DocumentKind<T> kind, String name, T document, DocumentStore.Joining<T> joining) {
        boolean first;
        synchronized (pending) {
            first = pending.isEmpty();
            pending.put(kind.format() + "/" + name, new Pending<>(kind, name, document, joining));
        }
        if (first && !thread.isShutdown()) {
            thread.schedule(this::writeAll, DELAY_MILLIS, TimeUnit.MILLISECONDS);
        }
    }

    private void writeAll() {
        Map<String, Pending<?>> taken;
        synchronized (pending) {
            taken = new LinkedHashMap<>(pending);
            pending.clear();
        }
        String problem = null;
        for (Map.Entry<String, Pending<?>> entry : taken.entrySet()) {
            try {
                entry.getValue().write(store);
            } catch (IOException | RuntimeException failed) {
                LOG.warn("{}", failed.getMessage());
                problem = failed.getMessage();
                synchronized (pending) {
                    pending.putIfAbsent(entry.getKey(), entry.getValue());
                }
            }
        }
        store.takeNotices().forEach(tell);
        report(problem);
    }

    private void report(String problem) {
        if (problem != null) {
            if (failing == null) {
                tell.accept(problem);
            }
            failing = problem;
            if (!thread.isShutdown()) {
                thread.schedule(this::writeAll, RETRY_MILLIS, TimeUnit.MILLISECONDS);
            }
        } else if (failing != null) {
            failing = null;
            tell.accept("Everything is saved again.");
        }
    }

    /** Waits until what was handed over so far is written, or cannot be for now. */
    public void flush() {
        try {
            thread.submit(this::writeAll).get();
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
        } catch (ExecutionException failed) {
            throw new IllegalStateException(failed);
        }
    }

    /** Writes what waits and stops. */
    @Override
    public void close() {
        thread.shutdown();
        try {
            thread.awaitTermination(2, TimeUnit.SECONDS);
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
        }
        writeAll();
    }
}

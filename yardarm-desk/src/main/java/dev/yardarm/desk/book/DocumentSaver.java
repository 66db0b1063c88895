package dev.yardarm.desk.book;

import com.google.errorprone.annotations.concurrent.GuardedBy;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Edit;
import dev.yardarm.data.document.EditJournal;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
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
 *
 * <p>A second thread writes what each change was about into the {@link EditJournal} and flushes it at once, so that an edit is on the disk
 * however long documents take; whoever opens documents asks {@link #journal} for edits that a crash kept from them. Whatever goes wrong while
 * one document is written, an {@code Error} too, leaves the others alone.
 */
public final class DocumentSaver implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(DocumentSaver.class);
    private static final int DELAY_MILLIS = 60;
    private static final int RETRY_MILLIS = 4000;
    /** So many times as long as the last writing took nothing is written after it. */
    private static final int REST = 8;

    private static final int LONGEST_REST_MILLIS = 2000;

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
    private final EditJournal journal;
    private final ScheduledThreadPoolExecutor noting;

    /** Edits on their way into the journal, by document; a whole document makes those before it unnecessary. */
    @GuardedBy("toNote")
    private final Map<String, List<Note<?>>> toNote = new LinkedHashMap<>();

    private record Pending<T>(
            DocumentKind<T> kind, String name, Supplier<T> document, DocumentStore.Joining<T> joining, long number) {
        void write(DocumentStore store) throws IOException {
            if (joining == null) {
                store.write(kind, name, document.get());
            } else {
                store.write(kind, name, document.get(), joining);
            }
        }
    }

    /** An edit that is made when it is written down. */
    private record Note<T>(long number, DocumentKind<T> kind, String name, boolean whole, Supplier<Edit<T>> edit) {
        EditJournal.Noted<T> noted() {
            return new EditJournal.Noted<>(number, kind, name, edit.get());
        }
    }

    /**
     * @param tell takes notices for the user, on any thread
     * @throws UncheckedIOException when the journal cannot be read for now
     */
    public DocumentSaver(DocumentStore store, Consumer<String> tell) {
        this.store = store;
        this.tell = tell;
        this.thread = pool("saver");
        this.noting = pool("journal");
        try {
            this.journal = EditJournal.open(store.folder());
        } catch (IOException notNow) {
            throw new UncheckedIOException(notNow);
        }
    }

    private static ScheduledThreadPoolExecutor pool(String name) {
        ScheduledThreadPoolExecutor made = new ScheduledThreadPoolExecutor(1, task -> {
            Thread thread = new Thread(task, name);
            thread.setDaemon(true);
            return thread;
        });
        // What waits at the end is written by who closes.
        made.setExecuteExistingDelayedTasksAfterShutdownPolicy(false);
        return made;
    }

    /** What a crash kept from its documents. */
    public EditJournal journal() {
        return journal;
    }

    /**
     * The newest state of a document that is written whole: as the journal has it, else as the file has. What the journal had is saved.
     */
    public <T> Optional<T> read(DocumentKind<T> kind, String name) {
        Optional<T> newest = journal.unsettled(kind, name).stream()
                .map(edit -> edit.whole())
                .filter(Objects::nonNull)
                .reduce((one, later) -> later);
        newest.ifPresent(document -> save(kind, name, document));
        return newest.isPresent() ? newest : store.read(kind, name);
    }

    /**
     * Writes down what a change was about, for a document that is saved later.
     *
     * @return a number; the document is saved with it, or with that of a later change
     */
    <T> long note(DocumentKind<T> kind, String name, boolean whole, Supplier<Edit<T>> edit) {
        long number = journal.number();
        boolean start;
        synchronized (toNote) {
            start = toNote.isEmpty();
            List<Note<?>> notes = toNote.computeIfAbsent(kind.format() + "/" + name, key -> new ArrayList<>());
            if (whole) {
                notes.clear();
            }
            notes.add(new Note<>(number, kind, name, whole, edit));
        }
        if (start && !noting.isShutdown()) {
            noting.execute(this::writeNotes);
        }
        return number;
    }

    private void writeNotes() {
        List<Note<?>> taken = new ArrayList<>();
        synchronized (toNote) {
            toNote.values().forEach(taken::addAll);
            toNote.clear();
        }
        List<EditJournal.Noted<?>> noted = new ArrayList<>();
        for (Note<?> note : taken) {
            try {
                noted.add(note.noted());
            } catch (RuntimeException | Error bad) {
                LOG.warn("an edit of {} could not be made", note.name(), bad);
            }
        }
        try {
            if (!noted.isEmpty()) {
                journal.append(noted);
            }
        } catch (IOException | RuntimeException | Error notWritten) {
            // The documents themselves are written as ever, and tell when they cannot be.
            LOG.warn("edits could not be written down: {}", notWritten.toString());
        }
    }

    private void settle(Pending<?> written) {
        synchronized (toNote) {
            List<Note<?>> notes = toNote.get(written.kind().format() + "/" + written.name());
            if (notes != null) {
                notes.removeIf(note -> note.number() <= written.number());
            }
        }
        try {
            journal.settled(written.kind(), written.name(), written.number());
        } catch (IOException notNow) {
            LOG.warn("the journal could not be cleared: {}", notNow.getMessage());
        }
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
        save(kind, name, () -> document, null, true, () -> Edit.whole(document));
    }

    /** The same for one that is made when it is written, on the saver's thread, from what does not change any more. */
    public <T> void save(DocumentKind<T> kind, String name, Supplier<T> document, DocumentStore.Joining<T> joining) {
        save(kind, name, document, joining, true, () -> Edit.whole(document.get()));
    }

    /**
     * The same for a document that somebody else may have changed.
     *
     * @param document made when it is written, on the saver's thread, from what does not change any more
     * @param joining null to write over it
     * @param whole true when {@code edit} is the whole document
     * @param edit what the change was about, made on another thread from what does not change any more
     */
    <T> void save(
            DocumentKind<T> kind,
            String name,
            Supplier<T> document,
            DocumentStore.Joining<T> joining,
            boolean whole,
            Supplier<Edit<T>> edit) {
        long number = note(kind, name, whole, edit);
        boolean start;
        synchronized (pending) {
            String key = kind.format() + "/" + name;
            failed.remove(key);
            pending.put(key, new Pending<>(kind, name, document, joining, number));
            start = !scheduled;
            scheduled = true;
        }
        if (start && !thread.isShutdown()) {
            // What takes long to write is written less often, so that a busy shelf leaves the machine to others.
            long rest = Math.min(REST * writeMillis, LONGEST_REST_MILLIS);
            thread.schedule(this::writeAll, Math.max(DELAY_MILLIS, rest), TimeUnit.MILLISECONDS);
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
                settle(entry.getValue());
                synchronized (pending) {
                    failed.remove(entry.getKey(), entry.getValue());
                }
            } catch (IOException | RuntimeException | Error notWritten) {
                boolean expected = notWritten instanceof IOException;
                LOG.warn("{}: {}", entry.getKey(), notWritten.getMessage(), expected ? null : notWritten);
                problem = expected
                        ? notWritten.getMessage()
                        : "The " + entry.getValue().kind().title() + " could not be written (" + notWritten
                                + "); it is tried again. What was saved before is untouched.";
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
        noting.shutdown();
        writeAll();
        writeFailed();
        try {
            noting.awaitTermination(5, TimeUnit.SECONDS);
            journal.close();
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
        } catch (IOException notNow) {
            LOG.warn("the journal could not be closed: {}", notNow.getMessage());
        }
    }
}

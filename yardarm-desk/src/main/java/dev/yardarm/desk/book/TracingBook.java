package dev.yardarm.desk.book;

import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.DrawingMerge;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.DrawingEntry;
import dev.yardarm.data.document.Edit;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executor;
import java.util.function.Consumer;

/**
 * The drawings of all instruments, read in the background when first asked for and saved with each change. A file that was changed by somebody
 * else since it was read is brought together with what is here: nothing of either is lost. Used by the interface's thread,
 * but for {@link #anywhere}.
 */
final class TracingBook {
    private final DocumentSaver saver;
    private final Executor front;
    private final Executor loader;
    private final Consumer<InstrumentId> changed;
    private final Map<InstrumentId, List<Drawing>> drawings = new ConcurrentHashMap<>();
    /** Those whose file has been read. */
    private final Set<InstrumentId> loaded = ConcurrentHashMap.newKeySet();
    /** Those that were changed before their file was read: they are saved when it has joined them, not over it. */
    private final Set<InstrumentId> waiting = new LinkedHashSet<>();

    private final Map<InstrumentId, Books.Sheets> sheets = new LinkedHashMap<>();
    /** The drawings of each file as it was read or written last. */
    private final Map<InstrumentId, List<Drawing>> inFile = new ConcurrentHashMap<>();
    /** Files as they are with what a crash kept from them. */
    private final Map<String, Documents.Tracing> recovered = new ConcurrentHashMap<>();

    /**
     * @param loader reads files
     * @param changed told when drawings have changed
     */
    TracingBook(DocumentSaver saver, Executor front, Executor loader, Consumer<InstrumentId> changed) {
        this.saver = saver;
        this.front = front;
        this.loader = loader;
        this.changed = changed;
        recover();
    }

    /** Carries out what a crash kept from the files. */
    private void recover() {
        for (String file : saver.journal().names(DocumentKind.TRACING)) {
            Documents.Tracing tracing =
                    saver.store().read(DocumentKind.TRACING, file).orElse(null);
            for (Edit<Documents.Tracing> edit : saver.journal().unsettled(DocumentKind.TRACING, file)) {
                tracing = edit.whole() != null ? edit.whole() : carriedOut(edit, tracing);
            }
            if (tracing != null) {
                Documents.Tracing newest = tracing;
                recovered.put(file, newest);
                saver.save(DocumentKind.TRACING, file, newest);
            }
        }
    }

    private static Documents.Tracing carriedOut(Edit<Documents.Tracing> edit, Documents.Tracing before) {
        Documents.Tracing about = edit.put() != null ? edit.put() : edit.gone();
        if (about == null) {
            return before;
        }
        Map<String, DrawingEntry> all = new LinkedHashMap<>();
        if (before != null) {
            before.drawings().forEach(each -> all.put(each.id(), each));
        }
        if (edit.gone() != null) {
            edit.gone().drawings().forEach(each -> all.remove(each.id()));
        }
        if (edit.put() != null) {
            edit.put().drawings().forEach(each -> all.put(each.id(), each));
        }
        Documents.Tracing sheets = before != null ? before : about;
        return new Documents.Tracing(
                about.instrument(), List.copyOf(all.values()), sheets.current(), sheets.hidden(), sheets.allHidden());
    }

    private Documents.Tracing saved(InstrumentId instrument) {
        Documents.Tracing newest = recovered.get(fileOf(instrument));
        return newest != null
                ? newest
                : saver.store().read(DocumentKind.TRACING, fileOf(instrument)).orElse(null);
    }

    /** The drawings as they stand here; those of the file join them as soon as it has been read. */
    List<Drawing> drawings(InstrumentId instrument) {
        if (drawings.putIfAbsent(instrument, List.of()) == null) {
            loader.execute(() -> load(instrument));
        }
        return drawings.get(instrument);
    }

    /** Reads at once what was changed before its file was read, that it is saved; for the end. */
    void settle() {
        for (InstrumentId instrument : List.copyOf(waiting)) {
            Documents.Tracing saved = saved(instrument);
            arrived(instrument, saved, saved == null ? List.of() : read(saved, instrument));
        }
    }

    private void load(InstrumentId instrument) {
        Documents.Tracing saved = saved(instrument);
        List<Drawing> found = saved == null ? List.of() : read(saved, instrument);
        saver.store().takeNotices().forEach(saver::tell);
        front.execute(() -> arrived(instrument, saved, found));
    }

    /** What the file holds joins what was drawn while it was read. */
    private void arrived(InstrumentId instrument, Documents.Tracing saved, List<Drawing> found) {
        if (loaded.contains(instrument)) {
            return;
        }
        inFile.putIfAbsent(instrument, found);
        if (saved != null) {
            sheets.putIfAbsent(instrument, new Books.Sheets(saved.current(), saved.hidden(), saved.allHidden()));
        }
        boolean drawnMeanwhile = waiting.remove(instrument);
        List<Drawing> both = drawnMeanwhile ? DrawingMerge.merge(List.of(), drawings.get(instrument), found) : found;
        drawings.put(instrument, both);
        loaded.add(instrument);
        if (drawnMeanwhile) {
            setDrawings(instrument, both);
        } else if (saved != null) {
            changed.accept(instrument);
        }
    }

    /** The drawings as they stand here, else those of the file as far as they can be read; by any thread. */
    List<Drawing> anywhere(InstrumentId instrument) {
        List<Drawing> known = drawings.getOrDefault(instrument, List.of());
        if (loaded.contains(instrument)) {
            return known;
        }
        List<Drawing> found = new ArrayList<>();
        Documents.Tracing saved = saved(instrument);
        if (saved != null) {
            drawable(saved, found);
        }
        return known.isEmpty() ? found : DrawingMerge.merge(List.of(), known, found);
    }

    private static String fileOf(InstrumentId instrument) {
        return instrument.source() + "-" + instrument.code();
    }

    Books.Sheets sheets(InstrumentId instrument) {
        drawings(instrument);
        return sheets.getOrDefault(instrument, Books.Sheets.FIRST);
    }

    void setSheets(InstrumentId instrument, Books.Sheets now) {
        List<Drawing> kept = drawings(instrument);
        sheets.put(instrument, now);
        setDrawings(instrument, kept);
    }

    void setDrawings(InstrumentId instrument, List<Drawing> now) {
        List<Drawing> before = drawings(instrument);
        List<Drawing> after = List.copyOf(now);
        drawings.put(instrument, after);
        if (loaded.contains(instrument)) {
            Documents.Tracing document = document(instrument);
            saver.save(DocumentKind.TRACING, fileOf(instrument), () -> document, new Joining(instrument));
        } else {
            waiting.add(instrument);
            saver.note(DocumentKind.TRACING, fileOf(instrument), false, () -> {
                List<Drawing> put = new ArrayList<>(after);
                put.removeAll(before);
                Set<String> left = new LinkedHashSet<>();
                after.forEach(each -> left.add(each.id()));
                List<Drawing> gone = new ArrayList<>(before);
                gone.removeIf(each -> left.contains(each.id()));
                return Edit.patch(
                        document(instrument, put, Books.Sheets.FIRST), document(instrument, gone, Books.Sheets.FIRST));
            });
        }
        changed.accept(instrument);
    }

    Documents.Tracing document(InstrumentId instrument) {
        return document(instrument, drawings(instrument), sheets(instrument));
    }

    private static Documents.Tracing document(InstrumentId instrument, List<Drawing> drawings, Books.Sheets of) {
        return new Documents.Tracing(
                instrument,
                drawings.stream().map(DrawingEntry::of).toList(),
                of.current(),
                of.hidden(),
                of.allHidden());
    }

    /** Brings what somebody else wrote together with what is to be written; on the saver's thread. */
    private final class Joining implements DocumentStore.Joining<Documents.Tracing> {
        private final InstrumentId instrument;
        private List<Drawing> ours;
        private List<Drawing> both;

        Joining(InstrumentId instrument) {
            this.instrument = instrument;
        }

        @Override
        public Documents.Tracing join(Documents.Tracing own, Documents.Tracing others) {
            ours = new ArrayList<>();
            drawable(own, ours);
            both = DrawingMerge.merge(inFile.getOrDefault(instrument, List.of()), ours, read(others, instrument));
            return document(instrument, both, new Books.Sheets(own.current(), own.hidden(), own.allHidden()));
        }

        @Override
        public void written(Documents.Tracing document) {
            List<Drawing> found = new ArrayList<>();
            drawable(document, found);
            inFile.put(instrument, List.copyOf(found));
            if (both != null && !both.equals(ours)) {
                List<Drawing> saved = List.copyOf(ours);
                List<Drawing> joined = both;
                front.execute(() -> {
                    saver.tell(
                            "The drawings of " + instrument.code()
                                    + " were changed by another copy of Yardarm; both versions are kept side by side. Delete the one you do not want.");
                    setDrawings(instrument, DrawingMerge.merge(saved, drawings(instrument), joined));
                });
            }
            both = null;
        }
    }

    /** Puts the drawings of a document that can be drawn into a list; what is wrong with the others. */
    private static List<String> drawable(Documents.Tracing saved, List<Drawing> into) {
        List<String> problems = new ArrayList<>();
        for (int number = 0; number < saved.drawings().size(); number++) {
            try {
                into.add(saved.drawings().get(number).drawing());
            } catch (RuntimeException bad) {
                problems.add("drawing " + (number + 1) + ": "
                        + (bad instanceof IllegalArgumentException ? bad.getMessage() : "something is missing in it"));
            }
        }
        return problems;
    }

    /**
     * The drawings of a file; what cannot be drawn is told, and the file as it was is kept. A drawing that can be read in one of
     * the last good copies is taken from there.
     */
    private List<Drawing> read(Documents.Tracing saved, InstrumentId instrument) {
        List<Drawing> found = new ArrayList<>();
        List<String> problems = drawable(saved, found);
        if (!problems.isEmpty()) {
            int readable = found.size();
            recover(saved, instrument, found);
            int recovered = found.size() - readable;
            String kept;
            try {
                kept = "the file as it was is kept as "
                        + saver.store().keepAside(DocumentKind.TRACING, fileOf(instrument));
            } catch (IOException failed) {
                kept = "the file could not be copied: " + failed.getMessage();
            }
            saver.tell("Of the drawings of " + instrument + " " + readable + " could be read, " + problems.size()
                    + " not (" + Notice.few(problems) + "); "
                    + (recovered == 0 ? "" : recovered + " of those came from the last good copy; ") + kept + ".");
        }
        return List.copyOf(found);
    }

    /** Adds those that cannot be drawn as they stand in the newest copy in which they can. */
    private void recover(Documents.Tracing saved, InstrumentId instrument, List<Drawing> found) {
        Set<String> missing = new LinkedHashSet<>();
        saved.drawings().forEach(entry -> missing.add(entry.id()));
        found.forEach(drawing -> missing.remove(drawing.id()));
        for (Documents.Tracing copy : saver.store().lastGood(DocumentKind.TRACING, fileOf(instrument))) {
            List<Drawing> good = new ArrayList<>();
            drawable(copy, good);
            good.stream().filter(drawing -> missing.remove(drawing.id())).forEach(found::add);
        }
    }
}

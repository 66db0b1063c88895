package dev.yardarm.desk.scan;

import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanRun;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.command.UndoStack;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Saves scans and takes them away; each is a step of undo. Used by the interface's thread. */
public final class ScanWork {
    /** How many runs of a scan are kept. */
    private static final int KEPT = 20;

    private final Books books;
    private final UndoStack undo;

    public ScanWork(Books books, UndoStack undo) {
        this.books = books;
        this.undo = undo;
    }

    /** Saves a scan under its name, in the place of the one that has it. */
    public void save(Scan scan) {
        undo.execute(books.scanShelf().change("save the scan " + scan.name(), all -> {
            List<Scan> more = new ArrayList<>(all);
            int at = 0;
            while (at < more.size() && !more.get(at).name().equals(scan.name())) {
                at++;
            }
            if (at < more.size()) {
                more.set(at, scan);
            } else {
                more.add(scan);
            }
            return more;
        }));
    }

    /** Takes the scan of a name away. */
    public void delete(String name) {
        undo.execute(books.scanShelf().change("delete the scan " + name, all -> all.stream()
                .filter(each -> !each.name().equals(name))
                .toList()));
    }

    /**
     * Keeps what a saved scan found, beside its last twenty runs; not a step of undo.
     *
     * @return the run before it of the same condition; empty for the first
     */
    public Optional<ScanRun> keep(ScanRun run) {
        List<ScanRun> before = runs(run.scan());
        books.scanRunShelf().put(run);
        for (int at = KEPT - 1; at < before.size(); at++) {
            books.scanRunShelf().remove(before.get(at).key());
        }
        return before.stream()
                .filter(each ->
                        each.condition().equals(run.condition()) && !each.key().equals(run.key()))
                .findFirst();
    }

    /** What a scan found, the newest run first. */
    public List<ScanRun> runs(String scan) {
        return books.scanRunShelf().all().stream()
                .filter(each -> each.scan().equals(scan))
                .sorted(Comparator.comparingLong(each -> -each.at()))
                .toList();
    }
}

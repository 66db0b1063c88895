package dev.yardarm.desk.scan;

import dev.yardarm.core.scan.Scan;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.command.UndoStack;
import java.util.ArrayList;
import java.util.List;

/** Saves scans and takes them away; each is a step of undo. Used by the interface's thread. */
public final class ScanWork {
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
}

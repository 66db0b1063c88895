package dev.yardarm.desk.stance;

import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.command.UndoStack;
import java.util.ArrayList;
import java.util.List;
import java.util.function.LongSupplier;

/**
 * Takes stances and writes notes; each is a step of undo. A stance taken is kept when another follows it, so that it can be read
 * later what was thought when; a note belongs to the stance it was written to. Used by the interface's thread.
 */
public final class StanceWork {
    private final Books books;
    private final UndoStack undo;
    private final LongSupplier now;

    /** @param now what time it is in the market */
    public StanceWork(Books books, UndoStack undo, LongSupplier now) {
        this.books = books;
        this.undo = undo;
        this.now = now;
    }

    /**
     * Takes a stance.
     *
     * @param reason why it is skipped; for other kinds it does not matter
     */
    public void take(InstrumentId instrument, Stance.Kind kind, String reason) {
        Stance before = books.stance(instrument);
        Stance after = before.withKind(kind, reason, moment(before));
        if (kind != before.kind() || !after.reason().equals(before.reason())) {
            add("stance " + kind.word(), after);
        }
    }

    /** Two stances of one frozen moment follow each other all the same. */
    private long moment(Stance before) {
        return Math.max(now.getAsLong(), before.at() + 1);
    }

    /** Writes the note on an instrument; an empty one removes it. */
    public void write(InstrumentId instrument, String note) {
        Stance before = books.stance(instrument);
        if (before.note().equals(note.strip())) {
            return;
        }
        if (before.at() == 0) {
            add("note", before.withNote(note.strip(), moment(before)));
            return;
        }
        Stance after = before.withNote(note.strip(), before.at());
        undo.execute(books.stanceShelf().change("note", all -> all.stream()
                .map(each -> each.equals(before) ? after : each)
                .toList()));
    }

    private void add(String label, Stance stance) {
        undo.execute(books.stanceShelf().change(label, all -> {
            List<Stance> more = new ArrayList<>(all);
            more.add(stance);
            return more;
        }));
    }
}

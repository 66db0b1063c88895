package dev.yardarm.desk.room.chart;

import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.DrawingMerge;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.DrawingEntry;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.book.Notice;
import dev.yardarm.desk.command.Command;
import dev.yardarm.desk.work.Lane;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;

/**
 * The tracings of the instrument on a chart: named sheets of drawings, shared by all its charts, to be drawn on, shown and
 * hidden; and drawings as files. Used by the interface's thread alone.
 */
public final class Tracings {
    /** What the first tracing is called. */
    public static final String FIRST = "main";

    private final Desk desk;
    private final ChartRoom room;

    Tracings(Desk desk, ChartRoom room) {
        this.desk = desk;
        this.room = room;
    }

    private Optional<InstrumentId> id() {
        return room.instrument().map(instrument -> instrument.id());
    }

    private static String stored(String name) {
        return name.strip().equalsIgnoreCase(FIRST) ? "" : name.strip();
    }

    private static String shown(String stored) {
        return stored.isEmpty() ? FIRST : stored;
    }

    /** The names of all tracings: the first, those with drawings, and the current one. */
    public List<String> names() {
        Set<String> names = new LinkedHashSet<>(List.of(FIRST));
        id().ifPresent(id -> {
            desk.books()
                    .drawings(id)
                    .forEach(drawing -> names.add(shown(drawing.place().tracing())));
            names.add(current());
        });
        return List.copyOf(names);
    }

    /** The one new drawings go to. */
    public String current() {
        return id().map(id -> shown(desk.books().sheets(id).current())).orElse(FIRST);
    }

    /** True for a drawing on the tracing new ones go to. */
    public boolean isOnCurrent(Drawing drawing) {
        return shown(drawing.place().tracing()).equals(current());
    }

    public boolean isShown(String name) {
        return id().map(id -> desk.books().sheets(id).shows(stored(name))).orElse(true);
    }

    /** Draws on a tracing from now on; it is made when there is none of this name, and shown. */
    public void use(String name) {
        id().ifPresent(id -> {
            Books.Sheets before = desk.books().sheets(id);
            List<String> hidden = before.hidden().stream()
                    .filter(each -> !each.equals(stored(name)))
                    .toList();
            change("draw on " + name, id, before, new Books.Sheets(stored(name), hidden, before.allHidden()));
            desk.tell("New drawings go to the tracing '" + shown(stored(name)) + "'.");
        });
    }

    /** Shows or hides all drawings of a tracing. */
    public void show(String name, boolean on) {
        id().ifPresent(id -> {
            if (!names().contains(shown(stored(name)))) {
                desk.tell("There is no tracing '" + name + "'; there are " + String.join(", ", names()) + ".");
                return;
            }
            Books.Sheets before = desk.books().sheets(id);
            List<String> hidden = new ArrayList<>(before.hidden());
            hidden.remove(stored(name));
            if (!on) {
                hidden.add(stored(name));
            }
            change(
                    (on ? "show " : "hide ") + name,
                    id,
                    before,
                    new Books.Sheets(before.current(), hidden, before.allHidden()));
        });
    }

    /** Puts the chosen drawings on a tracing. */
    public void move(String name) {
        room.drawings()
                .changeChosen(
                        "move to " + shown(stored(name)) + ":",
                        drawing -> drawing.withPlace(drawing.place().withTracing(stored(name))));
    }

    /** What came from elsewhere since then stays. */
    private void put(InstrumentId id, List<Drawing> before, List<Drawing> after) {
        desk.books().setDrawings(id, DrawingMerge.apply(desk.books().drawings(id), before, after));
    }

    private void change(String label, InstrumentId id, Books.Sheets before, Books.Sheets after) {
        if (!before.equals(after)) {
            desk.undo().execute(Command.of(label, () -> desk.books().setSheets(id, after), () -> desk.books()
                    .setSheets(id, before)));
        }
    }

    /** Writes all drawings of the instrument to a file. */
    public void export(Path file) {
        id().ifPresent(id -> {
            Documents.Tracing whole = desk.books().document(id);
            desk.scheduler()
                    .start(
                            Lane.BEHIND,
                            "export drawings",
                            "Exporting drawings",
                            job -> {
                                DocumentStore.writeFile(DocumentKind.TRACING, file, whole);
                                return file;
                            },
                            written -> desk.tell(whole.drawings().size() + " drawings are in " + written + "."),
                            failed -> desk.tell(failed.getMessage()));
        });
    }

    /** Adds the drawings of a file to those of the instrument; what cannot be drawn is told with its place. */
    public void importFrom(Path file) {
        id().ifPresent(id -> desk.scheduler()
                .start(
                        Lane.BEHIND,
                        "import drawings",
                        "Importing drawings",
                        job -> DocumentStore.readFile(DocumentKind.TRACING, file),
                        whole -> add(whole, id, file),
                        failed -> desk.tell(failed.getMessage())));
    }

    private void add(Documents.Tracing whole, InstrumentId id, Path file) {
        List<Drawing> before = desk.books().drawings(id);
        List<Drawing> after = new ArrayList<>(before);
        List<String> problems = new ArrayList<>();
        int number = 0;
        for (DrawingEntry entry : whole.drawings()) {
            number++;
            try {
                after.add(entry.drawing().withId(UUID.randomUUID().toString().substring(0, 13)));
            } catch (IllegalArgumentException bad) {
                problems.add("drawing " + number + ": " + bad.getMessage());
            }
        }
        int added = after.size() - before.size();
        if (added > 0) {
            desk.undo()
                    .execute(Command.of("import drawings", () -> put(id, before, after), () -> put(id, after, before)));
        }
        desk.tell(added + (added == 1 ? " drawing" : " drawings") + " of " + file.getFileName() + " were added"
                + (problems.isEmpty() ? "." : "; not added: " + Notice.few(problems) + "."));
    }
}

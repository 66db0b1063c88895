package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Acts;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.data.text.Cells;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.work.Lane;
import dev.yardarm.desk.work.Scheduler;
import dev.yardarm.desk.work.SerialLane;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Executor;
import java.util.function.Consumer;

/**
 * Does what an alert is to do besides ringing: puts a stance on the instrument, puts it on a list, adds a line to an open file. None of it is
 * a step of undo, for the trader did not do it. Used by the interface's thread; the file is written behind it,
 * a line after the other.
 */
public final class AlertActs {
    private static final String HEADER = "time,code,condition,price,note\n";

    private final Books books;
    private final Path file;
    private final Executor behind;
    private final Consumer<String> tell;

    /** @param file the open file of firings */
    public AlertActs(Books books, Path file, Scheduler scheduler, Consumer<String> tell) {
        this.books = books;
        this.file = file;
        this.behind = new SerialLane(scheduler.on(Lane.TELLING));
        this.tell = tell;
    }

    /**
     * Does it all.
     *
     * @param zone in which the line gives its time
     */
    public void carryOut(Alert alert, Firing firing, Instrument instrument, ZoneId zone) {
        Acts acts = alert.acts();
        if (!acts.stance().isEmpty()) {
            takeStance(firing, acts.stance());
        }
        if (!acts.tag().isEmpty()) {
            list(firing.instrument(), acts.tag());
        }
        if (acts.file()) {
            String line = Times.at(firing.at(), zone).toOffsetDateTime() + "," + Cells.of(instrument.code()) + ","
                    + Cells.of(firing.on()) + "," + firing.price() + "," + Cells.of(firing.note()) + "\n";
            behind.execute(() -> write(line));
        }
    }

    private void takeStance(Firing firing, String word) {
        Stance before = books.stance(firing.instrument());
        Stance.Kind kind = Stance.Kind.valueOf(word.toUpperCase(Locale.ROOT));
        if (before.kind() != kind) {
            books.addStance(before.withKind(
                    kind, kind == Stance.Kind.SKIP ? firing.on() : "", Math.max(firing.at(), before.at() + 1)));
        }
    }

    private void list(InstrumentId instrument, String name) {
        NamedList list = books.lists().stream()
                .filter(each -> each.name().equalsIgnoreCase(name))
                .findFirst()
                .orElse(new NamedList(name, List.of()));
        if (!list.instruments().contains(instrument)) {
            List<InstrumentId> more = new ArrayList<>(list.instruments());
            more.add(instrument);
            books.listShelf().put(new NamedList(list.name(), more, list.colour()));
        }
    }

    private void write(String line) {
        try {
            String text = Files.exists(file) ? line : HEADER + line;
            Files.writeString(file, text, StandardCharsets.UTF_8, StandardOpenOption.CREATE, StandardOpenOption.APPEND);
        } catch (IOException failed) {
            tell.accept("The line of an alert could not be written to " + file + ": " + failed.getMessage());
        }
    }
}

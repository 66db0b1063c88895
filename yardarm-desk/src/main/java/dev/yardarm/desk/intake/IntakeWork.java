package dev.yardarm.desk.intake;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.data.csv.BadRow;
import dev.yardarm.data.csv.BarFile;
import dev.yardarm.data.csv.ReadingOptions;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.Entries;
import dev.yardarm.data.history.BarStore;
import dev.yardarm.data.history.OwnSource;
import dev.yardarm.data.history.ParquetBarStore;
import dev.yardarm.data.intake.Intake;
import dev.yardarm.desk.book.DocumentSaver;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.work.Lane;
import dev.yardarm.desk.work.Scheduler;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.LongSupplier;
import java.util.function.Supplier;

/**
 * Takes files in while the application runs: looked at first, so that what was taken for what can be seen and said otherwise, then
 * imported in the background. The instrument is there at once, for charts, lists and scans.
 *
 * <p>Called by the interface's thread; answers come on it.
 */
public final class IntakeWork {
    private final Supplier<Optional<BarStore>> store;
    private final OwnSource own;
    private final Directory directory;
    private final Histories histories;
    private final DocumentSaver saver;
    private final Scheduler scheduler;
    private final LongSupplier wall;
    private final Consumer<String> tell;
    private Entries<Documents.Imported> kept;

    /**
     * What imports work on.
     *
     * @param store waits for the history store; empty when it cannot be opened
     * @param kept the instruments imported so far, as their file has them
     */
    public record Home(Supplier<Optional<BarStore>> store, OwnSource own, Entries<Documents.Imported> kept) {}

    /** @param wall what time it is for the user, microseconds UTC */
    public IntakeWork(
            Home home,
            Directory directory,
            Histories histories,
            DocumentSaver saver,
            Scheduler scheduler,
            LongSupplier wall,
            Consumer<String> tell) {
        store = home.store();
        own = home.own();
        kept = home.kept();
        this.directory = directory;
        this.histories = histories;
        this.saver = saver;
        this.scheduler = scheduler;
        this.wall = wall;
        this.tell = tell;
    }

    /** Looks at a file; what cannot be read as a whole is handed to the second taker in words. */
    public void look(Path file, ReadingOptions options, Consumer<Intake.Look> seen, Consumer<String> failed) {
        scheduler.start(
                Lane.SOON,
                "look at a file",
                "Reading " + file.getFileName(),
                job -> Intake.look(file, options, parquet()),
                seen,
                problem -> failed.accept(words(problem)));
    }

    private ParquetBarStore parquet() throws IOException {
        return store.get()
                .filter(ParquetBarStore.class::isInstance)
                .map(ParquetBarStore.class::cast)
                .orElseThrow(() -> new IOException("the history store cannot be opened"));
    }

    /** What is wrong with a code; empty when nothing is. */
    public static Optional<String> problemOf(String code) {
        return code.strip().toUpperCase(Locale.ROOT).matches("[A-Z0-9._^-]{1,24}")
                ? Optional.empty()
                : Optional.of("A code has up to 24 letters, digits, dots and dashes.");
    }

    /** True when an instrument of this code was imported before: its bars take in the new ones. */
    public boolean isKnown(String code) {
        return directory
                .find(new InstrumentId(OwnSource.NAME, code.strip().toUpperCase(Locale.ROOT)))
                .isPresent();
    }

    /**
     * Imports what was looked at. Rows that cannot be used are left out only when that was asked for.
     *
     * @param name what it is called; empty for the code or as before
     * @param done takes the instrument
     */
    public void take(
            Intake.Look look,
            String code,
            String name,
            Timeframe timeframe,
            boolean withoutBadRows,
            Consumer<Instrument> done,
            Consumer<String> failed) {
        InstrumentId id = new InstrumentId(OwnSource.NAME, code.strip().toUpperCase(Locale.ROOT));
        scheduler.start(
                Lane.SOON,
                "import " + id,
                "Importing " + look.file().getFileName(),
                job -> {
                    List<BadRow> bad = look.badRows();
                    if (!bad.isEmpty() && !withoutBadRows) {
                        throw BarFile.firstOf(bad);
                    }
                    look.check(timeframe);
                    return Intake.store(look, id, timeframe, parquet()).closed();
                },
                bars -> {
                    Instrument instrument = register(look, id, name);
                    tell.accept((look.holdsTrades()
                                    ? look.ticks().size() + " trades and the " + bars + " bars of 1m they make"
                                    : bars + " bars of " + timeframe)
                            + " were imported as " + id.code()
                            + (look.badRows().isEmpty()
                                    ? "."
                                    : "; " + look.badRows().size()
                                            + (look.badRows().size() == 1 ? " row" : " rows")
                                            + " that cannot be used left out."));
                    done.accept(instrument);
                },
                problem -> failed.accept(words(problem)));
    }

    private Instrument register(Intake.Look look, InstrumentId id, String name) {
        List<Entries.Entry<Documents.Imported>> all = new ArrayList<>(kept.all());
        Entries.Entry<Documents.Imported> before = all.stream()
                .filter(each -> each.value() != null && each.value().code().equals(id.code()))
                .findFirst()
                .orElse(null);
        all.remove(before);
        Documents.Imported now = Intake.registered(
                before == null ? null : before.value(),
                id.code(),
                name.isBlank() ? null : name.strip(),
                look,
                wall.getAsLong(),
                0,
                0);
        all.add(new Entries.Entry<>(now, before == null ? null : before.kept(), ""));
        kept = new Entries<>(all);
        saver.save(DocumentKind.INSTRUMENTS, "instruments", new Documents.Instruments(kept));
        own.put(now);
        histories.forget(id);
        directory.add(own);
        return directory.find(id).orElseThrow();
    }

    private static String words(Exception problem) {
        return problem.getMessage() == null ? problem.toString() : problem.getMessage();
    }
}

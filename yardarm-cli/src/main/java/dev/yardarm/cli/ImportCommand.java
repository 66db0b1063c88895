package dev.yardarm.cli;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Times;
import dev.yardarm.data.csv.BarFile;
import dev.yardarm.data.csv.BarFileException;
import dev.yardarm.data.csv.ReadingOptions;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.Entries;
import dev.yardarm.data.history.OwnSource;
import dev.yardarm.data.history.ParquetBarStore;
import dev.yardarm.data.home.HomeLock;
import dev.yardarm.data.intake.Intake;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Imports files as the history of an instrument of the user's own. Either all files come in or none. */
@Command(
        name = "import",
        description = "Imports files of bars or trades, CSV or Parquet, into a home folder.",
        mixinStandardHelpOptions = true)
final class ImportCommand implements Callable<Integer> {
    /** How long to wait for another import into the same folder. */
    private static final Duration PATIENCE = Duration.ofMinutes(10);

    @Spec
    private CommandSpec spec;

    @Option(names = "--home", required = true, paramLabel = "DIR", description = "folder of the user's data")
    private Path home;

    @Option(
            names = {"--code", "--symbol"},
            required = true,
            paramLabel = "CODE",
            description = "code of the instrument")
    private String symbol;

    @Option(
            names = "--timeframe",
            paramLabel = "TF",
            description = "period of the bars: 1m 1h D W ...; found out from their distances unless given")
    private String timeframe;

    @Option(names = "--name", paramLabel = "NAME", description = "what the instrument is called")
    private String name;

    @Option(
            names = "--point-value",
            paramLabel = "MONEY",
            description = "what a move of 1 is worth for one piece, as of a contract; 1 unless given")
    private double pointValue;

    @Option(names = "--margin", paramLabel = "MONEY", description = "money that holds one piece, where not all is paid")
    private double margin;

    @Mixin
    private FileOptions reading;

    @Option(names = "--skip-bad", paramLabel = "FILE", description = "sets bad rows aside in this file")
    private Path skipBad;

    @Parameters(arity = "1..*", paramLabel = "FILE", description = "CSV or Parquet files")
    private List<Path> files;

    @Override
    public Integer call() throws Exception {
        CommandLine line = spec.commandLine();
        Timeframe told = timeframe == null
                ? null
                : Timeframe.parse(timeframe)
                        .orElseThrow(() -> new WrongUsageException(
                                "'" + timeframe + "' is not a timeframe; write 1m, 15m, 4h, D, W or M"));
        String code = symbol.strip().toUpperCase(Locale.ROOT);
        if (!code.matches("[A-Z0-9^][A-Z0-9._^-]{0,23}")) {
            throw new WrongUsageException("'" + symbol
                    + "' is not a code; use up to 24 letters, digits, dots and dashes, the first a letter or digit");
        }
        if (!(pointValue >= 0) || !(margin >= 0)) {
            throw new WrongUsageException("--point-value and --margin must not be below zero");
        }
        ReadingOptions options = reading.read();
        SkippedRows skipped = new SkippedRows(skipBad);
        take(code, told, options, skipped, line);
        skipped.finish(line.getErr());
        return 0;
    }

    private void take(String code, Timeframe told, ReadingOptions options, SkippedRows skipped, CommandLine line)
            throws Exception {
        // The database starts while the first file is read.
        CompletableFuture<ParquetBarStore> starting = CompletableFuture.supplyAsync(this::store);
        try (ParquetBarStore store = isFirstParquet() ? starting.get() : null) {
            List<Intake.Look> looks = new ArrayList<>();
            for (Path file : files) {
                Intake.Look look = Intake.look(file, options, store);
                if (skipBad == null && !look.badRows().isEmpty()) {
                    throw BarFile.firstOf(look.badRows());
                }
                skipped.take(file, look.rows(), look.badRows(), look.notes(), line.getErr());
                looks.add(look);
            }
            write(code, told, looks, line, starting);
        } catch (CompletionException failed) {
            throw failed.getCause() instanceof Exception cause ? cause : failed;
        } finally {
            starting.thenAccept(ParquetBarStore::close);
        }
    }

    private boolean isFirstParquet() {
        return files.stream()
                .anyMatch(file -> file.toString().toLowerCase(Locale.ROOT).endsWith(".parquet"));
    }

    private ParquetBarStore store() {
        try {
            return new ParquetBarStore(
                    home.resolve("history"), spec.commandLine().getErr()::println);
        } catch (java.io.IOException failed) {
            throw new CompletionException(failed);
        }
    }

    private void write(
            String code,
            Timeframe told,
            List<Intake.Look> looks,
            CommandLine line,
            CompletableFuture<ParquetBarStore> starting)
            throws Exception {
        List<Timeframe> periods = new ArrayList<>();
        for (Intake.Look look : looks) {
            Timeframe period = told != null
                    ? told
                    : look.timeframe()
                            .orElseThrow(() -> new BarFileException("what period the bars of " + look.file()
                                    + " are of cannot be told from their distances; name it with --timeframe"));
            look.check(period);
            periods.add(period);
        }
        // Files are read before: others are kept waiting only while something is written.
        HomeLock held = HomeLock.take(home, HomeLock.Holder.IMPORT, PATIENCE);
        try {
            write(code, looks, periods, line, starting.get());
        } finally {
            held.close();
        }
    }

    private void write(
            String code, List<Intake.Look> looks, List<Timeframe> periods, CommandLine line, ParquetBarStore store)
            throws Exception {
        InstrumentId id = new InstrumentId(OwnSource.NAME, code);
        int bars = 0;
        int trades = 0;
        for (int at = 0; at < looks.size(); at++) {
            bars += Intake.store(looks.get(at), id, periods.get(at), store).closed();
            trades += looks.get(at).ticks().size();
        }
        register(code, looks);
        if (trades > 0) {
            line.getErr()
                    .println("imported " + trades + " trades and the " + bars + " bars of 1m they make as " + code);
        } else {
            line.getErr().println("imported " + bars + " bars of " + periods.get(0) + " as " + code);
        }
    }

    private void register(String code, List<Intake.Look> looks) throws Exception {
        DocumentStore documents = new DocumentStore(home.resolve("documents"));
        List<Entries.Entry<Documents.Imported>> all = new ArrayList<>(documents
                .read(DocumentKind.INSTRUMENTS, "instruments")
                .map(read -> read.instruments().all())
                .orElse(List.of()));
        Entries.Entry<Documents.Imported> before = all.stream()
                .filter(each -> each.value() != null && each.value().code().equals(code))
                .findFirst()
                .orElse(null);
        all.remove(before);
        Documents.Imported now = before == null ? null : before.value();
        for (Intake.Look look : looks) {
            now = Intake.registered(now, code, name, look, Times.micros(Instant.now()), pointValue, margin);
        }
        all.add(new Entries.Entry<>(now, before == null ? null : before.kept(), ""));
        documents.write(DocumentKind.INSTRUMENTS, "instruments", new Documents.Instruments(new Entries<>(all)));
        documents.takeNotices().forEach(spec.commandLine().getErr()::println);
    }
}

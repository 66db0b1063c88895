package dev.yardarm.cli;

import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.data.csv.BarFile;
import dev.yardarm.data.csv.ReadingOptions;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.Entries;
import dev.yardarm.data.history.OwnSource;
import dev.yardarm.data.history.ParquetBarStore;
import dev.yardarm.data.home.HomeLock;
import java.math.BigDecimal;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Imports bar files as the history of an instrument of the user's own. Either all files come in or none. */
@Command(name = "import", description = "Imports CSV bar files into a home folder.", mixinStandardHelpOptions = true)
final class ImportCommand implements Callable<Integer> {
    /** How long to wait for another import into the same folder. */
    private static final Duration PATIENCE = Duration.ofSeconds(60);

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
            required = true,
            paramLabel = "TF",
            description = "period of the bars: 1m 1h D W ...")
    private String timeframe;

    @Option(names = "--name", paramLabel = "NAME", description = "what the instrument is called")
    private String name;

    @Mixin
    private FileOptions reading;

    @Option(names = "--skip-bad", paramLabel = "FILE", description = "sets bad rows aside in this file")
    private Path skipBad;

    @Parameters(arity = "1..*", paramLabel = "FILE", description = "CSV files")
    private List<Path> files;

    @Override
    public Integer call() throws Exception {
        CommandLine line = spec.commandLine();
        Timeframe bars = Timeframe.parse(timeframe)
                .orElseThrow(() ->
                        new WrongUsageException("'" + timeframe + "' is no timeframe; write 1m, 15m, 4h, D, W or M"));
        String code = symbol.strip().toUpperCase(Locale.ROOT);
        if (!code.matches("[A-Z0-9._^-]{1,24}")) {
            throw new WrongUsageException("'" + symbol + "' is no code; use up to 24 letters, digits, dots and dashes");
        }
        ReadingOptions options = reading.read();
        ZoneId fileZone = options.zone();
        String days = fileZone == null ? ZoneOffset.UTC.getId() : fileZone.getId();
        SkippedRows skipped = new SkippedRows(skipBad);
        List<Bars> read = new ArrayList<>();
        int decimals = 2;
        for (Path file : files) {
            BarFile.Result result = skipped.read(file, options, line.getErr());
            Bars snapshot = result.series().snapshot();
            decimals = Math.max(decimals, decimals(snapshot));
            read.add(onGrid(snapshot, new BarGrid(OwnSource.calendar(days), bars)));
        }
        InstrumentId id = new InstrumentId(OwnSource.NAME, code);
        int count = 0;
        HomeLock held = HomeLock.take(home, HomeLock.Holder.IMPORT, PATIENCE);
        try {
            try (ParquetBarStore store = new ParquetBarStore(home.resolve("history"))) {
                for (Bars each : read) {
                    store.merge(id, bars, each);
                    count += each.closed();
                }
            }
            register(code, decimals, days);
        } finally {
            held.close();
        }
        skipped.finish(line.getErr());
        line.getErr().println("imported " + count + " bars of " + bars + " as " + code);
        return 0;
    }

    /** Gives bars the closing times of their timeframe. */
    private static Bars onGrid(Bars bars, BarGrid grid) {
        TradingCalendar calendar = grid.calendar();
        BarSeries series = new BarSeries(bars.closed());
        for (int bar = 0; bar < bars.closed(); bar++) {
            long open = bars.openTime(bar);
            long close = grid.timeframe().isIntraday()
                    ? open + grid.timeframe().span()
                    : Math.max(
                            open + 1,
                            grid.slotAt(Math.max(open, calendar.open(calendar.sessionAt(open))))
                                    .closeTime());
            long next = bar + 1 < bars.closed() ? bars.openTime(bar + 1) : Long.MAX_VALUE;
            series.append(
                    open,
                    Math.min(close, next),
                    bars.open(bar),
                    bars.high(bar),
                    bars.low(bar),
                    bars.close(bar),
                    bars.volume(bar));
        }
        return series.snapshot();
    }

    /** Decimals of the closes, from the last hundred bars. */
    private static int decimals(Bars bars) {
        int most = 0;
        for (int bar = Math.max(0, bars.closed() - 100); bar < bars.closed(); bar++) {
            most = Math.max(
                    most,
                    BigDecimal.valueOf(bars.close(bar)).stripTrailingZeros().scale());
        }
        return Math.min(8, most);
    }

    private void register(String code, int decimals, String days) throws Exception {
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
        Documents.Imported now = new Documents.Imported(
                code,
                name != null ? name : before != null ? before.value().name() : code,
                before == null ? decimals : Math.max(decimals, before.value().decimals()),
                days,
                Times.micros(Instant.now()));
        all.add(new Entries.Entry<>(now, before == null ? null : before.kept(), ""));
        documents.write(DocumentKind.INSTRUMENTS, "instruments", new Documents.Instruments(new Entries<>(all)));
        documents.takeNotices().forEach(spec.commandLine().getErr()::println);
    }
}

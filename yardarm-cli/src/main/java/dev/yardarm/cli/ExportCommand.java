package dev.yardarm.cli;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.history.OwnSource;
import dev.yardarm.data.history.ParquetBarStore;
import dev.yardarm.data.intake.Intake;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Gives back what was imported, as CSV or Parquet. */
@Command(
        name = "export",
        description = "Writes bars or trades of an imported instrument, as CSV or Parquet.",
        mixinStandardHelpOptions = true)
final class ExportCommand implements Callable<Integer> {
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
            description = "period of the bars, or ticks for the trades; needed where several are kept")
    private String timeframe;

    @Option(
            names = "--format",
            paramLabel = "csv|parquet",
            description = "parquet for a file that ends with it, else csv, unless given")
    private String format;

    @Option(names = "--out", paramLabel = "FILE", description = "writes here instead of to standard output")
    private Path out;

    @Override
    public Integer call() throws Exception {
        boolean parquet = isParquet();
        String code = symbol.strip().toUpperCase(Locale.ROOT);
        if (!Files.isDirectory(home.resolve("history"))) {
            throw new IOException("there is no history in " + home);
        }
        InstrumentId id = new InstrumentId(OwnSource.NAME, code);
        try (ParquetBarStore store =
                new ParquetBarStore(home.resolve("history"), spec.commandLine().getErr()::println)) {
            List<Timeframe> kept = store.timeframes(id);
            if (kept.isEmpty()) {
                throw new IOException("nothing was imported as " + code + " into " + home);
            }
            if ("ticks".equalsIgnoreCase(timeframe)) {
                ticks(store, store.ticks(id, Long.MIN_VALUE, Long.MAX_VALUE), zone(code), parquet);
            } else {
                bars(store, id, wanted(kept, code), zone(code), parquet);
            }
        }
        return 0;
    }

    private boolean isParquet() throws WrongUsageException {
        if (format != null && !format.equalsIgnoreCase("csv") && !format.equalsIgnoreCase("parquet")) {
            throw new WrongUsageException("--format is csv or parquet, not '" + format + "'");
        }
        boolean parquet = format != null
                ? format.equalsIgnoreCase("parquet")
                : out != null && out.toString().toLowerCase(Locale.ROOT).endsWith(".parquet");
        if (parquet && out == null) {
            throw new WrongUsageException("Parquet is written to a file; name it with --out FILE");
        }
        return parquet;
    }

    private Timeframe wanted(List<Timeframe> kept, String code) throws WrongUsageException {
        if (timeframe == null) {
            if (kept.size() > 1) {
                throw new WrongUsageException(code + " has bars of " + kept + "; say which with --timeframe");
            }
            return kept.get(0);
        }
        Timeframe wanted = Timeframe.parse(timeframe)
                .orElseThrow(
                        () -> new WrongUsageException("'" + timeframe + "' is not a timeframe; write 1m, D or ticks"));
        return kept.stream()
                .filter(wanted::isSameAs)
                .findFirst()
                .orElseThrow(() -> new WrongUsageException(code + " has bars of " + kept + ", not of " + wanted));
    }

    private ZoneId zone(String code) throws IOException {
        return new DocumentStore(home.resolve("documents"))
                .read(DocumentKind.INSTRUMENTS, "instruments")
                .flatMap(read -> read.instruments().values().stream()
                        .filter(each -> each.code().equals(code))
                        .findFirst())
                .map(Documents.Imported::zone)
                .map(ZoneId::of)
                .orElse(ZoneOffset.UTC);
    }

    private void bars(ParquetBarStore store, InstrumentId id, Timeframe of, ZoneId zone, boolean parquet)
            throws IOException {
        Bars bars = store.read(id, of, Long.MIN_VALUE, Long.MAX_VALUE).snapshot();
        if (parquet) {
            store.export(bars, out.toAbsolutePath());
            return;
        }
        Output.write(out, spec.commandLine().getOut(), to -> {
            to.write("time,open,high,low,close,volume\n");
            for (int bar = 0; bar < bars.closed(); bar++) {
                to.write(Intake.time(bars.openTime(bar), zone, !of.isIntraday()) + ","
                        + Output.number(bars.open(bar)) + "," + Output.number(bars.high(bar)) + ","
                        + Output.number(bars.low(bar)) + "," + Output.number(bars.close(bar)) + ","
                        + Output.number(bars.volume(bar)) + "\n");
            }
        });
    }

    private void ticks(ParquetBarStore store, TickSeries ticks, ZoneId zone, boolean parquet) throws IOException {
        if (ticks.size() == 0) {
            throw new IOException("no trades of " + symbol + " were imported into " + home);
        }
        if (parquet) {
            store.export(ticks, out.toAbsolutePath());
            return;
        }
        Output.write(out, spec.commandLine().getOut(), to -> {
            to.write("time,price,size,side\n");
            for (int tick = 0; tick < ticks.size(); tick++) {
                byte side = ticks.side(tick);
                to.write(Intake.time(ticks.time(tick), zone, false) + "," + Output.number(ticks.price(tick)) + ","
                        + Output.number(ticks.size(tick)) + ","
                        + (side == TickSeries.ASK ? "ask" : side == TickSeries.BID ? "bid" : "") + "\n");
            }
        });
    }
}

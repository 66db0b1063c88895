package dev.yardarm.cli;

import de.siegmar.fastcsv.writer.CsvWriter;
import de.siegmar.fastcsv.writer.LineDelimiter;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanLibrary;
import dev.yardarm.core.scan.ScanMatch;
import dev.yardarm.core.scan.ScanText;
import dev.yardarm.core.scan.Universe;
import dev.yardarm.data.text.TextFile;
import dev.yardarm.desk.scan.Reasons;
import dev.yardarm.desk.scan.ScanRunner;
import dev.yardarm.desk.work.Job;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Runs a scan over the instruments of a home folder. */
@Command(
        name = "scan",
        description = "Runs a scan; CSV out: code, state (closed or forming) and the columns.",
        mixinStandardHelpOptions = true)
final class ScanCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Option(names = "--home", required = true, paramLabel = "DIR", description = "folder of the user's data")
    private Path home;

    @Option(
            names = "--scan",
            paramLabel = "NAME_OR_FILE",
            description = "a saved scan, one of the library, or a text file with one")
    private String scan;

    @Option(names = "--formula", paramLabel = "EXPR", description = "a condition; of several all must hold")
    private List<String> formulas;

    @Option(names = "--list", paramLabel = "NAME", description = "the list to look through; else what the scan says")
    private String list;

    @Option(names = "--codes", paramLabel = "A,B", split = ",", description = "the instruments to look through")
    private List<String> codes;

    @Option(
            names = "--timeframe",
            paramLabel = "TF",
            description = "period of the bars; else what the scan says, else D")
    private String timeframe;

    @Option(names = "--rank", paramLabel = "EXPR", description = "results are ordered by it, the largest first")
    private String rank;

    @Option(names = "--column", paramLabel = "EXPR", description = "a value to be written for each result")
    private List<String> columns;

    @Option(
            names = "--asof",
            paramLabel = "TIME",
            description = "only the bars that opened before it, as known when the last of them had closed")
    private String asof;

    @Option(names = "--zone", paramLabel = "ZONE", description = "of --asof without an offset; else that of the market")
    private String zone;

    @Option(names = "--out", paramLabel = "FILE", description = "writes here instead of to standard output")
    private Path out;

    @Override
    public Integer call() throws Exception {
        PrintWriter errors = spec.commandLine().getErr();
        if ((scan == null) == (formulas == null)) {
            throw new WrongUsageException("give either --scan or --formula");
        }
        try (OpenHome opened = new OpenHome(home, errors)) {
            Scan wanted = wanted(opened);
            List<Instrument> instruments = opened.instruments(list, codes, wanted.universe(), errors);
            long now = opened.desk().clock().now();
            ScanRunner.AsOf moment = asof == null
                    ? ScanRunner.AsOf.now(now)
                    : new ScanRunner.AsOf(now, Moments.read("--asof", asof, opened.zone(zone, instruments)));
            ScanRunner.Result result = new ScanRunner(
                            opened.desk().vantages(), opened.desk().scheduler())
                    .run(wanted, opened.desk().language().now(), instruments, moment, Job.unattended());
            write(result);
            tell(result, errors);
        }
        return 0;
    }

    /** The scan with what the options change of it. */
    private Scan wanted(OpenHome opened) throws Exception {
        Scan base = scan == null
                ? new Scan("", "", "", Universe.ALL, Timeframe.DAY, Scan.all(formulas), "", List.of())
                : named(opened);
        if (formulas != null && formulas.size() == 1) {
            base = base.with(formulas.get(0));
        }
        if (timeframe != null) {
            base = base.on(OpenHome.timeframe(timeframe));
        }
        List<String> shown = new ArrayList<>(base.columns());
        if (columns != null) {
            shown.addAll(columns);
        }
        return base.showing(rank == null ? base.rank() : rank, shown);
    }

    private Scan named(OpenHome opened) throws Exception {
        Optional<Scan> saved = opened.front(() -> opened.desk().books().scans().stream()
                .filter(each -> each.name().equalsIgnoreCase(scan.strip()))
                .findFirst());
        if (saved.isPresent()) {
            return saved.get();
        }
        if (Files.isRegularFile(Path.of(scan))) {
            List<Scan> read = ScanText.read(TextFile.read(Path.of(scan)));
            if (read.size() > 1) {
                throw new WrongUsageException(scan + " holds " + read.size() + " scans; give a file with one");
            }
            return read.get(0);
        }
        return ScanLibrary.named(scan)
                .orElseThrow(() -> new WrongUsageException(
                        "there is no scan '" + scan + "', neither saved nor in the library nor as a file"));
    }

    private void write(ScanRunner.Result result) throws Exception {
        Output.write(out, spec.commandLine().getOut(), to -> {
            CsvWriter writer =
                    CsvWriter.builder().lineDelimiter(LineDelimiter.LF).build(to);
            List<String> header = new ArrayList<>(List.of("code", "state"));
            header.addAll(result.scan().columns());
            writer.writeRecord(header);
            for (ScanRunner.Found found : result.found()) {
                List<String> row = new ArrayList<>();
                row.add(found.instrument().code());
                row.add(found.match() == ScanMatch.PROVISIONAL ? "forming" : "closed");
                for (double value : found.outcome().columns()) {
                    row.add(Double.isNaN(value) ? "" : Output.number(value));
                }
                writer.writeRecord(row);
            }
            writer.flush();
        });
    }

    private static void tell(ScanRunner.Result result, PrintWriter errors) {
        result.missing().forEach(each -> errors.println("skipped: " + each));
        errors.println(result.found().size() + " of " + result.looked() + " match");
        for (ScanRunner.Found near :
                result.nearest().subList(0, Math.min(3, result.nearest().size()))) {
            errors.println("nearest miss: " + near.instrument().code() + ", "
                    + Reasons.decided(result.terms(), near.outcome()) + " by " + Reasons.byHowMuch(near.outcome()));
        }
    }
}

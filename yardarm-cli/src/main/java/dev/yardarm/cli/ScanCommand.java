package dev.yardarm.cli;

import de.siegmar.fastcsv.writer.CsvWriter;
import de.siegmar.fastcsv.writer.LineDelimiter;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanLibrary;
import dev.yardarm.core.scan.ScanMatch;
import dev.yardarm.core.scan.ScanRun;
import dev.yardarm.core.scan.ScanSchedule;
import dev.yardarm.core.scan.ScanText;
import dev.yardarm.core.scan.Universe;
import dev.yardarm.core.series.Times;
import dev.yardarm.data.text.TextFile;
import dev.yardarm.desk.scan.Reasons;
import dev.yardarm.desk.scan.ScanRunner;
import dev.yardarm.desk.scan.ScanSchedules;
import dev.yardarm.desk.scan.ScanWork;
import dev.yardarm.desk.scan.Universes;
import dev.yardarm.desk.work.Job;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
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

    @Mixin
    private UniverseOptions among;

    @Option(
            names = "--scan",
            paramLabel = "NAME_OR_FILE",
            description = "a saved scan, one of the library, or a text file with one")
    private String scan;

    @Option(names = "--formula", paramLabel = "EXPR", description = "a condition; of several all must hold")
    private List<String> formulas;

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

    @Option(
            names = "--schedule",
            paramLabel = "WHEN",
            description = "lets the scan run by itself: evenings, mornings, bar-closes, or never; it is saved for that")
    private String schedule;

    @Option(
            names = "--due",
            description = "runs all scheduled scans that are due, each as of the moment it was due, and keeps what they"
                    + " find; CSV out: scan, due, code, state, new")
    private boolean due;

    @Option(names = "--out", paramLabel = "FILE", description = "writes here instead of to standard output")
    private Path out;

    @Override
    public Integer call() throws Exception {
        PrintWriter errors = spec.commandLine().getErr();
        if (due ? scan != null || formulas != null : (scan == null) == (formulas == null)) {
            throw new WrongUsageException("give either --scan or --formula, or --due alone");
        }
        if (schedule != null && scan == null) {
            throw new WrongUsageException("--schedule needs --scan: only a saved scan runs by itself");
        }
        try (OpenHome opened = among.open(errors)) {
            if (due) {
                return runDue(opened, errors);
            }
            if (schedule != null) {
                return schedule(opened, errors);
            }
            Scan wanted = wanted(opened);
            List<Instrument> instruments = among.instruments(opened, wanted.universe(), errors);
            long now = opened.desk().clock().now();
            ScanRunner.AsOf moment = asof == null
                    ? ScanRunner.AsOf.now(now)
                    : new ScanRunner.AsOf(now, Moments.read("--asof", asof, among.zone(opened, instruments)));
            ScanRunner.Result result = new ScanRunner(
                            opened.desk().vantages(), opened.desk().scheduler())
                    .run(wanted, opened.desk().language().now(), instruments, moment, Job.unattended());
            write(result);
            tell(result, errors);
        }
        return 0;
    }

    /** Saves the scan, unless it is, and lets it run by itself. */
    private int schedule(OpenHome opened, PrintWriter errors) throws Exception {
        ScanSchedule.When when =
                switch (schedule.strip().toLowerCase(Locale.ROOT)) {
                    case "evenings" -> ScanSchedule.When.EVENINGS;
                    case "mornings" -> ScanSchedule.When.MORNINGS;
                    case "bar-closes" -> ScanSchedule.When.BAR_CLOSES;
                    case "never" -> null;
                    default ->
                        throw new WrongUsageException(
                                "--schedule: '" + schedule + "' is none of evenings, mornings, bar-closes, never");
                };
        Scan wanted = wanted(opened);
        wanted.read(opened.desk().language().now());
        String name = opened.front(() -> {
            ScanWork work = opened.desk().scanWork();
            if (opened.desk().books().scans().stream()
                    .noneMatch(each -> each.name().equals(wanted.name()))) {
                work.save(wanted);
            }
            work.schedule(wanted.name(), when, opened.desk().clock().now());
            return wanted.name();
        });
        errors.println(
                when == null
                        ? "'" + name + "' runs only when asked."
                        : "'" + name + "' runs " + when.words() + ", " + when.exactly()
                                + "; a run that is missed is made up by the application or by scan --due.");
        return 0;
    }

    /** Runs what is due. One that fails is told and the others run all the same. */
    private int runDue(OpenHome opened, PrintWriter errors) throws Exception {
        ScanSchedules schedules = opened.desk().scanSchedules();
        long now = opened.desk().clock().now();
        List<ScanSchedules.Due> all = opened.front(() -> schedules.due(now));
        Universes universes = opened.front(opened.desk()::universes);
        List<List<String>> rows = new ArrayList<>();
        boolean failed = false;
        for (ScanSchedules.Due each : all) {
            try {
                ScanRunner.Result came =
                        schedules.look(each, universes, opened.desk().language().now(), Job.unattended());
                List<InstrumentId> before = opened.front(
                        () -> opened.desk().scanWork().runs(each.scan().name()).stream()
                                .filter(run ->
                                        run.condition().equals(each.scan().condition()))
                                .findFirst()
                                .map(ScanRun::found)
                                .orElse(List.of()));
                errors.println(opened.front(() -> schedules.keep(each, came)));
                came.missing().forEach(missing -> errors.println("skipped: " + missing));
                ZoneId at = among.zone(opened, List.of());
                for (ScanRunner.Found found : came.found()) {
                    rows.add(List.of(
                            each.scan().name(),
                            Instant.ofEpochSecond(each.at() / Times.SECOND)
                                    .atZone(at)
                                    .toOffsetDateTime()
                                    .toString(),
                            found.instrument().code(),
                            state(found),
                            before.contains(found.instrument().id()) ? "0" : "1"));
                }
            } catch (IllegalArgumentException | IOException bad) {
                failed = true;
                errors.println(opened.front(() -> schedules.failed(each, String.valueOf(bad.getMessage()))));
            }
        }
        if (all.isEmpty()) {
            errors.println("nothing is due");
        }
        Output.write(out, spec.commandLine().getOut(), to -> {
            CsvWriter writer =
                    CsvWriter.builder().lineDelimiter(LineDelimiter.LF).build(to);
            writer.writeRecord("scan", "due", "code", "state", "new");
            rows.forEach(writer::writeRecord);
            writer.flush();
        });
        return failed ? 1 : 0;
    }

    private static String state(ScanRunner.Found found) {
        return found.match() == ScanMatch.PROVISIONAL ? "forming" : "closed";
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
                row.add(state(found));
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
        if (result.looked() == 0 && result.missing().isEmpty()) {
            errors.println(
                    "there was nothing to look through: the home holds no bars of its own yet; ./yardarm import brings "
                            + "some in (the simulated market is looked through in the application)");
        }
        for (ScanRunner.Found near :
                result.nearest().subList(0, Math.min(3, result.nearest().size()))) {
            errors.println("nearest miss: " + near.instrument().code() + ", "
                    + Reasons.decided(result.terms(), near.outcome()) + " by " + Reasons.byHowMuch(near.outcome()));
        }
    }
}

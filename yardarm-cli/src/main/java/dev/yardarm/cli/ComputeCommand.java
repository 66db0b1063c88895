package dev.yardarm.cli;

import de.siegmar.fastcsv.writer.CsvWriter;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.calculation.TradedSides;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.vantage.Vantage;
import dev.yardarm.data.csv.BarFile;
import dev.yardarm.data.csv.ReadingOptions;
import java.io.IOException;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Evaluates formulas over a bar file. */
@Command(
        name = "compute",
        description = "Evaluates formulas on a bar file; CSV out: time and a column per formula.",
        mixinStandardHelpOptions = true)
final class ComputeCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Option(
            names = "--csv",
            required = true,
            paramLabel = "FILE",
            description = "bar file: time,open,high,low,close,volume or time,value")
    private Path csv;

    @Option(names = "--formula", required = true, paramLabel = "EXPR", description = "a formula; may be repeated")
    private List<String> formulas;

    @Mixin
    private FileOptions reading;

    @Option(
            names = "--higher",
            paramLabel = "W,M",
            split = ",",
            description = "higher timeframes that formulas read with 'on'; given, others are refused")
    private List<String> higher;

    @Option(
            names = "--with",
            paramLabel = "CODE=FILE",
            description = "bar file of another instrument that formulas "
                    + "compare with; benchmark=FILE for the benchmark; may be repeated")
    private List<String> with;

    @Option(
            names = "--define",
            paramLabel = "FILE",
            description = "text file with indicators of your own, one or several, that formulas use; may be repeated")
    private List<Path> define;

    @Option(
            names = "--blend",
            paramLabel = "CODE=EXPR",
            description =
                    "an instrument made of others, such as 'RATIO=#KTRL / #MARN', that formulas read as #CODE; give "
                            + "its parts with --with; may be repeated")
    private List<String> blend;

    @Mixin
    private TickOption step;

    private double tick;

    @Option(
            names = "--ticks",
            paramLabel = "FILE",
            description = "tick file with sides, for formulas of what was bought " + "and sold such as delta")
    private Path ticks;

    @Option(
            names = "--drawings",
            paramLabel = "FILE",
            description = "file of drawings, as exported, that formulas read by "
                    + "name; their lines are straight over the days of the bar file")
    private Path drawings;

    @Option(
            names = "--asof",
            paramLabel = "TIME",
            description = "as known when the last bar that opened before this time had closed: the result is the same "
                    + "as with files that end there; a date, or a date and time")
    private String asof;

    @Option(names = "--skip-bad", paramLabel = "FILE", description = "sets bad rows aside in this file")
    private Path skipBad;

    @Option(names = "--out", paramLabel = "FILE", description = "writes here instead of to standard output")
    private Path out;

    @Override
    public Integer call() throws Exception {
        CommandLine line = spec.commandLine();
        ReadingOptions options = reading.read();
        ZoneId fileZone = options.zone();
        SkippedRows skipped = new SkippedRows(skipBad);
        tick = step.tick();
        OwnTerms own = OwnTerms.read(define, blend);
        List<Formula> parsed = new ArrayList<>();
        for (String text : formulas) {
            parsed.add(Formula.parse(text, own.language()));
        }
        checkHigher(parsed);
        if (drawings == null
                && parsed.stream().anyMatch(each -> !each.needs().drawings().isEmpty())) {
            throw new WrongUsageException("the formula reads a drawing; give the file it is in with --drawings FILE");
        }
        BarFile.Result bars = skipped.read(csv, options, line.getErr());
        Vantage vantage = vantage(bars.series().snapshot(), parsed, own, options, skipped);
        Bars snapshot = vantage.bars();
        ColumnGraph graph = vantage.graph();
        List<Column> columns = new ArrayList<>();
        for (Formula formula : parsed) {
            columns.add(formula.in(graph).output());
        }
        graph.update(snapshot);
        Output.write(out, line.getOut(), to -> {
            CsvWriter writer = CsvWriter.builder()
                    .lineDelimiter(de.siegmar.fastcsv.writer.LineDelimiter.LF)
                    .build(to);
            List<String> header = new ArrayList<>(List.of("time"));
            parsed.forEach(formula -> header.add(formula.text()));
            writer.writeRecord(header);
            writer.flush();
            new TableText(snapshot, columns, fileZone, bars.datesOnly()).write(to);
        });
        skipped.finish(line.getErr());
        return 0;
    }

    private void checkHigher(List<Formula> parsed) throws WrongUsageException {
        if (higher == null) {
            return;
        }
        List<Timeframe> allowed = new ArrayList<>();
        for (String each : higher) {
            allowed.add(Timeframe.parse(each)
                    .orElseThrow(() -> new WrongUsageException(
                            "--higher: '" + each + "' is not a timeframe; write some such as W,M")));
        }
        for (Formula formula : parsed) {
            for (Timeframe used : formula.needs().timeframes()) {
                if (allowed.stream().noneMatch(used::isSameAs)) {
                    throw new WrongUsageException(
                            "the formula reads " + used + ", which is not among --higher " + String.join(",", higher));
                }
            }
        }
    }

    /**
     * The files as they stand, or as known when the last bar that opened before {@code --asof} had closed: then everything is as
     * with files that end there.
     */
    private Vantage vantage(Bars whole, List<Formula> parsed, OwnTerms own, ReadingOptions options, SkippedRows skipped)
            throws IOException, WrongUsageException {
        ZoneId days = options.zone() == null ? ZoneOffset.UTC : options.zone();
        long moment = asof == null ? Long.MAX_VALUE : Vantage.momentBefore(Moments.read("--asof", asof, days), whole);
        Map<String, Bars> others = others(parsed, own, options, skipped);
        Surroundings around = new Surroundings(
                        TradingCalendar.roundTheClock(days),
                        code -> Optional.ofNullable(others.get(code.toUpperCase(Locale.ROOT)))
                                .map(bars -> () -> bars),
                        sides(options, moment, skipped))
                .withTick(tick);
        Bars known = whole.first(whole.closedBy(moment));
        if (drawings != null) {
            around = around.with(DrawingsFile.read(drawings, parsed, known, days));
        }
        return Vantage.at(moment, whole, around);
    }

    /** The bars of the instruments that formulas compare with; each must be given, and once. */
    private Map<String, Bars> others(List<Formula> parsed, OwnTerms own, ReadingOptions options, SkippedRows skipped)
            throws IOException, WrongUsageException {
        Map<String, Bars> others = new HashMap<>();
        for (String each : with == null ? List.<String>of() : with) {
            int sign = each.indexOf('=');
            if (sign < 1) {
                throw new WrongUsageException("--with is CODE=FILE, not '" + each + "'");
            }
            String code = each.substring(0, sign).toUpperCase(Locale.ROOT);
            if (others.containsKey(code)) {
                throw new WrongUsageException("--with names " + code + " twice");
            }
            if (own.isBlend(code)) {
                throw new WrongUsageException(code + " is both a blend and a file; leave one of them out");
            }
            Path file = Path.of(each.substring(sign + 1));
            others.put(
                    code,
                    skipped.read(file, options, spec.commandLine().getErr())
                            .series()
                            .snapshot());
        }
        Set<String> wanted = new LinkedHashSet<>();
        parsed.forEach(formula -> wanted.addAll(formula.needs().instruments()));
        for (String code : own.parts(wanted)) {
            if (!others.containsKey(code.toUpperCase(Locale.ROOT))) {
                throw new WrongUsageException(
                        "the formula reads " + code + "; give its bars with --with " + code + "=FILE");
            }
        }
        own.blend(others, wanted, spec.commandLine().getErr());
        return others;
    }

    /** The sides of the trades up to a moment. */
    private Surroundings.Sides sides(ReadingOptions options, long moment, SkippedRows skipped) throws IOException {
        TickSeries read = ticks == null
                ? TickSeries.EMPTY
                : skipped.readTicks(ticks, options, true, spec.commandLine().getErr());
        int known = 0;
        while (known < read.size() && read.time(known) < moment) {
            known++;
        }
        if (known == 0) {
            return Surroundings.NONE.sides();
        }
        // Whole days of UTC from the first trade to the last are taken as known.
        TradedSides sides = new TradedSides(
                Math.floorDiv(read.time(0), Times.DAY) * Times.DAY,
                (Math.floorDiv(read.time(known - 1), Times.DAY) + 1) * Times.DAY);
        sides.take(read, 0, known);
        return sides;
    }

    /** The time as the file wrote it: a date, or a time with its offset. */
    static String time(long micros, ZoneId zone, boolean dateOnly) {
        ZoneId shown = zone == null ? ZoneOffset.UTC : zone;
        return dateOnly
                ? Times.date(micros, shown).toString()
                : Times.at(micros, shown).toOffsetDateTime().format(DateTimeFormatter.ISO_OFFSET_DATE_TIME);
    }
}

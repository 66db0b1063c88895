package dev.yardarm.cli;

import dev.yardarm.core.bars.BarBuilder;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.bars.BarMakers;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.data.csv.BarFile;
import dev.yardarm.data.csv.BarFileException;
import dev.yardarm.data.csv.ReadingOptions;
import dev.yardarm.data.csv.TickFile;
import java.io.IOException;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.EnumSet;
import java.util.Set;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Builds bars of any kind from a tick file or a bar file. */
@Command(
        name = "bars",
        description =
                "Builds bars from ticks or bars; CSV out: time, open, high, low, close, volume, " + "end, complete.",
        mixinStandardHelpOptions = true)
final class BarsCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Option(
            names = "--csv",
            required = true,
            paramLabel = "FILE",
            description = "tick file: time,price,size,side; or bar file: time,open,high,low,close,volume")
    private Path csv;

    @Option(
            names = "--kind",
            required = true,
            paramLabel = "KIND",
            description = "time:5m, ticks:500, volume:1000, "
                    + "range:10, reversal:10, brick:20, line-break:3, point-figure:10x3, heikin-ashi; bricks and boxes also in "
                    + "per cent (0.5%%) or as average true range (atr14), point-figure:10x3:hl reads high and low; @5m behind "
                    + "it makes brick, line-break, point-figure and heikin-ashi from bars of 5 minutes")
    private String kind;

    @Option(
            names = "--tick",
            defaultValue = "0.01",
            paramLabel = "SIZE",
            description = "smallest step of the price; sizes of ranges, bricks and boxes are in these (default 0.01)")
    private double tick;

    @Mixin
    private FileOptions reading;

    @Option(
            names = "--session",
            paramLabel = "HH:MM-HH:MM",
            description = "trading hours on weekdays: bars of time are "
                    + "counted from the opening, bars of trades end with the close; round the clock unless given")
    private String session;

    @Option(
            names = "--repeated",
            defaultValue = "refuse",
            paramLabel = "keep|refuse",
            description = "what to do with a trade that is the same as the one before it")
    private String repeated;

    @Option(names = "--skip-bad", paramLabel = "FILE", description = "sets bad rows aside in this file")
    private Path skipBad;

    @Option(names = "--out", paramLabel = "FILE", description = "writes here instead of to standard output")
    private Path out;

    @Override
    public Integer call() throws Exception {
        ReadingOptions options = reading.read();
        ZoneId fileZone = options.zone();
        BarRule rule = rule();
        TradingCalendar calendar = calendar(fileZone == null ? ZoneOffset.UTC : fileZone);
        SkippedRows skipped = new SkippedRows(skipBad);
        BarSeries series = new BarSeries(1024);
        boolean datesOnly = build(rule, calendar, options, skipped, series);
        Bars made = series.snapshot();
        Output.write(out, spec.commandLine().getOut(), to -> {
            to.write("time,open,high,low,close,volume,end,complete\n");
            for (int bar = 0; bar < made.size(); bar++) {
                boolean complete = bar < made.closed();
                if (!complete && isEmpty(made, bar)) {
                    continue;
                }
                to.write(ComputeCommand.time(made.openTime(bar), fileZone, datesOnly) + ","
                        + Output.number(made.open(bar)) + "," + Output.number(made.high(bar)) + ","
                        + Output.number(made.low(bar)) + "," + Output.number(made.close(bar)) + ","
                        + Output.number(made.volume(bar)) + ","
                        + ComputeCommand.time(made.closeTime(bar), fileZone, false) + ","
                        + (complete ? "1" : "0") + "\n");
            }
        });
        skipped.finish(spec.commandLine().getErr());
        return 0;
    }

    /** A bar that has only begun: nothing was traded in it, and price stands where the one before ended. */
    private static boolean isEmpty(Bars made, int bar) {
        return made.volume(bar) == 0 && made.high(bar) == made.low(bar);
    }

    private BarRule rule() throws WrongUsageException {
        if (!(tick > 0) || Double.isInfinite(tick)) {
            throw new WrongUsageException("--tick must be above zero, not " + tick);
        }
        if (!repeated.equals("keep") && !repeated.equals("refuse")) {
            throw new WrongUsageException("--repeated is keep or refuse, not '" + repeated + "'");
        }
        try {
            return BarRule.parse(kind);
        } catch (IllegalArgumentException wrong) {
            throw new WrongUsageException("--kind: " + wrong.getMessage());
        }
    }

    private TradingCalendar calendar(ZoneId at) throws WrongUsageException {
        if (session == null) {
            return TradingCalendar.roundTheClock(at);
        }
        try {
            String[] ends = session.split("-", -1);
            if (ends.length == 2) {
                return new TradingCalendar(
                        at,
                        LocalTime.parse(ends[0].strip()),
                        LocalTime.parse(ends[1].strip()),
                        EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY),
                        Set.of());
            }
        } catch (DateTimeException | IllegalArgumentException wrong) {
            throw new WrongUsageException("--session: " + wrong.getMessage());
        }
        throw new WrongUsageException("--session is two times, as in 08:00-16:30, not '" + session + "'");
    }

    /** Builds the bars; true when the file had only dates and so the bars begin with dates. */
    private boolean build(
            BarRule rule, TradingCalendar calendar, ReadingOptions options, SkippedRows skipped, BarSeries series)
            throws IOException {
        TradingCalendar breaks = session == null && !rule.isTime() ? null : calendar;
        BarMaker maker = BarMakers.of(rule, breaks, tick, series);
        Timeframe basis = rule.isTime() ? null : rule.basis().orElse(null);
        if (TickFile.holdsTicks(csv, options)) {
            if (basis == null && rule instanceof BarRule.Averaged) {
                basis = Timeframe.MINUTE;
                spec.commandLine()
                        .getErr()
                        .println("heikin-ashi averages bars: bars of 1m are made of the ticks; "
                                + "heikin-ashi@5m takes others");
            }
            TickSeries ticks = skipped.readTicks(
                    csv, options, repeated.equals("keep"), spec.commandLine().getErr());
            if (basis == null) {
                maker.addTicks(ticks, 0, ticks.size());
                maker.advanceTo(ticks.time(ticks.size() - 1));
            } else {
                BarBuilder bars = new BarBuilder(new BarGrid(calendar, basis), new BarSeries(1024));
                bars.addTicks(ticks, 0, ticks.size());
                feed(bars.series().snapshot(), maker);
            }
            maker.series();
            return false;
        }
        BarFile.Result read = skipped.read(csv, options, spec.commandLine().getErr());
        Bars bars = read.series().snapshot();
        checkSpan(bars, rule.basis().orElse(null), read.datesOnly());
        if (basis != null) {
            bars = BarBuilder.aggregate(bars, new BarGrid(calendar, basis), Long.MIN_VALUE)
                    .snapshot();
        }
        feed(bars, maker);
        maker.series();
        return read.datesOnly();
    }

    private static void feed(Bars bars, BarMaker maker) {
        for (int bar = 0; bar < bars.size(); bar++) {
            maker.addBar(
                    bars.openTime(bar),
                    bars.closeTime(bar),
                    bars.open(bar),
                    bars.high(bar),
                    bars.low(bar),
                    bars.close(bar),
                    bars.volume(bar));
        }
        maker.advanceTo(bars.closeTime(bars.size() - 1));
    }

    /** A timeframe finer than the bars of the file cannot be built from them. */
    private void checkSpan(Bars bars, Timeframe wanted, boolean datesOnly) throws IOException {
        if (wanted == null) {
            return;
        }
        long usual = bars.closed() > 1 ? Long.MAX_VALUE : 0;
        for (int bar = 0; bar + 1 < bars.closed(); bar++) {
            usual = Math.min(usual, bars.openTime(bar + 1) - bars.openTime(bar));
        }
        boolean tooFine =
                wanted.isIntraday() && (datesOnly || wanted.span() < usual || usual > 0 && wanted.span() % usual != 0);
        if (tooFine) {
            throw new BarFileException(wanted + " cannot be built from the bars of " + csv + ", which are "
                    + (datesOnly ? "daily or longer" : "at least " + usual / 1_000_000 + " s apart")
                    + "; select a multiple of their timeframe or take ticks");
        }
    }
}

package dev.yardarm.cli;

import dev.yardarm.core.bars.BarBuilder;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.bars.BarMakers;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.PriceSteps;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.profile.BarLevels;
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
import java.time.ZoneId;
import java.time.ZoneOffset;
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

    @Mixin
    private TickOption step;

    private double tick;

    @Mixin
    private TradeReading reading;

    @Mixin
    private SessionOption session;

    @Option(
            names = "--levels",
            paramLabel = "FILE",
            description =
                    "writes the trades of each bar by price here: time,price,bid,ask,none (volumes; time is the bar's open)")
    private Path levels;

    @Option(
            names = "--min-size",
            paramLabel = "N",
            description = "leaves trades smaller than this out of --levels; what is left out counts as zero")
    private Double least;

    @Option(names = "--out", paramLabel = "FILE", description = "writes here instead of to standard output")
    private Path out;

    /** The trades of each bar by price, when they are asked for. */
    private BarLevels byPrice;

    @Override
    public Integer call() throws Exception {
        ReadingOptions options = reading.options();
        ZoneId fileZone = options.zone();
        BarRule rule = rule();
        checkLevels();
        TradingCalendar calendar = session.calendar(fileZone == null ? ZoneOffset.UTC : fileZone);
        SkippedRows skipped = reading.skipped();
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
        if (byPrice != null) {
            writeLevels(made, fileZone);
        }
        skipped.finish(spec.commandLine().getErr());
        return 0;
    }

    private void checkLevels() throws WrongUsageException {
        if (least != null && levels == null) {
            throw new WrongUsageException("--min-size leaves trades out of --levels; say with --levels where those go");
        }
        if (least != null && !(least >= 0)) {
            throw new WrongUsageException("--min-size is a size from 0 on, not " + least);
        }
    }

    private BarLevels levelsOf(BarRule rule, Timeframe basis, BarMaker maker, TickSeries ticks)
            throws WrongUsageException {
        if (basis != null) {
            throw new WrongUsageException(
                    "--levels: bars of " + rule + " are made of bars, not of single trades, and have none by price");
        }
        return BarLevels.of(maker, new PriceSteps(tick), ticks, least == null ? 0 : least);
    }

    private void writeLevels(Bars made, ZoneId zone) throws IOException {
        Output.write(levels, spec.commandLine().getOut(), to -> {
            to.write("time,price,bid,ask,none\n");
            for (int bar = 0; bar < Math.min(made.size(), byPrice.bars()); bar++) {
                String time = ComputeCommand.time(made.openTime(bar), zone, false);
                for (int at = byPrice.start(bar); at < byPrice.start(bar + 1); at++) {
                    to.write(time + "," + Output.number(byPrice.price(at)) + "," + Output.number(byPrice.bid(at)) + ","
                            + Output.number(byPrice.ask(at)) + "," + Output.number(byPrice.none(at)) + "\n");
                }
            }
        });
    }

    /** A bar that has only begun: nothing was traded in it, and price stands where the one before ended. */
    private static boolean isEmpty(Bars made, int bar) {
        return made.volume(bar) == 0 && made.high(bar) == made.low(bar);
    }

    private BarRule rule() throws WrongUsageException {
        tick = step.tick();
        try {
            return BarRule.parse(kind);
        } catch (IllegalArgumentException wrong) {
            throw new WrongUsageException("--kind: " + wrong.getMessage());
        }
    }

    /** Builds the bars; true when the file had only dates and so the bars begin with dates. */
    private boolean build(
            BarRule rule, TradingCalendar calendar, ReadingOptions options, SkippedRows skipped, BarSeries series)
            throws IOException, WrongUsageException {
        TradingCalendar breaks = !session.isGiven() && !rule.isTime() ? null : calendar;
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
            TickSeries ticks = session.within(
                    calendar,
                    reading.trades(csv, options, skipped, spec.commandLine().getErr()),
                    spec.commandLine().getErr());
            if (ticks.size() == 0) {
                throw new BarFileException(csv + " has no trades in the session; check --session and --zone");
            }
            if (levels != null) {
                byPrice = levelsOf(rule, basis, maker, ticks);
                maker.advanceTo(ticks.time(ticks.size() - 1));
            } else if (basis == null) {
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
        if (levels != null) {
            throw new BarFileException(
                    "--levels needs trades; " + csv + " holds bars, which do not say what was traded where");
        }
        BarFile.Result read = skipped.read(csv, options, spec.commandLine().getErr());
        Bars bars = session.within(
                calendar,
                read.series().snapshot(),
                read.datesOnly(),
                spec.commandLine().getErr());
        if (bars.isEmpty()) {
            throw new BarFileException(csv + " has no bars in the session; check --session and --zone");
        }
        checkSpan(bars, rule.basis().orElse(null), read.datesOnly());
        if (basis != null) {
            bars = BarBuilder.aggregate(bars, new BarGrid(calendar, basis), Long.MIN_VALUE)
                    .snapshot();
        }
        feed(bars, maker);
        maker.series();
        return read.datesOnly();
    }

    /** Makes bars of all of these. */
    static void feed(Bars bars, BarMaker maker) {
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

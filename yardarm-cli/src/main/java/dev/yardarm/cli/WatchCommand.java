package dev.yardarm.cli;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.AlertWatch;
import dev.yardarm.core.alert.Awaited;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.alert.Readings;
import dev.yardarm.core.bars.BarBuilder;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.bars.BarMakers;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Needs;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.call.Call;
import dev.yardarm.core.call.CallEvent;
import dev.yardarm.core.call.CallWatch;
import dev.yardarm.core.drawing.NamedDrawings;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.data.csv.BarFile;
import dev.yardarm.data.csv.ReadingOptions;
import dev.yardarm.data.csv.TickFile;
import java.io.IOException;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/**
 * Runs alerts and calls over recorded bars or trades as if live. Of a bar the order of its prices is taken as everywhere: open, the extreme
 * away from the close, the other extreme, close; price moves between them through all prices, and what happens on the way is known when the
 * bar has closed.
 */
@Command(
        name = "watch",
        description =
                "Runs alerts and calls over a file of bars or trades as if live; CSV out: time,id,event,price,bar_time.",
        mixinStandardHelpOptions = true)
final class WatchCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Option(
            names = "--csv",
            required = true,
            paramLabel = "FILE",
            description = "bar file: time,open,high,low,close,volume; or tick file: time,price,size,side")
    private Path csv;

    @Option(
            names = "--alerts",
            required = true,
            paramLabel = "FILE",
            description =
                    "JSON: {\"alerts\": [{\"id\": \"a\", \"alert\": \"closes above 104.20 on 30m for 5 days\", \"set\": TIME}], "
                            + "\"calls\": [{\"id\": \"c\", \"call\": \"above 104.20 expect 107, wrong below 102.80\"}]}; id and set may be left out")
    private Path file;

    @Option(
            names = "--define",
            paramLabel = "FILE",
            description = "text file with indicators of your own that formulas use; may be repeated")
    private List<Path> define;

    @Option(
            names = "--drawings",
            paramLabel = "FILE",
            description = "file of drawings, as exported, that alerts wait on by name")
    private Path drawings;

    @Mixin
    private TickOption step;

    private double tick;

    @Mixin
    private TradeReading reading;

    @Mixin
    private SessionOption session;

    @Option(names = "--out", paramLabel = "FILE", description = "writes here instead of to standard output")
    private Path out;

    private TradingCalendar calendar;
    private ZoneId zone;
    private boolean datesOnly;
    /** The bars of the file; of a tick file those of a minute. */
    private Bars bars;

    private TickSeries ticks;
    private NamedDrawings named;
    private OwnTerms own;
    private final Map<String, Bars> made = new HashMap<>();

    /**
     * Something that happened.
     *
     * @param at when it was known
     * @param within when it came on the way that price is taken to have gone
     */
    private record Event(long at, long within, String id, String word, double price, long bar) {}

    @Override
    public Integer call() throws Exception {
        tick = step.tick();
        own = OwnTerms.read(define, null);
        ReadingOptions options = reading.options();
        zone = options.zone();
        calendar = session.calendar(zone == null ? ZoneOffset.UTC : zone);
        SkippedRows skipped = reading.skipped();
        BarRule usual = read(options, skipped);
        named = drawings == null
                ? null
                : DrawingsFile.read(drawings, List.of(), bars, zone == null ? ZoneOffset.UTC : zone);
        WatchFile wanted = new WatchFile(
                file,
                own.language(),
                calendar,
                name -> named != null && named.has(name) ? Optional.of(name) : Optional.empty(),
                ticks == null ? bars.openTime(0) : ticks.time(0));
        wanted.read(usual, this::moment);
        List<Event> events = new ArrayList<>();
        for (Alert alert : wanted.alerts()) {
            run(alert, alert.bars() == usual, events);
        }
        for (Call call : wanted.calls()) {
            run(call, call.bars() == usual, events);
        }
        // What comes at the same moment keeps the order of the file.
        events.sort(Comparator.comparingLong(Event::at).thenComparingLong(Event::within));
        Output.write(out, spec.commandLine().getOut(), to -> {
            to.write("time,id,event,price,bar_time\n");
            for (Event event : events) {
                to.write(known(event.at()) + "," + quoted(event.id()) + "," + event.word() + ","
                        + Output.number(event.price()) + ","
                        + (event.bar() == 0 ? "" : ComputeCommand.time(event.bar(), zone, datesOnly)) + "\n");
            }
        });
        skipped.finish(spec.commandLine().getErr());
        return 0;
    }

    private static String quoted(String id) {
        return id.matches("[^,\"\\r\\n]*") ? id : '"' + id.replace("\"", "\"\"") + '"';
    }

    private long moment(String text) {
        try {
            return Moments.read("set", text, zone == null ? ZoneOffset.UTC : zone);
        } catch (WrongUsageException bad) {
            throw new IllegalArgumentException(bad.getMessage(), bad);
        }
    }

    /** Of a file of dates the date of the bar with which it was known. */
    private String known(long at) {
        if (!datesOnly) {
            return ComputeCommand.time(at, zone, false);
        }
        return ComputeCommand.time(bars.openTime(Math.max(0, bars.barAt(at - 1))), zone, true);
    }

    /** Reads the data; gives the bars of what names none. */
    private BarRule read(ReadingOptions options, SkippedRows skipped) throws IOException {
        var errors = spec.commandLine().getErr();
        if (TickFile.holdsTicks(csv, options)) {
            ticks = session.within(calendar, reading.trades(csv, options, skipped, errors), errors);
            if (ticks.size() == 0) {
                throw new IOException(csv + " has no trades in the session; check --session and --zone");
            }
            bars = build(new BarBuilder(new BarGrid(calendar, Timeframe.MINUTE), new BarSeries(1024)));
            errors.println("alerts that name no bars look at those of 1m");
            return new BarRule.Time(Timeframe.MINUTE);
        }
        BarFile.Result read = skipped.read(csv, options, errors);
        datesOnly = read.datesOnly();
        bars = session.within(calendar, read.series().snapshot(), datesOnly, errors);
        if (bars.isEmpty()) {
            throw new IOException(csv + " has no bars in the session; check --session and --zone");
        }
        // Their closes are those of the file; the name only stands in for it.
        return new BarRule.Time(datesOnly ? Timeframe.DAY : Timeframe.MINUTE);
    }

    /** The bars of a rule, of all that is in the file. */
    private Bars build(BarMaker maker) {
        if (ticks != null) {
            maker.addTicks(ticks, 0, ticks.size());
            maker.advanceTo(ticks.time(ticks.size() - 1));
        } else {
            BarsCommand.feed(bars, maker);
        }
        return maker.series().snapshot();
    }

    private Bars of(BarRule rule) {
        return made.computeIfAbsent(
                rule.toString(), word -> build(BarMakers.of(rule, calendar, tick, new BarSeries(1024))));
    }

    private void run(Alert alert, boolean onFile, List<Event> events) throws IOException {
        if (ticks == null && alert.waits().stream().anyMatch(wait -> wait.on() instanceof Awaited.Traded)) {
            throw new IOException("the alert " + alert.id() + " waits on a large trade, but " + csv
                    + " holds bars, which do not say what was traded at once");
        }
        if (alert.isElsewhere()) {
            throw new IOException("the alert " + alert.id() + " waits for a calendar or a scan; there is none here");
        }
        Needs needs = Readings.needs(alert, own.language());
        if (!needs.instruments().isEmpty()) {
            throw new IOException("the alert " + alert.id() + " reads " + String.join(", ", needs.instruments())
                    + "; only the instrument of the file is here");
        }
        Surroundings around = new Surroundings(calendar, code -> Optional.empty()).withTick(tick);
        ColumnGraph graph = new ColumnGraph(named == null ? around : around.with(named));
        Readings readings = new Readings(
                alert, on -> time -> named.priceAt(on.id(), on.line(), time, time), graph, own.language(), tick);
        boolean forming = alert.waits().stream().anyMatch(wait -> wait.trigger() == Alert.Trigger.HOLDS_NOW);
        BarMaker maker =
                forming ? BarMakers.of(onFile ? fileRule() : alert.bars(), calendar, tick, new BarSeries(1024)) : null;
        Bars read = forming ? maker.series().snapshot() : onFile ? bars : of(alert.bars());
        graph.update(read);
        AlertWatch watch = AlertWatch.over(alert, calendar, read, readings);
        feed(new Feed() {
            private boolean expired;

            @Override
            public void trade(long time, long known, double price, double size, byte side, boolean moved) {
                if (maker != null) {
                    maker.addTick(time, price, size, side);
                    graph.update(maker.series().snapshot());
                    watch.extend(maker.series().snapshot());
                }
                add(time, moved ? watch.onMove(time, known, price, size) : watch.onTrade(time, price, size, side));
            }

            @Override
            public void time(long time) {
                if (maker != null) {
                    maker.advanceTo(time);
                    graph.update(maker.series().snapshot());
                    watch.extend(maker.series().snapshot());
                }
                add(time, watch.onTime(time));
            }

            private void add(long time, List<Firing> fired) {
                fired.forEach(went ->
                        events.add(new Event(went.at(), time, went.alert(), "fired", went.price(), went.bar())));
                if (watch.isExpired() && !expired) {
                    expired = true;
                    events.add(new Event(alert.terms().until(), time, alert.id(), "expired", Double.NaN, 0));
                }
            }
        });
    }

    /** What makes the bars of the file anew as they form. */
    private BarRule fileRule() throws IOException {
        long usual = Long.MAX_VALUE;
        for (int bar = 0; bar + 1 < bars.closed(); bar++) {
            usual = Math.min(usual, bars.openTime(bar + 1) - bars.openTime(bar));
        }
        if (datesOnly || ticks != null || usual % 60_000_000 != 0 || usual > 3_600_000_000L) {
            return new BarRule.Time(datesOnly ? Timeframe.DAY : Timeframe.MINUTE);
        }
        return new BarRule.Time(new Timeframe((int) (usual / 60_000_000), Timeframe.Unit.MINUTE));
    }

    private void run(Call call, boolean onFile, List<Event> events) throws IOException {
        CallWatch watch = CallWatch.over(call, onFile ? bars : of(call.bars()), tick);
        feed(new Feed() {
            @Override
            public void trade(long time, long known, double price, double size, byte side, boolean moved) {
                add(time, moved ? watch.onMove(time, known, price) : watch.onTrade(time, price));
            }

            @Override
            public void time(long time) {
                add(time, watch.onTime(time));
            }

            private void add(long time, List<CallEvent> became) {
                became.forEach(event -> events.add(
                        new Event(event.at(), time, event.call(), event.kind().word(), event.price(), event.bar())));
            }
        });
    }

    /** Takes what is in the file, in its order. */
    private interface Feed {
        void trade(long time, long known, double price, double size, byte side, boolean moved);

        void time(long time);
    }

    private void feed(Feed to) throws IOException {
        if (ticks != null) {
            for (int at = 0; at < ticks.size(); at++) {
                to.time(ticks.time(at) - 1);
                to.trade(ticks.time(at), ticks.time(at), ticks.price(at), ticks.size(at), ticks.side(at), false);
            }
            to.time(ticks.time(ticks.size() - 1));
            return;
        }
        for (int bar = 0; bar < bars.size(); bar++) {
            long open = bars.openTime(bar);
            long close = bars.closeTime(bar);
            long quarter = (close - open) / 4;
            boolean rising = bars.close(bar) >= bars.open(bar);
            double part = bars.volume(bar) / 4;
            // A microsecond into the day, so that its open is known with the day and not with the one before.
            long begun = datesOnly ? open + 1 : open;
            to.trade(begun, begun, bars.open(bar), part, (byte) 0, false);
            to.trade(open + quarter, close, rising ? bars.low(bar) : bars.high(bar), part, (byte) 0, true);
            to.trade(open + 2 * quarter, close, rising ? bars.high(bar) : bars.low(bar), part, (byte) 0, true);
            to.trade(open + 3 * quarter, close, bars.close(bar), part, (byte) 0, true);
            to.time(close);
        }
    }
}

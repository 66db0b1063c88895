package dev.yardarm.bench;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.AlertSentence;
import dev.yardarm.core.alert.AlertWatch;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.BarBuilder;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.MarketClock;
import dev.yardarm.desk.market.StoredMarket;
import dev.yardarm.market.feed.FeedFault;
import dev.yardarm.market.feed.FeedScript;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;

/**
 * A day and a night on a bad line: 24 hours of the market with a fault every few minutes, a turn of the hub every second, for what
 * trades round the clock and what has sessions. Bars and alerts are set beside those of the good line.
 */
public final class FeedMeasurement {
    private static final List<String> CODES = List.of("EMBRA", "VRTQ", "AULBRN", "KTRL", "PV60");
    private static final long TURN = Times.SECOND;
    private static final int ALERTS = 40;

    private FeedMeasurement() {}

    public static void main(String[] arguments) throws Exception {
        run(arguments.length > 0 ? Double.parseDouble(arguments[0]) : 24);
        System.exit(0);
    }

    private static void run(double hours) throws Exception {
        long start = Times.micros(Instant.parse("2026-06-22T06:00:00Z"));
        long end = start + (long) (hours * Times.HOUR);
        StoredMarket good = new StoredMarket(new SimulatedMarket(World.halcyon(), 1), Optional::empty);
        StoredMarket bad = new StoredMarket(new SimulatedMarket(World.halcyon(), 1), Optional::empty);
        List<FeedFault> faults = faults(start, end);
        bad.feed().add(faults, start);
        Directory one = new Directory(List.of(good));
        Directory other = new Directory(List.of(bad));
        AtomicInteger states = new AtomicInteger();
        other.listen(source -> states.incrementAndGet());
        List<Followed> wanted = new ArrayList<>();
        List<Followed> got = new ArrayList<>();
        long behind = 0;
        long longest = 0;
        long turns = 0;
        long goodTime = 0;
        long badTime = 0;
        try (LiveHub clean = new LiveHub(one, clock(start));
                LiveHub faulty = new LiveHub(other, clock(start))) {
            for (String code : CODES) {
                Instrument instrument = one.byCode(code).orElseThrow();
                TradingCalendar calendar = one.calendar(instrument);
                TickSeries before = new TickSeries(64);
                good.trades(instrument.id(), start - 4 * Times.DAY, start, before);
                double last = before.price(before.size() - 1);
                wanted.add(new Followed(instrument, calendar, last, start));
                got.add(new Followed(instrument, calendar, last, start));
                clean.subscribe(instrument, start, wanted.get(wanted.size() - 1));
                faulty.subscribe(instrument, start, got.get(got.size() - 1));
            }
            // An hour without faults at the end, in which what is still missing comes.
            for (long now = start + TURN; now <= end + Times.HOUR; now += TURN) {
                long begin = System.nanoTime();
                clean.beatAt(now);
                long between = System.nanoTime();
                faulty.beatAt(now);
                goodTime += between - begin;
                badTime += System.nanoTime() - between;
                turns++;
                long known = Long.MAX_VALUE;
                for (Followed each : got) {
                    known = Math.min(known, each.upTo);
                }
                longest = Math.max(longest, now - known);
                behind += now - known > 5 * Times.SECOND ? 1 : 0;
            }
        }
        long trades = 0;
        long bars = 0;
        long firings = 0;
        boolean equal = true;
        for (int at = 0; at < CODES.size(); at++) {
            trades += got.get(at).trades;
            bars += got.get(at).bars.series().snapshot().size();
            firings += got.get(at).firings.size();
            equal &= got.get(at).equals(wanted.get(at), CODES.get(at));
        }
        System.out.printf(
                Locale.ROOT,
                "%.0f hours, %d instruments, %d faults: %s%n"
                        + "%,d trades, %,d bars of a minute, %,d firings of %d alerts: %s%n"
                        + "something was missing for longer than 5 s in %.1f %% of the time, longest %.0f s; %d changes of state told%n"
                        + "messages that came twice %,d, trades that came after a later one %,d%n"
                        + "a turn of five instruments: %.1f µs on the bad line, %.1f µs on the good one, ratio %.2f%n",
                hours,
                CODES.size(),
                faults.size(),
                kinds(faults),
                trades,
                bars,
                firings,
                CODES.size() * ALERTS,
                equal ? "all as on the good line" : "NOT as on the good line",
                100.0 * behind / turns,
                longest / 1e6,
                states.get(),
                bad.feed().counted()[0],
                bad.feed().counted()[1],
                badTime / 1e3 / turns,
                goodTime / 1e3 / turns,
                (double) badTime / goodTime);
    }

    private static MarketClock clock(long start) {
        return new MarketClock(TradingCalendar.ROUND_THE_CLOCK, start, 1, false);
    }

    private static String kinds(List<FeedFault> faults) {
        Map<String, Long> counts = faults.stream()
                .collect(Collectors.groupingBy(
                        each -> each.kind().name().toLowerCase(Locale.ROOT), TreeMap::new, Collectors.counting()));
        return counts.toString();
    }

    /** A fault every few minutes, of any kind, for up to six minutes; some lie over each other. */
    private static List<FeedFault> faults(long start, long end) {
        SplittableRandom random = new SplittableRandom(11);
        StringBuilder script = new StringBuilder();
        long length = (end - start) / Times.SECOND;
        String[] kinds = {"cut", "delay %ds", "double", "reorder %ds", "lose"};
        for (long second = 60; second < length; second += 120 + random.nextInt(420)) {
            String kind = String.format(kinds[random.nextInt(kinds.length)], 2 + random.nextInt(20));
            script.append(second)
                    .append("s ")
                    .append(kind)
                    .append(" for ")
                    .append(20 + random.nextInt(340))
                    .append('s');
            if (kind.equals("lose")) {
                script.append(" fill after ").append(10 + random.nextInt(290)).append('s');
            }
            script.append('\n');
        }
        return FeedScript.parse(script.toString(), start);
    }

    /** What one line amounts to. */
    private static final class Followed implements LiveHub.Listener {
        private final BarBuilder bars;
        private final List<String> firings = new ArrayList<>();
        private final List<AlertWatch> watches = new ArrayList<>();
        private long trades;
        private volatile long upTo;

        Followed(Instrument instrument, TradingCalendar calendar, double last, long from) {
            bars = new BarBuilder(new BarGrid(calendar, Timeframe.MINUTE), new BarSeries(4096));
            double tick = instrument.format().tick();
            String[] lines = {
                "reaches %s each time",
                "goes above %s each time",
                "closes beyond %s on 1m each time",
                "overshoots %s on 5m each time"
            };
            for (int number = 0; number < ALERTS; number++) {
                double price = last * (1 + (number - 20) * 0.0004);
                String line = String.format(
                        lines[number % lines.length], instrument.format().format(price));
                try {
                    Alert alert = AlertSentence.parse(
                                    line,
                                    new AlertSentence.Context(
                                            Language.builtIn(),
                                            calendar,
                                            new BarRule.Time(Timeframe.MINUTE),
                                            from,
                                            name -> Optional.empty()))
                            .alert("a" + number, instrument.id(), from, last);
                    watches.add(AlertWatch.plain(alert, drawn -> null, calendar, tick));
                } catch (IllegalArgumentException bad) {
                    throw new IllegalStateException(line, bad);
                }
            }
        }

        @Override
        public void take(TickSeries slice, long now) {
            upTo = now;
            for (int trade = 0; trade < slice.size(); trade++) {
                trades++;
                bars.addTick(slice.time(trade), slice.price(trade), slice.size(trade), slice.side(trade));
                for (AlertWatch watch : watches) {
                    write(watch.onTrade(slice.time(trade), slice.price(trade), slice.size(trade), slice.side(trade)));
                }
            }
            bars.advanceTo(now);
            for (AlertWatch watch : watches) {
                write(watch.onTime(now));
            }
        }

        boolean equals(Followed other, String code) {
            Bars one = bars.series().snapshot();
            Bars two = other.bars.series().snapshot();
            boolean same = one.size() == two.size();
            for (int bar = 0; same && bar < one.size(); bar++) {
                same = one.openTime(bar) == two.openTime(bar)
                        && one.open(bar) == two.open(bar)
                        && one.high(bar) == two.high(bar)
                        && one.low(bar) == two.low(bar)
                        && one.close(bar) == two.close(bar)
                        && one.volume(bar) == two.volume(bar);
            }
            // Of one moment the alerts come in another order when time came in other steps.
            List<String> fired = firings.stream().sorted().toList();
            List<String> expected = other.firings.stream().sorted().toList();
            if (!same || !fired.equals(expected)) {
                System.out.println(code + ": bars " + one.size() + " of " + two.size() + ", firings " + fired.size()
                        + " of " + expected.size());
            }
            return same && fired.equals(expected);
        }

        private void write(List<Firing> fired) {
            fired.forEach(each -> firings.add(each.alert() + " " + each.at() + " " + each.price()));
        }
    }
}

package dev.yardarm.bench;

import com.sun.management.OperatingSystemMXBean;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.AlertSentence;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.desk.alert.AlertRunner;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.book.DocumentSaver;
import dev.yardarm.desk.follow.TradesFollowing;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.market.MarketClock;
import dev.yardarm.desk.vantage.Vantages;
import dev.yardarm.desk.work.Scheduler;
import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;

/**
 * 5,000 alerts on 500 instruments at 2,000 trades a second, in real time: what part of a core they take, how long after it was handed over a trade
 * makes an alert fire, and what arming one more costs. Four of five alerts wait for prices, half of them with closes of bars; one of five reads
 * bars of its own: averages, conditions, margins in average ranges.
 */
public final class AlertsMeasurement {
    private static final int INSTRUMENTS = BusyMarket.INSTRUMENTS;
    private static final long BETWEEN = Times.SECOND / 4;
    private static final long START = BusyMarket.START;

    private final ExecutorService front = Executors.newSingleThreadExecutor();
    private final BusyMarket market = new BusyMarket(BETWEEN);
    private final Map<Long, Long> handed = new ConcurrentHashMap<>();

    private AlertsMeasurement() {}

    public static void main(String[] arguments) throws Exception {
        new AlertsMeasurement().run(arguments.length > 0 ? Integer.parseInt(arguments[0]) : 60);
        System.exit(0);
    }

    private <T> T front(Callable<T> task) throws Exception {
        return front.submit(task).get();
    }

    private List<String> lines(int instrument) {
        double price = market.price(instrument, START);
        List<String> lines = new ArrayList<>();
        for (int at = 0; at < 4; at++) {
            lines.add(String.format(Locale.ROOT, "reaches %.2f each time", price + (at - 1.5) * 0.2));
            lines.add(String.format(
                    Locale.ROOT,
                    at % 2 == 0 ? "closes beyond %.2f on 1m each time" : "overshoots %.2f on 1m each time",
                    price + (at - 1.5) * 0.15));
        }
        lines.add(instrument % 2 == 0 ? "reaches ema(20) on 1m each time" : "rsi(14) crosses above 50 on 1m each time");
        lines.add(
                instrument % 2 == 0
                        ? "goes above sma(10) by 0.2 atr on 1m each time"
                        : "close crosses below ema(10) on 5m each time");
        return lines;
    }

    private void run(int seconds) throws Exception {
        Path home = Files.createTempDirectory("yardarm-alerts");
        Language language = Language.builtIn();
        Directory directory = new Directory(List.of(market));
        Vantages vantages = new Vantages(new Histories(directory), id -> List.of());
        Scheduler scheduler = new Scheduler(2, front);
        AtomicLong now = new AtomicLong(START);
        List<Long> late = new ArrayList<>();
        try (DocumentSaver saver = new DocumentSaver(new DocumentStore(home), text -> {});
                LiveHub hub =
                        new LiveHub(directory, new MarketClock(TradingCalendar.ROUND_THE_CLOCK, START, 1, false))) {
            Books books = front(() -> new Books(saver, front, List.of(), List.of()));
            AlertRunner runner = front(() -> new AlertRunner(
                    books,
                    directory,
                    new AlertRunner.Around(
                            new TradesFollowing.Around(directory, vantages, hub, scheduler, front),
                            now::get,
                            () -> language),
                    System.err::println,
                    (alert, firing, away) -> late.add(
                            System.nanoTime() - handed.getOrDefault(beatOf(firing.at()), Long.MIN_VALUE / 2))));
            List<Alert> alerts = new ArrayList<>();
            for (int at = 0; at < INSTRUMENTS; at++) {
                Instrument instrument = market.instruments().get(at);
                for (String line : lines(at)) {
                    alerts.add(AlertSentence.parse(
                                    line,
                                    new AlertSentence.Context(
                                            language,
                                            TradingCalendar.ROUND_THE_CLOCK,
                                            new BarRule.Time(Timeframe.MINUTE),
                                            START,
                                            name -> Optional.empty()))
                            .alert("a" + alerts.size(), instrument.id(), START, market.price(at, START)));
                }
            }
            long begun = System.nanoTime();
            front(() -> {
                books.alertShelf().replace(alerts);
                return null;
            });
            await(scheduler, hub, alerts.size());
            System.out.printf(
                    Locale.ROOT,
                    "%d alerts on %d instruments set up in %.1f s%n",
                    runner.watched(),
                    INSTRUMENTS,
                    (System.nanoTime() - begun) / 1e9);
            one(books, runner, scheduler, alerts.size());
            beat(hub, now, 10, null);
            late.clear();
            long tradesBefore = market.traded();
            OperatingSystemMXBean system = (OperatingSystemMXBean) ManagementFactory.getOperatingSystemMXBean();
            long cpu = system.getProcessCpuTime();
            long real = System.nanoTime();
            List<Double> beats = new ArrayList<>();
            beat(hub, now, seconds, beats);
            front(() -> null);
            double part = (system.getProcessCpuTime() - cpu) / (double) (System.nanoTime() - real);
            long traded = market.traded() - tradesBefore;
            List<Long> sorted = front(() -> {
                List<Long> all = new ArrayList<>(late);
                all.sort(null);
                return all;
            });
            beats.sort(null);
            System.out.printf(
                    Locale.ROOT,
                    "%d s: %.2f of a core; %d trades a second%n",
                    seconds,
                    part,
                    Math.round(traded / (double) seconds));
            System.out.printf(
                    Locale.ROOT,
                    "%d firings; told after the beat began: median %.1f ms, 99 of 100 %.1f ms, latest %.1f ms%n",
                    sorted.size(),
                    sorted.get(sorted.size() / 2) / 1e6,
                    sorted.get(sorted.size() * 99 / 100) / 1e6,
                    sorted.get(sorted.size() - 1) / 1e6);
            System.out.printf(
                    Locale.ROOT,
                    "a beat: median %.1f ms, slowest %.1f ms%n",
                    beats.get(beats.size() / 2),
                    beats.get(beats.size() - 1));
        } finally {
            scheduler.close();
            front.shutdownNow();
        }
    }

    private static long beatOf(long time) {
        return Math.floorDiv(time - 1, Times.SECOND / 10) + 1;
    }

    private static void await(Scheduler scheduler, LiveHub hub, int count) throws Exception {
        for (int wait = 0; wait < 3000 && (!scheduler.isIdle() || hub.subscriptions() < count); wait++) {
            Thread.sleep(100);
        }
    }

    /** What arming one more costs the interface's thread, and how many watches it touches, beside few and beside all. */
    private void one(Books books, AlertRunner runner, Scheduler scheduler, int count) throws Exception {
        double[] micros = new double[200];
        for (int round = 0; round < micros.length; round++) {
            Alert more = Alert.onTrade(
                    "more" + round, market.instruments().get(round).id(), 1e9, 0, Timeframe.MINUTE, START);
            micros[round] = front(() -> {
                long before = System.nanoTime();
                books.alertShelf().put(more);
                return (System.nanoTime() - before) / 1e3;
            });
        }
        for (int wait = 0; wait < 300 && !scheduler.isIdle(); wait++) {
            Thread.sleep(50);
        }
        Arrays.sort(micros);
        System.out.printf(
                Locale.ROOT,
                "arming one beside %d: median %.0f microseconds of the interface's thread; %d watches in all%n",
                count,
                micros[micros.length / 2],
                front(runner::watched));
    }

    private void beat(LiveHub hub, AtomicLong now, int seconds, List<Double> beats) throws Exception {
        long next = System.nanoTime();
        for (int beat = 0; beat < seconds * 10; beat++) {
            long time = now.addAndGet(Times.SECOND / 10);
            long before = System.nanoTime();
            handed.put(beatOf(time), before);
            hub.beatAt(time);
            if (beats != null) {
                beats.add((System.nanoTime() - before) / 1e6);
            }
            next += 100_000_000L;
            long wait = next - System.nanoTime();
            if (wait > 0) {
                Thread.sleep(wait / 1_000_000, (int) (wait % 1_000_000));
            }
        }
    }
}

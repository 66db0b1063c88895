package dev.yardarm.bench;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Documents;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.layout.Arrangement;
import dev.yardarm.desk.room.layout.Layouts;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/**
 * Eight charts and 303 alerts, 55 of them on conditions, over a weekend on which clocks go back, in steps of the heartbeat at 60 times real time: what the heap
 * holds after a collection as hours pass, and whether each alert went off just when the recorded trades say.
 */
public final class SoakMeasurement {
    private static final ZoneId ZONE = ZoneId.of("Atlantic/Azores");
    private static final long START =
            Times.micros(LocalDateTime.of(2026, 10, 23, 12, 0).atZone(ZONE));
    private static final List<String> CODES =
            List.of("KTRL", "MARN", "EBSP", "VHRB", "NTWQ", "EMBRA", "AULBRN", "VRTQ-Z26");
    private static final List<String> FRAMES = List.of("1m", "5m", "15m", "1h", "4h", "D", "1m", "5m");
    private static final int ALERTS = 248;
    /** Alerts on conditions, which hold bars and values of their own. */
    private static final int CONDITIONS = 55;

    private static final List<String> SAID = List.of(
            "rsi(14) < 30 on 5m each time",
            "close crosses above ema(close, 20) on 1m each time",
            "close > sma(close, 50) on 15m each time",
            "volume > 2 * sma(volume, 20) on 5m each time",
            "macd.cross_up on 1m each time");
    /** A heartbeat of 100 ms at 60 times. */
    private static final long BEAT_NANOS = 100_000_000L;

    private final ExecutorService front = Executors.newSingleThreadExecutor();
    private final Map<String, Long> levels = new TreeMap<>();

    private SoakMeasurement() {}

    public static void main(String[] arguments) throws Exception {
        int hours = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 77;
        new SoakMeasurement().run(hours);
        System.exit(0);
    }

    private <T> T front(Callable<T> task) throws Exception {
        return front.submit(task).get();
    }

    private void run(int hours) throws Exception {
        Path home = Files.createTempDirectory("yardarm-soak");
        new DocumentStore(home.resolve("documents"))
                .write(DocumentKind.MARKET, "market", new Documents.Market(1, START, 60, 0));
        try (Desk desk = new Desk(new Desk.Options(home, true, 1, false), front)) {
            Layouts layouts = front(() -> new Layouts(desk));
            front(() -> {
                layouts.arrange(Arrangement.grid(2, 4));
                return null;
            });
            List<ChartRoom> rooms = front(() -> layouts.front().charts());
            for (int at = 0; at < rooms.size(); at++) {
                ChartRoom room = rooms.get(at);
                Instrument shown = desk.directory().byCode(CODES.get(at)).orElseThrow();
                Timeframe frame = Timeframe.parse(FRAMES.get(at)).orElseThrow();
                front(() -> {
                    room.chart().setSize(400, 300);
                    room.open(shown, frame);
                    room.indicators()
                            .add(Language.builtIn().catalogue().find("ema").orElseThrow());
                    room.indicators()
                            .add(Language.builtIn().catalogue().find("rsi").orElseThrow());
                    return null;
                });
            }
            waitFor(rooms);
            List<Alert> alerts = setAlerts(desk, rooms);
            setConditions(desk, rooms);
            System.out.printf(
                    Locale.ROOT,
                    "from %s, %d hours of the market, %d charts, %d alerts%n",
                    Times.at(desk.clock().now(), ZONE),
                    hours,
                    rooms.size(),
                    alerts.size());
            long end = START + hours * Times.HOUR;
            pass(desk, end);
            judge(desk, alerts, desk.clock().now());
        } finally {
            front.shutdownNow();
        }
    }

    private void waitFor(List<ChartRoom> rooms) throws Exception {
        for (int wait = 0; wait < 600; wait++) {
            if (front(() -> rooms.stream().noneMatch(room -> room.chart().bars().isEmpty()))) {
                return;
            }
            Thread.sleep(100);
        }
        throw new IllegalStateException("the charts have no bars");
    }

    /** Levels around the last price of each chart, near ones and far ones, on both sides. */
    private List<Alert> setAlerts(Desk desk, List<ChartRoom> rooms) throws Exception {
        List<Alert> alerts = new ArrayList<>();
        long now = desk.clock().now();
        for (ChartRoom room : rooms) {
            Instrument instrument = room.instrument().orElseThrow();
            front(() -> desk.books().drawings(instrument.id()));
        }
        Thread.sleep(1500);
        for (ChartRoom room : rooms) {
            Instrument instrument = room.instrument().orElseThrow();
            double price = front(() -> room.chart().data().last());
            List<Drawing> drawings = new ArrayList<>();
            for (int number = 0; number < ALERTS / rooms.size(); number++) {
                double part = 0.0004 * (number + 1) * (number % 2 == 0 ? 1 : -1);
                double level = instrument.format().round(price * (1 + part));
                String id = instrument.code() + "-" + number;
                drawings.add(new Drawing(id, Drawing.LEVEL, Timeframe.DAY, List.of(new Anchor(now, level)), 1));
                levels.put(id, Double.doubleToLongBits(level));
                alerts.add(Alert.onDrawing(
                        id, instrument.id(), id, Alert.Trigger.REACHES, Timeframe.MINUTE, price > level, now));
            }
            front(() -> {
                desk.books().setDrawings(instrument.id(), drawings);
                return null;
            });
        }
        front(() -> {
            alerts.forEach(desk.books().alertShelf()::put);
            return null;
        });
        Thread.sleep(3000);
        return alerts;
    }

    private void setConditions(Desk desk, List<ChartRoom> rooms) throws Exception {
        long before = heap();
        for (int number = 0; number < CONDITIONS; number++) {
            ChartRoom room = rooms.get(number % rooms.size());
            Instrument instrument = room.instrument().orElseThrow();
            String said = SAID.get(number / rooms.size() % SAID.size());
            front(() -> desk.alertWork()
                    .set(
                            List.of(instrument),
                            said + " \"" + room.hashCode() + "\"",
                            new BarRule.Time(Timeframe.DAY),
                            Language.builtIn(),
                            each -> 1));
        }
        for (int wait = 0; wait < 600 && !desk.scheduler().isIdle(); wait++) {
            Thread.sleep(100);
        }
        System.out.printf(
                Locale.ROOT, "%d conditions hold %.2f MB each%n", CONDITIONS, (heap() - before) / (double) CONDITIONS);
    }

    private void pass(Desk desk, long end) throws Exception {
        long nanos = System.nanoTime();
        long began = nanos;
        desk.clock().setSpeed(60);
        desk.clock().advance(nanos);
        long said = desk.clock().now();
        int beats = 0;
        long back = 0;
        long before = said;
        while (desk.clock().now() < end) {
            nanos += BEAT_NANOS;
            long now = desk.clock().advance(nanos);
            back += now < before ? 1 : 0;
            before = now;
            desk.hub().beatAt(now);
            if (++beats % 200 == 0) {
                // The interface's thread and the charts' lanes catch up, as they do between beats of real time.
                front(() -> null);
            }
            if (now - said >= 4 * Times.HOUR) {
                said = now;
                System.out.printf(
                        Locale.ROOT,
                        "%s  heap %4d MB, threads %d, fired %d%n",
                        Times.at(now, ZONE).toLocalDateTime(),
                        heap(),
                        Thread.activeCount(),
                        front(() -> desk.books().firings().size()));
            }
        }
        Thread.sleep(2000);
        front(() -> null);
        System.out.printf(
                Locale.ROOT,
                "%d beats in %d s, clock went back %d times%n",
                beats,
                (System.nanoTime() - began) / 1_000_000_000L,
                back);
    }

    private static long heap() throws InterruptedException {
        for (int round = 0; round < 2; round++) {
            System.gc();
            Thread.sleep(60);
        }
        Runtime runtime = Runtime.getRuntime();
        return (runtime.totalMemory() - runtime.freeMemory()) >> 20;
    }

    /** Each alert against a plain loop over the recorded trades. */
    private void judge(Desk desk, List<Alert> alerts, long end) throws Exception {
        Map<String, Firing> fired = new TreeMap<>();
        int twice = 0;
        Set<String> judged = new TreeSet<>();
        alerts.forEach(each -> judged.add(each.id()));
        for (Firing each : front(() -> desk.books().firings())) {
            if (!judged.contains(each.alert())) {
                continue;
            }
            twice += fired.put(each.alert(), each) == null ? 0 : 1;
        }
        int expected = 0;
        int missed = 0;
        int wrong = 0;
        for (Alert alert : alerts) {
            Instrument instrument = desk.directory().find(alert.instrument()).orElseThrow();
            LiveSource source = (LiveSource) desk.directory().source(instrument).orElseThrow();
            TickSeries trades = new TickSeries(1024);
            source.trades(instrument.id(), alert.setAt(), end, trades);
            double level = Double.longBitsToDouble(levels.get(alert.id()));
            int first = -1;
            for (int tick = 0; tick < trades.size() && first < 0; tick++) {
                boolean reached = alert.price() > level ? trades.price(tick) <= level : trades.price(tick) >= level;
                first = reached ? tick : -1;
            }
            Firing firing = fired.get(alert.id());
            expected += first >= 0 ? 1 : 0;
            missed += first >= 0 && firing == null ? 1 : 0;
            wrong += firing != null
                            && (first < 0 || firing.at() != trades.time(first) || firing.price() != trades.price(first))
                    ? 1
                    : 0;
        }
        System.out.printf(
                Locale.ROOT,
                "alerts: %d of %d should have fired, %d fired, %d missed, %d at another trade, %d twice%n",
                expected,
                alerts.size(),
                fired.size(),
                missed,
                wrong,
                twice);
    }
}

package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.alert.Acts;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.AlertSentence;
import dev.yardarm.core.alert.AlertWatch;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.alert.Terms;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.scan.ScanRun;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.Diary;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.alert.AlertBell;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.nio.file.Files;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Alerts set by a line, watched live and over a restart, and what happens when they fire. */
class AlertTermsTest extends AtADesk {
    private static final BarRule FIVE = new BarRule.Time(Timeframe.MINUTES_5);

    private final List<Firing> fired = new ArrayList<>();
    private final List<Alert> ready = new ArrayList<>();
    private final List<String> heard = new ArrayList<>();
    private Instrument ktrl;

    @BeforeEach
    void open() throws Exception {
        ktrl = desk.directory().byCode("KTRL").orElseThrow();
        listen();
    }

    private void listen() {
        front.run(() -> {
            ready.clear();
            desk.onAlert(fired::add);
            desk.alertRunner().listen(ready::add);
            desk.bell().ringsAt(new AlertBell.Outside() {
                @Override
                public void sound(String name, double volume) {
                    heard.add(name + " " + volume);
                }

                @Override
                public void system(String title, String text) {
                    heard.add("system " + title);
                }

                @Override
                public void chart(AlertBell.Ring ring) {
                    heard.add("chart");
                }
            });
        });
    }

    private int set(String line) {
        return front.get(() ->
                desk.alertWork().set(List.of(ktrl), line, FIVE, desk.language().now(), each -> last()));
    }

    private double last() {
        TickSeries trades = new TickSeries(0);
        long now = desk.clock().now();
        new SimulatedMarket(World.halcyon(), 1).trades(ktrl.id(), now - Times.HOUR, now, trades);
        return trades.price(trades.size() - 1);
    }

    private TickSeries coming(long upTo) {
        TickSeries trades = new TickSeries(0);
        new SimulatedMarket(World.halcyon(), 1).trades(ktrl.id(), desk.clock().now(), upTo, trades);
        return trades;
    }

    /** What an alert says over the trades of a span, taken all at once. */
    private List<Firing> recorded(Alert alert, TickSeries trades, long upTo) {
        AlertWatch watch = AlertWatch.plain(
                alert, on -> null, desk.calendar(ktrl), ktrl.format().tick());
        List<Firing> all = new ArrayList<>();
        for (int trade = 0; trade < trades.size(); trade++) {
            all.addAll(watch.onTrade(trades.time(trade), trades.price(trade), trades.size(trade), trades.side(trade)));
        }
        all.addAll(watch.onTime(upTo));
        return all;
    }

    /** Watched live in many pieces, with a restart in the middle, alerts say what they say over the record of the same trades. */
    @Test
    void liveAndOverARestartTheySayWhatTheySayOverRecordedTrades() throws Exception {
        long now = desk.clock().now();
        long later = now + 6 * 24 * Times.HOUR;
        double last = last();
        String level = ktrl.format().format(last + 0.1);
        List<String> lines = List.of(
                "reaches " + level + " each time",
                "closes beyond " + level + " on 5m each time",
                "overshoots " + level + " on 10m each time",
                "turns back at " + level + " by 3 ticks each time",
                "within 2 ticks of " + level + " each time between 09:00 and 12:00",
                "first closes above " + level + " on 5m then reaches " + level + " within 3 bars each time",
                "goes above " + level + " once a bar on 1h for 2 days");
        lines.forEach(line -> assertThat(set(line)).as(line).isEqualTo(1));
        front.await("all are watched", () -> ready.size() >= lines.size());
        List<Alert> alerts = front.get(() -> desk.books().alerts());
        TickSeries trades = coming(later);
        List<String> expected = new ArrayList<>();
        for (Alert alert : alerts) {
            recorded(alert, trades, later)
                    .forEach(each -> expected.add(alert.id() + " " + each.at() + " " + each.price()));
        }
        assertThat(expected).hasSizeGreaterThan(20);
        long middle = now + 2 * 24 * Times.HOUR + 7 * Times.MINUTE;
        for (long time = now; time < middle; time += 11 * Times.MINUTE) {
            desk.hub().beatAt(time);
        }
        desk.hub().beatAt(middle);
        front.settle(desk.scheduler());
        desk.close();
        openDesk();
        listen();
        // One is over by then.
        awaitWatched(lines.size() - 1);
        goOnTo(later);
        front.await("everything", () -> desk.books().firings().size() >= expected.size());
        assertThat(front.get(() -> desk.books().firings()).stream()
                        .map(each -> each.alert() + " " + each.at() + " " + each.price())
                        .toList())
                .containsExactlyInAnyOrderElementsOf(expected);
    }

    @Test
    void anAlertThatReadsBarsSaysTheSameInPiecesAndAtOnce() throws Exception {
        long now = desk.clock().now();
        long later = now + 4 * 24 * Times.HOUR;
        List<String> lines = List.of(
                "reaches ema(20) on 5m each time",
                "goes above sma(10) by 0.1 atr on 5m each time",
                "close > sma(close, 5) on 5m each time",
                "close > sma(close, 5) on every trade on 5m each time",
                "closes beyond " + ktrl.format().format(last()) + " on range 20 each time");
        lines.forEach(line -> assertThat(set(line)).as(line).isEqualTo(1));
        front.await("all are watched", () -> ready.size() >= lines.size());
        for (long time = now; time < later; time += 17 * Times.MINUTE) {
            desk.hub().beatAt(time);
            if (time % (8 * Times.HOUR) < 17 * Times.MINUTE) {
                front.settle(desk.scheduler());
            }
        }
        goOnTo(later);
        List<Firing> live = front.get(() -> List.copyOf(desk.books().firings()));
        assertThat(live.stream().map(Firing::alert).distinct()).hasSize(lines.size());
        // The same alerts armed anew look through the same trades at once.
        front.run(() -> {
            desk.books().firingShelf().replace(List.of());
            List<Alert> all = List.copyOf(desk.books().alerts());
            desk.books().alertShelf().replace(List.of());
            ready.clear();
            desk.books().alertShelf().replace(all);
        });
        front.await("all are watched again", () -> ready.size() >= lines.size());
        goOnTo(later + 1000);
        List<String> anew = keys(front.get(() -> desk.books().firings()));
        List<Alert> alerts = front.get(() -> desk.books().alerts());
        for (int at = 0; at < lines.size(); at++) {
            String id = alerts.get(at).id();
            assertThat(anew.stream().filter(each -> each.startsWith(id)).toList())
                    .as(lines.get(at))
                    .isEqualTo(keys(live).stream()
                            .filter(each -> each.startsWith(id))
                            .toList());
        }
    }

    /** After a start alerts are set up before anyone could listen. */
    private void awaitWatched(int count) {
        front.await("they are watched again", () -> desk.hub().subscriptions() >= count);
        front.settle(desk.scheduler());
    }

    /** With a new session an alert is set up anew and goes on with the next beat. */
    private void goOnTo(long time) {
        int before = -1;
        int unchanged = 0;
        for (int beat = 0; unchanged < 3 && beat < 400; beat++) {
            desk.hub().beatAt(time + beat);
            front.settle(desk.scheduler());
            int size = front.get(() -> desk.books().firings().size());
            unchanged = size == before ? unchanged + 1 : 0;
            before = size;
        }
    }

    private static List<String> keys(List<Firing> firings) {
        return firings.stream()
                .map(each -> each.alert() + " " + each.at() + " " + each.price() + " " + each.bar())
                .sorted()
                .toList();
    }

    /** The first level that is reached within some time, and when. */
    private double soon() {
        TickSeries trades = coming(desk.clock().now() + 2 * Times.HOUR);
        double last = last();
        double far = last;
        for (int trade = 0; trade < trades.size(); trade++) {
            far = Math.abs(trades.price(trade) - last) > Math.abs(far - last) ? trades.price(trade) : far;
        }
        return far;
    }

    @Test
    void ringsWithWhatWasAskedForAndStaysUntilItIsLookedAt() throws Exception {
        set(
                "reaches " + ktrl.format().format(soon())
                        + " sound drop tell the system open the chart stance long tag \"Retests\" write to file \"{code} at {price}\"");
        front.await("it is watched", () -> !ready.isEmpty());
        desk.hub().beatAt(desk.clock().now() + 2 * Times.HOUR);
        front.await("it rings", () -> desk.bell().unseen() == 1);
        AlertBell.Ring ring = front.get(() -> desk.bell().newest().orElseThrow());
        assertThat(ring.text()).startsWith("Alert: KTRL reaches ").contains("KTRL at ");
        assertThat(ring.away()).isFalse();
        assertThat(heard).containsExactly("drop 0.5", "system KTRL", "chart");
        assertThat(front.get(() -> desk.books().stance(ktrl.id()).kind())).isEqualTo(Stance.Kind.LONG);
        assertThat(front.get(() -> desk.books().list("Retests").orElseThrow().instruments()))
                .containsExactly(ktrl.id());
        front.await("the file", () -> Files.exists(home.resolve("firings.csv")));
        front.await("its line", () -> {
            try {
                return Files.readAllLines(home.resolve("firings.csv")).size() == 2;
            } catch (java.io.IOException unread) {
                return false;
            }
        });
        assertThat(Files.readAllLines(home.resolve("firings.csv")).get(1)).contains(",KTRL,", "KTRL at ");
        // None of it was done by the trader, so undo takes back the alert and nothing else.
        front.run(() -> desk.undo().undo());
        assertThat(front.get(() -> desk.books().alerts())).isEmpty();
        assertThat(front.get(() -> desk.books().stance(ktrl.id()).kind())).isEqualTo(Stance.Kind.LONG);
        assertThat(front.get(() -> desk.bell().take())).isPresent();
        assertThat(front.get(() -> desk.bell().unseen())).isZero();
    }

    @Test
    void sleepsAndComesAgainAndIsQuietWithOneKey() {
        set("reaches " + ktrl.format().format(soon()));
        front.await("it is watched", () -> !ready.isEmpty());
        long later = desk.clock().now() + 2 * Times.HOUR;
        desk.hub().beatAt(later);
        front.await("it rings", () -> desk.bell().unseen() == 1);
        long now = desk.clock().now();
        front.run(() -> {
            assertThat(desk.bell().snooze(10 * Times.MINUTE)).isTrue();
            assertThat(desk.bell().unseen()).isZero();
            desk.bell().beat(now + 10 * Times.MINUTE - 1);
            assertThat(desk.bell().unseen()).isZero();
            desk.bell().beat(now + 10 * Times.MINUTE);
            assertThat(desk.bell().unseen()).isEqualTo(1);
            assertThat(heard).hasSize(2);
            desk.bell().take();
            assertThat(desk.bell().snooze(1)).isFalse();
            desk.bell().setOff(true);
        });
        set("reaches " + ktrl.format().format(last() * 0.5) + " once a bar");
        assertThat(front.get(() -> desk.habits().bell().off())).isTrue();
        Alert again = front.get(() -> desk.books().alerts().get(0));
        front.run(() -> desk.alertWork().again(again.id(), last()));
        front.await("it fires again", () -> {
            desk.hub().beatAt(later + Times.MINUTE);
            return desk.books().firings().size() == 2;
        });
        assertThat(front.get(() -> desk.bell().unseen()))
                .as("it is only written down")
                .isZero();
        assertThat(heard).hasSize(2);
    }

    @Test
    void hoursOfSilenceAndVolumeZeroMakeNoSound() {
        LocalTime time =
                Times.at(desk.clock().now(), desk.calendar(ktrl).zone()).toLocalTime();
        front.run(() -> {
            desk.bell()
                    .setSilence(new Terms.Hours(
                            time.minusHours(1).withNano(0), time.plusHours(1).withNano(0)));
            desk.bell().setVolume(80);
        });
        Alert alert = AlertSentence.parse(
                        "reaches 1",
                        desk.alertWork().context(ktrl, FIVE, desk.language().now()))
                .alert("x", ktrl.id(), 0, 2);
        Firing firing = Firing.of(alert, "reaches 1.00", 0, 1, 0);
        front.run(() ->
                desk.bell().ring(alert, firing, ktrl, true, desk.calendar(ktrl).zone()));
        assertThat(heard).isEmpty();
        assertThat(front.get(() -> desk.bell().newest().orElseThrow().text())).contains("while away");
        front.run(() -> {
            desk.bell().setSilence(null);
            desk.bell().ring(alert, firing, ktrl, false, desk.calendar(ktrl).zone());
            desk.bell()
                    .ring(
                            alert.with(Acts.NONE.withSound(Acts.SILENT)),
                            firing,
                            ktrl,
                            false,
                            desk.calendar(ktrl).zone());
        });
        assertThat(heard).containsExactly("bell 0.8");
    }

    /** What was taken out of the record does not come back when the alert is set up anew. */
    @Test
    void aFiringThatWasTakenOutStaysOut() throws Exception {
        set("reaches " + ktrl.format().format(soon()) + " each time");
        front.await("it is watched", () -> !ready.isEmpty());
        desk.hub().beatAt(desk.clock().now() + 2 * Times.HOUR);
        front.await("it fired", () -> !desk.books().firings().isEmpty());
        front.settle(desk.scheduler());
        List<Firing> all = front.get(() -> desk.books().firings());
        front.run(() -> desk.alertWork().remove(all.get(0)));
        front.settle(desk.scheduler());
        desk.close();
        openDesk();
        listen();
        awaitWatched(1);
        desk.hub().beatAt(desk.clock().now() + 2 * Times.HOUR);
        front.settle(desk.scheduler());
        assertThat(front.get(() -> desk.books().firings())).hasSize(all.size() - 1);
        assertThat(front.get(() -> desk.books().alerts())).hasSize(1);
    }

    /** So long before what is on the calendar, each time; what came up while nothing ran is told too. */
    @Test
    void goesOffBeforeWhatIsOnTheCalendar() throws Exception {
        long now = desk.clock().now();
        List<Diary.Entry> entries = desk.directory()
                .source(ktrl)
                .orElseThrow()
                .offers(Diary.class)
                .orElseThrow()
                .entries(ktrl.id(), now, now + 60 * Times.DAY);
        List<Diary.Entry> later = entries.stream()
                .filter(each -> each.time() - 30 * Times.MINUTE >= now)
                .toList();
        assertThat(later).hasSizeGreaterThan(2);
        Diary.Entry first = later.get(0);
        assertThat(set("30 min before any entry each time \"watch out\"")).isEqualTo(1);
        assertThat(set("1 day before \"no such thing\"")).as("there is none").isZero();
        awaitWatched(1);
        desk.hub().beatAt(first.time() - 30 * Times.MINUTE - 1);
        front.settle(desk.scheduler());
        assertThat(fired).isEmpty();
        goOnTo(first.time() - 30 * Times.MINUTE);
        assertThat(fired.get(0).at()).isEqualTo(first.time() - 30 * Times.MINUTE);
        assertThat(fired.get(0).note()).isEqualTo(first.title() + ": watch out");
        assertThat(fired.get(0).on()).isEqualTo("30 min before any entry");
        long end = later.get(2).time();
        long expected = later.stream()
                .filter(each -> each.time() - 30 * Times.MINUTE <= end)
                .count();
        goOnTo(end);
        assertThat(front.get(() -> desk.books().firings())).hasSize((int) expected);
    }

    /** Each run of a scan is compared with the one before it; who is new fires, on his own chart. */
    @Test
    void goesOffWithWhatAScanFindsAnew() {
        InstrumentId marn = desk.directory().byCode("MARN").orElseThrow().id();
        InstrumentId ebsp = desk.directory().byCode("EBSP").orElseThrow().id();
        long now = desk.clock().now();
        put(new ScanRun("Mine", now - Times.DAY, "close > 0", 60, List.of(marn)));
        front.run(() -> desk.scanWork()
                .save(dev.yardarm.core.scan.Scan.of(
                        "Mine", "", dev.yardarm.core.bars.Timeframe.DAY, List.of("close > 0"))));
        assertThat(set("scan \"Mine\" gets a new member each time")).isEqualTo(1);
        front.await("it is watched", () -> !ready.isEmpty());
        put(new ScanRun("Other", now + 1, "close > 0", 60, List.of(ebsp)));
        put(new ScanRun("Mine", now + Times.HOUR, "close > 0", 60, List.of(marn)));
        front.settle(desk.scheduler());
        assertThat(fired).isEmpty();
        put(new ScanRun("Mine", now + 2 * Times.HOUR, "close > 0", 60, List.of(marn, ebsp, ktrl.id())));
        front.await("both", () -> fired.size() == 2);
        assertThat(fired).extracting(Firing::instrument).containsExactly(ebsp, ktrl.id());
        assertThat(fired.get(0).price()).isGreaterThan(1);
        assertThat(fired.get(0).on()).isEqualTo("scan \"Mine\" finds something new");
        put(new ScanRun("Mine", now + 3 * Times.HOUR, "close > 0", 60, List.of(marn, ktrl.id())));
        front.settle(desk.scheduler());
        assertThat(front.get(() -> desk.books().firings())).hasSize(2);
    }

    private void put(ScanRun run) {
        front.run(() -> desk.books().scanRunShelf().put(run));
    }

    /** Also one that waits for what never comes ends with its time. */
    @Test
    void whatIsNotOnTheCalendarExpires() {
        // It was there when the alert was set; it is not any more.
        front.run(() -> desk.books()
                .alertShelf()
                .put(dev.yardarm.core.alert.AlertSentence.parse(
                                "30 min before \"no such thing\" for 10 minutes",
                                desk.alertWork()
                                        .context(
                                                ktrl,
                                                new dev.yardarm.core.bars.BarRule.Time(
                                                        dev.yardarm.core.bars.Timeframe.DAY),
                                                desk.language().now()))
                        .alert("gone", ktrl.id(), desk.clock().now(), 100)));
        awaitWatched(1);
        int before = ready.size();
        desk.hub().beatAt(desk.clock().now() + 11 * Times.MINUTE);
        front.await("its end is told", () -> ready.size() > before);
        assertThat(fired).isEmpty();
    }
}

package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Times;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.live.QuoteBoard;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.MarketClock;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class LiveHubTest {
    private final SimulatedMarket market = new SimulatedMarket(World.halcyon(), 1);
    private final Directory directory = new Directory(List.of(market));
    private final long start = market.world().presentTime();

    private Instrument instrument(String code) {
        return directory.byCode(code).orElseThrow();
    }

    /** Keeps what it is told. */
    private static final class Log implements LiveHub.Listener {
        private final List<String> trades = new CopyOnWriteArrayList<>();
        private volatile long now;
        private volatile boolean late;

        @Override
        public void trade(long time, double price, double size) {
            late |= time <= now;
            trades.add(time + " " + price + " " + size);
        }

        @Override
        public void beat(long time) {
            now = time;
        }
    }

    @Test
    void everyListenerGetsEveryTradeOnceAndInOrder() throws InterruptedException {
        MarketClock clock = new MarketClock(market.world().calendar(), start, 600, true);
        Log early = new Log();
        Log late = new Log();
        Log other = new Log();
        try (LiveHub hub = new LiveHub(directory, clock)) {
            hub.subscribe(instrument("KTRL"), start - Times.HOUR, early);
            hub.subscribe(instrument("MARN"), start, other);
            hub.start();
            Thread.sleep(400);
            hub.subscribe(instrument("KTRL"), start, late);
            Thread.sleep(600);
            clock.setRunning(false);
            Thread.sleep(400);
        }
        long now = clock.now();
        assertThat(now).isGreaterThan(start + 3 * Times.MINUTE);
        List<String> expected = new ArrayList<>();
        market.trades(
                instrument("KTRL").id(),
                start - Times.HOUR,
                now,
                (time, price, size) -> expected.add(time + " " + price + " " + size));
        assertThat(early.trades).isEqualTo(expected);
        assertThat(early.late).isFalse();
        List<String> sinceStart = new ArrayList<>();
        market.trades(
                instrument("KTRL").id(),
                start,
                now,
                (time, price, size) -> sinceStart.add(time + " " + price + " " + size));
        assertThat(late.trades).isEqualTo(sinceStart);
        assertThat(other.trades).isNotEmpty().isNotEqualTo(late.trades);
        assertThat(early.now).isEqualTo(now);
    }

    @Test
    void aListenerThatLeftHearsNothingMore() throws InterruptedException {
        MarketClock clock = new MarketClock(market.world().calendar(), start, 600, true);
        Log log = new Log();
        try (LiveHub hub = new LiveHub(directory, clock)) {
            LiveHub.Subscription subscription = hub.subscribe(instrument("KTRL"), start, log);
            hub.start();
            Thread.sleep(400);
            subscription.close();
            Thread.sleep(200);
            int heard = log.trades.size();
            Thread.sleep(400);
            assertThat(log.trades).hasSize(heard);
        }
    }

    @Test
    void quotesFollowTheMarketAndKnowTheDayBefore(@TempDir Path home) throws Exception {
        try (Front front = new Front();
                Desk desk = new Desk(new Desk.Options(home, true, 1, false), front)) {
            Instrument ktrl = desk.directory().byCode("KTRL").orElseThrow();
            QuoteBoard board = front.get(() -> new QuoteBoard(desk.feedServices(), () -> {}));
            front.run(() ->
                    board.watch(List.of(ktrl, desk.directory().byCode("PV60").orElseThrow())));
            front.await("quotes", () -> board.quote(ktrl.id()).isPresent());
            var days = desk.histories()
                    .load(ktrl, Timeframe.DAY, desk.clock().now())
                    .series()
                    .snapshot();
            QuoteBoard.Quote first = board.quote(ktrl.id()).orElseThrow();
            assertThat(first.last()).isEqualTo(days.close(days.size() - 1));
            assertThat(first.before()).isEqualTo(days.close(days.size() - 2));
            assertThat(first.change()).isEqualTo(first.last() / first.before() - 1);
            desk.clock().setSpeed(600);
            desk.hub().start();
            front.await(
                    "another price", () -> board.quote(ktrl.id()).orElseThrow().last() != first.last());
            assertThat(board.quote(ktrl.id()).orElseThrow().before()).isEqualTo(first.before());
            board.close();
        }
    }

    @Test
    void anAlertMissedWhileNothingRanFiresAtItsOwnMoment(@TempDir Path home) throws Exception {
        try (Front front = new Front();
                Desk desk = new Desk(new Desk.Options(home, true, 1, true), front)) {
            Instrument ktrl = desk.directory().byCode("KTRL").orElseThrow();
            long open = desk.calendar(ktrl).open(java.time.LocalDate.of(2026, 6, 19));
            double[] reached = {Double.NaN, 0};
            market.trades(ktrl.id(), open, desk.clock().now(), (time, price, size) -> {
                if (Double.isNaN(reached[0]) && price >= 105) {
                    reached[0] = price;
                    reached[1] = time;
                }
            });
            front.run(() -> {
                desk.books()
                        .setDrawings(
                                ktrl.id(),
                                List.of(new dev.yardarm.core.drawing.Drawing(
                                        "d",
                                        dev.yardarm.core.drawing.Drawing.LEVEL,
                                        Timeframe.DAY,
                                        List.of(new dev.yardarm.core.drawing.Anchor(open, 105)),
                                        0)));
                desk.books()
                        .setAlerts(List.of(new Alert(
                                "a", ktrl.id(), "d", Alert.Trigger.REACHES, Timeframe.DAY, false, open + 1, 0, 0)));
                desk.hub().start();
            });
            front.await("the alert", () -> desk.books().alerts().get(0).hasFired());
            assertThat(desk.books().alerts().get(0).firedAt()).isEqualTo((long) reached[1]);
            assertThat(desk.books().alerts().get(0).firedPrice()).isEqualTo(reached[0]);
        }
    }
}

package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.desk.feed.ChartFeed;
import dev.yardarm.desk.feed.Quotes;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.MarketClock;
import dev.yardarm.desk.market.SourceState;
import dev.yardarm.desk.work.Lane;
import dev.yardarm.desk.work.Scheduler;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The hub beaten by hand: who is told what, and what happens when something fails. */
class LiveHubTest {
    private final SimulatedMarket market = new SimulatedMarket(World.halcyon(), 1);
    private final FragileMarket fragile = new FragileMarket(market);
    private final Directory directory = new Directory(List.of(fragile));
    private final long start = market.world().presentTime();
    private final LiveHub hub =
            new LiveHub(directory, new MarketClock(TradingCalendar.ROUND_THE_CLOCK, start, 1, false));

    @AfterEach
    void close() {
        hub.close();
    }

    private Instrument instrument(String code) {
        return directory.byCode(code).orElseThrow();
    }

    private static List<String> words(TickSeries trades) {
        List<String> words = new ArrayList<>();
        for (int at = 0; at < trades.size(); at++) {
            words.add(trades.time(at) + " " + trades.price(at) + " " + trades.size(at) + " " + trades.side(at));
        }
        return words;
    }

    private List<String> expected(String code, long after, long upTo) {
        TickSeries trades = new TickSeries(0);
        market.trades(instrument(code).id(), after, upTo, trades);
        return words(trades);
    }

    /** Keeps what it is told. */
    private static final class Log implements LiveHub.Listener {
        private final List<String> trades = new ArrayList<>();
        private final List<Long> times = new ArrayList<>();
        private final List<Throwable> failures = new ArrayList<>();
        private int done;
        private boolean failsToTake;
        private boolean failsWhenDone;

        @Override
        public void take(TickSeries taken, long now) {
            if (failsToTake) {
                throw new IllegalStateException("one indicator is broken");
            }
            trades.addAll(words(taken));
            times.add(now);
        }

        @Override
        public void beatDone(long now) {
            if (failsWhenDone) {
                throw new OutOfMemoryError("not really");
            }
            done++;
        }

        @Override
        public void failed(Throwable problem) {
            failures.add(problem);
        }
    }

    private void beats(int count) {
        for (int beat = 1; beat <= count; beat++) {
            hub.beatAt(start + beat * 20L * Times.SECOND);
        }
    }

    @Test
    void everyListenerGetsEveryTradeOnceInOrderAndWithItsSide() {
        Log early = new Log();
        Log late = new Log();
        Log other = new Log();
        hub.subscribe(instrument("KTRL"), start - Times.HOUR, early);
        hub.subscribe(instrument("MARN"), start, other);
        beats(3);
        hub.subscribe(instrument("KTRL"), start, late);
        beats(6);
        long now = start + 6 * 20L * Times.SECOND;
        assertThat(early.trades)
                .isEqualTo(expected("KTRL", start - Times.HOUR, now))
                .isNotEmpty();
        assertThat(late.trades).isEqualTo(expected("KTRL", start, now)).isNotEmpty();
        assertThat(other.trades).isEqualTo(expected("MARN", start, now)).isNotEmpty();
        assertThat(early.times).isSorted().doesNotHaveDuplicates().endsWith(now);
        assertThat(early.trades).anyMatch(each -> each.endsWith(" -1")).anyMatch(each -> each.endsWith(" 1"));
    }

    @Test
    void aListenerThatLeftHearsNothingMore() {
        Log log = new Log();
        LiveHub.Subscription subscription = hub.subscribe(instrument("KTRL"), start, log);
        beats(2);
        subscription.close();
        int heard = log.times.size();
        beats(4);
        assertThat(log.times).hasSize(heard);
        assertThat(hub.subscriptions()).isZero();
    }

    @Test
    void aListenerThatFailsIsClosedAndToldAndNobodyElseNotices() {
        Log first = new Log();
        Log broken = new Log();
        Log ends = new Log();
        Log last = new Log();
        hub.subscribe(instrument("MARN"), start, first);
        hub.subscribe(instrument("KTRL"), start, broken);
        hub.subscribe(instrument("KTRL"), start, ends);
        hub.subscribe(instrument("VHRB"), start, last);
        beats(1);
        broken.failsToTake = true;
        ends.failsWhenDone = true;
        beats(4);
        assertThat(broken.failures).singleElement().satisfies(each -> assertThat(each)
                .hasMessageContaining("broken"));
        assertThat(ends.failures).singleElement().isInstanceOf(OutOfMemoryError.class);
        assertThat(broken.times).hasSize(1);
        long now = start + 4 * 20L * Times.SECOND;
        assertThat(first.trades).isEqualTo(expected("MARN", start, now));
        assertThat(last.trades).isEqualTo(expected("VHRB", start, now)).isNotEmpty();
        assertThat(last.done).isGreaterThanOrEqualTo(4);
        assertThat(hub.subscriptions()).isEqualTo(2);
    }

    @Test
    void aListenerThatFailsWhileItIsToldSoIsLetGoOf() {
        Log last = new Log();
        hub.subscribe(instrument("KTRL"), start, new LiveHub.Listener() {
            @Override
            public void take(TickSeries trades, long now) {
                throw new IllegalStateException("first");
            }

            @Override
            public void failed(Throwable problem) {
                throw new IllegalStateException("second");
            }
        });
        hub.subscribe(instrument("VHRB"), start, last);
        beats(2);
        assertThat(last.times).hasSize(2);
    }

    @Test
    void aSourceThatDoesNotAnswerIsOfflineAndGivesEverythingWhenItDoesAgain() {
        Log log = new Log();
        List<String> told = new ArrayList<>();
        directory.listen(
                source -> told.add(source + " " + directory.state(source).kind()));
        hub.subscribe(instrument("KTRL"), start, log);
        beats(1);
        fragile.problem = new java.io.IOException("the line is down");
        beats(3);
        assertThat(directory.state("halcyon").kind()).isEqualTo(SourceState.Kind.OFFLINE);
        assertThat(directory.state("halcyon").reason()).contains("the line is down");
        assertThat(log.times).hasSize(1);
        fragile.problem = null;
        beats(5);
        assertThat(directory.state("halcyon").isReady()).isTrue();
        assertThat(log.trades).isEqualTo(expected("KTRL", start, start + 5 * 20L * Times.SECOND));
        assertThat(told).containsExactly("halcyon OFFLINE", "halcyon READY");
    }

    @Test
    void aSourceWhoseTradesGoBackInTimeIsTakenForOneThatDoesNotAnswer() {
        Log log = new Log();
        hub.subscribe(instrument("KTRL"), start, log);
        fragile.unordered = true;
        beats(2);
        assertThat(log.trades).isEmpty();
        assertThat(directory.state("halcyon").reason()).contains("order of their time");
        assertThat(log.failures).isEmpty();
    }

    @Test
    void workAfterABeatAndOnTheThreadMayFail() {
        List<Long> times = new ArrayList<>();
        hub.onBeat(now -> {
            throw new IllegalStateException("no");
        });
        hub.onBeat(times::add);
        hub.execute(() -> {
            throw new AssertionError("no");
        });
        beats(3);
        assertThat(times).hasSize(3);
    }

    @Test
    void quotesFollowTheMarketAndKnowTheDayBefore(@TempDir Path home) throws Exception {
        try (Front front = new Front();
                Desk desk = new Desk(new Desk.Options(home, true, 1, true), front)) {
            Instrument ktrl = desk.directory().byCode("KTRL").orElseThrow();
            Instrument luma = desk.directory().byCode("EMBRA").orElseThrow();
            Quotes board = front.get(() -> new Quotes(desk.feedServices(), () -> {}));
            Quotes second = front.get(() -> new Quotes(desk.feedServices(), () -> {}));
            front.run(() -> {
                board.watch(List.of(ktrl, luma));
                second.watch(List.of(ktrl));
            });
            front.await("quotes", () -> board.quote(luma.id()).isPresent());
            front.await("quotes of another board", () -> second.quote(ktrl.id()).isPresent());
            long now = desk.clock().now();
            var days = desk.histories().load(ktrl, Timeframe.DAY, now).series().snapshot();
            Quotes.Quote first = board.quote(ktrl.id()).orElseThrow();
            assertThat(first.last()).isEqualTo(days.close(days.size() - 1));
            assertThat(first.before()).isEqualTo(days.close(days.size() - 2));
            assertThat(first.change()).isEqualTo(first.last() / first.before() - 1);
            desk.hub().beatAt(now + 5 * Times.MINUTE);
            assertThat(board.quote(ktrl.id()).orElseThrow().last()).isNotEqualTo(first.last());
            assertThat(board.quote(ktrl.id()).orElseThrow().before()).isEqualTo(first.before());

            // What trades round the clock has one day before, from midnight to midnight of its zone.
            TradingCalendar calendar = desk.calendar(luma);
            var today = calendar.sessionAt(now);
            double closed = Double.NaN;
            for (long time = now + 20 * Times.MINUTE; time < now + 52 * Times.HOUR; time += 40 * Times.MINUTE) {
                desk.hub().beatAt(time);
                var session = calendar.sessionAt(time);
                Quotes.Quote quote = board.quote(luma.id()).orElseThrow();
                if (!session.equals(today)) {
                    var before = desk.histories()
                            .load(luma, Timeframe.DAY, time)
                            .series()
                            .snapshot();
                    closed = before.close(before.size() - 2);
                    assertThat(quote.before()).as("the day before %s", session).isEqualTo(closed);
                    today = session;
                } else if (closed == closed) {
                    assertThat(quote.before()).as("at %d", time).isEqualTo(closed);
                }
            }
            assertThat(closed).isNotNaN();
            board.close();
            second.close();
        }
    }

    @Test
    void quotesOfASourceThatWasAwayComeWhenItAnswers(@TempDir Path home) throws IOException {
        try (Front front = new Front();
                Desk desk = new Desk(new Desk.Options(home, true, 1, true), front)) {
            Instrument ktrl = desk.directory().byCode("KTRL").orElseThrow();
            FragileMarket away =
                    new FragileMarket((LiveSource) desk.directory().source(ktrl).orElseThrow());
            away.problem = new IOException("not there now");
            desk.directory().add(away);
            AtomicInteger told = new AtomicInteger();
            Quotes quotes = front.get(() -> new Quotes(desk.feedServices(), told::incrementAndGet));
            front.run(() -> quotes.watch(List.of(ktrl)));
            front.await("it was tried", () -> told.get() > 0);
            assertThat(quotes.quote(ktrl.id())).isEmpty();
            desk.directory().setState(away.name(), SourceState.offline(1, "not there now"));
            front.await("and again, in vain", () -> told.get() > 1);
            assertThat(quotes.quote(ktrl.id())).isEmpty();
            away.problem = null;
            desk.directory().setState(away.name(), SourceState.READY);
            front.await("its quote, and that it is told", () -> told.get() > 2);
            assertThat(quotes.quote(ktrl.id())).isPresent();
            int there = desk.hub().subscriptions();
            int before = told.get();
            assertThat(front.get(() -> quotes.watch(List.of(ktrl))))
                    .as("it is quoted already")
                    .isFalse();
            desk.directory().setState(away.name(), SourceState.offline(2, "again"));
            front.run(() -> {});
            assertThat(desk.hub().subscriptions()).as("once").isEqualTo(there);
            assertThat(told).as("nothing is read again").hasValue(before);
            front.run(quotes::close);
        }
    }

    @Test
    void whatWasBegunForAnotherListComesToNothing(@TempDir Path home) throws Exception {
        try (Front front = new Front();
                Desk desk = new Desk(new Desk.Options(home, true, 1, true), front);
                Scheduler oneByOne = new Scheduler(1, front)) {
            ChartFeed.Services desks = desk.feedServices();
            ChartFeed.Services services = new ChartFeed.Services(
                    desks.histories(),
                    desks.vantages(),
                    desks.hub(),
                    desks.now(),
                    oneByOne,
                    desks.schedules(),
                    desks.language(),
                    front);
            Instrument ktrl = desk.directory().byCode("KTRL").orElseThrow();
            FragileMarket slow =
                    new FragileMarket((LiveSource) desk.directory().source(ktrl).orElseThrow());
            slow.held = new CountDownLatch(1);
            desk.directory().add(slow);
            int before = desk.hub().subscriptions();
            Quotes quotes = front.get(() -> new Quotes(services, () -> {}));
            front.run(() -> quotes.watch(List.of(ktrl)));
            assertThat(slow.asked.await(60, TimeUnit.SECONDS)).isTrue();
            CountDownLatch first = slow.held;
            slow.held = null;
            front.run(() -> quotes.watch(List.of()));
            AtomicBoolean read = new AtomicBoolean();
            first.countDown();
            oneByOne.start(Lane.SOON, "behind it", "", job -> true, read::set, failed -> {});
            front.await("what was begun is done", read::get);
            assertThat(quotes.quote(ktrl.id())).isEmpty();
            assertThat(desk.hub().subscriptions()).isEqualTo(before);
            front.run(quotes::close);
        }
    }
}

package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.MarketClock;
import dev.yardarm.desk.market.SourceState;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

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
    void aSourceThatBreaksWhenItIsLookedAtHoldsNobodyUp() {
        Log log = new Log();
        List<Long> times = new ArrayList<>();
        hub.onBeat(times::add);
        hub.subscribe(instrument("KTRL"), start, log);
        fragile.broken = new IllegalStateException("no sense in it");
        beats(3);
        assertThat(times).hasSize(3);
        assertThat(directory.state("halcyon").reason()).contains("no sense in it");
        assertThat(log.trades).isEmpty();
        fragile.broken = null;
        beats(5);
        assertThat(directory.state("halcyon").isReady()).isTrue();
        assertThat(log.trades).isEqualTo(expected("KTRL", start, start + 5 * 20L * Times.SECOND));
        assertThat(log.failures).isEmpty();
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
}

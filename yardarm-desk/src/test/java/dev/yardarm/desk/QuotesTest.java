package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.desk.feed.ChartFeed;
import dev.yardarm.desk.feed.Quotes;
import dev.yardarm.desk.market.SourceState;
import dev.yardarm.desk.work.Lane;
import dev.yardarm.desk.work.Scheduler;
import java.io.IOException;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

/** Quotes over sessions, rolls, lists that change and sources that are away. */
class QuotesTest extends AtADesk {
    @Test
    void quotesFollowTheMarketAndKnowTheDayBefore() throws Exception {
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

    @Test
    void quotesOfASourceThatWasAwayComeWhenItAnswers() throws IOException {
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

    @Test
    void whatWasBegunForAnotherListComesToNothing() throws Exception {
        try (Scheduler oneByOne = new Scheduler(1, front)) {
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

    @Test
    void oneThatIsBrokenLeavesTheOthersAloneAndComesWhenItIsMended() throws Exception {
        Instrument ktrl = desk.directory().byCode("KTRL").orElseThrow();
        Instrument marn = desk.directory().byCode("MARN").orElseThrow();
        Instrument embra = desk.directory().byCode("EMBRA").orElseThrow();
        FragileMarket market =
                new FragileMarket((LiveSource) desk.directory().source(ktrl).orElseThrow());
        market.broken = new IllegalStateException("no sense in it");
        market.only = "MARN";
        desk.directory().add(market);
        Quotes quotes = front.get(() -> new Quotes(desk.feedServices(), () -> {}));
        front.run(() -> quotes.watch(List.of(ktrl, marn, embra)));
        front.settle(desk.scheduler());
        assertThat(quotes.quote(ktrl.id())).isPresent();
        assertThat(quotes.quote(marn.id())).isEmpty();
        assertThat(quotes.quote(embra.id())).isPresent();
        market.broken = null;
        desk.directory().setState(market.name(), SourceState.offline(1, "looked at"));
        desk.directory().setState(market.name(), SourceState.READY);
        front.await("its quote", () -> quotes.quote(marn.id()).isPresent());
        quotes.close();
    }

    /** A month of a future that rolls each month: at any time its quote is what its days say then. */
    @Test
    void theQuoteOfAContinuousFutureGoesOverToTheNextContract() throws Exception {
        Instrument tide = desk.directory().byCode("TIDQ").orElseThrow();
        TradingCalendar calendar = desk.calendar(tide);
        Quotes quotes = front.get(() -> new Quotes(desk.feedServices(), () -> {}));
        front.run(() -> quotes.watch(List.of(tide)));
        front.await("its quote", () -> quotes.quote(tide.id()).isPresent());
        front.settle(desk.scheduler());
        int listening = desk.hub().subscriptions();
        Set<Instrument> traded = new HashSet<>();
        var session = calendar.sessionAt(desk.clock().now());
        for (int day = 0; day < 24; day++) {
            session = calendar.next(session);
            for (long time : List.of(calendar.open(session) + Times.MINUTE, calendar.close(session) - Times.MINUTE)) {
                desk.hub().beatAt(time);
                front.settle(desk.scheduler());
                desk.hub().beatAt(time + Times.SECOND);
                var loaded = desk.histories().load(tide, Timeframe.DAY, time + Times.SECOND);
                traded.add(loaded.traded());
                Bars days = loaded.series().snapshot();
                Quotes.Quote quote = quotes.quote(tide.id()).orElseThrow();
                assertThat(quote.last()).as("last of %s", session).isEqualTo(days.close(days.size() - 1));
                assertThat(quote.before()).as("the day before %s", session).isEqualTo(days.close(days.size() - 2));
                assertThat(quote.high()).as("high of %s", session).isEqualTo(days.high(days.size() - 1));
            }
        }
        assertThat(traded).hasSizeGreaterThan(1);
        assertThat(desk.hub().subscriptions())
                .as("what was traded before is left")
                .isEqualTo(listening);
        quotes.close();
    }
}

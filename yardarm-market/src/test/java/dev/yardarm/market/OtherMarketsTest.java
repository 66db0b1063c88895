package dev.yardarm.market;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.bars.BarBuilder;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.Contracts;
import dev.yardarm.core.source.Diary;
import dev.yardarm.core.source.Members;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Futures, currencies, yields, economic series and the token of the demo world. */
class OtherMarketsTest {
    private static final World WORLD = World.halcyon();
    private static final SimulatedMarket MARKET = new SimulatedMarket(WORLD, 1);
    private static final long NOW = WORLD.presentTime();

    private static InstrumentId id(String code) {
        return new InstrumentId(SimulatedMarket.NAME, code);
    }

    private static Instrument instrument(String code) {
        return MARKET.instruments().stream()
                .filter(each -> each.code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    private static Bars bars(String code, Timeframe timeframe, long from, long upTo) {
        return MARKET.history(id(code), timeframe, from, upTo).snapshot();
    }

    @Test
    void everythingTheWorldNamesIsThere() {
        assertThat(MARKET.instruments())
                .filteredOn(each -> each.kind() == Instrument.Kind.CONTINUOUS)
                .extracting(Instrument::code)
                .containsExactly("VRTQ", "TIDQ", "SLTQ", "WDRQ", "HBNQ");
        assertThat(MARKET.instruments())
                .filteredOn(each -> each.kind() == Instrument.Kind.CURRENCY)
                .hasSize(15)
                .allMatch(each -> each.format().style() == PriceFormat.Style.PIPS);
        assertThat(MARKET.instruments())
                .filteredOn(each -> each.kind() == Instrument.Kind.YIELD)
                .hasSize(4);
        assertThat(MARKET.instruments())
                .filteredOn(each -> each.kind() == Instrument.Kind.ECONOMIC)
                .hasSize(2);
        assertThat(instrument("VRTQ-U26").pointValue()).isEqualTo(10);
        assertThat(instrument("HBNQ").format().style()).isEqualTo(PriceFormat.Style.THIRTY_SECONDS);
    }

    /** A future on an index goes with it minute by minute, not from day to day alone. */
    @ParameterizedTest
    @ValueSource(strings = {"1m", "5m", "15m", "1h"})
    void theIndexFutureFollowsItsIndexWithinTheDay(String frame) {
        Timeframe timeframe = Timeframe.parse(frame).orElseThrow();
        long from = NOW - 30 * Times.DAY;
        Bars index = made("PV60", timeframe, from);
        Bars future = made("VRTQ-U26", timeframe, from);
        double[] sums = new double[5];
        int count = 0;
        for (int bar = 1; bar < index.closed(); bar++) {
            int at = future.barAt(index.openTime(bar));
            boolean both = at > 0
                    && future.closeTime(at) == index.closeTime(bar)
                    && future.closeTime(at - 1) == index.closeTime(bar - 1);
            if (both) {
                double x = Math.log(index.close(bar) / index.close(bar - 1));
                double y = Math.log(future.close(at) / future.close(at - 1));
                sums[0] += x;
                sums[1] += y;
                sums[2] += x * x;
                sums[3] += y * y;
                sums[4] += x * y;
                count++;
            }
        }
        assertThat(count).isGreaterThan(120);
        double together = sums[4] - sums[0] * sums[1] / count;
        double correlation =
                together / Math.sqrt((sums[2] - sums[0] * sums[0] / count) * (sums[3] - sums[1] * sums[1] / count));
        assertThat(correlation).isGreaterThan(frame.equals("1m") ? 0.8 : 0.93);
    }

    private static Bars made(String code, Timeframe timeframe, long from) {
        BarBuilder builder = new BarBuilder(
                new BarGrid(MARKET.calendar(instrument(code)), timeframe), new dev.yardarm.core.series.BarSeries(1024));
        Bars minutes = bars(code, Timeframe.MINUTE, from, NOW);
        for (int bar = 0; bar < minutes.closed(); bar++) {
            builder.addBar(
                    minutes.openTime(bar),
                    minutes.closeTime(bar),
                    minutes.open(bar),
                    minutes.high(bar),
                    minutes.low(bar),
                    minutes.close(bar),
                    minutes.volume(bar));
        }
        return builder.series().snapshot();
    }

    @ParameterizedTest
    @ValueSource(strings = {"VRTQ-U26", "WDRQ-Q26", "HBNQ-U26", "AULBRN", "ESKFNW", "EMBRA"})
    void minutesAddUpToTheirDaysExactly(String code) {
        TradingCalendar calendar = MARKET.calendar(instrument(code));
        long from = calendar.open(calendar.sessionAt(NOW - 6 * Times.DAY));
        Bars days = bars(code, Timeframe.DAY, from, NOW);
        Bars sum = BarBuilder.aggregate(
                        bars(code, Timeframe.MINUTE, from, NOW), new BarGrid(calendar, Timeframe.DAY), NOW)
                .snapshot();
        assertThat(sum.size()).isEqualTo(days.size()).isGreaterThan(3);
        for (int bar = 0; bar < days.size(); bar++) {
            assertThat(sum.openTime(bar)).isEqualTo(days.openTime(bar));
            assertThat(List.of(sum.open(bar), sum.high(bar), sum.low(bar), sum.close(bar), sum.volume(bar)))
                    .isEqualTo(
                            List.of(days.open(bar), days.high(bar), days.low(bar), days.close(bar), days.volume(bar)));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"VRTQ-U26", "EMBRA"})
    void ticksAddUpToTheirMinutesAndHaveASide(String code) {
        long from = MARKET.ticksFrom(id(code), NOW);
        assertThat(from).isLessThan(NOW - 18 * Times.DAY);
        TickSeries ticks = MARKET.ticks(id(code), NOW - 90 * Times.MINUTE, NOW);
        TradingCalendar calendar = MARKET.calendar(instrument(code));
        BarBuilder built =
                new BarBuilder(new BarGrid(calendar, Timeframe.MINUTE), new dev.yardarm.core.series.BarSeries(100));
        built.addTicks(ticks, 0, ticks.size());
        Bars minutes = bars(code, Timeframe.MINUTE, NOW - 90 * Times.MINUTE, NOW);
        Bars own = built.series().snapshot();
        assertThat(own.size()).isEqualTo(minutes.size()).isEqualTo(90);
        for (int bar = 0; bar < 90; bar++) {
            assertThat(own.close(bar)).isEqualTo(minutes.close(bar));
            assertThat(own.volume(bar)).isEqualTo(minutes.volume(bar));
        }
        boolean bids = false;
        int rises = 0;
        int bought = 0;
        for (int tick = 1; tick < ticks.size(); tick++) {
            byte side = ticks.side(tick);
            assertThat(side).isNotEqualTo(TickSeries.UNKNOWN);
            bids |= side == TickSeries.BID;
            rises += ticks.price(tick) > ticks.price(tick - 1) ? 1 : 0;
            bought += ticks.price(tick) > ticks.price(tick - 1) && side == TickSeries.ASK ? 1 : 0;
        }
        // What goes up is bought as a rule; the quotes may have gone up before a sale, too.
        assertThat(bought).isBetween((int) (0.8 * rises), rises);
        assertThat(bids).isTrue();
        assertThat(MARKET.ticksFrom(id("KTRL"), NOW)).isEqualTo(Long.MAX_VALUE);
    }

    @Test
    void contractsFollowEachOtherAndTheTradeMovesOn() {
        List<Contracts.Contract> contracts = MARKET.contracts(id("VRTQ"));
        assertThat(contracts).isSortedAccordingTo((one, other) -> Long.compare(one.expiry(), other.expiry()));
        Contracts.Contract june = contracts.stream()
                .filter(each -> each.id().code().equals("VRTQ-M26"))
                .findFirst()
                .orElseThrow();
        assertThat(Times.date(june.expiry() - 1, WORLD.zone())).isEqualTo(LocalDate.of(2026, 6, 19));
        long month = 30 * Times.DAY;
        Bars own = bars("VRTQ-M26", Timeframe.DAY, NOW - 2 * month, NOW - month);
        Bars next = bars("VRTQ-U26", Timeframe.DAY, NOW - 2 * month, NOW - month);
        assertThat(own.volume(5)).isGreaterThan(3 * next.volume(5));
        Bars ownLate = bars("VRTQ-M26", Timeframe.DAY, NOW - 3 * Times.DAY, NOW);
        Bars nextLate = bars("VRTQ-U26", Timeframe.DAY, NOW - 3 * Times.DAY, NOW);
        assertThat(nextLate.volume(0)).isGreaterThan(ownLate.volume(0));
        Bars index = bars("PV60", Timeframe.DAY, NOW - 3 * Times.DAY, NOW);
        assertThat(ownLate.close(0)).isCloseTo(index.close(0), within(index.close(0) * 0.01));
        assertThat(bars("VRTQ-M26", Timeframe.DAY, Long.MIN_VALUE, NOW + 400 * Times.DAY)
                        .closeTime(bars("VRTQ-M26", Timeframe.DAY, Long.MIN_VALUE, NOW + 400 * Times.DAY)
                                        .size()
                                - 1))
                .isEqualTo(june.expiry());
    }

    @Test
    void tradesOfTheContinuousFutureAreThoseOfItsCurrentContract() {
        double[] sums = new double[2];
        for (int at = 0; at < 2; at++) {
            TickSeries trades = new TickSeries(0);
            MARKET.trades(id(at == 0 ? "VRTQ" : "VRTQ-U26"), NOW, NOW + Times.HOUR, trades);
            for (int trade = 0; trade < trades.size(); trade++) {
                sums[at] += trades.price(trade) * trades.size(trade);
            }
        }
        assertThat(sums[0]).isEqualTo(sums[1]).isPositive();
    }

    @Test
    void pairsAgreeWithEachOtherAtEveryClose() {
        Bars one = bars("AULBRN", Timeframe.DAY, NOW - 100 * Times.DAY, NOW - 10 * Times.DAY);
        Bars two = bars("BRNCDA", Timeframe.DAY, NOW - 100 * Times.DAY, NOW - 10 * Times.DAY);
        Bars cross = bars("AULCDA", Timeframe.DAY, NOW - 100 * Times.DAY, NOW - 10 * Times.DAY);
        for (int bar = 0; bar < cross.closed(); bar++) {
            assertThat(one.close(bar) * two.close(bar)).isCloseTo(cross.close(bar), within(3e-5));
        }
    }

    @Test
    void economicSeriesAreKnownFromTheirReleaseOn() {
        Bars values = bars("HPRC", Timeframe.MONTH, Long.MIN_VALUE, NOW);
        int last = values.closed() - 1;
        assertThat(values.closeTime(last)).isLessThanOrEqualTo(NOW);
        assertThat(Times.date(values.openTime(last), WORLD.zone())).isEqualTo(LocalDate.of(2026, 5, 1));
        assertThat(Times.at(values.closeTime(last), WORLD.zone()).toLocalTime()).hasToString("09:37");
        assertThat(bars("HPRC", Timeframe.MONTH, Long.MIN_VALUE, values.closeTime(last) - 1)
                        .closed())
                .isEqualTo(last);
        assertThat(MARKET.stored(id("HPRC"))).containsExactly(Timeframe.MONTH);
        assertThat(MARKET.stored(id("GY10"))).containsExactly(Timeframe.DAY);
        Bars yields = bars("GY10", Timeframe.DAY, Long.MIN_VALUE, NOW);
        assertThat(yields.close(yields.size() - 1)).isBetween(0.05, 15.0);
    }

    @Test
    void theCalendarHasEntriesInOrderBetweenTwoMoments() {
        List<Diary.Entry> entries = MARKET.entries(id("KTRL"), NOW - 90 * Times.DAY, NOW + 30 * Times.DAY);
        assertThat(entries)
                .hasSizeGreaterThan(8)
                .isSortedAccordingTo((one, other) -> Long.compare(one.time(), other.time()))
                .allMatch(entry -> entry.importance() >= 1 && entry.importance() <= 3);
        assertThat(entries)
                .extracting(Diary.Entry::kind)
                .contains(Diary.Entry.Kind.RELEASE, Diary.Entry.Kind.RATE_DECISION, Diary.Entry.Kind.AUCTION);
    }

    @Test
    void aHalfDayHasFewerMinutesAndAddsUp() {
        LocalDate half = LocalDate.of(2025, 12, 24);
        TradingCalendar calendar = WORLD.calendar();
        Bars minutes = bars("KTRL", Timeframe.MINUTE, calendar.open(half), calendar.close(half));
        assertThat(minutes.closed()).isEqualTo(270);
        Bars day = bars("KTRL", Timeframe.DAY, calendar.open(half), calendar.close(half));
        assertThat(minutes.close(269)).isEqualTo(day.close(0));
        double volume = 0;
        for (int minute = 0; minute < 270; minute++) {
            volume += minutes.volume(minute);
        }
        assertThat(volume).isEqualTo(day.volume(0));
        assertThat(bars("PV60", Timeframe.MINUTE, calendar.open(half), calendar.close(half))
                        .closed())
                .isEqualTo(270);
    }

    @Test
    void theMembersOfAnIndexWeighOneTogether() {
        List<Members.Member> members = MARKET.members(id("PVXL"), NOW);
        assertThat(members).hasSize(20);
        assertThat(members.stream().mapToDouble(Members.Member::weight).sum()).isCloseTo(1, within(1e-9));
        assertThat(members.get(0).weight()).isGreaterThan(members.get(19).weight());
        assertThat(MARKET.members(id("KTRL"), NOW)).isEmpty();
    }
}

package dev.yardarm.core.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.bars.BarMakers;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.PriceSteps;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Trades of each bar by price, which add up to the bar's volume, and large trades put together. */
class TradesByPriceTest {
    private static TickSeries walk(long seed, int count) {
        SplittableRandom random = new SplittableRandom(seed);
        TickSeries ticks = new TickSeries(count);
        long price = 400;
        long time = 20_000 * Times.DAY;
        for (int tick = 0; tick < count; tick++) {
            price += random.nextInt(-3, 4);
            time += random.nextLong(8 * Times.SECOND);
            ticks.append(time, price / 4.0, 1 + random.nextInt(300), (byte) random.nextInt(-1, 2));
        }
        return ticks;
    }

    /** To the last contract: bars, their prices and the trades. */
    @ParameterizedTest
    @ValueSource(strings = {"time:5m", "ticks:50", "volume:1000", "range:10", "reversal:10"})
    void thePricesOfABarAddUpToItsVolume(String kind) {
        TickSeries ticks = walk(4, 5000);
        PriceSteps steps = new PriceSteps(0.25);
        BarRule rule = BarRule.parse(kind);
        BarSeries series = new BarSeries(64);
        BarMaker maker = BarMakers.of(rule, rule.isTime() ? TradingCalendar.ROUND_THE_CLOCK : null, 0.25, series);
        BarLevels levels = BarLevels.of(maker, steps, ticks, 0);
        Bars bars = maker.series().snapshot();
        assertThat(levels.bars()).isEqualTo(bars.size());
        double whole = 0;
        for (int bar = 0; bar < bars.size(); bar++) {
            double sum = 0;
            double before = Double.NEGATIVE_INFINITY;
            for (int at = levels.start(bar); at < levels.start(bar + 1); at++) {
                sum += levels.bid(at) + levels.ask(at) + levels.none(at);
                assertThat(levels.price(at)).isGreaterThan(before);
                before = levels.price(at);
            }
            assertThat(sum).as("bar " + bar).isCloseTo(bars.volume(bar), within(1e-9));
            whole += sum;
        }
        assertThat(whole)
                .isCloseTo(Arrays.stream(ticks.sizes(), 0, ticks.size()).sum(), within(1e-6));
    }

    @Test
    void smallerTradesAreLeftOutOfThePricesAndNotOfTheBars() {
        TickSeries ticks = walk(6, 3000);
        BarSeries series = new BarSeries(64);
        BarMaker maker = BarMakers.of(BarRule.parse("time:5m"), TradingCalendar.ROUND_THE_CLOCK, 0.25, series);
        BarLevels levels = BarLevels.of(maker, new PriceSteps(0.25), ticks, 200);
        double shown = 0;
        for (int at = 0; at < levels.start(levels.bars()); at++) {
            shown += levels.bid(at) + levels.ask(at) + levels.none(at);
        }
        double large = 0;
        for (int tick = 0; tick < ticks.size(); tick++) {
            large += ticks.size(tick) >= 200 ? ticks.size(tick) : 0;
        }
        assertThat(shown).isEqualTo(large);
        Bars bars = maker.series().snapshot();
        double volumes = 0;
        for (int bar = 0; bar < bars.size(); bar++) {
            volumes += bars.volume(bar);
        }
        assertThat(volumes)
                .isEqualTo(Arrays.stream(ticks.sizes(), 0, ticks.size()).sum());
    }

    private static TickSeries prints() {
        TickSeries ticks = new TickSeries(16);
        ticks.append(0, 100, 60, TickSeries.ASK);
        ticks.append(40_000, 100, 10, TickSeries.BID);
        ticks.append(60_000, 100.25, 60, TickSeries.ASK);
        ticks.append(100_000, 100.25, 80, TickSeries.ASK);
        ticks.append(100_001, 100.25, 90, TickSeries.ASK);
        ticks.append(300_000, 99, 500, TickSeries.UNKNOWN);
        ticks.append(300_000, 99, 500, TickSeries.UNKNOWN);
        ticks.append(500_000, 99.5, 199, TickSeries.BID);
        return ticks;
    }

    @Test
    void printsOfOneSideWithinTheTimeOfTheFirstArePutTogether() {
        assertThat(LargeTrades.of(prints(), 200, 100_000))
                .containsExactly(
                        new LargeTrades.Large(0, (60 * 100 + 140 * 100.25) / 200, 200, TickSeries.ASK, 3),
                        new LargeTrades.Large(300_000, 99, 500, TickSeries.UNKNOWN, 1),
                        new LargeTrades.Large(300_000, 99, 500, TickSeries.UNKNOWN, 1));
        assertThat(LargeTrades.of(prints(), 200, -1)).hasSize(2).allMatch(each -> each.count() == 1);
        assertThat(LargeTrades.of(prints(), 80, -1)).hasSize(5);
        assertThat(LargeTrades.of(prints(), 1, 100_000))
                .extracting(LargeTrades.Large::count)
                .containsExactly(3, 1, 1, 1, 1, 1);
    }

    /** By every trade: each print is in exactly one of them, and none lasts longer than allowed. */
    @Test
    void putTogetherOrNotTheSumStays() {
        TickSeries ticks = walk(9, 4000);
        for (long together : new long[] {-1, 0, 5 * Times.SECOND, Times.MINUTE}) {
            List<LargeTrades.Large> all = LargeTrades.of(ticks, 0, together);
            assertThat(all.stream().mapToDouble(LargeTrades.Large::size).sum())
                    .isEqualTo(Arrays.stream(ticks.sizes(), 0, ticks.size()).sum());
            assertThat(all.stream().mapToInt(LargeTrades.Large::count).sum()).isEqualTo(ticks.size());
            assertThat(all).isSortedAccordingTo((one, other) -> Long.compare(one.time(), other.time()));
        }
    }

    /** One that is large already is told again with what comes to it. */
    @Test
    void liveALargeTradeIsToldAtOnceAndGrows() {
        LargeTrades live = new LargeTrades(100, 1000);
        assertThat(live.add(0, 50, 70, TickSeries.BID)).isNull();
        assertThat(live.add(900, 50, 40, TickSeries.BID))
                .isEqualTo(new LargeTrades.Large(0, 50, 110, TickSeries.BID, 2));
        assertThat(live.add(1000, 50, 5, TickSeries.BID).size()).isEqualTo(115);
        assertThat(live.add(1001, 50, 70, TickSeries.BID)).as("too late").isNull();
    }
}

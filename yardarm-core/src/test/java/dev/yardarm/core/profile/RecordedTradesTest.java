package dev.yardarm.core.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.bars.BarMakers;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.calculation.TradeTape;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What went into bars that are not of time, with trades of its own and with those of a tape that others read. */
class RecordedTradesTest {
    private static final long START = Times.DAY * 19_000;

    private static BarMaker maker(String kind) {
        return BarMakers.of(BarRule.parse(kind), null, 0.25, new BarSeries(64));
    }

    /** Trades of a walk; of each hour the last quarter is one that some leave out. */
    private static TickSeries walk(long seed, int count, boolean sides) {
        Random random = new Random(seed);
        TickSeries ticks = new TickSeries(count);
        double price = 100;
        long time = START;
        for (int tick = 0; tick < count; tick++) {
            time += random.nextInt(4) == 0 ? 0 : random.nextInt(3_000_000);
            price += 0.25 * (random.nextInt(3) - 1);
            byte side = random.nextBoolean() ? TickSeries.ASK : TickSeries.BID;
            ticks.append(
                    time,
                    price,
                    random.nextInt(20) == 0 ? 700 : 1 + random.nextInt(60),
                    !sides && random.nextInt(500) == 0 ? TickSeries.UNKNOWN : side);
        }
        return ticks;
    }

    private static boolean isLeftOut(long time) {
        return time % Times.HOUR >= 3 * Times.HOUR / 4;
    }

    private static List<String> of(Surroundings.Sides sides, Bars bars, int bar) {
        List<String> all = new ArrayList<>();
        assertThat(sides.trades(
                        bars, bar, (time, price, size, side) -> all.add(time + " " + price + " " + size + side)))
                .isTrue();
        return all;
    }

    private static List<String> atOnce(Surroundings.Sides sides, Bars bars, int bar) {
        List<String> all = new ArrayList<>();
        assertThat(sides.run(bars, bar, (trades, from, end) -> {
                    for (int at = from; at < end; at++) {
                        all.add(trades.time(at) + " " + trades.price(at) + " " + trades.size(at) + trades.side(at));
                    }
                }))
                .isTrue();
        return all;
    }

    /** In slices, as they are heard; another chart has taken every other slice before. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "range:10",
                "volume:500",
                "ticks:30",
                "reversal:10",
                "brick:8",
                "line-break:3",
                "point-figure:2x3"
            })
    void onATapeOfOthersTheSameIsInEachBar(String kind) {
        for (boolean sided : new boolean[] {true, false}) {
            TickSeries ticks = walk(kind.hashCode(), 6000, sided);
            RecordedTrades alone = new RecordedTrades(maker(kind));
            TradeTape tape = TradeTape.from(START - 1);
            TickSeries begun = new TickSeries(1000);
            int known = 1000;
            while (ticks.time(known) == ticks.time(known - 1)) {
                known++;
            }
            begun.append(ticks, 0, known);
            tape.extend(begun, ticks.time(known - 1));
            RecordedTrades shared = new RecordedTrades(maker(kind), tape, START - 1, ticks.time(known - 1));
            int from = 0;
            for (int end = known; from < ticks.size(); end = Math.min(ticks.size(), end + 1 + end % 97)) {
                while (end < ticks.size() && ticks.time(end) == ticks.time(end - 1)) {
                    end++;
                }
                TickSeries slice = new TickSeries(end - from);
                slice.append(ticks, from, end);
                long moment = ticks.time(end - 1);
                if (end % 2 == 0) {
                    tape.extend(slice, moment);
                }
                shared.hear(slice, moment);
                for (int tick = from; tick < end; tick++) {
                    if (!isLeftOut(ticks.time(tick))) {
                        alone.addTick(ticks.time(tick), ticks.price(tick), ticks.size(tick), ticks.side(tick));
                        shared.addTick(ticks.time(tick), ticks.price(tick), ticks.size(tick), ticks.side(tick));
                    }
                }
                from = end;
                Bars bars = shared.series().snapshot();
                if (bars.size() > 0) {
                    assertThat(of(shared, bars, bars.size() - 1)).isEqualTo(of(alone, bars, bars.size() - 1));
                }
            }
            Bars bars = shared.series().snapshot();
            assertThat(bars.size()).isGreaterThan(20);
            for (int bar = 0; bar < bars.size(); bar++) {
                List<String> inIt = of(alone, bars, bar);
                assertThat(of(shared, bars, bar)).as("bar " + bar).isEqualTo(inIt);
                assertThat(atOnce(shared, bars, bar)).isEqualTo(inIt);
                assertThat(atOnce(alone, bars, bar)).isEqualTo(inIt);
                List<Double> sizes = new ArrayList<>();
                int count = shared.trades(bars, bar, 2, (time, price, size, side) -> sizes.add(size));
                assertThat(count).isEqualTo(inIt.size());
                assertThat(sizes).hasSize(Math.max(0, count - 2));
                double[] volume = {0};
                shared.trades(bars, bar, (time, price, size, side) -> volume[0] += size);
                assertThat(volume[0]).as("bar " + bar).isEqualTo(bars.volume(bar));
                assertThat(List.of(shared.delta(bars, bar))).isEqualTo(List.of(alone.delta(bars, bar)));
            }
            for (int span = 0; span < 40; span++) {
                long first = START + span * 10L * Times.MINUTE;
                long until = first + (1 + span) * 7L * Times.MINUTE;
                List<Double> expected = new ArrayList<>();
                List<Double> given = new ArrayList<>();
                assertThat(alone.trades(first, until, (time, price, size, side) -> expected.add(size)))
                        .isTrue();
                assertThat(shared.trades(first, until, (time, price, size, side) -> given.add(size)))
                        .isTrue();
                assertThat(given).isEqualTo(expected);
                assertThat(List.of(shared.delta(first, until))).isEqualTo(List.of(alone.delta(first, until)));
                assertThat(List.of(shared.bySpan().delta(first, until))).isEqualTo(List.of(alone.delta(first, until)));
            }
        }
    }

    /** Bars of 100 contracts to the last one. */
    private static final class Cutting implements BarMaker {
        private final BarSeries series = new BarSeries(16);
        private double volume;

        @Override
        public void addTick(long time, double price, double size) {
            double left = size;
            while (volume + left >= 100) {
                left -= 100 - volume;
                series.form(time * 10 + series.closed(), time * 10 + series.closed(), price, price, price, price, 100);
                series.closeForming();
                volume = 0;
            }
            volume += left;
            series.form(time * 10 + 9, time * 10 + 9, price, price, price, price, volume);
        }

        @Override
        public void addBar(
                long openTime, long closeTime, double open, double high, double low, double close, double barVolume) {
            throw new UnsupportedOperationException();
        }

        @Override
        public void advanceTo(long time) {
            // Nothing ends by the clock.
        }

        @Override
        public BarSeries series() {
            return series;
        }
    }

    /** Bars of 100: the second trade fills the first bar and begins the second, the fifth fills two at once. */
    @Test
    void aTradeIsSharedOutByHand() {
        TradeTape tape = TradeTape.from(START);
        TickSeries ticks = new TickSeries(8);
        ticks.append(START + 1, 100, 60, TickSeries.ASK);
        ticks.append(START + 2, 100.25, 70, TickSeries.BID);
        ticks.append(START + 3, 100.5, 11, TickSeries.ASK);
        ticks.append(START + 4, 100.5, 9, TickSeries.ASK);
        ticks.append(START + 5, 100.25, 200, TickSeries.ASK);
        tape.extend(ticks, START + 5);
        RecordedTrades made = new RecordedTrades(new Cutting(), tape, START, START + 5);
        for (int tick : new int[] {0, 1, 3, 4}) {
            made.addTick(ticks.time(tick), ticks.price(tick), ticks.size(tick), ticks.side(tick));
        }
        Bars bars = made.series().snapshot();
        List<List<Double>> sizes = new ArrayList<>();
        for (int bar = 0; bar < bars.size(); bar++) {
            List<Double> of = new ArrayList<>();
            made.trades(bars, bar, (time, price, size, side) -> of.add(size));
            sizes.add(of);
        }
        assertThat(sizes).containsExactly(List.of(60.0, 40.0), List.of(30.0, 9.0, 61.0), List.of(100.0), List.of(39.0));
        assertThat(made.delta(bars, 0)).isEqualTo(20);
        assertThat(made.delta(bars, 1)).isEqualTo(40);
        assertThat(made.delta(START, START + Times.HOUR)).isCloseTo(60 - 70 + 9 + 200, within(1e-9));
        assertThat(made.delta(START - 1, START + Times.HOUR))
                .as("before the tape begins")
                .isNaN();
    }

    /** The feed tells a trade twice, or one late that no other chart has: it counts here, and what others see stays theirs. */
    @Test
    void aTradeThatIsNotOnTheTapeIsKeptHere() {
        TradeTape tape = TradeTape.from(START);
        TickSeries ticks = walk(4, 300, true);
        tape.extend(ticks, ticks.time(299));
        RecordedTrades made = new RecordedTrades(maker("ticks:40"), tape, START, ticks.time(299));
        RecordedTrades alone = new RecordedTrades(maker("ticks:40"));
        for (int tick = 0; tick < 300; tick++) {
            for (int times = tick == 150 ? 2 : 1; times > 0; times--) {
                made.addTick(ticks.time(tick), ticks.price(tick), ticks.size(tick), ticks.side(tick));
                alone.addTick(ticks.time(tick), ticks.price(tick), ticks.size(tick), ticks.side(tick));
            }
        }
        Bars bars = made.series().snapshot();
        assertThat(bars.size()).isEqualTo(8);
        for (int bar = 0; bar < bars.size(); bar++) {
            assertThat(of(made, bars, bar)).isEqualTo(of(alone, bars, bar));
        }
        assertThat(made.delta(START, START + Times.DAY)).isEqualTo(alone.delta(START, START + Times.DAY));
        assertThat(tape.size()).isEqualTo(300);
    }
}

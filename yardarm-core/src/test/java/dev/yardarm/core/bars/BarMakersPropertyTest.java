package dev.yardarm.core.bars;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.EnumSet;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;

/** What holds for every kind of bar over any trades. */
class BarMakersPropertyTest {
    private static final TradingCalendar SESSIONS = new TradingCalendar(
            ZoneOffset.UTC, LocalTime.of(8, 0), LocalTime.of(8, 5), EnumSet.allOf(java.time.DayOfWeek.class), Set.of());
    private static final double TICK = 0.25;

    @Provide
    Arbitrary<String> rules() {
        return Arbitraries.of(
                "time:1m",
                "ticks:7",
                "volume:40",
                "range:6",
                "reversal:5",
                "brick:4",
                "brick:1%",
                "brick:atr3",
                "line-break:3",
                "line-break:1");
    }

    /** A walk in ticks over several short sessions, with gaps and with trades that share a time. */
    private static TickSeries walk(long seed) {
        Random random = new Random(seed);
        TickSeries ticks = new TickSeries(400);
        int price = 400;
        long time = Times.micros(Instant.parse("2026-06-19T08:00:00Z"));
        for (int tick = 0; tick < 400; tick++) {
            price = Math.max(
                    40, price + random.nextInt(5) - 2 + (random.nextInt(60) == 0 ? 20 * (random.nextInt(3) - 1) : 0));
            ticks.append(time, price * TICK, 1 + random.nextInt(20), TickSeries.UNKNOWN);
            time += random.nextInt(4) * Times.SECOND;
            long intoDay = Math.floorMod(time, Times.DAY);
            if (intoDay > 8 * Times.HOUR + 5 * Times.MINUTE) {
                time += Times.DAY - intoDay + 8 * Times.HOUR;
            }
        }
        return ticks;
    }

    private static BarMaker maker(String rule) {
        return BarMakers.of(BarRule.parse(rule), SESSIONS, TICK, new BarSeries(8));
    }

    @Property(tries = 200)
    void highsLowsAndVolumeAreConserved(@ForAll("rules") String rule, @ForAll long seed) {
        TickSeries ticks = walk(seed);
        BarMaker maker = maker(rule);
        maker.addTicks(ticks, 0, ticks.size());
        Bars bars = maker.series().snapshot();
        double high = Double.NEGATIVE_INFINITY;
        double low = Double.POSITIVE_INFINITY;
        double volume = 0;
        for (int bar = 0; bar < bars.size(); bar++) {
            assertThat(bars.high(bar)).isGreaterThanOrEqualTo(Math.max(bars.open(bar), bars.close(bar)));
            assertThat(bars.low(bar)).isLessThanOrEqualTo(Math.min(bars.open(bar), bars.close(bar)));
            assertThat(bars.closeTime(bar)).isGreaterThanOrEqualTo(bars.openTime(bar));
            high = Math.max(high, bars.high(bar));
            low = Math.min(low, bars.low(bar));
            volume += bars.volume(bar);
        }
        double most = Double.NEGATIVE_INFINITY;
        double least = Double.POSITIVE_INFINITY;
        double traded = 0;
        for (int tick = 0; tick < ticks.size(); tick++) {
            most = Math.max(most, ticks.price(tick));
            least = Math.min(least, ticks.price(tick));
            traded += ticks.size(tick);
        }
        assertThat(high).isEqualTo(most);
        assertThat(low).isEqualTo(least);
        assertThat(volume).isCloseTo(traded, within(1e-6));
    }

    @Property(tries = 200)
    void liveEqualsRebuilt(@ForAll("rules") String rule, @ForAll long seed) {
        TickSeries ticks = walk(seed);
        BarMaker live = maker(rule);
        for (int tick = 0; tick < ticks.size(); tick++) {
            live.addTick(ticks.time(tick), ticks.price(tick), ticks.size(tick));
            live.series();
            live.advanceTo(ticks.time(tick) - 1);
        }
        live.advanceTo(ticks.time(ticks.size() - 1));
        BarMaker rebuilt = maker(rule);
        rebuilt.addTicks(ticks, 0, ticks.size());
        rebuilt.advanceTo(ticks.time(ticks.size() - 1));
        same(rule, live.series().snapshot(), rebuilt.series().snapshot());
    }

    /** A closed bar never changes: the bars of a part are the beginning of the bars of the whole. */
    @Property(tries = 100)
    void closedBarsStay(@ForAll("rules") String rule, @ForAll long seed) {
        TickSeries ticks = walk(seed);
        BarMaker part = maker(rule);
        part.addTicks(ticks, 0, 250);
        BarMaker whole = maker(rule);
        whole.addTicks(ticks, 0, ticks.size());
        Bars first = part.series().snapshot();
        Bars all = whole.series().snapshot();
        for (int bar = 0; bar < first.closed(); bar++) {
            assertThat(all.openTime(bar)).isEqualTo(first.openTime(bar));
            assertThat(all.close(bar)).isEqualTo(first.close(bar));
            assertThat(all.high(bar)).isEqualTo(first.high(bar));
        }
    }

    @Property(tries = 100)
    void rangeBarsAreNoHigherThanTheirRangeAndOpenOutsideTheOneBefore(@ForAll long seed) {
        TickSeries ticks = walk(seed);
        BarMaker maker = BarMakers.of(BarRule.parse("range:6"), null, TICK, new BarSeries(8));
        maker.addTicks(ticks, 0, ticks.size());
        Bars bars = maker.series().snapshot();
        for (int bar = 0; bar < bars.size(); bar++) {
            assertThat(bars.high(bar) - bars.low(bar)).isLessThanOrEqualTo(6 * TICK);
            if (bar > 0) {
                boolean outside =
                        bars.open(bar) > bars.low(bar - 1) + 6 * TICK || bars.open(bar) < bars.high(bar - 1) - 6 * TICK;
                assertThat(outside).isTrue();
            }
        }
    }

    @Property(tries = 100)
    void pointAndFigureColumnsAlternateAndTurnFarEnough(@ForAll long seed) {
        TickSeries ticks = walk(seed);
        BarMaker maker = BarMakers.of(BarRule.parse("point-figure:2x3"), null, TICK, new BarSeries(8));
        maker.addTicks(ticks, 0, ticks.size());
        Bars bars = maker.series().snapshot();
        for (int bar = 0; bar + 1 < bars.size(); bar++) {
            boolean single = bars.close(bar) == bars.open(bar);
            assertThat(single && bar > 0).isFalse();
            assertThat(single || bars.close(bar) > bars.open(bar) != bars.close(bar + 1) > bars.open(bar + 1))
                    .isTrue();
            assertThat(Math.abs(bars.close(bar + 1) - bars.close(bar))).isGreaterThanOrEqualTo(3 * 2 * TICK);
        }
    }

    private static void same(String rule, Bars one, Bars other) {
        assertThat(one.size()).as(() -> rule + times(one) + times(other)).isEqualTo(other.size());
        assertThat(one.closed()).isEqualTo(other.closed());
        for (int bar = 0; bar < one.size(); bar++) {
            assertThat(one.openTime(bar)).isEqualTo(other.openTime(bar));
            assertThat(one.closeTime(bar)).isEqualTo(other.closeTime(bar));
            assertThat(one.open(bar)).isEqualTo(other.open(bar));
            assertThat(one.high(bar)).isEqualTo(other.high(bar));
            assertThat(one.low(bar)).isEqualTo(other.low(bar));
            assertThat(one.close(bar)).isEqualTo(other.close(bar));
            assertThat(one.volume(bar)).isCloseTo(other.volume(bar), within(1e-9));
        }
    }

    private static String times(Bars bars) {
        StringBuilder text = new StringBuilder("\n");
        for (int bar = 0; bar < bars.size(); bar++) {
            text.append(Times.instant(bars.openTime(bar))).append(' ');
        }
        return text.toString();
    }
}

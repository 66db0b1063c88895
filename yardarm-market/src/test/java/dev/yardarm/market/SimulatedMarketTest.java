package dev.yardarm.market;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.bars.BarBuilder;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.CorporateActions;
import dev.yardarm.core.source.SplitAdjustment;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SimulatedMarketTest {
    private static final World WORLD = World.halcyon();
    private static final SimulatedMarket MARKET = new SimulatedMarket(WORLD, 1);
    private static final long NOW = WORLD.presentTime();

    private static Bars bars(String code, Timeframe timeframe, long from, long upTo) {
        return MARKET.history(new InstrumentId(SimulatedMarket.NAME, code), timeframe, from, upTo)
                .snapshot();
    }

    @Test
    void theWorldHasItsCompaniesTiersSectorsAndIndices() {
        assertThat(WORLD.companies()).hasSize(60);
        assertThat(WORLD.sectors()).hasSize(8);
        for (World.Tier tier : WORLD.tiers()) {
            assertThat(WORLD.companies())
                    .filteredOn(each -> each.tier().equals(tier.code()))
                    .hasSize(20);
        }
        assertThat(WORLD.indices()).hasSize(1 + 3 + 8);
        assertThat(WORLD.companies())
                .extracting(World.Company::code)
                .doesNotHaveDuplicates()
                .allMatch(code -> code.matches("[A-Z]{4}"));
        assertThat(MARKET.instruments())
                .extracting(Instrument::code)
                .contains("KTRL", "PV60")
                .doesNotHaveDuplicates();
    }

    @Test
    void theSameSeedMakesTheSameHistoryAndAnotherSeedAnother() {
        Bars one = bars("KTRL", Timeframe.DAY, Long.MIN_VALUE, NOW);
        Bars same = new SimulatedMarket(World.halcyon(), 1)
                .history(new InstrumentId("halcyon", "KTRL"), Timeframe.DAY, Long.MIN_VALUE, NOW)
                .snapshot();
        Bars other = new SimulatedMarket(World.halcyon(), 2)
                .history(new InstrumentId("halcyon", "KTRL"), Timeframe.DAY, Long.MIN_VALUE, NOW)
                .snapshot();
        assertThat(one.size()).isEqualTo(same.size()).isGreaterThan(3600);
        int different = 0;
        for (int bar = 0; bar < one.size(); bar++) {
            assertThat(one.close(bar)).isEqualTo(same.close(bar));
            assertThat(one.volume(bar)).isEqualTo(same.volume(bar));
            different += one.close(bar) != other.close(bar) ? 1 : 0;
        }
        assertThat(different).isGreaterThan(3000);
    }

    @Test
    void everyBarIsSoundForEveryCompany() {
        for (World.Company company : WORLD.companies()) {
            Bars bars = bars(company.code(), Timeframe.DAY, Long.MIN_VALUE, NOW);
            for (int bar = 0; bar < bars.size(); bar++) {
                assertThat(bars.low(bar))
                        .as(company.code() + " " + bar)
                        .isPositive()
                        .isLessThanOrEqualTo(Math.min(bars.open(bar), bars.close(bar)));
                assertThat(bars.high(bar)).isGreaterThanOrEqualTo(Math.max(bars.open(bar), bars.close(bar)));
                assertThat(bars.volume(bar)).isPositive().isEqualTo(Math.rint(bars.volume(bar)));
                assertThat(bars.close(bar) * 100).isCloseTo(Math.rint(bars.close(bar) * 100), within(1e-6));
            }
        }
        Bars ktrl = bars("KTRL", Timeframe.DAY, Long.MIN_VALUE, NOW);
        assertThat(ktrl.close(ktrl.size() - 1)).isBetween(95.0, 113.0);
    }

    @ParameterizedTest
    @ValueSource(strings = {"KTRL", "SPNW", "PV60", "PXFIS"})
    void minutesAddUpToTheirDaysExactly(String code) {
        long from = NOW - 45 * Times.DAY;
        Bars days = bars(code, Timeframe.DAY, from, NOW);
        BarSeries built = BarBuilder.aggregate(
                bars(code, Timeframe.MINUTE, from, NOW), new BarGrid(WORLD.calendar(), Timeframe.DAY), NOW);
        Bars sum = built.snapshot();
        int offset = sum.size() - days.size();
        assertThat(days.size()).isGreaterThan(25);
        for (int bar = 0; bar < days.size(); bar++) {
            int other = bar + offset;
            if (other < 0 || sum.openTime(other) != days.openTime(bar)) {
                continue;
            }
            assertThat(sum.open(other)).as("open " + bar).isEqualTo(days.open(bar));
            assertThat(sum.high(other)).as("high " + bar).isEqualTo(days.high(bar));
            assertThat(sum.low(other)).as("low " + bar).isEqualTo(days.low(bar));
            assertThat(sum.close(other)).as("close " + bar).isEqualTo(days.close(bar));
            assertThat(sum.volume(other)).as("volume " + bar).isEqualTo(days.volume(bar));
        }
        assertThat(sum.hasForming()).isTrue();
        assertThat(days.hasForming()).isTrue();
    }

    private static TickSeries trades(String code, long after, long upTo) {
        TickSeries trades = new TickSeries(0);
        MARKET.trades(new InstrumentId("halcyon", code), after, upTo, trades);
        return trades;
    }

    private static List<String> words(TickSeries trades) {
        List<String> words = new ArrayList<>();
        for (int trade = 0; trade < trades.size(); trade++) {
            words.add(trades.time(trade) + " " + trades.price(trade) + " " + trades.size(trade) + " "
                    + trades.side(trade));
        }
        return words;
    }

    @ParameterizedTest
    @ValueSource(strings = {"KTRL", "KLPF", "PV60"})
    void tradesAddUpToTheirMinutesExactly(String code) {
        long from = WORLD.calendar().open(Times.date(NOW, WORLD.zone()));
        long to = from + 90 * Times.MINUTE;
        BarBuilder builder = new BarBuilder(new BarGrid(WORLD.calendar(), Timeframe.MINUTE), new BarSeries(0));
        TickSeries trades = trades(code, from - 1, to - 1);
        builder.addTicks(trades, 0, trades.size());
        builder.advanceTo(to);
        Bars built = builder.series().snapshot();
        Bars minutes = bars(code, Timeframe.MINUTE, from, to);
        assertThat(built.closed()).isEqualTo(90).isEqualTo(minutes.closed());
        for (int bar = 0; bar < 90; bar++) {
            assertThat(built.open(bar)).isEqualTo(minutes.open(bar));
            assertThat(built.high(bar)).isEqualTo(minutes.high(bar));
            assertThat(built.low(bar)).isEqualTo(minutes.low(bar));
            assertThat(built.close(bar)).isEqualTo(minutes.close(bar));
            assertThat(built.volume(bar)).isEqualTo(minutes.volume(bar));
        }
    }

    @Test
    void askingInPiecesGivesTheSameTradesAsAskingAtOnce() {
        for (String code : List.of("MARN", "PV60", "VRTQ", "EMBRA")) {
            TickSeries pieces = new TickSeries(0);
            for (long time = NOW; time < NOW + 3 * Times.HOUR; time += 37 * Times.SECOND) {
                long end = Math.min(time + 37 * Times.SECOND, NOW + 3 * Times.HOUR);
                MARKET.trades(new InstrumentId("halcyon", code), time, end, pieces);
            }
            List<String> atOnce = words(trades(code, NOW, NOW + 3 * Times.HOUR));
            assertThat(words(pieces)).as(code).isEqualTo(atOnce).isNotEmpty();
            assertThat(atOnce).as("both sides of %s", code).anyMatch(each -> each.endsWith(" 1"));
            assertThat(atOnce).anyMatch(each -> each.endsWith(" -1"));
        }
    }

    @Test
    void nothingLaterThanAskedForIsTold() {
        long time = NOW - 2 * Times.HOUR - 17 * Times.SECOND;
        Bars then = bars("KTRL", Timeframe.DAY, Long.MIN_VALUE, time);
        Bars now = bars("KTRL", Timeframe.DAY, Long.MIN_VALUE, NOW);
        int last = then.size() - 1;
        assertThat(then.size()).isEqualTo(now.size());
        assertThat(then.hasForming()).isTrue();
        assertThat(then.volume(last)).isLessThan(now.volume(last));
        assertThat(then.close(last - 1)).isEqualTo(now.close(last - 1));
        long open = WORLD.calendar().open(Times.date(NOW, WORLD.zone()));
        TickSeries seen = trades("KTRL", open - 1, time);
        double volume = 0;
        for (int trade = 0; trade < seen.size(); trade++) {
            volume += seen.size(trade);
        }
        assertThat(then.close(last)).isEqualTo(seen.price(seen.size() - 1));
        assertThat(then.volume(last)).isEqualTo(volume);
    }

    @Test
    void anIndexIsTheValueOfItsMembers() {
        Bars index = bars("PXFIS", Timeframe.DAY, Long.MIN_VALUE, NOW);
        int day = index.size() - 40;
        double previous = 0;
        double value = 0;
        for (World.Company company : WORLD.companies()) {
            if (company.sector().equals("fisheries")) {
                Bars member = SplitAdjustment.adjust(
                                MARKET.history(
                                        new InstrumentId("halcyon", company.code()),
                                        Timeframe.DAY,
                                        Long.MIN_VALUE,
                                        NOW),
                                MARKET.splits(new InstrumentId("halcyon", company.code())),
                                NOW)
                        .snapshot();
                double shares = MARKET.history().sharesOutstanding(company.code(), NOW);
                value += member.close(day) * shares;
                previous += member.close(day - 1) * shares;
            }
        }
        assertThat(index.close(day) / index.close(day - 1)).isCloseTo(value / previous, within(1e-5));
        assertThat(index.open(0)).isEqualTo(1000);
    }

    @Test
    void splitsAndDividendsShowInRawPrices() {
        int splits = 0;
        int dividends = 0;
        for (World.Company company : WORLD.companies()) {
            InstrumentId id = new InstrumentId("halcyon", company.code());
            Bars raw = bars(company.code(), Timeframe.DAY, Long.MIN_VALUE, NOW);
            for (CorporateActions.Split split : MARKET.splits(id)) {
                int bar = raw.barAt(split.time());
                double jump = raw.close(bar - 1) / raw.open(bar);
                assertThat(jump).as(company.code()).isBetween(split.ratio() * 0.75, split.ratio() * 1.3);
                splits++;
            }
            dividends += MARKET.history().dividends(company.code()).size();
            assertThat(MARKET.history().dividends(company.code())).allMatch(paid -> paid.amount() > 0);
        }
        assertThat(splits).isGreaterThan(5);
        assertThat(dividends).isGreaterThan(1000);
    }

    @Test
    void volatilityClustersAndHasARhythmOverTheDay() {
        Bars days = bars("PV60", Timeframe.DAY, Long.MIN_VALUE, NOW - 400 * Times.DAY);
        double[] moves = new double[days.size() - 1];
        for (int bar = 1; bar < days.size(); bar++) {
            moves[bar - 1] = Math.abs(Math.log(days.close(bar) / days.close(bar - 1)));
        }
        assertThat(correlation(moves, 1)).isGreaterThan(0.1);
        Bars minutes = bars("KTRL", Timeframe.MINUTE, NOW - 60 * Times.DAY, NOW);
        double early = 0;
        double middle = 0;
        for (int bar = 0; bar < minutes.closed(); bar++) {
            int minute = (int)
                    ((minutes.openTime(bar) - WORLD.calendar().open(Times.date(minutes.openTime(bar), WORLD.zone())))
                            / Times.MINUTE);
            early += minute < 30 ? minutes.volume(bar) : 0;
            middle += minute >= 240 && minute < 270 ? minutes.volume(bar) : 0;
        }
        assertThat(early).isGreaterThan(1.5 * middle);
    }

    private static double correlation(double[] values, int lag) {
        double mean = java.util.Arrays.stream(values).average().orElseThrow();
        double together = 0;
        double own = 0;
        for (int at = 0; at < values.length; at++) {
            own += (values[at] - mean) * (values[at] - mean);
            together += at >= lag ? (values[at] - mean) * (values[at - lag] - mean) : 0;
        }
        return together / own;
    }

    @Test
    void aFileThatIsNoWorldIsRefused() {
        Assertions.assertThatThrownBy(() -> World.read(new ByteArrayInputStream(
                        "{\"format\":\"other\",\"version\":1}".getBytes(StandardCharsets.UTF_8))))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("no world file");
    }
}

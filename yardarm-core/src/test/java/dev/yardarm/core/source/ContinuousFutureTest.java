package dev.yardarm.core.source;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarRequest.Joint;
import java.io.IOException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

/**
 * Two contracts over ten days, every day a session from 8 to 16. The first closes at 100, 101 ... and ends on the sixth
 * day; the second closes 10 above it. Volume moves over on the fourth day.
 */
class ContinuousFutureTest {
    private static final TradingCalendar DAYS = new TradingCalendar(
            ZoneOffset.UTC,
            LocalTime.of(8, 0),
            LocalTime.of(16, 0),
            EnumSet.allOf(java.time.DayOfWeek.class),
            Set.of());
    private static final LocalDate FIRST = LocalDate.of(2026, 6, 1);
    private static final Contracts.Contract NEAR =
            new Contracts.Contract(new InstrumentId("x", "N"), open(0), close(5));
    private static final Contracts.Contract FAR = new Contracts.Contract(new InstrumentId("x", "F"), open(0), close(9));
    private static final double[] NEAR_VOLUME = {90, 80, 70, 40, 20, 10};

    private static long open(int day) {
        return DAYS.open(FIRST.plusDays(day));
    }

    private static long close(int day) {
        return DAYS.close(FIRST.plusDays(day));
    }

    private static Bars days(Contracts.Contract contract, long now) {
        boolean near = contract == NEAR;
        BarSeries series = new BarSeries(10);
        for (int day = 0; day < (near ? 6 : 10) && close(day) <= now; day++) {
            double price = 100 + day + (near ? 0 : 10);
            series.append(open(day), close(day), price, price + 1, price - 1, price, near ? NEAR_VOLUME[day] : 50);
        }
        return series.snapshot();
    }

    private static List<ContinuousFuture.Turn> turns(RollRule rule, long now) throws IOException {
        return ContinuousFuture.turns(List.of(NEAR, FAR), rule, DAYS, (contract, from) -> days(contract, now), now);
    }

    @Test
    void byExpiryTheNextContractBeginsAfterTheLastSession() throws IOException {
        List<ContinuousFuture.Turn> turns = turns(RollRule.EXPIRY, close(9));
        assertThat(turns).hasSize(2);
        assertThat(turns.get(0).until())
                .isEqualTo(open(6))
                .isEqualTo(turns.get(1).from());
        assertThat(turns.get(0).difference()).isEqualTo(10);
        assertThat(turns.get(0).ratio()).isEqualTo(115.0 / 105);
    }

    @Test
    void daysBeforeAreSessionsCountedFromTheExpiry() throws IOException {
        assertThat(turns(RollRule.daysBefore(2), close(9)).get(0).until()).isEqualTo(open(3));
    }

    @Test
    void byVolumeItRollsOnTheSessionAfterTheNextOneHadMore() throws IOException {
        assertThat(turns(RollRule.VOLUME, close(9)).get(0).until()).isEqualTo(open(4));
    }

    @Test
    void whatWasNotKnownYetDecidesNothing() throws IOException {
        assertThat(turns(RollRule.VOLUME, close(3)))
                .as("the close of the day in which volume moved")
                .hasSize(1);
        assertThat(turns(RollRule.VOLUME, open(4))).hasSize(2);
    }

    @Test
    void joiningKeepsTheNewestPricesAndMovesTheEarlierOnes() throws IOException {
        List<ContinuousFuture.Turn> turns = turns(RollRule.VOLUME, close(9));
        ContinuousFuture.Reader reader = (contract, from) -> days(contract, close(9));
        Bars plain = ContinuousFuture.join(turns, Joint.UNADJUSTED, Long.MIN_VALUE, reader)
                .snapshot();
        Bars moved = ContinuousFuture.join(turns, Joint.DIFFERENCE, Long.MIN_VALUE, reader)
                .snapshot();
        Bars scaled = ContinuousFuture.join(turns, Joint.RATIO, Long.MIN_VALUE, reader)
                .snapshot();
        assertThat(plain.closed()).isEqualTo(10);
        assertThat(List.of(plain.close(3), plain.close(4))).containsExactly(103.0, 114.0);
        assertThat(List.of(moved.close(3), moved.close(4), moved.low(0))).containsExactly(113.0, 114.0, 109.0);
        assertThat(scaled.close(4)).isEqualTo(114);
        assertThat(scaled.close(3)).isEqualTo(Math.rint(103 * (113.0 / 103) * 1e8) / 1e8);
    }

    @Test
    void aPartIsReadFromWhereItBegins() throws IOException {
        Bars part = ContinuousFuture.join(
                        turns(RollRule.EXPIRY, close(9)), Joint.UNADJUSTED, open(7), (contract, from) -> {
                            assertThat(contract).isEqualTo(FAR);
                            return days(contract, close(9));
                        })
                .snapshot();
        assertThat(part.closed()).isEqualTo(4);
    }

    @Test
    void rollsAreWrittenAsTheyAreRead() {
        for (String text : List.of("expiry", "volume", "5 days before", "1 day before")) {
            assertThat(RollRule.parse(text)).hasToString(text);
        }
        assertThatThrownBy(() -> RollRule.parse("sometime")).hasMessageContaining("5 days before");
        assertThatThrownBy(() -> RollRule.daysBefore(0)).hasMessageContaining("1 to 60");
    }

    @Test
    void dividendsComeOffEarlierPrices() {
        BarSeries raw = new BarSeries(3);
        for (int day = 0; day < 3; day++) {
            raw.append(open(day), close(day), 100, 110, 90, 100, 7);
        }
        Bars adjusted = DividendAdjustment.adjust(
                        raw,
                        List.of(new CorporateActions.Dividend(open(1), 5), new CorporateActions.Dividend(open(2), 10)),
                        open(2))
                .snapshot();
        assertThat(adjusted.close(2)).isEqualTo(100);
        assertThat(adjusted.close(1)).isEqualTo(90);
        assertThat(adjusted.close(0)).isEqualTo(100 * (0.9 * 0.95));
        assertThat(adjusted.volume(0)).isEqualTo(7);
        assertThat(DividendAdjustment.adjust(raw, List.of(new CorporateActions.Dividend(open(2), 10)), open(1)))
                .as("not known yet")
                .isSameAs(raw);
    }

    @Test
    void requestsChangeOneThingAtATime() {
        BarRequest request = BarRequest.of(dev.yardarm.core.bars.Timeframe.DAY);
        assertThat(request.shortText()).isEqualTo("D");
        BarRequest ranged = request.withRule(dev.yardarm.core.bars.BarRule.parse("range:10"));
        assertThat(ranged.isTime()).isFalse();
        assertThat(ranged.shortText()).isEqualTo("range 10");
        assertThat(ranged.withRule(dev.yardarm.core.bars.BarRule.parse("time:5m"))
                        .shortText())
                .isEqualTo("5m");
        assertThat(ranged.withRule(null)).isEqualTo(request);
        assertThatThrownBy(() -> request.withDays(-1)).hasMessageContaining("below zero");
        assertThat(Map.of(request, 1)).containsKey(BarRequest.of(dev.yardarm.core.bars.Timeframe.DAY));
    }
}

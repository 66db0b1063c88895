package dev.yardarm.core.bars;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.SessionPart;
import dev.yardarm.core.session.TradingCalendar;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Sessions that open the evening before, their parts, half days, and what bars make of them. */
class SessionBarsTest {
    private static final ZoneId AZORES = ZoneId.of("Atlantic/Azores");
    private static final LocalDate HALF = LocalDate.of(2026, 12, 24);
    private static final TradingCalendar FUTURES = new TradingCalendar(
            AZORES,
            new TradingCalendar.Hours(LocalTime.of(18, 0), LocalTime.of(17, 0), true, LocalTime.of(8, 0)),
            EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY),
            Set.of(LocalDate.of(2026, 6, 10)),
            Map.of(HALF, LocalTime.of(12, 30)));

    private static long at(String local) {
        return Times.micros(LocalDateTime.parse(local).atZone(AZORES));
    }

    @Test
    void theSessionOpensOnTheEveningBefore() {
        LocalDate friday = LocalDate.of(2026, 6, 19);
        assertThat(FUTURES.open(friday)).isEqualTo(at("2026-06-18T18:00"));
        assertThat(FUTURES.sessionAt(at("2026-06-18T18:00"))).isEqualTo(friday);
        assertThat(FUTURES.sessionAt(at("2026-06-18T17:59"))).isEqualTo(LocalDate.of(2026, 6, 18));
        assertThat(FUTURES.sessionAt(at("2026-06-21T18:30")))
                .as("Sunday evening")
                .isEqualTo(LocalDate.of(2026, 6, 22));
        assertThat(FUTURES.sessionAt(at("2026-06-09T20:00")))
                .as("no evening before a holiday")
                .isEqualTo(LocalDate.of(2026, 6, 9));
        assertThat(FUTURES.isOpenAt(at("2026-06-19T17:30"))).isFalse();
    }

    @Test
    void dayAndEveningMakeUpTheWholeToTheSecond() {
        TradingCalendar day = FUTURES.part(SessionPart.DAY);
        TradingCalendar evening = FUTURES.part(SessionPart.EVENING);
        for (long time = at("2026-10-20T00:00"); time < at("2026-10-28T00:00"); time += 7 * Times.MINUTE + 13) {
            boolean inDay = day.isOpenAt(time);
            boolean inEvening = evening.isOpenAt(time);
            assertThat(inDay && inEvening).isFalse();
            assertThat(inDay || inEvening).isEqualTo(FUTURES.isOpenAt(time));
        }
        LocalDate tuesday = LocalDate.of(2026, 6, 16);
        assertThat(evening.close(tuesday)).isEqualTo(day.open(tuesday));
        assertThat(evening.isOpenAt(day.open(tuesday))).isFalse();
        assertThat(day.isOpenAt(day.open(tuesday))).isTrue();
    }

    @Test
    void ownHoursAreCutToThoseThereAreAndEmptyOnesAreRefused() {
        TradingCalendar own = FUTURES.part(SessionPart.parse("07:00-09:30"));
        assertThat(own.open(LocalDate.of(2026, 6, 19))).isEqualTo(at("2026-06-19T07:00"));
        TradingCalendar overnight = FUTURES.part(SessionPart.parse("20:00-02:00"));
        assertThat(overnight.open(LocalDate.of(2026, 6, 19))).isEqualTo(at("2026-06-18T20:00"));
        assertThat(overnight.close(LocalDate.of(2026, 6, 19))).isEqualTo(at("2026-06-19T02:00"));
        TradingCalendar late = FUTURES.part(SessionPart.parse("20:00-22:30"));
        assertThat(late.open(LocalDate.of(2026, 6, 19))).isEqualTo(at("2026-06-18T20:00"));
        assertThat(late.close(LocalDate.of(2026, 6, 19))).isEqualTo(at("2026-06-18T22:30"));
        assertThat(late.sessionAt(at("2026-06-19T10:00"))).isEqualTo(LocalDate.of(2026, 6, 19));
        assertThat(late.isOpenAt(at("2026-06-21T21:00"))).as("Sunday evening").isTrue();
        assertThat(late.usualLength()).isEqualTo(150 * Times.MINUTE);
        assertThat(FUTURES.part(SessionPart.parse("18:00-00:00")).close(LocalDate.of(2026, 6, 19)))
                .isEqualTo(at("2026-06-19T00:00"));
        assertThatThrownBy(() -> FUTURES.part(SessionPart.parse("17:10-17:50")))
                .hasMessageContaining("nothing is traded");
        TradingCalendar shares = new TradingCalendar(
                AZORES,
                LocalTime.of(8, 0),
                LocalTime.of(16, 30),
                EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY),
                Set.of());
        assertThatThrownBy(() -> shares.part(SessionPart.EVENING)).hasMessageContaining("no evening session");
        assertThat(shares.part(SessionPart.DAY)).isSameAs(shares);
        assertThat(shares.part(SessionPart.parse("06:00-09:00")).open(LocalDate.of(2026, 6, 19)))
                .isEqualTo(at("2026-06-19T08:00"));
        assertThatThrownBy(() -> SessionPart.parse("morning")).hasMessageContaining("09:00-12:30");
        assertThatThrownBy(() -> SessionPart.parse("09:00-09:00")).hasMessageContaining("empty");
        assertThat(SessionPart.parse("9:00 - 12:30")).hasToString("09:00-12:30");
    }

    @Test
    void halfDaysEndEarlyAndTheirBarsKeepTheirPlaces() {
        assertThat(FUTURES.close(HALF)).isEqualTo(at("2026-12-24T12:30"));
        BarGrid hours = new BarGrid(FUTURES, Timeframe.HOUR);
        assertThat(hours.slotAt(at("2026-12-24T12:10")).closeTime()).isEqualTo(at("2026-12-24T12:30"));
        assertThat(hours.position(at("2026-12-24T20:00"))).isLessThan(hours.position(at("2026-12-25T01:00")));
        double step = hours.position(at("2026-12-22T10:00")) - hours.position(at("2026-12-22T09:00"));
        assertThat(step).isEqualTo(1);
        assertThat(hours.position(at("2026-12-23T10:00")) - hours.position(at("2026-12-22T10:00")))
                .isEqualTo(23);
        assertThat(hours.position(at("2026-12-28T10:00")) - hours.position(at("2026-12-23T10:00")))
                .isEqualTo(69);
    }

    @Test
    void aFilterLetsThroughOnlyItsPart() {
        TradingCalendar day = FUTURES.part(SessionPart.DAY);
        BarBuilder hours = new BarBuilder(new BarGrid(day, Timeframe.HOUR), new BarSeries(4));
        BarMaker filtered = new SessionFilter(FUTURES, day, hours);
        filtered.addTick(at("2026-06-19T07:59:59"), 1, 1);
        filtered.addTick(at("2026-06-19T08:00"), 2, 1);
        filtered.addTick(at("2026-06-19T17:00"), 3, 1);
        filtered.addTick(at("2026-06-21T18:30"), 4, 1);
        Bars bars = filtered.series().snapshot();
        assertThat(bars.size()).isEqualTo(2);
        assertThat(bars.open(0)).isEqualTo(2);
        assertThat(bars.close(1)).as("the last trade of the whole session").isEqualTo(3);
    }

    @Test
    void keptGapsAreFlatBarsWithoutVolume() {
        BarBuilder minutes = new BarBuilder(new BarGrid(FUTURES, Timeframe.MINUTE), new BarSeries(4), true);
        minutes.addTick(at("2026-06-19T09:00:10"), 10, 1);
        minutes.addTick(at("2026-06-19T09:03:10"), 12, 1);
        Bars bars = minutes.series().snapshot();
        assertThat(bars.size()).isEqualTo(4);
        assertThat(bars.close(2)).isEqualTo(10);
        assertThat(bars.volume(2)).isZero();
        assertThat(bars.openTime(2)).isEqualTo(at("2026-06-19T09:02"));
    }

    @Test
    void barsMadeFromFinerOnesAreTheSameLiveAndLater() {
        BarGrid grid = new BarGrid(FUTURES, Timeframe.MINUTE);
        BarMaker live = new MadeFromFiner(grid, BarMakers.of(BarRule.parse("range:3"), FUTURES, 1, new BarSeries(4)));
        BarBuilder minutes = new BarBuilder(grid, new BarSeries(4));
        double[] prices = {10, 12, 15, 14, 9, 9, 13, 20, 18, 17};
        for (int tick = 0; tick < prices.length; tick++) {
            long time = at("2026-06-19T09:00:00") + tick * 25L * Times.SECOND;
            live.addTick(time, prices[tick], 4);
            minutes.addTick(time, prices[tick], 4);
            assertThat(live.lastPrice()).isEqualTo(prices[tick]);
            assertThat(live.series().formingClose())
                    .as("the forming bar shows the last trade")
                    .isEqualTo(prices[tick]);
        }
        long end = at("2026-06-19T09:10:00");
        live.advanceTo(end);
        minutes.advanceTo(end);
        BarMaker later = BarMakers.of(BarRule.parse("range:3"), FUTURES, 1, new BarSeries(4));
        Bars finer = minutes.series().snapshot();
        for (int bar = 0; bar < finer.closed(); bar++) {
            later.addBar(
                    finer.openTime(bar),
                    finer.closeTime(bar),
                    finer.open(bar),
                    finer.high(bar),
                    finer.low(bar),
                    finer.close(bar),
                    finer.volume(bar));
        }
        Bars one = live.series().snapshot();
        Bars other = later.series().snapshot();
        assertThat(one.size()).isEqualTo(other.size()).isGreaterThan(3);
        for (int bar = 0; bar < one.size(); bar++) {
            assertThat(List.of(one.open(bar), one.high(bar), one.low(bar), one.close(bar), one.volume(bar)))
                    .isEqualTo(List.of(
                            other.open(bar), other.high(bar), other.low(bar), other.close(bar), other.volume(bar)));
        }
    }
}

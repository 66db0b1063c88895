package dev.yardarm.core.bars;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class BarGridTest {
    private static final ZoneId AZORES = ZoneId.of("Atlantic/Azores");
    private static final TradingCalendar PVX = new TradingCalendar(
            AZORES,
            LocalTime.of(8, 0),
            LocalTime.of(16, 30),
            EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY),
            List.of(LocalDate.of(2026, 6, 10)));

    private static long at(String local) {
        return Times.micros(LocalDateTime.parse(local).atZone(AZORES));
    }

    private static BarGrid grid(String timeframe) {
        return new BarGrid(PVX, Timeframe.parse(timeframe).orElseThrow());
    }

    @Test
    void intradayBarsAreCountedFromTheOpenAndEndWithTheSession() {
        BarGrid hours = grid("4h");
        assertThat(hours.slotAt(at("2026-06-19T11:59:59")))
                .isEqualTo(new BarGrid.Slot(at("2026-06-19T08:00"), at("2026-06-19T12:00")));
        assertThat(hours.slotAt(at("2026-06-19T16:29")))
                .isEqualTo(new BarGrid.Slot(at("2026-06-19T16:00"), at("2026-06-19T16:30")));
        assertThat(hours.next(hours.slotAt(at("2026-06-19T16:29"))).openTime()).isEqualTo(at("2026-06-22T08:00"));
        assertThat(grid("7m").slotAt(at("2026-06-19T08:13")).openTime()).isEqualTo(at("2026-06-19T08:07"));
    }

    @Test
    void weekWithAHolidayAndMonthFollowTheCalendar() {
        assertThat(grid("W").slotAt(at("2026-06-11T09:00")))
                .isEqualTo(new BarGrid.Slot(at("2026-06-08T08:00"), at("2026-06-12T16:30")));
        assertThat(grid("M").slotAt(at("2026-06-11T09:00")))
                .isEqualTo(new BarGrid.Slot(at("2026-06-01T08:00"), at("2026-06-30T16:30")));
        assertThat(grid("D").slotAt(at("2026-06-10T12:00")).openTime()).isEqualTo(at("2026-06-09T08:00"));
        assertThat(grid("Q").slotAt(at("2026-06-11T09:00")).openTime()).isEqualTo(at("2026-04-01T08:00"));
        assertThat(grid("Y").slotAt(at("2026-06-11T09:00")).openTime()).isEqualTo(at("2026-01-01T08:00"));
    }

    /** On 29 March 2026 the clocks of the Azores go from UTC-1 to UTC, on 25 October back. */
    @Test
    void sessionsKeepTheirLocalTimeAcrossDaylightSaving() {
        long friday = PVX.open(LocalDate.of(2026, 3, 27));
        long monday = PVX.open(LocalDate.of(2026, 3, 30));
        assertThat(monday - friday).isEqualTo(3 * Times.DAY - Times.HOUR);
        assertThat(PVX.open(LocalDate.of(2026, 10, 26)) - PVX.open(LocalDate.of(2026, 10, 23)))
                .isEqualTo(3 * Times.DAY + Times.HOUR);
        assertThat(grid("1h").next(grid("1h").slotAt(at("2026-03-27T16:10"))).openTime())
                .isEqualTo(monday);
        assertThat(Times.at(monday, AZORES).toLocalTime()).isEqualTo(LocalTime.of(8, 0));
    }

    @Test
    void minutesAddUpToDaysWeeksAndMonthsAcrossDaylightSaving() {
        BarSeries minutes = new BarSeries(20_000);
        double price = 50;
        int count = 0;
        for (LocalDate day = LocalDate.of(2026, 3, 23); day.isBefore(LocalDate.of(2026, 4, 7)); day = PVX.next(day)) {
            for (long open = PVX.open(day); open < PVX.close(day); open += Times.MINUTE) {
                double close = price + ((count * 7919) % 13 - 6) * 0.01;
                minutes.append(
                        open,
                        open + Times.MINUTE,
                        price,
                        Math.max(price, close) + 0.01,
                        Math.min(price, close) - 0.01,
                        close,
                        3);
                price = close;
                count++;
            }
        }
        long now = Long.MAX_VALUE / 2;
        Bars days = BarBuilder.aggregate(minutes.snapshot(), grid("D"), now).snapshot();
        Bars weeks = BarBuilder.aggregate(days, grid("W"), now).snapshot();
        Bars weeksFromMinutes =
                BarBuilder.aggregate(minutes.snapshot(), grid("W"), now).snapshot();
        Bars hours = BarBuilder.aggregate(minutes.snapshot(), grid("1h"), now).snapshot();
        assertThat(days.closed()).isEqualTo(11);
        assertThat(hours.closed()).isEqualTo(11 * 9);
        assertThat(days.volume(5)).isEqualTo(510 * 3);
        assertThat(days.openTime(5)).isEqualTo(PVX.open(LocalDate.of(2026, 3, 30)));
        assertThat(weeks.closed()).isEqualTo(3).isEqualTo(weeksFromMinutes.closed());
        for (int week = 0; week < 3; week++) {
            assertThat(weeks.open(week)).isEqualTo(weeksFromMinutes.open(week));
            assertThat(weeks.high(week)).isEqualTo(weeksFromMinutes.high(week));
            assertThat(weeks.low(week)).isEqualTo(weeksFromMinutes.low(week));
            assertThat(weeks.close(week)).isEqualTo(weeksFromMinutes.close(week));
            assertThat(weeks.volume(week)).isEqualTo(weeksFromMinutes.volume(week));
            assertThat(weeks.closeTime(week)).isEqualTo(weeksFromMinutes.closeTime(week));
        }
        assertThat(Bars.EMPTY.isEmpty()).isTrue();
    }

    @Test
    void buildingLiveGivesTheSameBarsAsBuildingFromScratch() {
        BarSeries live = new BarSeries(0);
        BarBuilder builder = new BarBuilder(grid("15m"), live);
        BarSeries whole = new BarSeries(0);
        BarBuilder again = new BarBuilder(grid("15m"), whole);
        long time = at("2026-06-19T08:00");
        for (int trade = 0; trade < 3000; trade++) {
            time += (trade * 7919L % 17 + 1) * Times.SECOND;
            double price = 100 + Math.sin(trade / 40.0);
            builder.addTick(time, price, 2);
            builder.advanceTo(time);
            again.addTick(time, price, 2);
        }
        Bars one = live.snapshot();
        Bars other = whole.snapshot();
        assertThat(one.size()).isEqualTo(other.size());
        for (int bar = 0; bar < one.size(); bar++) {
            assertThat(one.openTime(bar)).isEqualTo(other.openTime(bar));
            assertThat(one.close(bar)).isEqualTo(other.close(bar));
            assertThat(one.volume(bar)).isEqualTo(other.volume(bar));
        }
    }

    @Test
    void formingBarClosesWhenItsTimeHasCome() {
        BarBuilder builder = new BarBuilder(grid("15m"), new BarSeries(0));
        builder.addTick(at("2026-06-19T08:03"), 10, 1);
        builder.advanceTo(at("2026-06-19T08:14:59"));
        assertThat(builder.series().hasForming()).isTrue();
        builder.advanceTo(at("2026-06-19T08:15"));
        assertThat(builder.series().hasForming()).isFalse();
        assertThat(builder.series().closed()).isEqualTo(1);
    }

    @Test
    void positionsCountBarsAndStandStillBetweenSessions() {
        for (String name : List.of("15m", "1h", "4h", "D", "3D", "W", "M")) {
            BarGrid grid = grid(name);
            BarGrid.Slot slot = grid.slotAt(at("2026-05-04T09:00"));
            double start = grid.position(slot.openTime());
            for (int bar = 0; bar < 40; bar++) {
                assertThat(grid.position(slot.openTime()))
                        .as(name + " bar " + bar)
                        .isCloseTo(start + bar, within(1e-6));
                slot = grid.next(slot);
            }
        }
        BarGrid days = grid("D");
        assertThat(days.position(at("2026-06-19T20:00"))).isEqualTo(days.position(at("2026-06-22T08:00")));
    }

    @Test
    void timeframesAreReadAndWritten() {
        assertThat(Timeframe.parse("15m")).contains(Timeframe.MINUTES_15);
        assertThat(Timeframe.parse("M")).contains(Timeframe.MONTH);
        assertThat(Timeframe.parse("d")).contains(Timeframe.DAY);
        assertThat(Timeframe.parse("3D").orElseThrow()).hasToString("3D");
        for (String bad : List.of("m", "0D", "", "D3", "15", "x", "99999m")) {
            assertThat(Timeframe.parse(bad)).as(bad).isEmpty();
        }
        assertThat(Timeframe.STANDARD).isSortedAccordingTo(java.util.Comparator.reverseOrder());
        for (Timeframe timeframe : Timeframe.STANDARD) {
            assertThat(Timeframe.parse(timeframe.toString())).contains(timeframe);
        }
    }

    @Test
    void ordinalsCountSessionsOverHolidaysAndWeekends() {
        LocalDate day = LocalDate.of(2026, 6, 1);
        long ordinal = PVX.ordinal(day);
        for (int step = 0; step < 400; step++) {
            assertThat(PVX.ordinal(day)).isEqualTo(ordinal + step);
            assertThat(PVX.previous(PVX.next(day))).isEqualTo(day);
            day = PVX.next(day);
        }
        assertThat(PVX.isTradingDay(LocalDate.of(2026, 6, 10))).isFalse();
        TradingCalendar clock = TradingCalendar.roundTheClock(AZORES);
        assertThat(clock.close(LocalDate.of(2026, 3, 29)) - clock.open(LocalDate.of(2026, 3, 29)))
                .isEqualTo(23 * Times.HOUR);
        assertThat(new TradingCalendar(
                                AZORES, LocalTime.of(8, 0), LocalTime.MIDNIGHT, Set.of(DayOfWeek.MONDAY), List.of())
                        .sessionAt(at("2026-06-20T10:00")))
                .isEqualTo(LocalDate.of(2026, 6, 15));
    }
}

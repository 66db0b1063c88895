package dev.yardarm.core.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.series.Times;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class TradingCalendarTest {
    private static final List<String> ZONES =
            List.of("Atlantic/Azores", "UTC", "Pacific/Auckland", "America/St_Johns", "Asia/Kathmandu");

    /** A calendar of random days, hours and holidays. */
    private static TradingCalendar made(long seed) {
        Random random = new Random(seed);
        EnumSet<DayOfWeek> days = EnumSet.noneOf(DayOfWeek.class);
        for (DayOfWeek day : DayOfWeek.values()) {
            if (random.nextInt(3) > 0) {
                days.add(day);
            }
        }
        days.add(DayOfWeek.of(1 + random.nextInt(7)));
        List<LocalDate> holidays = new ArrayList<>();
        for (int holiday = 0; holiday < random.nextInt(12); holiday++) {
            holidays.add(LocalDate.of(2026, 1, 1).plusDays(random.nextInt(365)));
        }
        int open = random.nextInt(20);
        LocalTime close = random.nextInt(4) == 0
                ? LocalTime.MIDNIGHT
                : LocalTime.of(open + 1 + random.nextInt(23 - open), random.nextInt(60));
        return new TradingCalendar(
                ZoneId.of(ZONES.get(random.nextInt(ZONES.size()))), LocalTime.of(open, 0), close, days, holidays);
    }

    @Property(tries = 200)
    void ordinalsCountTradingDays(@ForAll long seed, @ForAll @IntRange(max = 500) int offset) {
        TradingCalendar calendar = made(seed);
        LocalDate from = LocalDate.of(2025, 12, 1);
        LocalDate to = from.plusDays(offset);
        long counted = 0;
        for (LocalDate day = from; day.isBefore(to); day = day.plusDays(1)) {
            counted += calendar.isTradingDay(day) ? 1 : 0;
        }
        assertThat(calendar.ordinal(to) - calendar.ordinal(from)).isEqualTo(counted);
    }

    @Property(tries = 200)
    void aMomentBelongsToTheLastSessionThatHadOpened(@ForAll long seed, @ForAll @IntRange(max = 525_600) int minute) {
        TradingCalendar calendar = made(seed);
        long time = Times.micros(Instant.parse("2026-01-01T00:00:00Z")) + minute * Times.MINUTE;
        LocalDate session = calendar.sessionAt(time);
        assertThat(calendar.isTradingDay(session)).isTrue();
        assertThat(calendar.open(session)).isLessThanOrEqualTo(time);
        assertThat(calendar.open(calendar.next(session))).isGreaterThan(time);
        assertThat(calendar.isOpenAt(time)).isEqualTo(time < calendar.close(session));
    }

    @Property(tries = 150)
    void slotsFollowEachOtherAndHoldTheirMoments(@ForAll long seed, @ForAll @IntRange(max = 500_000) int minute) {
        TradingCalendar calendar = made(seed);
        Random random = new Random(seed);
        List<String> names = List.of("1m", "7m", "1h", "4h", "D", "2D", "W", "2W", "M", "Q", "Y");
        BarGrid grid = new BarGrid(
                calendar,
                Timeframe.parse(names.get(random.nextInt(names.size()))).orElseThrow());
        long time = Times.micros(Instant.parse("2026-01-01T00:00:00Z")) + minute * Times.MINUTE;
        BarGrid.Slot slot = grid.slotAt(time);
        assertThat(slot.openTime()).isLessThanOrEqualTo(time);
        assertThat(slot.closeTime()).isGreaterThan(slot.openTime());
        assertThat(grid.slotAt(slot.openTime())).isEqualTo(slot);
        assertThat(grid.slotAt(slot.closeTime() - 1)).isEqualTo(slot);
        BarGrid.Slot next = grid.next(slot);
        assertThat(next.openTime()).isGreaterThanOrEqualTo(slot.closeTime()).isGreaterThan(time);
        assertThat(grid.position(time)).isLessThanOrEqualTo(grid.position(next.openTime()));
        assertThat(grid.position(slot.openTime())).isLessThan(grid.position(next.openTime()));
    }

    @Test
    void timesGoToInstantsAndBack() {
        for (String text : List.of(
                "1969-12-31T23:59:59.999999Z",
                "1970-01-01T00:00:00Z",
                "2026-06-19T15:42:00.000001Z",
                "0001-01-01T00:00:00Z",
                "9999-12-31T23:59:59Z")) {
            assertThat(Times.instant(Times.micros(Instant.parse(text)))).isEqualTo(Instant.parse(text));
        }
        assertThat(Times.date(-1, ZoneOffset.UTC)).isEqualTo(LocalDate.of(1969, 12, 31));
    }

    @Test
    void impossibleSessionsAreRefused() {
        assertThatThrownBy(() -> new TradingCalendar(
                        ZoneOffset.UTC, LocalTime.NOON, LocalTime.of(11, 0), EnumSet.allOf(DayOfWeek.class), Set.of()))
                .hasMessageContaining("close after it opens");
        assertThatThrownBy(() ->
                        new TradingCalendar(ZoneOffset.UTC, LocalTime.NOON, LocalTime.of(13, 0), Set.of(), Set.of()))
                .hasMessageContaining("at least one trading day");
    }
}

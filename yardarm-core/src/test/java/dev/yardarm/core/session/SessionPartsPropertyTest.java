package dev.yardarm.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.series.Times;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;

/** What holds for every calendar that opens the evening before, in zones with and without daylight saving time. */
class SessionPartsPropertyTest {
    private static final List<String> ZONES =
            List.of("Atlantic/Azores", "UTC", "Pacific/Auckland", "America/St_Johns", "Asia/Kathmandu");

    private static TradingCalendar made(long seed) {
        Random random = new Random(seed);
        LocalTime close = LocalTime.of(14 + random.nextInt(4), 15 * random.nextInt(4));
        LocalTime open = close.plusMinutes(15L * (1 + random.nextInt(12)));
        LocalTime dayStart = LocalTime.of(6 + random.nextInt(4), 30 * random.nextInt(2));
        Map<LocalDate, LocalTime> halfDays = new HashMap<>();
        for (int number = 0; number < random.nextInt(5); number++) {
            halfDays.put(LocalDate.of(2026, 1, 1).plusDays(random.nextInt(365)), LocalTime.of(12, 0));
        }
        return new TradingCalendar(
                ZoneId.of(ZONES.get(random.nextInt(ZONES.size()))),
                new TradingCalendar.Hours(open, close, true, dayStart),
                EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY),
                Set.of(LocalDate.of(2026, 1, 1).plusDays(random.nextInt(365))),
                halfDays);
    }

    @Property(tries = 150)
    void everyOpenMomentIsInExactlyOnePart(@ForAll long seed, @ForAll @IntRange(max = 525_000) int minute) {
        TradingCalendar whole = made(seed);
        long time = Times.micros(LocalDate.of(2026, 1, 1).atStartOfDay(whole.zone()))
                + minute * Times.MINUTE
                + new Random(seed).nextInt(60) * Times.SECOND;
        boolean day = whole.part(SessionPart.DAY).isOpenAt(time);
        boolean evening = whole.part(SessionPart.EVENING).isOpenAt(time);
        assertThat(day && evening).isFalse();
        assertThat(day || evening).isEqualTo(whole.isOpenAt(time));
    }

    @Property(tries = 150)
    void aSessionBeginsAtItsOpenAndOrdersLikeItsDates(@ForAll long seed, @ForAll @IntRange(max = 360) int offset) {
        TradingCalendar whole = made(seed);
        LocalDate day = whole.sameOrNext(LocalDate.of(2026, 1, 1).plusDays(offset));
        assertThat(whole.sessionAt(whole.open(day))).isEqualTo(day);
        assertThat(whole.sessionAt(whole.open(day) - 1)).isEqualTo(whole.previous(day));
        assertThat(whole.open(whole.next(day))).isGreaterThanOrEqualTo(whole.close(day));
        assertThat(whole.usualLength()).isPositive().isLessThan(Times.DAY);
    }

    @Property(tries = 150)
    void slotsFollowEachOtherWithoutOverlapAndEndWithTheSession(
            @ForAll long seed, @ForAll @IntRange(max = 340) int offset) {
        TradingCalendar whole = made(seed);
        for (String text : List.of("7m", "1h", "4h", "D", "W")) {
            BarGrid grid = new BarGrid(whole, Timeframe.parse(text).orElseThrow());
            BarGrid.Slot slot = grid.slotAt(
                    whole.open(whole.sameOrNext(LocalDate.of(2026, 1, 1).plusDays(offset))));
            double position = grid.position(slot.openTime());
            for (int step = 0; step < 40; step++) {
                BarGrid.Slot next = grid.next(slot);
                assertThat(next.openTime()).as(text).isGreaterThanOrEqualTo(slot.closeTime());
                assertThat(next.closeTime()).isGreaterThan(next.openTime());
                assertThat(grid.slotAt(next.openTime())).isEqualTo(next);
                double nextPosition = grid.position(next.openTime());
                assertThat(nextPosition).isGreaterThan(position - 1e-9);
                position = nextPosition;
                slot = next;
            }
        }
    }

    @Property(tries = 100)
    void ownHoursLieWithinTheSession(
            @ForAll long seed,
            @ForAll @IntRange(max = 95) int from,
            @ForAll @IntRange(min = 1, max = 60) int quarters) {
        TradingCalendar whole = made(seed);
        LocalTime start = LocalTime.MIDNIGHT.plusMinutes(15L * from);
        LocalTime end = start.plusMinutes(15L * quarters);
        TradingCalendar own;
        try {
            own = whole.part(SessionPart.own(start, end));
        } catch (IllegalArgumentException nothingThere) {
            assertThat(nothingThere).hasMessageContaining("nothing is traded");
            return;
        }
        LocalDate day = whole.sameOrNext(LocalDate.of(2026, 3, 2));
        assertThat(own.open(day)).isGreaterThanOrEqualTo(whole.open(day));
        assertThat(own.usualLength()).isPositive().isLessThanOrEqualTo(15L * quarters * Times.MINUTE);
    }
}

package dev.yardarm.core.session;

import dev.yardarm.core.series.Times;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.Collection;
import java.util.EnumSet;
import java.util.Set;

/**
 * The sessions of an exchange: one a trading day, from a local opening time to a local closing time.
 *
 * <p>Local times stay what they are across a change to or from daylight saving time, so the length of a session in
 * real time is the same all year unless the change happens inside it (sessions round the clock), and the distance
 * between two openings is 23, 24 or 25 hours. A closing time of midnight means the end of the day.
 *
 * <p>Sessions are numbered by {@link #ordinal(LocalDate)}, which is arithmetic on weeks and a binary search in the
 * holidays: no table is kept and any date may be asked for.
 */
public final class TradingCalendar {
    private static final LocalDate FIRST_MONDAY = LocalDate.of(1900, 1, 1);

    private final ZoneId zone;
    private final LocalTime open;
    private final LocalTime close;
    private final Set<DayOfWeek> days;
    private final long[] holidays;
    private final int[] tradingDaysBefore = new int[8];

    /**
     * @param close the local closing time, midnight for the end of the day
     * @param holidays days without trading; those that fall on a day without trading anyway do not matter
     */
    public TradingCalendar(ZoneId zone, LocalTime open, LocalTime close, Set<DayOfWeek> days,
                           Collection<LocalDate> holidays) {
        if (days.isEmpty()) {
            throw new IllegalArgumentException("a calendar needs at least one trading day a week");
        }
        if (!close.equals(LocalTime.MIDNIGHT) && !close.isAfter(open)) {
            throw new IllegalArgumentException("a session must close after it opens: " + open + " to " + close);
        }
        this.zone = zone;
        this.open = open;
        this.close = close;
        this.days = EnumSet.copyOf(days);
        this.holidays = holidays.stream().filter(day -> days.contains(day.getDayOfWeek()))
                .mapToLong(LocalDate::toEpochDay).sorted().distinct().toArray();
        for (int day = 0; day < 7; day++) {
            tradingDaysBefore[day + 1] = tradingDaysBefore[day] + (days.contains(DayOfWeek.of(day + 1)) ? 1 : 0);
        }
    }

    /** Every day of the week, midnight to midnight. */
    public static TradingCalendar roundTheClock(ZoneId zone) {
        return new TradingCalendar(zone, LocalTime.MIDNIGHT, LocalTime.MIDNIGHT, EnumSet.allOf(DayOfWeek.class),
                Set.of());
    }

    public ZoneId zone() {
        return zone;
    }

    public boolean isTradingDay(LocalDate date) {
        return days.contains(date.getDayOfWeek()) && Arrays.binarySearch(holidays, date.toEpochDay()) < 0;
    }

    /** Opening time of the session of a date, whether or not there is trading on it. */
    public long open(LocalDate date) {
        return Times.micros(date.atTime(open).atZone(zone));
    }

    /** Closing time of the session of a date, whether or not there is trading on it. */
    public long close(LocalDate date) {
        return close.equals(LocalTime.MIDNIGHT)
                ? Times.micros(date.plusDays(1).atStartOfDay(zone))
                : Times.micros(date.atTime(close).atZone(zone));
    }

    /** Number of sessions before this date, counted from 1900; negative before. Cost: a binary search. */
    public long ordinal(LocalDate date) {
        long sinceMonday = date.toEpochDay() - FIRST_MONDAY.toEpochDay();
        long weeks = Math.floorDiv(sinceMonday, 7L);
        int weekday = (int) Math.floorMod(sinceMonday, 7L);
        int found = Arrays.binarySearch(holidays, date.toEpochDay());
        return weeks * tradingDaysBefore[7] + tradingDaysBefore[weekday] - (found < 0 ? -found - 1 : found);
    }

    /** The date itself when it is a trading day, else the next one. */
    public LocalDate sameOrNext(LocalDate date) {
        LocalDate day = date;
        while (!isTradingDay(day)) {
            day = day.plusDays(1);
        }
        return day;
    }

    public LocalDate next(LocalDate date) {
        return sameOrNext(date.plusDays(1));
    }

    /** The date itself when it is a trading day, else the one before. */
    public LocalDate sameOrPrevious(LocalDate date) {
        LocalDate day = date;
        while (!isTradingDay(day)) {
            day = day.minusDays(1);
        }
        return day;
    }

    public LocalDate previous(LocalDate date) {
        return sameOrPrevious(date.minusDays(1));
    }

    /**
     * The session a moment belongs to: the last one that had opened by then. A moment after the close, in the night
     * or on a holiday belongs to the session before it.
     */
    public LocalDate sessionAt(long time) {
        LocalDate day = sameOrPrevious(Times.date(time, zone));
        return time >= open(day) ? day : previous(day);
    }

    /** True between the opening (included) and the close (excluded) of a session. */
    public boolean isOpenAt(long time) {
        return time < close(sessionAt(time));
    }
}

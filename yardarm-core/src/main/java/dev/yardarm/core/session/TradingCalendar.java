package dev.yardarm.core.session;

import dev.yardarm.core.series.Times;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.Collection;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;

/**
 * The sessions of an exchange: one a trading day, from a local opening time to a local closing time. A session may open
 * on the evening before its day; it is named by the day it closes on. On half days it closes earlier.
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
    private final boolean opensTheDayBefore;
    private final boolean closesTheDayBefore;
    private final LocalTime dayStart;
    private final Map<LocalDate, LocalTime> halfDays;
    private final Set<DayOfWeek> days;
    private final long[] holidays;
    private final int[] tradingDaysBefore = new int[8];

    /**
     * @param close the local closing time, midnight for the end of the day
     * @param holidays days without trading; those that fall on a day without trading anyway do not matter
     */
    public TradingCalendar(
            ZoneId zone, LocalTime open, LocalTime close, Set<DayOfWeek> days, Collection<LocalDate> holidays) {
        this(zone, new Hours(open, close, false, null), days, holidays, Map.of());
    }

    /**
     * @param halfDays closing times of the days that end early
     */
    public TradingCalendar(
            ZoneId zone,
            Hours hours,
            Set<DayOfWeek> days,
            Collection<LocalDate> holidays,
            Map<LocalDate, LocalTime> halfDays) {
        if (days.isEmpty()) {
            throw new IllegalArgumentException("a calendar needs at least one trading day a week");
        }
        this.zone = zone;
        this.open = hours.open();
        this.close = hours.close();
        this.opensTheDayBefore = hours.opensTheDayBefore();
        this.closesTheDayBefore = hours.closesTheDayBefore();
        this.dayStart = hours.dayStart();
        this.halfDays = Map.copyOf(halfDays);
        this.days = EnumSet.copyOf(days);
        this.holidays = holidays.stream()
                .filter(day -> days.contains(day.getDayOfWeek()))
                .mapToLong(LocalDate::toEpochDay)
                .sorted()
                .distinct()
                .toArray();
        for (int day = 0; day < 7; day++) {
            tradingDaysBefore[day + 1] = tradingDaysBefore[day] + (days.contains(DayOfWeek.of(day + 1)) ? 1 : 0);
        }
    }

    /**
     * Local trading hours.
     *
     * @param close midnight for the end of the day
     * @param opensTheDayBefore true when the session opens on the calendar day before the one it closes on
     * @param closesTheDayBefore true when it closes on that day too: an evening alone
     * @param dayStart where the evening part ends and the day part begins; null when there is no evening part
     */
    public record Hours(
            LocalTime open,
            LocalTime close,
            boolean opensTheDayBefore,
            boolean closesTheDayBefore,
            LocalTime dayStart) {
        public Hours(LocalTime open, LocalTime close, boolean opensTheDayBefore, LocalTime dayStart) {
            this(open, close, opensTheDayBefore, false, dayStart);
        }

        public Hours {
            boolean endsAtMidnight = close.equals(LocalTime.MIDNIGHT);
            if (closesTheDayBefore && (!opensTheDayBefore || !endsAtMidnight && !close.isAfter(open))) {
                throw new IllegalArgumentException("a session must close after it opens: " + open + " to " + close);
            }
            if (!opensTheDayBefore && !endsAtMidnight && !close.isAfter(open)) {
                throw new IllegalArgumentException("a session must close after it opens: " + open + " to " + close);
            }
            if (opensTheDayBefore && !closesTheDayBefore && (endsAtMidnight || close.isAfter(open))) {
                throw new IllegalArgumentException(
                        "a session that opens the day before must be shorter than a day: " + open + " to " + close);
            }
        }
    }

    /** Every day of the week, midnight to midnight in UTC. */
    public static final TradingCalendar ROUND_THE_CLOCK = roundTheClock(ZoneOffset.UTC);

    /** Every day of the week, midnight to midnight. */
    public static TradingCalendar roundTheClock(ZoneId zone) {
        return new TradingCalendar(
                zone, LocalTime.MIDNIGHT, LocalTime.MIDNIGHT, EnumSet.allOf(DayOfWeek.class), Set.of());
    }

    public ZoneId zone() {
        return zone;
    }

    public boolean isTradingDay(LocalDate date) {
        return days.contains(date.getDayOfWeek()) && Arrays.binarySearch(holidays, date.toEpochDay()) < 0;
    }

    /** Opening time of the session of a date, whether or not there is trading on it. */
    public long open(LocalDate date) {
        return Times.micros(
                (opensTheDayBefore ? date.minusDays(1) : date).atTime(open).atZone(zone));
    }

    /** Closing time of the session of a date, whether or not there is trading on it. */
    public long close(LocalDate date) {
        LocalTime early = closesTheDayBefore ? null : halfDays.get(date);
        LocalTime end = early == null || close.equals(LocalTime.MIDNIGHT) || early.isAfter(close) ? close : early;
        LocalDate day = closesTheDayBefore ? date.minusDays(1) : date;
        long whole = end.equals(LocalTime.MIDNIGHT)
                ? Times.micros(day.plusDays(1).atStartOfDay(zone))
                : Times.micros(day.atTime(end).atZone(zone));
        return Math.max(whole, open(date) + Times.MINUTE);
    }

    /** True on days that close earlier than others. */
    public boolean isHalfDay(LocalDate date) {
        return halfDays.containsKey(date);
    }

    /** Length of a session that is neither cut short nor reaches over a change of the clocks, in microseconds. */
    public long usualLength() {
        long start = minutes(open) - (opensTheDayBefore ? 1440 : 0);
        long end = (close.equals(LocalTime.MIDNIGHT) ? 1440 : minutes(close)) - (closesTheDayBefore ? 1440 : 0);
        return (end - start) * Times.MINUTE;
    }

    /** True when the session has an evening part and a day part. */
    public boolean hasEvening() {
        return dayStart != null;
    }

    /** The local opening and closing time and what lies between. */
    public Hours hours() {
        return new Hours(open, close, opensTheDayBefore, closesTheDayBefore, dayStart);
    }

    /**
     * The calendar of a part of the session, by the same trading days.
     *
     * @throws IllegalArgumentException when nothing is traded in that part, with the hours there are
     */
    public TradingCalendar part(SessionPart part) {
        if (part.kind() == SessionPart.Kind.WHOLE) {
            return this;
        }
        if (part.kind() != SessionPart.Kind.OWN) {
            if (dayStart == null) {
                if (part.kind() == SessionPart.Kind.DAY) {
                    return this;
                }
                throw new IllegalArgumentException(
                        "there is no evening session; trading is from " + open + " to " + close + " " + zone.getId());
            }
            return with(
                    part.kind() == SessionPart.Kind.DAY
                            ? new Hours(dayStart, close, false, null)
                            : new Hours(open, dayStart, opensTheDayBefore, null));
        }
        return with(own(part.from(), part.to()));
    }

    /** The user's own hours, cut to those there are. */
    private Hours own(LocalTime from, LocalTime to) {
        long start = minutes(open) - (opensTheDayBefore ? 1440 : 0);
        long end = close.equals(LocalTime.MIDNIGHT) ? 1440 : minutes(close);
        for (long shift : new long[] {0, -1440}) {
            long first = minutes(from) + shift;
            long last = minutes(to) + (to.isAfter(from) ? shift : shift + 1440);
            long cutFirst = Math.max(first, start);
            long cutLast = Math.min(last, end);
            if (cutFirst < cutLast) {
                return new Hours(time(cutFirst), time(cutLast), cutFirst < 0, cutLast <= 0, null);
            }
        }
        throw new IllegalArgumentException("nothing is traded from " + from + " to " + to + "; trading is from " + open
                + " to " + close + " " + zone.getId());
    }

    private static long minutes(LocalTime time) {
        return time.toSecondOfDay() / 60;
    }

    private static LocalTime time(long minutes) {
        return LocalTime.ofSecondOfDay(Math.floorMod(minutes, 1440L) * 60);
    }

    private TradingCalendar with(Hours hours) {
        return new TradingCalendar(
                zone,
                hours,
                days,
                java.util.Arrays.stream(holidays)
                        .mapToObj(LocalDate::ofEpochDay)
                        .toList(),
                halfDays);
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
        LocalDate date = Times.date(time, zone);
        LocalDate day = sameOrPrevious(opensTheDayBefore ? date.plusDays(1) : date);
        while (time < open(day)) {
            day = previous(day);
        }
        return day;
    }

    /** True between the opening (included) and the close (excluded) of a session. */
    public boolean isOpenAt(long time) {
        return time < close(sessionAt(time));
    }
}

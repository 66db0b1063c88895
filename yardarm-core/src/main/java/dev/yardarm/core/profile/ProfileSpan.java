package dev.yardarm.core.profile;

import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;

/** Which spans of time have profiles of their own. */
public sealed interface ProfileSpan {
    /**
     * The span of a moment as its first moment and the first one behind it; null when the moment belongs to none, as between two sessions.
     *
     * <p>Cost: a few calls of the calendar; ask again only outside of the last answer.
     */
    long[] at(long time, TradingCalendar calendar);

    /** Each session, from its opening to its close. */
    record Session() implements ProfileSpan {
        @Override
        public long[] at(long time, TradingCalendar calendar) {
            LocalDate date = calendar.sessionAt(time);
            long close = calendar.close(date);
            return time < close ? new long[] {calendar.open(date), close} : null;
        }
    }

    /** Each day of the calendar, in its zone. */
    record Day() implements ProfileSpan {
        @Override
        public long[] at(long time, TradingCalendar calendar) {
            LocalDate date = Times.date(time, calendar.zone());
            return days(date, date.plusDays(1), calendar);
        }
    }

    /** Each week, from Monday on. */
    record Week() implements ProfileSpan {
        @Override
        public long[] at(long time, TradingCalendar calendar) {
            LocalDate monday =
                    Times.date(time, calendar.zone()).with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
            return days(monday, monday.plusWeeks(1), calendar);
        }
    }

    /** Each month. */
    record Month() implements ProfileSpan {
        @Override
        public long[] at(long time, TradingCalendar calendar) {
            LocalDate first = Times.date(time, calendar.zone()).withDayOfMonth(1);
            return days(first, first.plusMonths(1), calendar);
        }
    }

    /** One span of all, or between two moments. */
    record Between(long from, long to) implements ProfileSpan {
        public Between {
            if (from >= to) {
                throw new IllegalArgumentException("a span ends after it begins");
            }
        }

        @Override
        public long[] at(long time, TradingCalendar calendar) {
            return time >= from && time < to ? new long[] {from, to} : null;
        }
    }

    private static long[] days(LocalDate from, LocalDate to, TradingCalendar calendar) {
        return new long[] {
            Times.micros(from.atStartOfDay(calendar.zone())), Times.micros(to.atStartOfDay(calendar.zone()))
        };
    }
}

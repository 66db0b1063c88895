package dev.yardarm.market.generator;

import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.LocalDate;
import java.util.concurrent.atomic.AtomicLongArray;

/**
 * The numbered sessions of one calendar, from the first day of history to some way beyond the present. When a session
 * opens and closes is worked out when it is first asked for: of some calendars a start looks at few sessions or none.
 * May be used by several threads; two that ask at once work out the same.
 */
final class Sessions {
    private final TradingCalendar calendar;
    private final LocalDate[] days;
    /** Microseconds; 0, long before any history, where not worked out yet. */
    private final AtomicLongArray opens;

    private final AtomicLongArray closes;

    Sessions(TradingCalendar calendar, LocalDate first, LocalDate end) {
        this.calendar = calendar;
        LocalDate start = calendar.sameOrNext(first);
        int count = (int) (calendar.ordinal(calendar.sameOrNext(end)) - calendar.ordinal(start));
        days = new LocalDate[count];
        opens = new AtomicLongArray(count);
        closes = new AtomicLongArray(count);
        LocalDate day = start;
        for (int session = 0; session < count; session++) {
            days[session] = day;
            day = calendar.next(day);
        }
    }

    TradingCalendar calendar() {
        return calendar;
    }

    int count() {
        return days.length;
    }

    LocalDate day(int session) {
        return days[session];
    }

    long open(int session) {
        long open = opens.getPlain(session);
        if (open == 0) {
            open = calendar.open(days[session]);
            opens.setPlain(session, open);
        }
        return open;
    }

    long close(int session) {
        long close = closes.getPlain(session);
        if (close == 0) {
            close = calendar.close(days[session]);
            closes.setPlain(session, close);
        }
        return close;
    }

    int minutes(int session) {
        return (int) ((close(session) - open(session)) / Times.MINUTE);
    }

    /** The number of a day's session, or of the next one when there is none on that day. */
    int number(LocalDate day) {
        return (int) (calendar.ordinal(day) - calendar.ordinal(days[0]));
    }

    /** The session a moment belongs to; between sessions the one before; at most the last. */
    int at(long time) {
        return Math.min(number(calendar.sessionAt(time)), days.length - 1);
    }
}

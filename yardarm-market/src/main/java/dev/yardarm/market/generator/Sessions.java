package dev.yardarm.market.generator;

import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.LocalDate;

/** The numbered sessions of one calendar, from the first day of history to some way beyond the present. */
final class Sessions {
    private final TradingCalendar calendar;
    private final LocalDate[] days;
    private final long[] opens;
    private final long[] closes;

    Sessions(TradingCalendar calendar, LocalDate first, LocalDate end) {
        this.calendar = calendar;
        LocalDate start = calendar.sameOrNext(first);
        int count = (int) (calendar.ordinal(calendar.sameOrNext(end)) - calendar.ordinal(start));
        days = new LocalDate[count];
        opens = new long[count];
        closes = new long[count];
        LocalDate day = start;
        for (int session = 0; session < count; session++) {
            days[session] = day;
            opens[session] = calendar.open(day);
            closes[session] = calendar.close(day);
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
        return opens[session];
    }

    long close(int session) {
        return closes[session];
    }

    int minutes(int session) {
        return (int) ((closes[session] - opens[session]) / Times.MINUTE);
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

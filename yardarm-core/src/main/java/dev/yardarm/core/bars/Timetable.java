package dev.yardarm.core.bars;

import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.LocalDate;

/**
 * When something is due, in the time of a market: after each close, before each open, at the close of each bar. Times are
 * microseconds UTC.
 *
 * <pre>{@code
 * Timetable evenings = Timetable.atClose(calendar, 10 * Times.MINUTE);
 * long next = evenings.next(now);
 * }</pre>
 */
@FunctionalInterface
public interface Timetable {
    /** The first time it is due after a moment. */
    long next(long after);

    /**
     * The last time it was due up to a moment. Looks back in steps that grow, so it costs little however long it was not looked at.
     *
     * @param after times up to this one do not count
     * @return {@link Long#MIN_VALUE} when it was not due in between
     */
    default long last(long after, long upTo) {
        long span = Times.MINUTE;
        long from = Math.max(after, upTo - span);
        long due = next(from);
        while (due > upTo && from > after) {
            span *= 4;
            from = Math.max(after, upTo - span);
            due = next(from);
        }
        if (due > upTo) {
            return Long.MIN_VALUE;
        }
        for (long next = next(due); next <= upTo; next = next(next)) {
            due = next;
        }
        return due;
    }

    /** So many are counted by {@link #times}; who was away longer need not know more exactly. */
    int MOST = 1000;

    /** How often it was due after one moment and before another; {@link #MOST} for that many and more. */
    default int times(long after, long before) {
        int count = 0;
        for (long next = next(after); next < before && count < MOST; next = next(next)) {
            count++;
        }
        return count;
    }

    /**
     * At the close of each session.
     *
     * @param offset how much later; earlier below 0, but less than the session is long
     */
    static Timetable atClose(TradingCalendar calendar, long offset) {
        return after -> {
            LocalDate session = calendar.previous(calendar.sessionAt(after));
            while (calendar.close(session) + offset <= after) {
                session = calendar.next(session);
            }
            return calendar.close(session) + offset;
        };
    }

    /**
     * At the open of each session.
     *
     * @param offset how much later; earlier below 0
     */
    static Timetable atOpen(TradingCalendar calendar, long offset) {
        return after -> {
            LocalDate session = calendar.previous(calendar.sessionAt(after));
            while (calendar.open(session) + offset <= after) {
                session = calendar.next(session);
            }
            return calendar.open(session) + offset;
        };
    }

    /** At the close of each bar of a grid. */
    static Timetable atBarClose(BarGrid grid) {
        return after -> {
            long close = grid.slotAt(after).closeTime();
            TradingCalendar calendar = grid.calendar();
            // The last bar of a session is over: the first of the next one is due.
            return close > after
                    ? close
                    : grid.slotAt(calendar.open(calendar.next(calendar.sessionAt(after))))
                            .closeTime();
        };
    }
}

package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.IsoFields;
import java.time.temporal.TemporalAdjusters;
import java.util.function.ToLongFunction;
import java.util.function.UnaryOperator;

/**
 * The number of the session, week, month ... a bar belongs to: equal numbers, same period. Worked out once a period and
 * kept for the bars that follow.
 */
final class PeriodNumber implements BarValue {
    private final TradingCalendar calendar;
    private final ToLongFunction<LocalDate> number;
    /** The last day of the period a day is in. */
    private final UnaryOperator<LocalDate> last;

    private long from = Long.MAX_VALUE;
    private long until = Long.MIN_VALUE;
    private double current;

    PeriodNumber(TradingCalendar calendar, Period period) {
        this.calendar = calendar;
        this.number = switch (period) {
            case SESSION -> LocalDate::toEpochDay;
            // Epoch day 0 was a Thursday: weeks begin on Monday.
            case WEEK -> day -> Math.floorDiv(day.toEpochDay() + 3, 7);
            case MONTH -> day -> day.getYear() * 12L + day.getMonthValue();
            case QUARTER -> day -> day.getYear() * 4L + day.get(IsoFields.QUARTER_OF_YEAR);
            case YEAR -> LocalDate::getYear;
        };
        this.last = switch (period) {
            case SESSION -> day -> day;
            case WEEK -> day -> day.with(TemporalAdjusters.nextOrSame(DayOfWeek.SUNDAY));
            case MONTH -> day -> day.with(TemporalAdjusters.lastDayOfMonth());
            case QUARTER ->
                day -> day.withDayOfMonth(1)
                        .plusMonths(2 - (day.getMonthValue() - 1) % 3)
                        .with(TemporalAdjusters.lastDayOfMonth());
            case YEAR -> day -> day.with(TemporalAdjusters.lastDayOfYear());
        };
    }

    @Override
    public double at(Bars bars, int bar) {
        long time = bars.openTime(bar);
        if (time < from || time >= until) {
            LocalDate day = calendar.sessionAt(time);
            from = Math.min(time, calendar.open(day));
            until = Math.max(time + 1, calendar.open(calendar.next(last.apply(day))));
            current = number.applyAsLong(day);
        }
        return current;
    }

    /** Time of day of a bar's open in its session, in minutes from the session's open. */
    static BarValue minuteOfSession(TradingCalendar calendar) {
        PeriodNumber session = new PeriodNumber(calendar, Period.SESSION);
        return (bars, bar) -> {
            session.at(bars, bar);
            long minutes = (bars.openTime(bar) - session.from) / Times.MINUTE;
            return (double) minutes;
        };
    }
}

package dev.yardarm.core.indicator.catalogue;

import dev.yardarm.core.calculation.BarValue;
import dev.yardarm.core.indicator.Declared;
import dev.yardarm.core.indicator.Recipe;
import dev.yardarm.core.series.Times;
import java.time.LocalDate;
import java.util.function.ToIntFunction;

/**
 * When a bar is: the hour its time of day falls in, and day, weekday and month of the session it belongs to, in the zone of its calendar. O(1) a
 * bar.
 */
public final class Clock extends Declared {
    public Clock() {
        super(Family.STATISTICS, "clock", "Hour, weekday, month");
        also("hour", "weekday", "month", "time of day", "day of the week", "seasonality");
        fitted();
        output("hour", "Hour of the day", Form.STEPS);
        output("weekday", "Weekday, Monday is 1", Form.NONE);
        output("day", "Day of the month", Form.NONE);
        output("month", "Month, January is 1", Form.NONE);
        output("session_minute", "Minutes since the session opened", Form.NONE);
        help(
                "When a bar is, as numbers for conditions: hour >= 14, weekday <> 5, month = 12.",
                "hour: of the bar's open, 0 to 23, in the zone of its exchange. weekday (Monday 1 to Sunday 7), day and month: of the "
                        + "session the bar belongs to, so that an evening that belongs to the next day is that day. session_minute: from "
                        + "the open of the session to the open of the bar. In formulas hour, weekday, day_of_month, month and "
                        + "session_minute stand for themselves.",
                "Conditions that hold at some hours or in some months alone, and what usually happens then.",
                "Few months and weekdays differ from chance by as much as they seem to.",
                "In common use; no single author.");
    }

    @Override
    public void build(Recipe r) {
        r.out(
                r.ofBars(
                        "hour",
                        calendar -> (bars, bar) ->
                                Times.at(bars.openTime(bar), calendar.zone()).getHour()),
                day(r, "weekday", date -> date.getDayOfWeek().getValue()),
                day(r, "day of month", LocalDate::getDayOfMonth),
                day(r, "month", LocalDate::getMonthValue),
                r.minuteOfSession());
    }

    private static dev.yardarm.core.calculation.ColumnGraph.Node day(
            Recipe r, String name, ToIntFunction<LocalDate> value) {
        return r.ofBars(name, calendar -> {
            BarValue read = (bars, bar) -> value.applyAsInt(calendar.sessionAt(bars.openTime(bar)));
            return read;
        });
    }
}

package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.LocalDate;

/** How long a bar lasts, in minutes; a bar that is a whole session or more counts a day at least, however short. */
public final class BarSpan implements BarValue {
    private static final double DAY = 1440;
    private final TradingCalendar calendar;
    private LocalDate session;
    private long open;
    private long close;

    public BarSpan(TradingCalendar calendar) {
        this.calendar = calendar;
    }

    @Override
    public double at(Bars bars, int bar) {
        long from = bars.openTime(bar);
        long to = bars.closeTime(bar);
        double minutes = (to - from) / (double) Times.MINUTE;
        if (minutes >= DAY || minutes < 30) {
            return minutes;
        }
        if (session == null || from < open || from >= close) {
            session = calendar.sessionAt(from);
            open = calendar.open(session);
            close = calendar.close(session);
        }
        return from <= open && to >= close ? DAY : minutes;
    }
}

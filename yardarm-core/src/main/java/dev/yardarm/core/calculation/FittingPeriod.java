package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;

/** The number of the period that fits the bars so far: see {@link Period#fitting}. O(1) a bar. */
final class FittingPeriod implements BarValue {
    private static final long WITHIN_A_DAY = 20 * 60 * Times.MINUTE;
    private static final long OF_A_DAY = 4 * Times.DAY;

    private final PeriodNumber sessions;
    private final PeriodNumber months;
    private final PeriodNumber years;
    private long shortest = Long.MAX_VALUE;

    FittingPeriod(TradingCalendar calendar) {
        sessions = new PeriodNumber(calendar, Period.SESSION);
        months = new PeriodNumber(calendar, Period.MONTH);
        years = new PeriodNumber(calendar, Period.YEAR);
    }

    @Override
    public double at(Bars bars, int bar) {
        if (bar == 0) {
            return Double.NaN;
        }
        shortest = Math.min(shortest, bars.openTime(bar) - bars.openTime(bar - 1));
        PeriodNumber fits = shortest < WITHIN_A_DAY ? sessions : shortest < OF_A_DAY ? months : years;
        return fits.at(bars, bar);
    }
}

package dev.yardarm.core.bars;

import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;

/**
 * Where the bars of a timeframe lie in time, from the calendar alone: which bar a moment belongs to, when that bar
 * opens and closes, and its running number.
 *
 * <p>Intraday bars are counted from each session's open, and the last of a session ends with it, however short: 4h
 * bars of a session of eight and a half hours last 4, 4 and half an hour. Longer bars open with the first session of
 * their day, week (Monday first), month, quarter or year and close with the last. Because opening and closing times
 * follow from the calendar, they are known while the bar still forms.
 *
 * <p>{@link #position(long)} maps time to a straight axis on which each bar is one unit wide; lines drawn on this
 * timeframe are straight on it.
 */
public final class BarGrid {
    private final TradingCalendar calendar;
    private final Timeframe timeframe;
    private LocalDate cachedSession;
    private long cachedOpen;
    private long cachedClose;
    private long cachedNextOpen;

    public BarGrid(TradingCalendar calendar, Timeframe timeframe) {
        this.calendar = calendar;
        this.timeframe = timeframe;
    }

    public Timeframe timeframe() {
        return timeframe;
    }

    public TradingCalendar calendar() {
        return calendar;
    }

    /** A bar's place in time. */
    public record Slot(long openTime, long closeTime) {}

    /** The slot a moment belongs to; between sessions it is the slot that ended before. */
    public synchronized Slot slotAt(long time) {
        seek(time);
        if (timeframe.isIntraday()) {
            long span = timeframe.span();
            long last = Math.max(0, cachedClose - cachedOpen - 1) / span;
            long index = Math.min((time - cachedOpen) / span, last);
            long open = cachedOpen + index * span;
            return new Slot(open, Math.min(open + span, cachedClose));
        }
        if (timeframe.unit() == Timeframe.Unit.DAY && timeframe.count() == 1) {
            return new Slot(cachedOpen, cachedClose);
        }
        return new Slot(calendar.open(firstSession(cachedSession)), calendar.close(lastSession(cachedSession)));
    }

    private void seek(long time) {
        if (cachedSession != null && time >= cachedOpen && time < cachedNextOpen) {
            return;
        }
        cachedSession = calendar.sessionAt(time);
        cachedOpen = calendar.open(cachedSession);
        cachedClose = calendar.close(cachedSession);
        cachedNextOpen = calendar.open(calendar.next(cachedSession));
    }

    private LocalDate firstSession(LocalDate session) {
        if (timeframe.unit() == Timeframe.Unit.DAY) {
            LocalDate day = session;
            for (long back = Math.floorMod(calendar.ordinal(session), (long) timeframe.count()); back > 0; back--) {
                day = calendar.previous(day);
            }
            return day;
        }
        return calendar.sameOrNext(periodStart(session));
    }

    private LocalDate lastSession(LocalDate session) {
        if (timeframe.unit() == Timeframe.Unit.DAY) {
            LocalDate day = firstSession(session);
            for (int forward = 1; forward < timeframe.count(); forward++) {
                day = calendar.next(day);
            }
            return day;
        }
        return calendar.previous(nextPeriod(periodStart(session)));
    }

    /** First calendar day of the week, month, quarter or year group the date lies in. */
    private LocalDate periodStart(LocalDate date) {
        int count = timeframe.count();
        switch (timeframe.unit()) {
            case WEEK -> {
                LocalDate monday = date.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
                long weeks = Math.floorDiv(monday.toEpochDay() + 3, 7L);
                return monday.minusWeeks(Math.floorMod(weeks, (long) count));
            }
            case MONTH, QUARTER, YEAR -> {
                int months = months();
                long month = date.getYear() * 12L + date.getMonthValue() - 1;
                long first = Math.floorDiv(month, (long) months) * months;
                return LocalDate.of((int) Math.floorDiv(first, 12L), (int) Math.floorMod(first, 12L) + 1, 1);
            }
            default -> throw new IllegalStateException("no calendar period for " + timeframe);
        }
    }

    private int months() {
        return timeframe.count()
                * switch (timeframe.unit()) {
                    case QUARTER -> 3;
                    case YEAR -> 12;
                    default -> 1;
                };
    }

    private LocalDate nextPeriod(LocalDate start) {
        return timeframe.unit() == Timeframe.Unit.WEEK
                ? start.plusWeeks(timeframe.count())
                : start.plusMonths(months());
    }

    /**
     * The running number of the bar a moment falls in, plus the part of it that has passed. Trading time only: between
     * two sessions the position stands still. Differences of positions are bars.
     */
    public synchronized double position(long time) {
        seek(time);
        LocalDate session = cachedSession;
        double within = Math.min(1, (double) (time - cachedOpen) / (cachedClose - cachedOpen));
        if (timeframe.isIntraday()) {
            long span = timeframe.span();
            long length = cachedClose - cachedOpen;
            long perSession = Math.max(1, (calendar.usualLength() + span - 1) / span);
            long slots = Math.max(1, (length + span - 1) / span);
            long into = Math.min(time - cachedOpen, length);
            long index = Math.min(into / span, slots - 1);
            long slotLength = Math.min(span, length - index * span);
            double inSession = index + Math.min(1, (double) (into - index * span) / slotLength);
            return calendar.ordinal(session) * (double) perSession + Math.min(perSession, inSession);
        }
        double sessions = calendar.ordinal(session) + within;
        return switch (timeframe.unit()) {
            case DAY -> sessions / timeframe.count();
            default -> periodNumber(periodStart(session)) + passed(session, sessions);
        };
    }

    private double passed(LocalDate session, double sessions) {
        LocalDate start = periodStart(session);
        long first = calendar.ordinal(start);
        long after = calendar.ordinal(nextPeriod(start));
        return (sessions - first) / (after - first);
    }

    private long periodNumber(LocalDate start) {
        if (timeframe.unit() == Timeframe.Unit.WEEK) {
            return Math.floorDiv(start.toEpochDay() + 3, 7L * timeframe.count());
        }
        return Math.floorDiv(start.getYear() * 12L + start.getMonthValue() - 1, (long) months());
    }

    /** The slot that follows the one that opens at {@code openTime}. */
    public synchronized Slot next(Slot slot) {
        if (timeframe.isIntraday()) {
            seek(slot.openTime());
            long next = slot.closeTime() < cachedClose ? slot.closeTime() : cachedNextOpen;
            return slotAt(next);
        }
        LocalDate lastDay = Times.date(slot.closeTime() - 1, calendar.zone());
        return slotAt(calendar.open(calendar.next(lastDay)));
    }
}

package dev.yardarm.chart.scale;

import dev.yardarm.core.series.Times;
import java.time.DayOfWeek;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Marks of the time axis: round times, at least so many pixels apart. The label says what is new at its mark: the
 * minute, the day, the month or the year.
 */
public final class TimeTicks {
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);
    private static final DateTimeFormatter MONTH = DateTimeFormatter.ofPattern("MMM", Locale.ENGLISH);

    private enum Step {
        M1(ChronoUnit.MINUTES, 1, Times.MINUTE),
        M5(ChronoUnit.MINUTES, 5, 5 * Times.MINUTE),
        M15(ChronoUnit.MINUTES, 15, 15 * Times.MINUTE),
        M30(ChronoUnit.MINUTES, 30, 30 * Times.MINUTE),
        H1(ChronoUnit.HOURS, 1, Times.HOUR),
        H2(ChronoUnit.HOURS, 2, 2 * Times.HOUR),
        H4(ChronoUnit.HOURS, 4, 4 * Times.HOUR),
        D1(ChronoUnit.DAYS, 1, Times.DAY),
        W1(ChronoUnit.WEEKS, 1, 7 * Times.DAY),
        W2(ChronoUnit.WEEKS, 2, 14 * Times.DAY),
        MO1(ChronoUnit.MONTHS, 1, 30 * Times.DAY),
        MO3(ChronoUnit.MONTHS, 3, 91 * Times.DAY),
        MO6(ChronoUnit.MONTHS, 6, 182 * Times.DAY),
        Y1(ChronoUnit.YEARS, 1, 365 * Times.DAY),
        Y2(ChronoUnit.YEARS, 2, 730 * Times.DAY),
        Y5(ChronoUnit.YEARS, 5, 1826 * Times.DAY),
        Y10(ChronoUnit.YEARS, 10, 3652 * Times.DAY),
        Y50(ChronoUnit.YEARS, 50, 18262 * Times.DAY);

        private final ChronoUnit unit;
        private final int count;
        private final long span;

        Step(ChronoUnit unit, int count, long span) {
            this.unit = unit;
            this.count = count;
            this.span = span;
        }
    }

    /** @param isMajor true where something larger than the usual step begins, such as a day among hours */
    public record Tick(double x, String label, boolean isMajor) {}

    private TimeTicks() {}

    public static List<Tick> of(TimeScale scale, TimeAxis axis, ZoneId zone, double pixelsApart) {
        List<Tick> ticks = new ArrayList<>();
        int first = scale.firstVisible();
        int end = (int) Math.ceil(scale.edge());
        if (axis.bars().isEmpty() || end <= first) {
            return ticks;
        }
        long from = axis.openTime(first);
        long to = axis.openTime(Math.min(end, axis.bars().size() + 500));
        double perPixel = axis.isIntradayByTime()
                // Nights have no pixels.
                ? axis.grid().timeframe().span() / scale.barWidth()
                : (to - from) / Math.max(1, scale.x(Math.min(end, axis.bars().size() + 500)) - scale.x(first));
        Step step = Step.Y50;
        for (Step candidate : Step.values()) {
            boolean fine = !axis.isIntraday() && candidate.span < Times.DAY;
            if (!fine && candidate.span >= perPixel * pixelsApart) {
                step = candidate;
                break;
            }
        }
        walk(scale, axis, zone, pixelsApart, step, from, to, ticks);
        return ticks;
    }

    private static void walk(
            TimeScale scale,
            TimeAxis axis,
            ZoneId zone,
            double pixelsApart,
            Step step,
            long from,
            long to,
            List<Tick> ticks) {
        ZonedDateTime mark = floor(Times.at(from, zone), step);
        int previousBar = Integer.MIN_VALUE;
        ZonedDateTime previousTime = null;
        for (int count = 0; count < 3000; count++) {
            long time = Times.micros(mark);
            if (time > to) {
                return;
            }
            int bar = firstFrom(axis, time);
            if (time >= from && bar != previousBar) {
                ZonedDateTime shown = Times.at(axis.openTime(bar), zone);
                Tick tick = new Tick(
                        scale.middle(bar), label(shown, previousTime, step), isMajor(shown, previousTime, step));
                add(ticks, tick, pixelsApart);
                previousBar = bar;
                previousTime = shown;
            }
            mark = mark.plus(step.count, step.unit);
        }
    }

    /** A major mark pushes out a minor one that stands in its way; otherwise the first stays. */
    private static void add(List<Tick> ticks, Tick tick, double pixelsApart) {
        if (!ticks.isEmpty() && tick.x() - ticks.get(ticks.size() - 1).x() < pixelsApart * 0.62) {
            if (!tick.isMajor() || ticks.get(ticks.size() - 1).isMajor()) {
                return;
            }
            ticks.remove(ticks.size() - 1);
        }
        ticks.add(tick);
    }

    private static int firstFrom(TimeAxis axis, long time) {
        int bar = axis.bar(time);
        return axis.openTime(bar) < time ? bar + 1 : bar;
    }

    private static ZonedDateTime floor(ZonedDateTime time, Step step) {
        LocalDateTime local = time.toLocalDateTime();
        LocalDateTime day = local.truncatedTo(ChronoUnit.DAYS);
        LocalDateTime floored =
                switch (step.unit) {
                    case MINUTES ->
                        local.truncatedTo(ChronoUnit.HOURS)
                                .plusMinutes(local.getMinute() / step.count * (long) step.count);
                    case HOURS -> day.plusHours(local.getHour() / step.count * (long) step.count);
                    case DAYS -> day;
                    case WEEKS -> day.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
                    case MONTHS ->
                        day.withDayOfMonth(1).withMonth((local.getMonthValue() - 1) / step.count * step.count + 1);
                    default -> day.withDayOfYear(1).withYear(Math.floorDiv(local.getYear(), step.count) * step.count);
                };
        return floored.atZone(time.getZone());
    }

    private static boolean isMajor(ZonedDateTime time, ZonedDateTime previous, Step step) {
        if (previous == null) {
            return false;
        }
        return switch (step.unit) {
            case MINUTES, HOURS -> !time.toLocalDate().equals(previous.toLocalDate());
            case DAYS, WEEKS -> time.getMonth() != previous.getMonth();
            case MONTHS -> time.getYear() != previous.getYear();
            default -> false;
        };
    }

    private static String label(ZonedDateTime time, ZonedDateTime previous, Step step) {
        boolean newYear = previous != null && time.getYear() != previous.getYear();
        boolean newMonth = previous == null || time.getMonth() != previous.getMonth();
        return switch (step.unit) {
            case MINUTES, HOURS ->
                previous != null && isMajor(time, previous, step) ? time.format(DAY) : time.format(TIME);
            case DAYS, WEEKS ->
                newYear
                        ? String.valueOf(time.getYear())
                        : newMonth && previous != null
                                ? time.format(MONTH)
                                : previous == null ? time.format(DAY) : String.valueOf(time.getDayOfMonth());
            case MONTHS -> newYear ? String.valueOf(time.getYear()) : time.format(MONTH);
            default -> String.valueOf(time.getYear());
        };
    }
}

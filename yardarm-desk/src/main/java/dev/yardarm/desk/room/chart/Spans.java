package dev.yardarm.desk.room.chart;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.time.temporal.TemporalAdjusters;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Spans of time to show, counted back from the newest bar: {@code this week}, {@code 60 sessions}, {@code 3 months}, {@code all}. */
public final class Spans {
    /** Those offered in menus. */
    public static final List<String> OFFERED = List.of(
            "this session",
            "this week",
            "this month",
            "this quarter",
            "this year",
            "60 sessions",
            "120 sessions",
            "250 sessions",
            "500 sessions",
            "all");

    private static final Pattern FORM = Pattern.compile("([1-9]\\d{0,3}) ?(sessions?|days?|weeks?|months?|years?)");

    private Spans() {}

    /** The span as it is written; empty when the text is none. */
    public static Optional<String> read(String text) {
        String word = text.strip().toLowerCase(Locale.ROOT);
        if (word.equals("year")) {
            return Optional.of("1 year");
        }
        return OFFERED.contains(word) || FORM.matcher(word).matches() ? Optional.of(word) : Optional.empty();
    }

    /** For menus. */
    public static String words(String span) {
        return span.equals("all") ? "all bars" : span.startsWith("this") ? span : "the last " + span;
    }

    /** Shows a span; sessions and days are trading days, the newest one included. */
    public static void show(ChartModel chart, String span) {
        Bars bars = chart.bars();
        if (bars.isEmpty()) {
            return;
        }
        if (span.equals("all")) {
            chart.showLast(bars.size());
            return;
        }
        long last = bars.openTime(bars.size() - 1);
        chart.showSpan(Math.max(bars.openTime(0), start(chart, last, span)), last);
    }

    private static long start(ChartModel chart, long last, String span) {
        TradingCalendar calendar = chart.axis().grid().calendar();
        LocalDate session = calendar.sessionAt(last);
        if (span.startsWith("this ")) {
            LocalDate first =
                    switch (span) {
                        case "this week" -> session.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
                        case "this month" -> session.withDayOfMonth(1);
                        case "this quarter" -> session.withDayOfMonth(1).minusMonths((session.getMonthValue() - 1) % 3);
                        case "this year" -> session.withDayOfYear(1);
                        default -> session;
                    };
            return calendar.open(calendar.sameOrNext(first));
        }
        Matcher form = FORM.matcher(span);
        if (!form.matches()) {
            throw new IllegalArgumentException("'" + span + "' is not a span of time");
        }
        int count = Integer.parseInt(form.group(1));
        String unit = form.group(2);
        if (unit.startsWith("day") || unit.startsWith("session")) {
            LocalDate day = session;
            for (int back = 1; back < count; back++) {
                day = calendar.previous(day);
            }
            return calendar.open(day);
        }
        ZonedDateTime end = Times.at(last, chart.zone());
        return Times.micros(
                unit.startsWith("week")
                        ? end.minusWeeks(count)
                        : unit.startsWith("month") ? end.minusMonths(count) : end.minusYears(count));
    }
}

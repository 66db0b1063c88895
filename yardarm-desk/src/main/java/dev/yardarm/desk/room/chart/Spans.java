package dev.yardarm.desk.room.chart;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Spans of time to show, counted back from the newest bar: {@code 5 days}, {@code 3 months}, {@code year}, {@code all}. */
public final class Spans {
    /** Those offered in menus. */
    public static final List<String> OFFERED =
            List.of("1 day", "5 days", "1 month", "3 months", "6 months", "this year", "1 year", "5 years", "all");

    private static final Pattern FORM = Pattern.compile("(\\d{1,3}) ?(days?|weeks?|months?|years?)");
    private static final Map<String, String> OTHER = Map.of("all", "all", "this year", "this year", "year", "1 year");

    private Spans() {}

    /** The span as it is written; empty when the text is none. */
    public static Optional<String> read(String text) {
        String word = text.strip().toLowerCase(Locale.ROOT);
        if (OTHER.containsKey(word)) {
            return Optional.of(OTHER.get(word));
        }
        return FORM.matcher(word).matches() && !word.startsWith("0") ? Optional.of(word) : Optional.empty();
    }

    /** For menus. */
    public static String words(String span) {
        return span.equals("all") ? "all bars" : span.startsWith("this") ? span : "the last " + span;
    }

    /** Shows a span; days are trading days. */
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
        ZonedDateTime end = Times.at(last, chart.zone());
        long from;
        if (span.equals("this year")) {
            from = Times.micros(end.toLocalDate().withDayOfYear(1).atStartOfDay(chart.zone()));
        } else {
            Matcher form = FORM.matcher(span);
            if (!form.matches()) {
                return;
            }
            int count = Integer.parseInt(form.group(1));
            String unit = form.group(2);
            if (unit.startsWith("day")) {
                var calendar = chart.axis().grid().calendar();
                var day = calendar.sessionAt(last);
                for (int back = 1; back < count; back++) {
                    day = calendar.previous(day);
                }
                from = calendar.open(day);
            } else {
                ZonedDateTime start = unit.startsWith("week")
                        ? end.minusWeeks(count)
                        : unit.startsWith("month") ? end.minusMonths(count) : end.minusYears(count);
                from = Times.micros(start);
            }
        }
        chart.showSpan(Math.max(bars.openTime(0), from), last);
    }
}

package dev.yardarm.core.session;

import dev.yardarm.core.series.Times;
import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.Month;
import java.time.OffsetDateTime;
import java.time.YearMonth;
import java.time.ZonedDateTime;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Moments as traders write them, seen from a moment in the time of a market: {@code Friday}, {@code 2026-07-03}, {@code 3 July},
 * {@code 2026-07-03 14:30}, {@code 15:00}, {@code the close}, {@code tomorrow}, {@code end of month}, {@code end of July}; and spans: {@code 5 days},
 * {@code 2 weeks}, {@code 90 minutes}.
 *
 * <p>Days are days of trading. Until a day means until its close, until the close of the last session before it when nothing is traded on it;
 * from a day means from its open. All moments are microseconds UTC.
 */
public final class MomentWords {
    private static final Pattern SPAN = Pattern.compile(
            "(\\d{1,4}|an?|one|two|three|four|five|six|seven|eight|nine|ten)\\s*(minutes?|min|m|hours?|h|days?|d|sessions?|weeks?|w|months?|mo)");
    private static final Pattern DAY_MONTH =
            Pattern.compile("(\\d{1,2})(?:st|nd|rd|th)?\\.? ([a-z]{3,9})\\.?,?(?: (\\d{4}))?");
    private static final Pattern MONTH_DAY =
            Pattern.compile("([a-z]{3,9})\\.? (\\d{1,2})(?:st|nd|rd|th)?,?(?: (\\d{4}))?");
    private static final Pattern MONTH_END = Pattern.compile("end of (?:the )?([a-z]{3,9})(?: (\\d{4}))?");
    private static final Pattern DOTTED = Pattern.compile("(\\d{1,2})\\.(\\d{1,2})\\.(\\d{4})?");
    private static final Pattern CLOCK = Pattern.compile("(\\d{1,2}):(\\d{2})");

    private final TradingCalendar calendar;
    private final long now;

    /** @param now from which moment it is seen */
    public MomentWords(TradingCalendar calendar, long now) {
        this.calendar = calendar;
        this.now = now;
    }

    /**
     * The moment with which something ends.
     *
     * @throws IllegalArgumentException when the words are no moment, or one that has passed
     */
    public long until(String words) {
        String text = plain(words);
        Optional<Long> exact = exact(text);
        LocalDate day = exact.isPresent() ? null : day(text);
        if (exact.isEmpty() && day == null) {
            throw unknown(words);
        }
        long moment = exact.orElseGet(() -> calendar.close(calendar.sameOrPrevious(day)));
        if (moment <= now) {
            throw new IllegalArgumentException("'" + words.strip() + "' has passed");
        }
        return moment;
    }

    /**
     * The moment with which something begins.
     *
     * @throws IllegalArgumentException when the words are no moment
     */
    public long from(String words) {
        String text = plain(words);
        Optional<Long> exact = exact(text);
        if (exact.isPresent()) {
            return exact.get();
        }
        LocalDate day = day(text);
        if (day == null) {
            throw unknown(words);
        }
        return calendar.open(calendar.sameOrNext(day));
    }

    /** True when words could be a moment. */
    public boolean isMoment(String words) {
        String text = plain(words);
        try {
            return exact(text).isPresent() || day(text) != null;
        } catch (IllegalArgumentException past) {
            return true;
        }
    }

    /**
     * The end of a span from now on. Of days the running session is the first; days end with their close.
     *
     * @throws IllegalArgumentException when the words are no span
     */
    public long after(String words) {
        Matcher span = SPAN.matcher(plain(words));
        if (!span.matches()) {
            throw new IllegalArgumentException(
                    "'" + words.strip() + "' is no span of time; write one such as 5 days, 2 weeks or 90 minutes");
        }
        int count = count(span.group(1));
        if (count == 0) {
            throw new IllegalArgumentException("a span of nothing has passed already");
        }
        String unit = span.group(2);
        if (unit.startsWith("mo")) {
            return later(today().plusMonths(count));
        }
        return switch (unit.charAt(0)) {
            case 'm' -> now + count * Times.MINUTE;
            case 'h' -> now + count * Times.HOUR;
            case 'w' -> later(today().plusWeeks(count));
            default -> {
                LocalDate day = running();
                for (int more = 1; more < count; more++) {
                    day = calendar.next(day);
                }
                yield calendar.close(day);
            }
        };
    }

    private long later(LocalDate day) {
        return calendar.close(calendar.sameOrPrevious(day));
    }

    private static int count(String word) {
        return switch (word) {
            case "a", "an", "one" -> 1;
            case "two" -> 2;
            case "three" -> 3;
            case "four" -> 4;
            case "five" -> 5;
            case "six" -> 6;
            case "seven" -> 7;
            case "eight" -> 8;
            case "nine" -> 9;
            case "ten" -> 10;
            default -> Integer.parseInt(word);
        };
    }

    private static String plain(String words) {
        return words.strip().toLowerCase(Locale.ROOT).replaceAll("\\s+", " ").replaceFirst("^(on|the|this) ", "");
    }

    private LocalDate today() {
        return Times.date(now, calendar.zone());
    }

    /** The session that runs, else the next one. */
    private LocalDate running() {
        LocalDate session = calendar.sessionAt(now);
        return now < calendar.close(session) ? session : calendar.next(session);
    }

    private Optional<Long> exact(String text) {
        switch (text) {
            case "close", "session", "end of session", "session end", "today", "end of day", "end of the day" -> {
                return Optional.of(calendar.close(running()));
            }
            case "tomorrow" -> {
                return Optional.of(calendar.close(calendar.next(running())));
            }
            default -> {}
        }
        Matcher clock = CLOCK.matcher(text);
        try {
            if (clock.matches()) {
                LocalTime time = LocalTime.of(Integer.parseInt(clock.group(1)), Integer.parseInt(clock.group(2)));
                ZonedDateTime at = today().atTime(time).atZone(calendar.zone());
                return Optional.of(Times.micros(Times.micros(at) > now ? at : at.plusDays(1)));
            }
            if (text.length() > 10 && text.matches("\\d{4}-\\d\\d-\\d\\d[ t].*")) {
                String iso = text.replace(' ', 't').toUpperCase(Locale.ROOT);
                return Optional.of(
                        iso.matches(".*(Z|[+-]\\d\\d:\\d\\d)")
                                ? Times.micros(OffsetDateTime.parse(iso).toZonedDateTime())
                                : Times.micros(LocalDateTime.parse(iso).atZone(calendar.zone())));
            }
        } catch (DateTimeException bad) {
            throw new IllegalArgumentException("'" + text + "' is no time of day");
        }
        return Optional.empty();
    }

    private LocalDate day(String text) {
        LocalDate today = today();
        switch (text) {
            case "week", "end of week", "end of the week" -> {
                LocalDate sunday = today.plusDays(7 - today.getDayOfWeek().getValue());
                return sunday;
            }
            case "month", "end of month", "end of the month" -> {
                return today.withDayOfMonth(today.lengthOfMonth());
            }
            case "year", "end of year", "end of the year" -> {
                return today.withDayOfYear(today.lengthOfYear());
            }
            default -> {}
        }
        for (DayOfWeek weekday : DayOfWeek.values()) {
            String name = weekday.name().toLowerCase(Locale.ROOT);
            if (text.equals(name) || text.length() >= 3 && text.length() <= 5 && name.startsWith(text)) {
                LocalDate day = today;
                while (day.getDayOfWeek() != weekday || calendar.close(calendar.sameOrPrevious(day)) <= now) {
                    day = day.plusDays(1);
                }
                return day;
            }
        }
        try {
            if (text.matches("\\d{4}-\\d\\d-\\d\\d")) {
                return LocalDate.parse(text);
            }
            Matcher end = MONTH_END.matcher(text);
            if (end.matches() && month(end.group(1)) > 0) {
                return monthEnd(month(end.group(1)), end.group(2), today);
            }
            Matcher dotted = DOTTED.matcher(text);
            if (dotted.matches()) {
                return date(dotted.group(1), Integer.parseInt(dotted.group(2)), dotted.group(3));
            }
            Matcher dayFirst = DAY_MONTH.matcher(text);
            if (dayFirst.matches() && month(dayFirst.group(2)) > 0) {
                return date(dayFirst.group(1), month(dayFirst.group(2)), dayFirst.group(3));
            }
            Matcher monthFirst = MONTH_DAY.matcher(text);
            if (monthFirst.matches() && month(monthFirst.group(1)) > 0) {
                return date(monthFirst.group(2), month(monthFirst.group(1)), monthFirst.group(3));
            }
        } catch (DateTimeException bad) {
            throw new IllegalArgumentException("'" + text + "' is not in the calendar");
        }
        return null;
    }

    /** Without a year the next such day from now on. */
    private LocalDate date(String day, int month, String year) {
        LocalDate today = today();
        LocalDate date =
                LocalDate.of(year == null ? today.getYear() : Integer.parseInt(year), month, Integer.parseInt(day));
        return year == null && date.isBefore(today) ? date.plusYears(1) : date;
    }

    /** Without a year the next such end from now on. */
    private static LocalDate monthEnd(int month, String year, LocalDate today) {
        YearMonth of = YearMonth.of(year == null ? today.getYear() : Integer.parseInt(year), month);
        return (year == null && of.atEndOfMonth().isBefore(today) ? of.plusYears(1) : of).atEndOfMonth();
    }

    private static int month(String word) {
        for (Month month : Month.values()) {
            if (month.name().toLowerCase(Locale.ROOT).startsWith(word)) {
                return month.getValue();
            }
        }
        return 0;
    }

    private static IllegalArgumentException unknown(String words) {
        return new IllegalArgumentException("'" + words.strip() + "' is no day or time; write one such as Friday, "
                + "2026-07-03, 3 July, 15:00 or the close");
    }
}

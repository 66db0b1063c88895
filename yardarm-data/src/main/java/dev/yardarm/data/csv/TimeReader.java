package dev.yardarm.data.csv;

import dev.yardarm.core.series.Times;
import dev.yardarm.data.csv.ReadingOptions.DateOrder;
import dev.yardarm.data.csv.ReadingOptions.EpochUnit;
import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;

/**
 * Reads the times of a file, all written in one {@link Form}: dates with separators, compact ones, with names of months, or
 * numbers since 1970; with a time of day behind them or in a column of its own, and an offset from UTC or without. Dates alone
 * stand for the start of that day in the zone. No objects are made for a time.
 */
final class TimeReader {
    /** How dates are written. */
    enum Form {
        /** {@code 2026-06-19}, {@code 19.06.2026}, {@code 6/19/26}; the order says which is which. */
        PARTS,
        /** {@code 20260619}, {@code 20260619 1542}, {@code 20260619154200}. */
        COMPACT,
        /** {@code 19 Jun 2026}, {@code June 19, 2026}. */
        NAMED,
        /** A number since 1970. */
        EPOCH
    }

    private static final List<String> MONTHS =
            List.of("jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec");

    private final Form form;
    private final DateOrder order;
    private final EpochUnit unit;
    private final ZoneId zone;
    private final LocalClock clock;
    private boolean allDates = true;

    private byte[] bytes;
    private int at;
    private int to;
    private boolean dateOnly;
    private int width;

    /**
     * @param order of the parts of a date, where it is written in parts
     * @param unit of numbers since 1970
     * @param zone of local times, null when the file must carry offsets
     */
    TimeReader(Form form, DateOrder order, EpochUnit unit, ZoneId zone) {
        this.form = form;
        this.order = order;
        this.unit = unit;
        this.zone = zone;
        clock = new LocalClock(zone == null ? ZoneOffset.UTC : zone);
    }

    /** True while every time read was a date alone. */
    boolean allDates() {
        return allDates;
    }

    /** The start of the day some days after a time, by the clock of the zone. */
    long daysAfter(long time, int days) {
        long day = Math.floorDiv(time, Times.DAY);
        // The local day is that of UTC or a neighbour of it.
        long local = clock.start(day + 1) <= time ? day + 1 : clock.start(day) <= time ? day : day - 1;
        return clock.start(local + days);
    }

    /**
     * The time of a record, from one column or from a date and a time of day.
     *
     * @param clockColumn -1 when there is none
     */
    long read(CsvScanner record, int column, int clockColumn) throws BadField {
        if (column >= record.count()) {
            throw new BadField(column, "the row ends before this column");
        }
        bytes = record.bytes();
        at = record.start(column);
        to = record.end(column);
        try {
            long time = form == Form.EPOCH ? epoch() : dated(record, column, clockColumn);
            allDates &= dateOnly;
            return time;
        } catch (IllegalArgumentException bad) {
            throw new BadField(column, bad.getMessage());
        } catch (ArithmeticException far) {
            throw new BadField(column, "'" + plain(record, column) + "' is too far from today");
        } catch (Unreadable bad) {
            throw new BadField(bad.inClock ? clockColumn : column, problem(record, bad.inClock ? clockColumn : column));
        }
    }

    /** What was found and what was expected in its place. */
    private String problem(CsvScanner record, int column) {
        if (record.isBlank(column)) {
            return "a time is missing";
        }
        String expected =
                switch (form) {
                    case EPOCH -> "a number of " + unit.words() + " since 1970";
                    case COMPACT -> "a date such as 20260619";
                    case NAMED -> "a date such as 19 Jun 2026";
                    case PARTS ->
                        switch (order) {
                            case DMY -> "a date such as 19.06.2026 (day first)";
                            case MDY -> "a date such as 06/19/2026 (month first)";
                            case YMD -> "a date such as 2026-06-19 or a time such as 2026-06-19T15:42:00+00:00";
                        };
                };
        return "'" + plain(record, column) + "' is no time; expected " + expected;
    }

    private static String plain(CsvScanner record, int column) {
        return BarFields.shown(record.text(column));
    }

    /** Thrown where text is no time; without a trace, since its place is told by the caller. */
    private static final class Unreadable extends Exception {
        private static final long serialVersionUID = 1L;
        private final boolean inClock;

        Unreadable(boolean inClock) {
            super(null, null, false, false);
            this.inClock = inClock;
        }
    }

    private long epoch() throws Unreadable {
        dateOnly = false;
        int from = at;
        boolean negative = at < to && bytes[at] == '-';
        at += negative ? 1 : 0;
        int first = at;
        long number = 0;
        while (at < to && isDigit(bytes[at])) {
            number = Math.addExact(Math.multiplyExact(number, 10), bytes[at++] - '0');
        }
        if (at == first || at - first > 19) {
            throw new Unreadable(false);
        }
        long micros = unit.micros == 0 ? Math.floorDiv(number, 1000L) : Math.multiplyExact(number, unit.micros);
        if (at < to && bytes[at] == '.') {
            long scale = unit.micros;
            at++;
            while (at < to && isDigit(bytes[at])) {
                scale /= 10;
                micros = Math.addExact(micros, (bytes[at++] - '0') * scale);
            }
        }
        if (at != to || from == to) {
            throw new Unreadable(false);
        }
        if (micros > MOST || micros < -MOST) {
            throw new ArithmeticException();
        }
        return negative ? -micros : micros;
    }

    /** Years that people write: what is beyond is a wrong unit. */
    private static final long MOST = 8030L * 365 * Times.DAY;

    private long dated(CsvScanner record, int column, int clockColumn) throws Unreadable {
        long day =
                switch (form) {
                    case COMPACT -> compact();
                    case NAMED -> named();
                    default -> parts();
                };
        boolean apart = clockColumn >= 0;
        if (apart) {
            // A date column may carry an empty midnight; what counts is the column of the time of day.
            if (at < to && !isMidnight()) {
                throw new Unreadable(false);
            }
            if (record.isBlank(clockColumn)) {
                throw new Unreadable(true);
            }
            at = record.start(clockColumn);
            to = record.end(clockColumn);
        } else if (at == to) {
            dateOnly = true;
            return clock.start(day);
        } else {
            skipBetween();
        }
        dateOnly = false;
        long micros = timeOfDay(apart);
        if (at == to) {
            return local(day, micros, record, apart ? clockColumn : column);
        }
        long offset = offset(apart);
        return day * Times.DAY + micros - offset;
    }

    private long local(long day, long micros, CsvScanner record, int column) {
        if (zone == null) {
            String text = record.text(column).strip();
            throw new IllegalArgumentException("the time '" + text + "' has no offset from UTC; write it as " + text
                    + "+00:00 or name the zone of the file with --zone");
        }
        return micros == Times.DAY ? clock.start(day + 1) : clock.moment(day, micros);
    }

    private boolean isMidnight() {
        String rest = new String(bytes, at, to - at, StandardCharsets.US_ASCII).strip();
        return rest.matches("T?0?0:00(:00(\\.0+)?)?( ?AM)?");
    }

    private void skipBetween() throws Unreadable {
        int from = at;
        while (at < to && (bytes[at] == ' ' || bytes[at] == ',' || bytes[at] == ';')) {
            at++;
        }
        if (at == from && at < to && (bytes[at] == 'T' || bytes[at] == 't' || bytes[at] == '_' || bytes[at] == '-')) {
            at++;
        } else if (at == from && form != Form.COMPACT) {
            throw new Unreadable(false);
        }
        if (at == to) {
            throw new Unreadable(false);
        }
    }

    private static boolean isDigit(byte each) {
        return each >= '0' && each <= '9';
    }

    /** Digits from here on, at most so many; the number of them stays in {@link #width}. */
    private int digits(int most) {
        byte[] text = bytes;
        int place = at;
        int end = Math.min(to, place + most);
        int number = 0;
        while (place < end) {
            int digit = text[place] - '0';
            if (digit < 0 || digit > 9) {
                break;
            }
            number = 10 * number + digit;
            place++;
        }
        width = place - at;
        at = place;
        return number;
    }

    private long parts() throws Unreadable {
        int first = digits(4);
        int firstWidth = width;
        byte mark = at < to ? bytes[at] : 0;
        if (width == 0 || mark != '-' && mark != '/' && mark != '.') {
            throw new Unreadable(false);
        }
        at++;
        int second = digits(2);
        int secondWidth = width;
        if (secondWidth == 0 || at >= to || bytes[at] != mark) {
            throw new Unreadable(false);
        }
        at++;
        int third = digits(4);
        int thirdWidth = width;
        if (thirdWidth == 0) {
            throw new Unreadable(false);
        }
        return switch (order) {
            case YMD -> firstWidth == 4 && thirdWidth <= 2 ? day(first, second, third) : noDay();
            case DMY ->
                firstWidth <= 2 && thirdWidth != 3 && thirdWidth != 1
                        ? day(year(third, thirdWidth), second, first)
                        : noDay();
            case MDY ->
                firstWidth <= 2 && thirdWidth != 3 && thirdWidth != 1
                        ? day(year(third, thirdWidth), first, second)
                        : noDay();
        };
    }

    private static long noDay() throws Unreadable {
        throw new Unreadable(false);
    }

    /** Two digits of a year mean one from 1970 to 2069. */
    private static int year(int number, int width) {
        return width == 4 ? number : number < 70 ? 2000 + number : 1900 + number;
    }

    private long compact() throws Unreadable {
        int number = digits(8);
        if (width != 8) {
            throw new Unreadable(false);
        }
        return day(number / 10000, number / 100 % 100, number % 100);
    }

    private long named() throws Unreadable {
        int day = 0;
        int month = 0;
        int year = -1;
        int yearWidth = 0;
        while (at < to && (month == 0 || day == 0 || year < 0)) {
            if (isDigit(bytes[at])) {
                int number = digits(4);
                if (day == 0 && width <= 2 && !(month == 0 && year >= 0)) {
                    day = number;
                } else if (year < 0 && (width == 4 || width == 2)) {
                    year = number;
                    yearWidth = width;
                } else if (day == 0 && width <= 2) {
                    day = number;
                } else {
                    throw new Unreadable(false);
                }
            } else if (isLetter(bytes[at])) {
                int from = at;
                while (at < to && isLetter(bytes[at])) {
                    at++;
                }
                String word = new String(bytes, from, at - from, StandardCharsets.US_ASCII).toLowerCase(Locale.ROOT);
                month = month == 0 && word.length() >= 3 ? MONTHS.indexOf(word.substring(0, 3)) + 1 : 0;
                if (month == 0) {
                    throw new Unreadable(false);
                }
            } else {
                at++;
            }
        }
        return month == 0 || day == 0 || year < 0 ? noDay() : day(year(year, yearWidth), month, day);
    }

    private static boolean isLetter(byte each) {
        return each >= 'a' && each <= 'z' || each >= 'A' && each <= 'Z';
    }

    private static final int[] LENGTHS = {31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31};

    /** Days since 1970 (E. G. Richards, Calendars, in the Explanatory Supplement to the Astronomical Almanac, 2013). */
    private static long day(int year, int month, int day) throws Unreadable {
        if (month < 1 || month > 12 || day < 1 || year < 1) {
            throw new Unreadable(false);
        }
        boolean leap = month == 2 && year % 4 == 0 && (year % 100 != 0 || year % 400 == 0);
        if (day > LENGTHS[month - 1] + (leap ? 1 : 0)) {
            throw new Unreadable(false);
        }
        long shifted = month <= 2 ? year - 1L : year;
        long era = Math.floorDiv(shifted, 400L);
        long yearOfEra = shifted - era * 400;
        long dayOfYear = (153L * (month + (month > 2 ? -3 : 9)) + 2) / 5 + day - 1;
        return era * 146_097 + yearOfEra * 365 + yearOfEra / 4 - yearOfEra / 100 + dayOfYear - 719_468;
    }

    /** A time of day in microseconds, with colons or as four or six digits. */
    private long timeOfDay(boolean apart) throws Unreadable {
        int first = digits(9);
        int hour;
        int minute = 0;
        int second = 0;
        if (at < to && bytes[at] == ':' && width > 0 && width <= 2) {
            hour = first;
            at++;
            minute = digits(2);
            if (width != 2) {
                throw new Unreadable(apart);
            }
            if (at < to && bytes[at] == ':') {
                at++;
                second = digits(2);
                if (width != 2) {
                    throw new Unreadable(apart);
                }
            }
        } else if (width >= 3 && width <= 6) {
            boolean seconds = width > 4;
            hour = first / (seconds ? 10000 : 100);
            minute = seconds ? first / 100 % 100 : first % 100;
            second = seconds ? first % 100 : 0;
        } else {
            throw new Unreadable(apart);
        }
        long fraction = 0;
        if (at < to && (bytes[at] == '.' || bytes[at] == ',')) {
            at++;
            int unitOf = 1_000_000;
            int from = at;
            while (at < to && isDigit(bytes[at]) && at - from < 9) {
                unitOf /= 10;
                fraction += (long) (bytes[at++] - '0') * unitOf;
            }
            if (at == from) {
                throw new Unreadable(apart);
            }
        }
        hour = halved(hour, apart);
        boolean midnight = hour == 24 && minute == 0 && second == 0 && fraction == 0;
        if (hour > 23 && !midnight || minute > 59 || second > 59) {
            throw new Unreadable(apart);
        }
        return hour * Times.HOUR + minute * Times.MINUTE + second * Times.SECOND + fraction;
    }

    /** The hour of the day, with AM or PM behind it taken into account. */
    private int halved(int hour, boolean apart) throws Unreadable {
        int mark = at;
        while (mark < to && bytes[mark] == ' ') {
            mark++;
        }
        if (mark + 2 > to || (bytes[mark + 1] | 32) != 'm') {
            return hour;
        }
        boolean evening = (bytes[mark] | 32) == 'p';
        if (!evening && (bytes[mark] | 32) != 'a' || hour < 1 || hour > 12) {
            throw new Unreadable(apart);
        }
        at = mark + 2;
        return hour % 12 + (evening ? 12 : 0);
    }

    /** An offset from UTC in microseconds. */
    private long offset(boolean apart) throws Unreadable {
        while (at < to && bytes[at] == ' ') {
            at++;
        }
        if (to - at == 1 && (bytes[at] | 32) == 'z') {
            return 0;
        }
        String word = new String(bytes, at, to - at, StandardCharsets.US_ASCII);
        if (word.equals("+00:00") || word.equals("UTC") || word.equals("GMT")) {
            return 0;
        }
        if (word.length() < 3 || word.charAt(0) != '+' && word.charAt(0) != '-') {
            throw new Unreadable(apart);
        }
        boolean west = word.charAt(0) == '-';
        at++;
        int hours = digits(2);
        int hourWidth = width;
        at += at < to && bytes[at] == ':' ? 1 : 0;
        int minutes = digits(2);
        if (hourWidth != 2 || width != 0 && width != 2 || at != to || hours > 18 || minutes > 59) {
            throw new Unreadable(apart);
        }
        long micros = hours * Times.HOUR + minutes * Times.MINUTE;
        return west ? -micros : micros;
    }
}

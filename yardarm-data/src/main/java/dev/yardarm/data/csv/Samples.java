package dev.yardarm.data.csv;

import java.util.List;
import java.util.regex.Pattern;

/** What single fields look like. */
final class Samples {
    private static final Pattern NUMBER =
            Pattern.compile("[-+]?(\\d[\\d.,'\u00A0\u202F\u2019 ]*|\\.\\d+)([eE][-+]?\\d+)?");
    private static final Pattern PARTS = Pattern.compile("\\d{1,4}([-/.])\\d{1,2}\\1\\d{1,4}([T ,;_-].*)?");
    private static final Pattern NAMED = Pattern.compile(
            "(?i)([a-z]{3,9},? )?(\\d{1,4}[ -])?(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*.*\\d.*");
    private static final Pattern COMPACT =
            Pattern.compile("(19|20)\\d{6}([T _-]?\\d{4,6}|[T ]\\d\\d:\\d\\d(:\\d\\d)?.*)?");
    private static final Pattern CLOCK = Pattern.compile(
            "(?i)\\d{1,2}:\\d\\d(:\\d\\d([.,]\\d+)?)?( ?[ap]m)?( ?(z|utc|gmt|[-+]\\d\\d:?\\d\\d))?|\\d{3,6}");

    private Samples() {}

    static boolean isNumber(String text) {
        return NUMBER.matcher(text.strip()).matches();
    }

    static boolean isParts(String text) {
        return PARTS.matcher(text.strip()).matches();
    }

    static boolean isNamed(String text) {
        return NAMED.matcher(text.strip()).matches();
    }

    static boolean isCompact(String text) {
        String plain = text.strip();
        if (!COMPACT.matcher(plain).matches()) {
            return false;
        }
        int month = Integer.parseInt(plain.substring(4, 6));
        int day = Integer.parseInt(plain.substring(6, 8));
        return month >= 1 && month <= 12 && day >= 1 && day <= 31;
    }

    static boolean isEpoch(String text) {
        return text.strip().matches("-?\\d{8,19}(\\.\\d+)?");
    }

    /** A date without a time of day. */
    static boolean isDate(String text) {
        String plain = text.strip();
        return plain.matches("\\d{1,4}([-/.])\\d{1,2}\\1\\d{1,4}")
                || plain.length() == 8 && isCompact(plain)
                || isNamed(plain) && !plain.contains(":");
    }

    /** A time of day; digits alone only beside a date. */
    static boolean isClock(String text, String date) {
        String plain = text.strip();
        return CLOCK.matcher(plain).matches()
                && (plain.contains(":") || isDate(date) && plain.matches("\\d{4}|\\d{6}") && plain.compareTo("24") < 0);
    }

    static boolean isTime(String text) {
        return isParts(text) || isNamed(text) || isCompact(text) || isEpoch(text);
    }

    /** A row of data: it begins with a time and has a number behind it. */
    static boolean isData(List<String> row) {
        return row.size() > 1 && isTime(row.get(0)) && row.stream().skip(1).anyMatch(Samples::isNumber);
    }
}

package dev.yardarm.data.csv;

import java.nio.charset.StandardCharsets;

/**
 * How the numbers of a file are written: with a point or a comma before decimals, and with thousands grouped or not.
 *
 * <p>Numbers of up to 15 digits are read exactly as whole number over power of ten, which rounds once (W. D.
 * Clinger, How to Read Floating Point Numbers Accurately, 1990); others by {@link Double#parseDouble}. Anything that is not
 * plainly a decimal number is refused: words such as NaN, hexadecimal forms, digits of other alphabets, control characters.
 *
 * @param decimal the sign before decimals, {@code '.'} or {@code ','}
 * @param grouped true when thousands may be set apart by the other sign, a blank or an apostrophe
 */
record NumberForm(char decimal, boolean grouped) {
    /** What files of this application are written in. */
    static final NumberForm PLAIN = new NumberForm('.', false);

    private static final double[] POWERS = new double[16];

    static {
        double power = 1;
        for (int at = 0; at < POWERS.length; at++) {
            POWERS[at] = power;
            power *= 10;
        }
    }

    /** Digits of whole numbers that a double holds exactly. */
    private static final int MOST_DIGITS = 15;

    /**
     * Reads a number.
     *
     * @return the number, or NaN when the bytes are none
     */
    double read(byte[] bytes, int from, int to) {
        int at = from;
        boolean negative = false;
        if (at < to && (bytes[at] == '-' || bytes[at] == '+')) {
            negative = bytes[at++] == '-';
        }
        int count = to - at;
        if (count > MOST_DIGITS) {
            return slowly(bytes, from, to);
        }
        char sign = decimal;
        long digits = 0;
        int decimals = 0;
        for (; at < to; at++) {
            int digit = bytes[at] - '0';
            if (digit >= 0 && digit <= 9) {
                digits = 10 * digits + digit;
            } else if (bytes[at] == sign && decimals == 0) {
                decimals = to - at - 1;
                count--;
                if (decimals == 0) {
                    break;
                }
            } else {
                return slowly(bytes, from, to);
            }
        }
        if (count == 0) {
            return slowly(bytes, from, to);
        }
        double number = decimals > 0 ? digits / POWERS[decimals] : digits;
        return negative ? -number : number;
    }

    private double slowly(byte[] bytes, int from, int to) {
        String text = ungrouped(new String(bytes, from, to - from, StandardCharsets.UTF_8));
        if (text == null || !isPlain(text)) {
            return Double.NaN;
        }
        double number = Double.parseDouble(text);
        return Double.isInfinite(number) ? Double.NaN : number;
    }

    /** Digits with an optional point, sign and power of ten, nothing else. */
    private static boolean isPlain(String text) {
        int at = 0;
        int length = text.length();
        at += at < length && (text.charAt(at) == '-' || text.charAt(at) == '+') ? 1 : 0;
        int digits = 0;
        boolean point = false;
        for (; at < length; at++) {
            char each = text.charAt(at);
            if (each >= '0' && each <= '9') {
                digits++;
            } else if (each == '.' && !point) {
                point = true;
            } else {
                break;
            }
        }
        if (digits == 0) {
            return false;
        }
        if (at < length && (text.charAt(at) == 'e' || text.charAt(at) == 'E')) {
            at++;
            at += at < length && (text.charAt(at) == '-' || text.charAt(at) == '+') ? 1 : 0;
            int first = at;
            while (at < length && text.charAt(at) >= '0' && text.charAt(at) <= '9') {
                at++;
            }
            return at == length && at > first;
        }
        return at == length;
    }

    /** The number with a point for decimals and no signs between thousands; null when groups are not of three digits. */
    private String ungrouped(String text) {
        if (!grouped) {
            return decimal == ',' ? text.indexOf('.') >= 0 ? null : text.replace(',', '.') : text;
        }
        int end = text.indexOf(decimal);
        String whole = end < 0 ? text : text.substring(0, end);
        String rest = end < 0 ? "" : "." + text.substring(end + 1);
        StringBuilder plain = new StringBuilder();
        int since = -1;
        for (int at = 0; at < whole.length(); at++) {
            char each = whole.charAt(at);
            if (isGroup(each)) {
                if (plain.isEmpty() || since >= 0 && since != 3) {
                    return null;
                }
                since = 0;
            } else {
                plain.append(each);
                since += since < 0 ? 0 : 1;
            }
        }
        return since >= 0 && since != 3 ? null : plain + rest;
    }

    private boolean isGroup(char each) {
        return each == (decimal == '.' ? ',' : '.')
                || each == ' '
                || each == '\u00A0'
                || each == '\u202F'
                || each == '\''
                || each == '\u2019';
    }

    /** In messages: {@code decimal comma, thousands grouped}. */
    String words() {
        return (decimal == ',' ? "decimal comma" : "decimal point") + (grouped ? ", thousands grouped" : "");
    }
}

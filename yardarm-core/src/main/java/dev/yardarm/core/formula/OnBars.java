package dev.yardarm.core.formula;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Puts a value on other bars, or on another instrument, as text: {@code rsi(14)} on weeks is {@code rsi(14) on W}. What stood on others
 * before stands on the new ones instead.
 */
public final class OnBars {
    /** The last {@code on} or {@code of} of a text, outside of all parentheses, with what follows it. */
    private static final Pattern LAST = Pattern.compile(
            "(?i)\\s+(on\\s+forming\\s+\\S+|on\\s+[a-z-]+(\\s+\\d\\S*)?|of\\s+(#\\S+|benchmark|sector))\\s*$");

    private static final Pattern JOINED = Pattern.compile("[-+*/^]|(?i)\\b(and|or|not|else)\\b");

    private OnBars() {}

    /**
     * The value on other bars.
     *
     * @param value a formula
     * @param where such as {@code on W}, {@code on range 10} or {@code of benchmark}; empty for the bars it is computed over
     */
    public static String put(String value, String where) {
        String text = value.strip();
        Matcher last = LAST.matcher(text);
        if (last.find() && isOutside(text, last.start())) {
            text = bare(text.substring(0, last.start()).strip());
        }
        if (text.isEmpty() || where.isEmpty()) {
            return text;
        }
        return (needsParentheses(text) ? "(" + text + ")" : text) + " " + where;
    }

    /** Where a value stands: the words behind it; empty for the bars it is computed over. */
    public static String of(String value) {
        Matcher last = LAST.matcher(value.strip());
        return last.find() && isOutside(value.strip(), last.start()) ? last.group(1) : "";
    }

    private static boolean needsParentheses(String text) {
        Matcher sign = JOINED.matcher(text);
        while (sign.find()) {
            if (isOutside(text, sign.start())) {
                return true;
            }
        }
        return false;
    }

    /** Without the parentheses around all of it. */
    private static String bare(String text) {
        if (!text.startsWith("(") || !text.endsWith(")")) {
            return text;
        }
        int depth = 0;
        for (int at = 0; at < text.length() - 1; at++) {
            depth += text.charAt(at) == '(' ? 1 : text.charAt(at) == ')' ? -1 : 0;
            if (depth == 0) {
                return text;
            }
        }
        return text.substring(1, text.length() - 1);
    }

    private static boolean isOutside(String text, int place) {
        int depth = 0;
        for (int at = 0; at < place; at++) {
            depth += text.charAt(at) == '(' ? 1 : text.charAt(at) == ')' ? -1 : 0;
        }
        return depth == 0;
    }
}

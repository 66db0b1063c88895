package dev.yardarm.market.feed;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A fault of the line for some time.
 *
 * @param from first moment at which messages are hit, microseconds UTC
 * @param to first moment at which they are not any more; {@link Long#MAX_VALUE} until it is ended by hand
 * @param amount microseconds: of {@link Kind#DELAY} how late all come, of {@link Kind#REORDER} and {@link Kind#DOUBLE} how far they stray at
 *     most, of {@link Kind#LOSE} how long after the end of the fault what was lost is filled in; {@link Long#MAX_VALUE} for by hand alone
 */
public record FeedFault(Kind kind, long from, long to, long amount) {
    private static final long SECOND = 1_000_000;
    private static final Pattern SPAN = Pattern.compile("(?i)([0-9.]+)\\s*(s|sec|seconds?|m|min|minutes?|h|hours?)");

    /** What goes wrong. */
    public enum Kind {
        /** There is no line: nothing comes, which is noticed at once; all of it is sent when there is one again. */
        CUT,
        /** Everything comes late, in its order. */
        DELAY,
        /** Every message comes twice. */
        DOUBLE,
        /** Messages overtake each other. */
        REORDER,
        /** Trades do not come, and only their numbers tell. */
        LOSE;

        /** The fault of a word; null for none. */
        static Kind of(String word) {
            for (Kind each : values()) {
                if (each.name().equalsIgnoreCase(word)) {
                    return each;
                }
            }
            return null;
        }
    }

    public FeedFault {
        if (to <= from) {
            throw new IllegalArgumentException("a fault ends after it begins");
        }
        if (amount < 0) {
            throw new IllegalArgumentException("a fault of the line is by no less than nothing");
        }
    }

    /** True when a message sent at a moment is hit. */
    boolean hits(long time) {
        return time >= from && time < to;
    }

    private static final double MOST_SECONDS = 31 * 24 * 3600;

    /**
     * Reads a fault as it is typed: {@code cut for 5m}, {@code delay 20s for 10m}, {@code double}, {@code reorder 3s for 2m}, {@code lose for 2m
     * fill after 10m}.
     *
     * @param from when it begins
     * @throws IllegalArgumentException with what was expected
     */
    public static FeedFault parse(String text, long from) {
        String words = text.strip().toLowerCase(Locale.ROOT);
        Matcher fill = Pattern.compile("\\s+fill(?:ed)?\\s+after\\s+(.+)$").matcher(words);
        long after = Long.MAX_VALUE;
        if (fill.find()) {
            after = span(fill.group(1));
            words = words.substring(0, fill.start());
        }
        Matcher lasting = Pattern.compile("\\s+for\\s+(.+)$").matcher(words);
        long to = Long.MAX_VALUE;
        if (lasting.find()) {
            to = from + span(lasting.group(1));
            words = words.substring(0, lasting.start());
        }
        String[] parts = words.strip().split("\\s+(by\\s+)?", 2);
        Kind kind = Kind.of(parts[0]);
        if (kind == null) {
            throw new IllegalArgumentException(
                    "'" + parts[0]
                            + "' is no fault of the line; there are cut, delay 20s, double, reorder 3s, lose, each with for 5m");
        }
        if (kind != Kind.LOSE && after != Long.MAX_VALUE) {
            throw new IllegalArgumentException("only what was lost is filled in after a time");
        }
        long amount =
                switch (kind) {
                    case DELAY -> parts.length > 1 ? span(parts[1]) : 10 * SECOND;
                    case REORDER, DOUBLE -> parts.length > 1 ? span(parts[1]) : 3 * SECOND;
                    case LOSE -> after;
                    case CUT -> 0;
                };
        if (parts.length > 1 && (kind == Kind.CUT || kind == Kind.LOSE)) {
            throw new IllegalArgumentException(
                    "'" + parts[1] + "' is not understood; write such as " + parts[0] + " for 5m");
        }
        return new FeedFault(kind, from, to, amount);
    }

    static long span(String text) {
        Matcher span = SPAN.matcher(text.strip());
        if (!span.matches()) {
            throw new IllegalArgumentException("'" + text.strip() + "' is no time; write such as 20s, 5m or 1h");
        }
        double number;
        try {
            number = Double.parseDouble(span.group(1));
        } catch (NumberFormatException bad) {
            throw new IllegalArgumentException("'" + span.group(1) + "' is no number", bad);
        }
        char unit = Character.toLowerCase(span.group(2).charAt(0));
        double seconds = number * (unit == 's' ? 1 : unit == 'm' ? 60 : 3600);
        if (!(seconds <= MOST_SECONDS)) {
            throw new IllegalArgumentException("'" + text.strip() + "' is longer than a month; write such as 5m or 2h");
        }
        return (long) (number * (unit == 's' ? SECOND : unit == 'm' ? 60 * SECOND : 3600 * SECOND));
    }

    /** What it is, in words. */
    public String words() {
        return switch (kind) {
            case CUT -> "the line is cut";
            case DELAY -> "everything comes " + amount / SECOND + " s late";
            case DOUBLE -> "every message comes twice";
            case REORDER -> "messages overtake each other by up to " + amount / SECOND + " s";
            case LOSE -> "trades are lost";
        };
    }
}

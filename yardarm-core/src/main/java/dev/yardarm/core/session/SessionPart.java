package dev.yardarm.core.session;

import java.time.DateTimeException;
import java.time.LocalTime;
import java.util.Locale;

/**
 * Which part of the trading hours bars are made of. Day and evening complement each other to the second: the evening
 * ends where the day begins. Written {@code whole}, {@code day}, {@code evening} or {@code 09:00-12:30}.
 *
 * @param from local begin of the user's own hours; null otherwise
 * @param to local end of the user's own hours; before {@code from} when they reach over midnight
 */
public record SessionPart(Kind kind, LocalTime from, LocalTime to) {
    /** Which part. */
    public enum Kind {
        WHOLE,
        DAY,
        EVENING,
        OWN
    }

    public static final SessionPart WHOLE = new SessionPart(Kind.WHOLE, null, null);
    public static final SessionPart DAY = new SessionPart(Kind.DAY, null, null);
    public static final SessionPart EVENING = new SessionPart(Kind.EVENING, null, null);

    public static SessionPart own(LocalTime from, LocalTime to) {
        if (from.equals(to)) {
            throw new IllegalArgumentException("a session from " + from + " to " + to + " is empty");
        }
        return new SessionPart(Kind.OWN, from, to);
    }

    /**
     * Reads the text form.
     *
     * @throws IllegalArgumentException with what was expected
     */
    public static SessionPart parse(String text) {
        String word = text.strip().toLowerCase(Locale.ROOT);
        switch (word) {
            case "whole", "whole day", "" -> {
                return WHOLE;
            }
            case "day" -> {
                return DAY;
            }
            case "evening" -> {
                return EVENING;
            }
            default -> {
                String[] ends = word.split("\\s*[-–]\\s*");
                if (ends.length == 2) {
                    try {
                        return own(time(ends[0]), time(ends[1]));
                    } catch (DateTimeException noTime) {
                        // told below
                    }
                }
                throw new IllegalArgumentException(
                        "'" + text + "' is not a session; write whole, day, evening or hours " + "such as 09:00-12:30");
            }
        }
    }

    private static LocalTime time(String text) {
        return LocalTime.parse(text.length() == 4 ? "0" + text : text);
    }

    /** For people: {@code day session}, {@code 09:00-12:30}. */
    public String words() {
        return switch (kind) {
            case WHOLE -> "whole day";
            case DAY -> "day session";
            case EVENING -> "evening session";
            case OWN -> toString();
        };
    }

    @Override
    public String toString() {
        return kind == Kind.OWN ? from + "-" + to : kind.name().toLowerCase(Locale.ROOT);
    }
}

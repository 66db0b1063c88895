package dev.yardarm.core.source;

import java.util.Locale;

/**
 * When a continuous future goes on to the next contract. Written {@code expiry}, {@code volume} or {@code 5 days before}.
 *
 * @param days sessions before the expiry; 0 for the other kinds
 */
public record RollRule(Kind kind, int days) {
    /** The rules there are. */
    public enum Kind {
        /** After the last session of the contract. */
        EXPIRY,
        /** So many sessions before the expiry, at the opening. */
        DAYS_BEFORE,
        /** On the session after the one in which the next contract had more volume; at the latest after the expiry. */
        VOLUME
    }

    public static final RollRule EXPIRY = new RollRule(Kind.EXPIRY, 0);
    public static final RollRule VOLUME = new RollRule(Kind.VOLUME, 0);
    public static final RollRule STANDARD = VOLUME;

    public RollRule {
        if (kind == Kind.DAYS_BEFORE ? days < 1 || days > 60 : days != 0) {
            throw new IllegalArgumentException("a roll is 1 to 60 sessions before the expiry, not " + days);
        }
    }

    public static RollRule daysBefore(int days) {
        return new RollRule(Kind.DAYS_BEFORE, days);
    }

    /** @throws IllegalArgumentException with what was expected */
    public static RollRule parse(String text) {
        String word = text.strip().toLowerCase(Locale.ROOT);
        if (word.equals("expiry")) {
            return EXPIRY;
        }
        if (word.equals("volume")) {
            return VOLUME;
        }
        try {
            return daysBefore(Integer.parseInt(word.replace(" days before", "").replace(" day before", "")));
        } catch (NumberFormatException noNumber) {
            throw new IllegalArgumentException(
                    "'" + text + "' is not a roll rule; write expiry, volume or 5 days before");
        }
    }

    @Override
    public String toString() {
        return kind == Kind.DAYS_BEFORE
                ? days + (days == 1 ? " day before" : " days before")
                : kind.name().toLowerCase(Locale.ROOT);
    }
}

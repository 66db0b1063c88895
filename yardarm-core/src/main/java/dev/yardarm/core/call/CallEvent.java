package dev.yardarm.core.call;

import java.util.Objects;

/**
 * Something that became of a call.
 *
 * @param call id of the call
 * @param at when, microseconds UTC
 * @param price at which
 * @param bar open of the bar of the call on which; 0 when that is not known
 */
public record CallEvent(String call, Kind kind, long at, double price, long bar) {
    /** What can become of a call. */
    public enum Kind {
        /** Price went beyond the trigger; from here on the target is expected. */
        TRIGGERED("triggered"),
        /** The target was reached. */
        CAME_TRUE("came true"),
        /** Price went beyond what proves it wrong, triggered or not. */
        PROVED_WRONG("proved wrong"),
        /** The other reading counts: price went beyond its trigger after the main one was wrong. */
        RIVAL_TRIGGERED("other reading triggered"),
        RIVAL_CAME_TRUE("other reading came true"),
        RIVAL_PROVED_WRONG("other reading proved wrong"),
        /** Its time passed before it was decided. */
        EXPIRED("expired");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** For people. */
        public String words() {
            return words;
        }

        /** For files: {@code came_true}. */
        public String word() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }

        /** True when the main reading is decided with it. */
        public boolean decides() {
            return this == CAME_TRUE || this == PROVED_WRONG || this == EXPIRED;
        }
    }

    public CallEvent {
        Objects.requireNonNull(call);
        Objects.requireNonNull(kind);
    }

    /** Tells events apart: each kind comes once to a call. */
    public record Key(String call, Kind kind) {}

    public Key key() {
        return new Key(call, kind);
    }
}

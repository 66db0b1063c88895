package dev.yardarm.core.profile;

/**
 * A point of control or an edge of the value area of a span that is over, which nothing has reached since.
 *
 * @param kind which it is
 * @param price the lowest price of its row
 * @param since close of the last bar of its span, microseconds
 */
public record UntouchedLevel(Kind kind, double price, long since) {
    /** Which level of a profile. */
    public enum Kind {
        CONTROL("poc"),
        VALUE_HIGH("value high"),
        VALUE_LOW("value low");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }
}

package dev.yardarm.core.source;

/**
 * Something that belongs to a moment on the time axis of an instrument.
 *
 * @param text what it says, in a sentence without a full stop
 */
public record EventMark(long time, Kind kind, String text) implements Comparable<EventMark> {
    /** What sort of thing it is, with the letter that marks it. */
    public enum Kind {
        DIVIDEND('d'),
        SPLIT('s'),
        ROLL('r'),
        EXPIRY('x'),
        ENTRY('c');

        private final char letter;

        Kind(char letter) {
            this.letter = letter;
        }

        public char letter() {
            return letter;
        }
    }

    @Override
    public int compareTo(EventMark other) {
        return Long.compare(time, other.time);
    }
}

package dev.yardarm.core.source;

/**
 * Something that belongs to a moment on the time axis of an instrument.
 *
 * @param text what it says, in a sentence without a full stop
 */
public record EventMark(long time, Kind kind, String text) implements Comparable<EventMark> {
    /** What sort of thing it is; {@code ENTRY} is one of the calendar. */
    public enum Kind {
        DIVIDEND,
        SPLIT,
        ROLL,
        EXPIRY,
        ENTRY
    }

    @Override
    public int compareTo(EventMark other) {
        return Long.compare(time, other.time);
    }
}

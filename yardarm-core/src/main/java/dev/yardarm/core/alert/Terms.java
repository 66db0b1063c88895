package dev.yardarm.core.alert;

import dev.yardarm.core.series.Times;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Objects;

/**
 * How often an alert goes off, and when it looks at all.
 *
 * @param repeat how often
 * @param from first moment it looks, microseconds UTC; {@link Long#MIN_VALUE} from when it is set
 * @param until first moment it does not look any more; {@link Long#MAX_VALUE} for never
 * @param hours the part of each day in which it looks; null for all of it
 */
public record Terms(Repeat repeat, long from, long until, Hours hours) {
    /** Once, at any time. */
    public static final Terms STANDARD = new Terms(Repeat.ONCE, Long.MIN_VALUE, Long.MAX_VALUE, null);

    /** How often an alert goes off. */
    public enum Repeat {
        /** One time. */
        ONCE("once"),
        /**
         * At most one time in each of its bars: at every close at which it is so, and for what happens with trades each time after having
         * gone back, but once in a bar.
         */
        ONCE_A_BAR("once a bar"),
        /** Each time it becomes so after having gone back. */
        EACH_TIME("each time");

        private final String words;

        Repeat(String words) {
            this.words = words;
        }

        /** As it is written. */
        public String words() {
            return words;
        }
    }

    /**
     * A part of the day, in the time of the market; over midnight when it ends before it begins.
     *
     * @param from its first moment
     * @param to the first moment behind it
     */
    public record Hours(LocalTime from, LocalTime to) {
        public Hours {
            if (from.equals(to)) {
                throw new IllegalArgumentException("hours begin and end at different times");
            }
        }

        boolean hold(LocalTime time) {
            boolean begun = !time.isBefore(from);
            boolean before = time.isBefore(to);
            return from.isBefore(to) ? begun && before : begun || before;
        }

        /** As they are written: {@code between 09:00 and 11:30}. */
        public String words() {
            return "between " + from + " and " + to;
        }
    }

    public Terms {
        Objects.requireNonNull(repeat);
        if (until <= from) {
            throw new IllegalArgumentException("an alert begins to look before it ends");
        }
    }

    /** True when it looks at what is traded at a moment. */
    public boolean lookAt(long time, ZoneId zone) {
        return time >= from
                && time < until
                && (hours == null || hours.hold(Times.at(time, zone).toLocalTime()));
    }

    /** True when it looks at a bar that closes at a moment: the bar was there before it. */
    boolean lookAtClose(long time, ZoneId zone) {
        return lookAt(time - 1, zone);
    }

    /** The same, so often. */
    public Terms with(Repeat other) {
        return new Terms(other, from, until, hours);
    }

    /** The same, until a moment. */
    public Terms until(long moment) {
        return new Terms(repeat, from, moment, hours);
    }

    /** The same, from a moment on. */
    public Terms from(long moment) {
        return new Terms(repeat, moment, until, hours);
    }

    /** The same in some hours. */
    public Terms in(Hours part) {
        return new Terms(repeat, from, until, part);
    }
}

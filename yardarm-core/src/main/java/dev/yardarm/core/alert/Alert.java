package dev.yardarm.core.alert;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.instrument.InstrumentId;
import java.util.Objects;

/**
 * An alert on a drawing, a condition or a large trade, from when it is set until it fires. That it fired is not part of it: a {@link Firing}
 * says so.
 *
 * @param on what it waits on
 * @param timeframe the bars whose close counts, for {@link Trigger#CLOSES_BEYOND} and {@link Trigger#HOLDS}
 * @param above whether the price stood above the drawing when the alert was set; means nothing for a condition
 * @param setAt when it was set or armed again, microseconds UTC
 */
public record Alert(
        String id, InstrumentId instrument, On on, Trigger trigger, Timeframe timeframe, boolean above, long setAt) {
    /** What an alert waits on. */
    public sealed interface On {
        /** A drawing of the instrument, by its id. */
        record Drawn(String id) implements On {
            public Drawn {
                Objects.requireNonNull(id);
            }
        }

        /** A condition in the language of formulas. */
        record Condition(String text) implements On {
            public Condition {
                if (text.isBlank()) {
                    throw new IllegalArgumentException("an alert waits on a condition or a drawing");
                }
            }
        }

        /**
         * A large trade.
         *
         * @param size from which one is large
         * @param together microseconds within which prints of one side are one; 0 for those of one moment
         */
        record Traded(double size, long together) implements On {
            public Traded {
                if (!(size > 0 && size < Double.POSITIVE_INFINITY) || together < 0) {
                    throw new IllegalArgumentException("an alert on a large trade waits for a size above zero, not "
                            + size + ", put together within no less than no time, not " + together);
                }
            }

            /** In words: {@code a trade of 200 or more}. */
            public String words() {
                return "a trade of " + Setting.Number.plain(size) + " or more";
            }
        }
    }

    /** What makes it fire. */
    public enum Trigger {
        /** A trade at the drawing's price or through it. */
        REACHES("price reaches it"),
        /** A bar that closes on the other side than where price stood when the alert was set. */
        CLOSES_BEYOND("a bar closes beyond it"),
        /** A bar that closes with the condition true, where it was not on the bar before. */
        HOLDS("a bar closes on which it begins to hold"),
        /** A trade that is large, or becomes it with a print more; at once. */
        TRADED("a trade as large is struck");

        private final String words;

        Trigger(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public Alert {
        Objects.requireNonNull(id);
        Objects.requireNonNull(instrument);
        Objects.requireNonNull(on);
        Objects.requireNonNull(trigger);
        Objects.requireNonNull(timeframe);
        if (on instanceof On.Condition != (trigger == Trigger.HOLDS)) {
            throw new IllegalArgumentException("an alert on a condition waits for it to hold, no other does");
        }
        if (on instanceof On.Traded != (trigger == Trigger.TRADED)) {
            throw new IllegalArgumentException("an alert on a large trade waits for it to be struck, no other does");
        }
    }

    /** An alert on a drawing. */
    public Alert(
            String id,
            InstrumentId instrument,
            String drawing,
            Trigger trigger,
            Timeframe timeframe,
            boolean above,
            long setAt) {
        this(id, instrument, new On.Drawn(drawing), trigger, timeframe, above, setAt);
    }

    /** An alert on a condition. */
    public static Alert onCondition(
            String id, InstrumentId instrument, String condition, Timeframe timeframe, long setAt) {
        return new Alert(id, instrument, new On.Condition(condition), Trigger.HOLDS, timeframe, false, setAt);
    }

    /** An alert on a large trade. */
    public static Alert onTrade(
            String id, InstrumentId instrument, double size, long together, Timeframe timeframe, long setAt) {
        return new Alert(id, instrument, new On.Traded(size, together), Trigger.TRADED, timeframe, false, setAt);
    }

    /** The id of the drawing it waits on; empty when it waits on something else. */
    public String drawing() {
        return on instanceof On.Drawn drawn ? drawn.id() : "";
    }

    /** The condition it waits on; empty when it waits on something else. */
    public String condition() {
        return on instanceof On.Condition condition ? condition.text() : "";
    }

    /** The same alert under another id. */
    public Alert withId(String other) {
        return new Alert(other, instrument, on, trigger, timeframe, above, setAt);
    }

    /** The same alert waiting again from a moment on, with price on the given side. */
    public Alert armed(long time, boolean nowAbove) {
        return new Alert(id, instrument, on, trigger, timeframe, nowAbove, time);
    }
}

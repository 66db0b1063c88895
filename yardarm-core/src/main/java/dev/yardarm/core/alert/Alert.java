package dev.yardarm.core.alert;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import java.util.Objects;

/**
 * An alert on a drawing, from when it is set until it fires. That it fired is not part of it: a {@link Firing} says so.
 *
 * @param timeframe the bars whose close counts, for {@link Trigger#CLOSES_BEYOND}
 * @param above whether the price stood above the drawing when the alert was set
 * @param setAt when it was set or armed again, microseconds UTC
 */
public record Alert(
        String id,
        InstrumentId instrument,
        String drawing,
        Trigger trigger,
        Timeframe timeframe,
        boolean above,
        long setAt) {
    /** What makes it fire. */
    public enum Trigger {
        /** A trade at the drawing's price or through it. */
        REACHES("price reaches it"),
        /** A bar that closes on the other side than where price stood when the alert was set. */
        CLOSES_BEYOND("a bar closes beyond it");

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
        Objects.requireNonNull(drawing);
        Objects.requireNonNull(trigger);
        Objects.requireNonNull(timeframe);
    }

    /** The same alert waiting again from a moment on, with price on the given side. */
    public Alert armed(long time, boolean nowAbove) {
        return new Alert(id, instrument, drawing, trigger, timeframe, nowAbove, time);
    }
}

package dev.yardarm.core.alert;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import java.util.Objects;

/**
 * An alert on a drawing.
 *
 * @param timeframe the bars whose close counts, for {@link Trigger#CLOSES_BEYOND}
 * @param above whether the price stood above the drawing when the alert was set
 * @param firedAt when it fired, 0 while it waits
 * @param firedPrice the price at which it fired
 */
public record Alert(
        String id,
        InstrumentId instrument,
        String drawing,
        Trigger trigger,
        Timeframe timeframe,
        boolean above,
        long setAt,
        long firedAt,
        double firedPrice) {
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

    public boolean hasFired() {
        return firedAt != 0;
    }

    public Alert fired(long time, double price) {
        return new Alert(id, instrument, drawing, trigger, timeframe, above, setAt, time, price);
    }

    /** The same alert waiting again from a moment on, with price on the given side. */
    public Alert armed(long time, boolean nowAbove) {
        return new Alert(id, instrument, drawing, trigger, timeframe, nowAbove, time, 0, 0);
    }
}

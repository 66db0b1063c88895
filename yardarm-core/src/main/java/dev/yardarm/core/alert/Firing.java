package dev.yardarm.core.alert;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import java.util.Objects;

/**
 * One time an alert went off. A record of its own: it stays when the alert is armed again or taken away.
 *
 * @param alert id of the alert
 * @param setAt when the alert was set or armed for this time; with {@code alert} it tells firings apart
 * @param drawing id of the drawing it waited on; empty for a condition
 * @param on what the alert waited on, in words, a condition as its text; empty when that is not known
 * @param at when it fired, microseconds UTC
 * @param price at which it fired
 * @param bar open of the bar of the alert's timeframe on which it fired; 0 when that is not known
 */
public record Firing(
        String alert,
        long setAt,
        InstrumentId instrument,
        String drawing,
        String on,
        Alert.Trigger trigger,
        Timeframe timeframe,
        boolean above,
        long at,
        double price,
        long bar) {
    public Firing {
        Objects.requireNonNull(alert);
        Objects.requireNonNull(instrument);
        Objects.requireNonNull(drawing);
        Objects.requireNonNull(on);
        Objects.requireNonNull(trigger);
        Objects.requireNonNull(timeframe);
    }

    /** Tells firings apart: an alert fires once each time it is set. */
    public record Key(String alert, long setAt) {}

    /** The firing of an alert at a moment. */
    public static Firing of(Alert alert, String on, long at, double price, long bar) {
        return new Firing(
                alert.id(),
                alert.setAt(),
                alert.instrument(),
                alert.drawing(),
                on,
                alert.trigger(),
                alert.timeframe(),
                alert.above(),
                at,
                price,
                bar);
    }

    public Key key() {
        return new Key(alert, setAt);
    }
}

package dev.yardarm.core.alert;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.PriceBasis;
import java.util.Objects;

/**
 * One time an alert went off. A record of its own: it stays when the alert is armed again or taken away.
 *
 * @param alert id of the alert
 * @param setAt when the alert was set or armed for this time; with {@code alert} and {@code at} it tells firings apart
 * @param drawing id of the drawing it waited on; empty when it waited on something else
 * @param on the condition as it was, in words; empty when that is not known
 * @param note the trader's words with their values; empty for none
 * @param bars the alert's bars
 * @param at when it fired, microseconds UTC
 * @param price at which it fired
 * @param bar open of the bar of the alert on which it fired; 0 when that is not known
 */
public record Firing(
        String alert,
        long setAt,
        InstrumentId instrument,
        String drawing,
        String on,
        String note,
        BarRule bars,
        long at,
        double price,
        long bar) {
    public Firing {
        Objects.requireNonNull(alert);
        Objects.requireNonNull(instrument);
        Objects.requireNonNull(drawing);
        Objects.requireNonNull(on);
        Objects.requireNonNull(note);
        Objects.requireNonNull(bars);
    }

    /** The firing of an alert at a moment. */
    public static Firing of(Alert alert, String on, long at, double price, long bar) {
        return new Firing(
                alert.id(),
                alert.setAt(),
                alert.instrument(),
                alert.drawing(),
                on,
                alert.note(),
                alert.bars(),
                at,
                price,
                bar);
    }

    /** Tells firings apart: an alert fires once at a moment. */
    public record Key(String alert, long setAt, long at) {}

    /** The same in prices as they are shown now. */
    public Firing in(PriceBasis basis) {
        return basis.isAsTraded()
                ? this
                : new Firing(alert, setAt, instrument, drawing, on, note, bars, at, basis.shown(price, at), bar);
    }

    public Key key() {
        return new Key(alert, setAt, at);
    }

    /** The same in other words. */
    public Firing in(String words, String noted) {
        return new Firing(alert, setAt, instrument, drawing, words, noted, bars, at, price, bar);
    }

    /** The chart on which it fired. */
    public BarRequest request() {
        return bars instanceof BarRule.Time time
                ? BarRequest.of(time.timeframe())
                : BarRequest.of(bars.basis().orElse(Timeframe.DAY)).withRule(bars);
    }
}

package dev.yardarm.core.call;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.source.PriceBasis;
import java.util.Objects;

/**
 * A call: a conditional view of an instrument. What became of it is not part of it; {@link CallEvent}s say so.
 *
 * @param main what the trader expects
 * @param rival the other reading, which counts from when the main one is proved wrong; null for none
 * @param bars the bars whose closes count
 * @param until first moment at which it does not count any more; {@link Long#MAX_VALUE} for never
 * @param note the trader's words; empty for none
 * @param origin what it was made from: empty when it was typed, else the kind of the finding
 * @param setAt when it was made, microseconds UTC
 */
public record Call(
        String id,
        InstrumentId instrument,
        Reading main,
        Reading rival,
        BarRule bars,
        long until,
        String note,
        String origin,
        long setAt) {
    public Call {
        Objects.requireNonNull(id);
        Objects.requireNonNull(instrument);
        Objects.requireNonNull(main);
        Objects.requireNonNull(bars);
        Objects.requireNonNull(note);
        Objects.requireNonNull(origin);
        if (rival != null && rival.way() == main.way()) {
            throw new IllegalArgumentException("the other reading expects the other direction");
        }
    }

    /** The same call under another id. */
    public Call withId(String other) {
        return new Call(other, instrument, main, rival, bars, until, note, origin, setAt);
    }

    /** The same call made from something. */
    public Call from(String kind) {
        return new Call(id, instrument, main, rival, bars, until, note, kind, setAt);
    }

    /** The same call in the prices of a chart, where it is kept in prices of the day it was made. */
    public Call in(PriceBasis basis) {
        if (basis.isAsTraded()) {
            return this;
        }
        return new Call(
                id,
                instrument,
                main.in(price -> basis.shown(price, setAt)),
                rival == null ? null : rival.in(price -> basis.shown(price, setAt)),
                bars,
                until,
                note,
                origin,
                setAt);
    }
}

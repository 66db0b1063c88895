package dev.yardarm.core.source;

import dev.yardarm.core.instrument.InstrumentId;

/** A source some of whose instruments have one price a bar: open, high and low are the close, on every timeframe and live. */
public interface ClosesOnly {
    /** True for an instrument of which only closes are known. */
    boolean isOfCloses(InstrumentId id);
}

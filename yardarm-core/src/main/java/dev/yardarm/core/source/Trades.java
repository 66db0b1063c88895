package dev.yardarm.core.source;

import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.TickSeries;
import java.io.IOException;

/** Knows trades one by one, with their sides where those are known. */
public interface Trades {
    /** The moment from which trades can be had one by one; {@link Long#MAX_VALUE} when there are none. */
    long ticksFrom(InstrumentId id, long upTo);

    /**
     * The trades from a moment on, as known at another.
     *
     * @throws IOException when they cannot be read
     */
    TickSeries ticks(InstrumentId id, long from, long upTo) throws IOException;
}

package dev.yardarm.data.history;

import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.TickSeries;
import java.io.IOException;

/** Keeps trades by instrument. May be used by several threads; writes happen one after the other. */
public interface TickStore {
    /** The moment of the first trade that is kept; {@link Long#MAX_VALUE} when there is none. */
    long firstTick(InstrumentId id) throws IOException;

    /** The moment of the last trade that is kept; {@link Long#MIN_VALUE} when there is none. */
    long lastTick(InstrumentId id) throws IOException;

    /**
     * The trades from {@code from} (included) to {@code to} (excluded), in their order.
     *
     * @throws IOException when a file cannot be read, naming it
     */
    TickSeries ticks(InstrumentId id, long from, long to) throws IOException;

    /** Adds trades; what was kept between the first and the last of them gives way to them. */
    void mergeTicks(InstrumentId id, TickSeries ticks) throws IOException;
}

package dev.yardarm.core.source;

import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.TickSeries;
import java.io.IOException;

/** A source that goes on live: it knows the trades of any span of time that has passed. */
public interface LiveSource extends BarSource {
    /**
     * Appends the trades after {@code after} and up to {@code upTo} to a series, in their order, each with its side where that
     * is known. However a span is cut, its parts give the same trades with the same sides.
     *
     * @throws IOException when they cannot be had now; asked again later, the same span is given
     */
    void trades(InstrumentId id, long after, long upTo, TickSeries into) throws IOException;

    /**
     * Up to which moment nothing is missing, as far as the source knows; what comes after it is not asked for yet. A source whose trades come late
     * or with gaps says so here, and hands out none beyond it.
     *
     * @param now what time it is
     * @return at most {@code now}
     */
    default long knownUpTo(InstrumentId id, long now) {
        return now;
    }

    /**
     * Says when there is no connection.
     *
     * @throws IOException with the reason
     */
    default void check(long now) throws IOException {}
}

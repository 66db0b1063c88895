package dev.yardarm.core.source;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.BarSeries;
import java.io.IOException;
import java.util.Collection;
import java.util.Map;

/** Reads the histories of many instruments at once, where that costs less than reading them one after the other. */
public interface ManyHistories {
    /**
     * The histories of instruments, each as {@link BarSource#history} gives it. Left out are those that have no bars of the timeframe
     * there, and those that are better read alone.
     *
     * @param from bars that opened before are left out, microseconds UTC; {@code Long.MIN_VALUE} for none
     * @param upTo the moment to answer as of, microseconds UTC; {@code Long.MAX_VALUE} for all there is
     * @throws IOException when they cannot be read
     */
    Map<InstrumentId, BarSeries> histories(Collection<InstrumentId> ids, Timeframe timeframe, long from, long upTo)
            throws IOException;
}

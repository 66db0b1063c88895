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
     * The complete histories of instruments, each as {@link BarSource#history} gives it; those that have no bars of the timeframe are
     * left out.
     *
     * @throws IOException when they cannot be read
     */
    Map<InstrumentId, BarSeries> histories(Collection<InstrumentId> ids, Timeframe timeframe) throws IOException;
}

package dev.yardarm.data.history;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Keeps closed bars by instrument and timeframe. Prices are kept as given; a forming bar is never stored. May be used by
 * several threads; writes to the same instrument and timeframe happen one after the other.
 */
public interface BarStore extends AutoCloseable {
    /** Timeframes with bars of this instrument, finest first. */
    List<Timeframe> timeframes(InstrumentId id);

    /**
     * The bars that opened from {@code from} (included) to {@code to} (excluded), in order; none when there are none.
     *
     * @throws IOException when a file cannot be read, naming it
     */
    BarSeries read(InstrumentId id, Timeframe timeframe, long from, long to) throws IOException;

    /**
     * The bars of instruments of one source, each as {@link #read} gives it; those without bars are left out. Daily and longer bars
     * are read in one go, which is much faster than one instrument at a time.
     *
     * @throws IOException when a file cannot be read, naming it
     */
    Map<String, BarSeries> readAll(String source, Timeframe timeframe, Set<String> codes, long from, long to)
            throws IOException;

    /** Adds bars; a bar that opens when one there already does takes its place. */
    void merge(InstrumentId id, Timeframe timeframe, Bars bars) throws IOException;

    /** Replaces all daily or longer bars of a source at once, which is much faster than one instrument at a time. */
    void replaceAll(String source, Timeframe timeframe, Map<String, Bars> barsByCode) throws IOException;

    @Override
    void close();
}

package dev.yardarm.core.source;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.session.TradingCalendar;
import java.io.IOException;
import java.util.List;

/** A supplier of history. Prices are raw; {@link #splits} tells how to adjust them. May be asked by any thread. */
public interface BarSource {
    /** The first part of the identity of its instruments. */
    String name();

    List<Instrument> instruments();

    /** The calendar an instrument trades by. */
    TradingCalendar calendar(Instrument instrument);

    /**
     * The timeframes bars can be had in, finest first; others are built from these.
     */
    List<Timeframe> stored(InstrumentId id);

    /**
     * The bars that opened at or after {@code from} and were known at {@code upTo}; the last one is forming when it
     * closes after {@code upTo}.
     *
     * @param timeframe one of {@link #stored}
     * @throws IOException when the history cannot be read, with what to do
     */
    BarSeries history(InstrumentId id, Timeframe timeframe, long from, long upTo) throws IOException;

    /** Splits in the order of their time. */
    default List<Split> splits(InstrumentId id) {
        return List.of();
    }

    /**
     * A split: from this moment on, one old share is {@code ratio} new ones.
     *
     * @param time opening of the first session at the new price
     */
    record Split(long time, double ratio) {
    }
}

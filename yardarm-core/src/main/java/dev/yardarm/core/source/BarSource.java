package dev.yardarm.core.source;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.session.TradingCalendar;
import java.io.IOException;
import java.util.List;
import java.util.Optional;

/**
 * A supplier of history. Prices are raw; {@link CorporateActions} tell how to adjust them. What else a source knows it offers as
 * capabilities: {@link CorporateActions}, {@link Contracts}, {@link Members}, {@link Diary}, {@link Trades}, {@link LiveSource}.
 * May be asked by any thread.
 *
 * <p>As of a moment, a source answers with what was known then: nothing that opened later, the last bar forming when it closes
 * later, and of closed bars exactly those that any later answer begins with.
 */
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
     * @param upTo microseconds UTC; {@link Long#MAX_VALUE} for all there is
     * @throws IOException when the history cannot be read, with what to do
     */
    BarSeries history(InstrumentId id, Timeframe timeframe, long from, long upTo) throws IOException;

    /** Why an instrument of this source has no bars at all, for people; empty when it has some or nothing is known of why. */
    default Optional<String> problem(InstrumentId id) {
        return Optional.empty();
    }

    /** What this source can do besides, when it can: {@code source.offers(Contracts.class)}. */
    default <T> Optional<T> offers(Class<T> capability) {
        return capability.isInstance(this) ? Optional.of(capability.cast(this)) : Optional.empty();
    }
}

package dev.yardarm.core.source;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.TickSeries;
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
    record Split(long time, double ratio) {}

    /** Dividends in the order of their ex-dates. */
    default List<Dividend> dividends(InstrumentId id) {
        return List.of();
    }

    /**
     * A dividend paid to whoever held the share before this moment.
     *
     * @param time opening of the first session without it
     * @param amount for one share of that day
     */
    record Dividend(long time, double amount) {}

    /** The contracts of a continuous future, by expiry; empty for anything else. */
    default List<Contract> contracts(InstrumentId id) {
        return List.of();
    }

    /**
     * A contract of a future.
     *
     * @param firstTrade opening of its first session
     * @param expiry close of its last session
     */
    record Contract(InstrumentId id, long firstTrade, long expiry) {}

    /** The members of an index with their weights at a moment, heaviest first; empty for anything else. */
    default List<Member> members(InstrumentId index, long now) {
        return List.of();
    }

    /** @param weight its part of the index, all together 1 */
    record Member(InstrumentId id, double weight) {}

    /** What is due on the calendar of an instrument's market between two moments. */
    default List<Entry> entries(InstrumentId id, long from, long upTo) {
        return List.of();
    }

    /**
     * Something due at a moment.
     *
     * @param importance from 1 to 3
     */
    record Entry(long time, Kind kind, String title, int importance) {
        /** What sort of thing it is. */
        public enum Kind {
            RELEASE,
            RATE_DECISION,
            AUCTION,
            HOLIDAY
        }
    }

    /** The moment from which trades can be had one by one; {@link Long#MAX_VALUE} when there are none. */
    default long ticksFrom(InstrumentId id, long upTo) {
        return Long.MAX_VALUE;
    }

    /** The trades from a moment on, as known at another. */
    default TickSeries ticks(InstrumentId id, long from, long upTo) throws IOException {
        throw new IOException("there are no trades of " + id.code());
    }
}

package dev.yardarm.core.source;

import dev.yardarm.core.instrument.InstrumentId;
import java.util.List;

/** Knows what changes the price of a share without being traded: splits and dividends. */
public interface CorporateActions {
    /** Splits in the order of their time. */
    List<Split> splits(InstrumentId id);

    /** Dividends in the order of their ex-dates. */
    List<Dividend> dividends(InstrumentId id);

    /**
     * A split: from this moment on, one old share is {@code ratio} new ones.
     *
     * @param time opening of the first session at the new price
     */
    record Split(long time, double ratio) {}

    /**
     * A dividend paid to whoever held the share before this moment.
     *
     * @param time opening of the first session without it
     * @param amount for one share of that day
     */
    record Dividend(long time, double amount) {}
}

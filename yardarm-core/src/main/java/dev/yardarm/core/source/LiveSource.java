package dev.yardarm.core.source;

import dev.yardarm.core.instrument.InstrumentId;

/** A source that goes on live: it knows the trades of any span of time that has passed. */
public interface LiveSource extends BarSource {
    /** Reports the trades after {@code after} and up to {@code upTo}, in their order. */
    void trades(InstrumentId id, long after, long upTo, TradeReader reader);

    /** Takes in trades. */
    @FunctionalInterface
    interface TradeReader {
        void trade(long time, double price, double size);
    }
}

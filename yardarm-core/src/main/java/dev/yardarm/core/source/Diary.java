package dev.yardarm.core.source;

import dev.yardarm.core.instrument.InstrumentId;
import java.util.List;

/** Knows what is due: releases, rate decisions, auctions, holidays. */
public interface Diary {
    /** What is due on the calendar of an instrument's market between two moments. */
    List<Entry> entries(InstrumentId id, long from, long upTo);

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
}

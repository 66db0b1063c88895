package dev.yardarm.core.source;

import dev.yardarm.core.instrument.InstrumentId;
import java.util.List;

/** Knows what indices are made of. */
public interface Members {
    /** The members of an index with their weights at a moment, heaviest first; empty for anything else. */
    List<Member> members(InstrumentId index, long now);

    /** @param weight its part of the index, all together 1 */
    record Member(InstrumentId id, double weight) {}
}

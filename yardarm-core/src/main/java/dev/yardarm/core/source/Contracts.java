package dev.yardarm.core.source;

import dev.yardarm.core.instrument.InstrumentId;
import java.util.List;

/** Knows the contracts of continuous futures. */
public interface Contracts {
    /** The contracts of a continuous future, by expiry; empty for anything else. */
    List<Contract> contracts(InstrumentId id);

    /**
     * A contract of a future.
     *
     * @param firstTrade opening of its first session
     * @param expiry close of its last session
     */
    record Contract(InstrumentId id, long firstTrade, long expiry) {}
}

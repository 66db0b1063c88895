package dev.yardarm.core.instrument;

import java.util.List;

/**
 * A list of instruments the trader goes through.
 *
 * @param colour number of its colour; 0 for none
 */
public record NamedList(String name, List<InstrumentId> instruments, int colour) {
    public NamedList {
        if (name == null || name.isBlank()) {
            throw new IllegalArgumentException("a list needs a name");
        }
        instruments = instruments == null ? List.of() : List.copyOf(instruments);
    }

    public NamedList(String name, List<InstrumentId> instruments) {
        this(name, instruments, 0);
    }
}

package dev.yardarm.core.scan;

import dev.yardarm.core.instrument.InstrumentId;
import java.util.List;
import java.util.Objects;

/**
 * What a scan found at a time, kept to be compared with what it finds later.
 *
 * @param scan name of the scan
 * @param at what time it was in the market, microseconds UTC
 * @param condition as it was; a scan that says something else now is another
 * @param looked how many instruments were looked at
 * @param found in their order
 */
public record ScanRun(String scan, long at, String condition, int looked, List<InstrumentId> found) {
    public ScanRun {
        Objects.requireNonNull(scan);
        Objects.requireNonNull(condition);
        found = List.copyOf(found);
    }

    /** What is found here and was not by a run before, in its order. */
    public List<InstrumentId> newSince(ScanRun before) {
        return found.stream().filter(each -> !before.found.contains(each)).toList();
    }

    /** What was found by a run before and is not here, in its order. */
    public List<InstrumentId> goneSince(ScanRun before) {
        return before.newSince(this);
    }

    /** What tells it from other runs. */
    public String key() {
        return scan + " " + at;
    }
}

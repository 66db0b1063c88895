package dev.yardarm.desk.scan;

import dev.yardarm.core.instrument.Instrument;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Set;
import java.util.TreeMap;

/**
 * Who belonged to a universe when. Members of an index (or its heaviest) come and go: each quarter of a year counts with those that
 * belonged at its begin. Lists, sectors and tiers are what they are now. Does not change; may be used by any thread.
 */
public final class Memberships {
    private final List<Instrument> all;
    private final NavigableMap<Long, Set<Instrument>> quarters;

    private Memberships(List<Instrument> all, NavigableMap<Long, Set<Instrument>> quarters) {
        this.all = all;
        this.quarters = quarters;
    }

    /** Instruments that always belonged. */
    public static Memberships always(List<Instrument> instruments) {
        return new Memberships(List.copyOf(instruments), new TreeMap<>());
    }

    /** @param quarters those that belonged from a moment on, until the next */
    static Memberships of(Map<Long, List<Instrument>> quarters) {
        NavigableMap<Long, Set<Instrument>> sets = new TreeMap<>();
        Set<Instrument> all = new LinkedHashSet<>();
        quarters.forEach((from, members) -> {
            sets.put(from, Set.copyOf(members));
            all.addAll(members);
        });
        return new Memberships(new ArrayList<>(all), sets);
    }

    /** All that ever belonged, those of now first. */
    public List<Instrument> all() {
        return all;
    }

    /** Whether an instrument belonged at a time; before the first that is known, as then. */
    public boolean isIn(Instrument instrument, long time) {
        if (quarters.isEmpty()) {
            return true;
        }
        Map.Entry<Long, Set<Instrument>> then = quarters.floorEntry(time);
        return (then == null ? quarters.firstEntry() : then).getValue().contains(instrument);
    }
}

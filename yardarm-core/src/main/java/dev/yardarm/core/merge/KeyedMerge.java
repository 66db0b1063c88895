package dev.yardarm.core.merge;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * Brings together two changes of the same keyed things: what one side did stands next to what the other did, and nothing that
 * either added or changed is lost. Immutable; cost linear in the lists.
 *
 * @param <K> tells things apart
 * @param <V> a thing; equal when nothing about it differs
 */
public final class KeyedMerge<K, V> {
    private final Function<V, K> key;
    private final Twin<K, V> twin;

    /** Gives a second one of a key a key of its own. */
    @FunctionalInterface
    public interface Twin<K, V> {
        /** @param isTaken true for a key that something has */
        V of(V value, Predicate<K> isTaken);
    }

    /**
     * @param key tells things apart
     * @param twin gives a second one of a key a key of its own
     */
    public KeyedMerge(Function<V, K> key, Twin<K, V> twin) {
        this.key = key;
        this.twin = twin;
    }

    /**
     * The things after both changes. One that only one side changed is as that side left it; one that both changed stands
     * twice, that of the other side under a key of its own; one that one side took away and the other changed stays. The
     * order is ours, with what the other side added at the end; with only one side changed it is that side exactly.
     *
     * @param base before either change
     */
    public List<V> merge(List<V> base, List<V> ours, List<V> theirs) {
        if (ours.equals(base)) {
            return theirs;
        }
        if (theirs.equals(base) || theirs.equals(ours)) {
            return ours;
        }
        Map<K, V> was = byKey(base);
        Map<K, V> other = byKey(theirs);
        Set<K> taken = new LinkedHashSet<>(byKey(ours).keySet());
        List<V> merged = new ArrayList<>();
        List<V> twins = new ArrayList<>();
        for (V our : ours) {
            V before = was.get(key.apply(our));
            V their = other.get(key.apply(our));
            boolean weChanged = !our.equals(before);
            if (their == null) {
                if (before == null || weChanged) {
                    merged.add(our);
                }
            } else if (!weChanged) {
                merged.add(their);
            } else {
                merged.add(our);
                if (!their.equals(before) && !their.equals(our)) {
                    twins.add(their);
                }
            }
        }
        for (V their : theirs) {
            boolean weTookAway = !taken.contains(key.apply(their));
            if (weTookAway && !Objects.equals(their, was.get(key.apply(their)))) {
                merged.add(their);
            }
        }
        taken.addAll(other.keySet());
        for (V each : twins) {
            V second = twin.of(each, taken::contains);
            taken.add(key.apply(second));
            merged.add(second);
        }
        return List.copyOf(merged);
    }

    /**
     * The things as they are now after a change from one state to another, which may have been long ago: what the change
     * is about becomes as it made it, everything else stays. When nothing else happened since, it is the other state exactly.
     */
    public List<V> apply(List<V> now, List<V> from, List<V> to) {
        if (now.equals(from)) {
            return to;
        }
        Map<K, V> was = byKey(from);
        Map<K, V> is = byKey(now);
        List<V> applied = new ArrayList<>();
        for (V wanted : to) {
            V there = is.get(key.apply(wanted));
            boolean untouched = wanted.equals(was.get(key.apply(wanted)));
            if (!untouched) {
                applied.add(wanted);
            } else if (there != null) {
                applied.add(there);
            }
        }
        Set<K> known = new LinkedHashSet<>(was.keySet());
        to.forEach(value -> known.add(key.apply(value)));
        now.stream().filter(value -> !known.contains(key.apply(value))).forEach(applied::add);
        return List.copyOf(applied);
    }

    private Map<K, V> byKey(List<V> values) {
        Map<K, V> by = new LinkedHashMap<>();
        values.forEach(value -> by.put(key.apply(value), value));
        return by;
    }
}

package dev.yardarm.desk.book;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.Supplier;

/**
 * The things of a {@link Shelf} put together by what several of them have in common, each group in the order of the shelf. One thing more
 * costs the copy of its own group; any other change costs one walk over the shelf when it is asked next. Used by the interface's
 * thread.
 *
 * @param <G> what they have in common
 * @param <V> a thing
 */
public final class ShelfGroups<G, V> {
    private final Supplier<List<V>> all;
    private final Function<V, G> of;
    /** Null when it has to be made anew. */
    private Map<G, List<V>> groups;

    ShelfGroups(Supplier<List<V>> all, Function<V, G> of) {
        this.all = all;
        this.of = of;
    }

    /** Those of a group; empty when there are none. */
    public List<V> get(G group) {
        if (groups == null) {
            Map<G, List<V>> made = new HashMap<>();
            all.get().forEach(each -> made.computeIfAbsent(of.apply(each), missing -> new ArrayList<>())
                    .add(each));
            made.replaceAll((same, members) -> Collections.unmodifiableList(members));
            groups = made;
        }
        return groups.getOrDefault(group, List.of());
    }

    /** A thing came behind all others. */
    void added(V value) {
        if (groups != null) {
            groups.merge(of.apply(value), List.of(value), ShelfGroups::joined);
        }
    }

    private static <V> List<V> joined(List<V> before, List<V> more) {
        List<V> both = new ArrayList<>(before.size() + more.size());
        both.addAll(before);
        both.addAll(more);
        return Collections.unmodifiableList(both);
    }

    /** Something else changed. */
    void changed() {
        groups = null;
    }
}

package dev.yardarm.core.indicator;

import dev.yardarm.core.catalogue.Declarations;
import java.util.Collection;
import java.util.Collections;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * All indicators, by name. An indicator belongs to the catalogue by standing in its package: the classes there are
 * found once, in the folder or archive this class was loaded from, so there is no list to forget.
 */
public final class Catalogue {
    private static final Catalogue SHARED = new Catalogue();

    private final Map<String, Indicator> byName = new TreeMap<>();

    private Catalogue() {
        Declarations.of(Indicator.class, Catalogue.class.getPackageName() + ".catalogue")
                .forEach(indicator -> byName.put(indicator.name(), indicator));
    }

    public static Catalogue shared() {
        return SHARED;
    }

    /** All of them, sorted by name. */
    public Collection<Indicator> all() {
        return Collections.unmodifiableCollection(byName.values());
    }

    /** Finds one by its name, in any case. */
    public Optional<Indicator> find(String name) {
        return Optional.ofNullable(byName.get(name.toLowerCase(Locale.ROOT)));
    }
}

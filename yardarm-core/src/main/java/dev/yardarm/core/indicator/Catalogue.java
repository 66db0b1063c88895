package dev.yardarm.core.indicator;

import dev.yardarm.core.catalogue.Declarations;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * Indicators by name: a value that does not change. The built-in ones belong to theirs by standing in its package: the classes
 * there are found once, in the folder or archive this class was loaded from, so there is no list to forget.
 *
 * <pre>{@code
 * Catalogue all = Catalogue.builtIn().with(own);
 * }</pre>
 */
public final class Catalogue {
    private final Map<String, Indicator> byName;

    private Catalogue(Map<String, Indicator> byName) {
        this.byName = byName;
    }

    /** Found when they are first asked for. */
    private static final class BuiltIn {
        static final Catalogue ALL =
                of(Declarations.of(Indicator.class, Catalogue.class.getPackageName() + ".catalogue"));
    }

    /** The indicators that ship with the application. */
    public static Catalogue builtIn() {
        return BuiltIn.ALL;
    }

    /**
     * A catalogue of these.
     *
     * @throws IllegalArgumentException when two have the same name
     */
    public static Catalogue of(Collection<? extends Indicator> indicators) {
        return new Catalogue(Map.of()).with(indicators);
    }

    /**
     * The same and these.
     *
     * @throws IllegalArgumentException when one has the name of another
     */
    public Catalogue with(Collection<? extends Indicator> more) {
        Map<String, Indicator> all = new TreeMap<>(byName);
        for (Indicator indicator : more) {
            if (all.put(indicator.name().toLowerCase(Locale.ROOT), indicator) != null) {
                throw new IllegalArgumentException("there are two indicators called '" + indicator.name() + "'");
            }
        }
        return new Catalogue(all);
    }

    /** The same and one more. */
    public Catalogue with(Indicator more) {
        return with(List.of(more));
    }

    /** All of them, sorted by name. */
    public Collection<Indicator> all() {
        return Collections.unmodifiableCollection(byName.values());
    }

    /** Finds one by its name, in any case. */
    public Optional<Indicator> find(String name) {
        return Optional.ofNullable(byName.get(name.toLowerCase(Locale.ROOT)));
    }

    /** The indicator of a name, or of a title or synonym as people say it: {@code Bollinger bands}; the first of several. */
    public Optional<Indicator> called(String words) {
        return find(words.strip().replace(' ', '_').replace('-', '_')).or(() -> byName.values().stream()
                .filter(each -> each.title().equalsIgnoreCase(words.strip())
                        || each.synonyms().stream().anyMatch(words.strip()::equalsIgnoreCase))
                .findFirst());
    }
}

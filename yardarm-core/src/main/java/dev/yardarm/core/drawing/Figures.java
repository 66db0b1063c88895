package dev.yardarm.core.drawing;

import dev.yardarm.core.catalogue.Declarations;
import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** All figures, by name. A figure belongs to them by standing in the package {@code figure}. */
public final class Figures {
    private static final Figures SHARED = new Figures();

    private final Map<String, Figure> byName = new LinkedHashMap<>();

    private Figures() {
        Declarations.of(Figure.class, Figures.class.getPackageName() + ".figure").stream()
                .sorted((one, other) -> one.family() != other.family()
                        ? one.family().compareTo(other.family())
                        : one.title().compareTo(other.title()))
                .forEach(figure -> byName.put(figure.name(), figure));
    }

    public static Figures shared() {
        return SHARED;
    }

    /** All of them, by family and title. */
    public Collection<Figure> all() {
        return Collections.unmodifiableCollection(byName.values());
    }

    /** Finds one by its name, in any case. */
    public Optional<Figure> find(String name) {
        return Optional.ofNullable(byName.get(name.toLowerCase(Locale.ROOT)));
    }

    /** @throws IllegalArgumentException when there is none of this name */
    public Figure get(String name) {
        return find(name).orElseThrow(() -> new IllegalArgumentException("there is no kind of drawing '" + name + "'"));
    }
}

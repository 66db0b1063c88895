package dev.yardarm.core.indicator;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.URISyntaxException;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.Collections;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * All indicators, by name. An indicator belongs to the catalogue by standing in its package: the classes there are
 * found once, in the folder or archive this class was loaded from, so there is no list to forget.
 */
public final class Catalogue {
    private static final Catalogue SHARED = new Catalogue();

    private final Map<String, Indicator> byName = new TreeMap<>();

    private Catalogue() {
        String home = Catalogue.class.getPackageName() + ".catalogue";
        String folder = home.replace('.', '/');
        try {
            URI location = Catalogue.class.getProtectionDomain().getCodeSource().getLocation().toURI();
            Path root = Path.of(location);
            if (Files.isDirectory(root)) {
                collect(root.resolve(folder), home);
            } else {
                try (FileSystem archive = FileSystems.newFileSystem(root)) {
                    collect(archive.getPath(folder), home);
                }
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        } catch (URISyntaxException | ReflectiveOperationException failed) {
            throw new IllegalStateException("the indicator catalogue cannot be read", failed);
        }
    }

    private void collect(Path folder, String packageName) throws IOException, ReflectiveOperationException {
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file : (Iterable<Path>) files::iterator) {
                String name = file.getFileName().toString();
                if (!name.endsWith(".class") || name.contains("$") || name.equals("package-info.class")) {
                    continue;
                }
                Class<?> type = Class.forName(packageName + "." + name.substring(0, name.length() - 6));
                if (Indicator.class.isAssignableFrom(type) && !type.isInterface()) {
                    Indicator indicator = (Indicator) type.getDeclaredConstructor().newInstance();
                    byName.put(indicator.name(), indicator);
                }
            }
        }
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

package dev.yardarm.core.catalogue;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.URISyntaxException;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** One instance of every class of a package that is of a type, found in the folder or archive the type was loaded from. */
public final class Declarations {
    private Declarations() {}

    /** The instances, in the order of their file names; the classes need a constructor without parameters. */
    public static <T> List<T> of(Class<T> type, String packageName) {
        String folder = packageName.replace('.', '/');
        try {
            URI location =
                    type.getProtectionDomain().getCodeSource().getLocation().toURI();
            Path root = Path.of(location);
            if (Files.isDirectory(root)) {
                return collect(type, root.resolve(folder), packageName);
            }
            try (FileSystem archive = FileSystems.newFileSystem(root)) {
                return collect(type, archive.getPath(folder), packageName);
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        } catch (URISyntaxException | ReflectiveOperationException failed) {
            throw new IllegalStateException("the classes of " + packageName + " cannot be read", failed);
        }
    }

    private static <T> List<T> collect(Class<T> type, Path folder, String packageName)
            throws IOException, ReflectiveOperationException {
        List<T> found = new ArrayList<>();
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file : (Iterable<Path>) files.sorted()::iterator) {
                String name = file.getFileName().toString();
                if (!name.endsWith(".class") || name.contains("$") || name.equals("package-info.class")) {
                    continue;
                }
                Class<?> candidate = Class.forName(packageName + "." + name.substring(0, name.length() - 6));
                if (type.isAssignableFrom(candidate)
                        && !candidate.isInterface()
                        && !java.lang.reflect.Modifier.isAbstract(candidate.getModifiers())) {
                    found.add(type.cast(candidate.getDeclaredConstructor().newInstance()));
                }
            }
        }
        return found;
    }
}

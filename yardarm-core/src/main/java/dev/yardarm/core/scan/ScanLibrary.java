package dev.yardarm.core.scan;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Scans that ship with the application, by purpose; to be run as they are or changed. Their universe is every instrument. */
public final class ScanLibrary {
    private ScanLibrary() {}

    /** Read when they are first asked for. */
    private static final class Shipped {
        static final List<Scan> ALL = read();
    }

    /** All of them, in the order of the file: by purpose. */
    public static List<Scan> all() {
        return Shipped.ALL;
    }

    /** The one of a name, however it is written. */
    public static Optional<Scan> named(String name) {
        return all().stream()
                .filter(each -> each.name().equalsIgnoreCase(name.strip()))
                .findFirst();
    }

    /** Those in whose name, purpose, note or condition all words are found; all for none. */
    public static List<Scan> find(String words) {
        String[] wanted = words.toLowerCase(Locale.ROOT).strip().split("\\s+");
        return all().stream()
                .filter(each -> {
                    String text = (each.name() + " " + each.purpose() + " " + each.note() + " " + each.condition())
                            .toLowerCase(Locale.ROOT);
                    for (String word : wanted) {
                        if (!text.contains(word)) {
                            return false;
                        }
                    }
                    return true;
                })
                .toList();
    }

    private static List<Scan> read() {
        try (InputStream file = ScanLibrary.class.getResourceAsStream("library.txt")) {
            return ScanText.read(new String(file.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException failed) {
            throw new UncheckedIOException("the library of scans cannot be read", failed);
        }
    }
}

package dev.yardarm.desk.line;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Optional;

/** Files as they are typed. */
final class Places {
    private Places() {}

    /** A path with {@code ~} for the user's own folder and quotes around it taken off; empty for what is none. */
    static Optional<Path> path(String text) {
        String plain = text.strip();
        if (plain.length() > 1 && plain.startsWith("\"") && plain.endsWith("\"")) {
            plain = plain.substring(1, plain.length() - 1);
        }
        if (plain.isEmpty()) {
            return Optional.empty();
        }
        if (plain.equals("~") || plain.startsWith("~/")) {
            plain = System.getProperty("user.home") + plain.substring(1);
        }
        try {
            return Optional.of(Path.of(plain));
        } catch (InvalidPathException none) {
            return Optional.empty();
        }
    }
}

package dev.yardarm.app;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Iterator;
import java.util.List;

/**
 * How the application is started.
 *
 * @param command {@code demo}, {@code open} or {@code shots}
 * @param home folder of the user's data
 * @param seed of the demo world, 0 for the one used before or the standard one
 * @param still with the simulated market frozen
 * @param out folder for screenshots
 */
record StartOptions(String command, Path home, long seed, boolean still, Path out) {
    private static final String OF_PICTURES = "yardarm-shots";

    /** Whether the home was made for the pictures alone and goes with them. */
    boolean isForPicturesAlone() {
        return home.getFileName() != null
                && home.getFileName().toString().startsWith(OF_PICTURES)
                && home.startsWith(System.getProperty("java.io.tmpdir"));
    }

    static StartOptions read(String[] arguments) {
        String command = arguments.length == 0 ? "demo" : arguments[0];
        if (!List.of("demo", "open", "shots").contains(command)) {
            throw new IllegalArgumentException("'" + command + "' is not demo, open or shots");
        }
        Path home = null;
        long seed = 0;
        boolean still = command.equals("shots");
        Path out = Path.of("docs", "screenshots");
        Iterator<String> rest = List.of(arguments)
                .subList(Math.min(1, arguments.length), arguments.length)
                .iterator();
        while (rest.hasNext()) {
            String option = rest.next();
            switch (option) {
                case "--home" -> home = folder(option, rest);
                case "--out" -> out = folder(option, rest);
                case "--still" -> still = true;
                case "--offscreen" -> {}
                case "--seed" -> {
                    String text = value(option, rest);
                    try {
                        seed = Long.parseLong(text);
                    } catch (NumberFormatException notANumber) {
                        throw new IllegalArgumentException("--seed needs a whole number, not '" + text + "'");
                    }
                }
                default -> throw new IllegalArgumentException("unknown option " + option + " of " + command);
            }
        }
        if (home == null) {
            home = command.equals("shots")
                    ? freshHome()
                    : Path.of(System.getProperty("user.home"), ".yardarm", command.equals("open") ? "own" : "demo");
        }
        return new StartOptions(command, home, seed, still, out);
    }

    /** Pictures come from a home of their own: nobody's drawings are in them, and none are left on anybody's charts. */
    private static Path freshHome() {
        try {
            return Files.createTempDirectory(OF_PICTURES);
        } catch (IOException failed) {
            throw new UncheckedIOException("no folder can be made for the pictures' home", failed);
        }
    }

    private static Path folder(String option, Iterator<String> rest) {
        String text = value(option, rest);
        if (text.isBlank()) {
            throw new IllegalArgumentException(option + " needs a folder, not an empty name");
        }
        return Path.of(text);
    }

    private static String value(String option, Iterator<String> rest) {
        if (!rest.hasNext()) {
            throw new IllegalArgumentException(option + " needs a value");
        }
        return rest.next();
    }

    boolean isDemo() {
        return !command.equals("open");
    }
}

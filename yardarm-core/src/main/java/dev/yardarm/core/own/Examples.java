package dev.yardarm.core.own;

import dev.yardarm.core.formula.Definition;
import dev.yardarm.core.formula.Language;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;

/** Worked examples of definitions that ship with the application, to be opened, tried out and changed. */
public final class Examples {
    private Examples() {}

    /**
     * One example.
     *
     * @param title what it is called
     * @param summary what it is for
     * @param text its definition
     */
    public record Example(String title, String summary, String text) {
        /** True when all words of a text are found in it. */
        public boolean fits(String words) {
            String all = (title + " " + summary + " " + text).toLowerCase(Locale.ROOT);
            for (String word : words.toLowerCase(Locale.ROOT).strip().split("\\s+")) {
                if (!all.contains(word)) {
                    return false;
                }
            }
            return true;
        }
    }

    /** Read when they are first asked for. */
    private static final class Shipped {
        static final List<Example> ALL = read();
    }

    /** All of them, in the order of the file. */
    public static List<Example> all() {
        return Shipped.ALL;
    }

    /** Those that fit some words; all for none. */
    public static List<Example> find(String words) {
        return all().stream()
                .filter(each -> words.isBlank() || each.fits(words))
                .toList();
    }

    private static List<Example> read() {
        String text;
        try (InputStream file = Examples.class.getResourceAsStream("examples.txt")) {
            text = new String(file.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException failed) {
            throw new UncheckedIOException("the examples cannot be read", failed);
        }
        return Definition.parts(text).stream()
                .map(part -> text.substring(part.from(), part.to()).strip() + "\n")
                .map(own -> {
                    Definition definition = Definition.parse(own, Language.builtIn());
                    return new Example(
                            definition.title(), definition.indicator().help().summary(), own);
                })
                .toList();
    }
}

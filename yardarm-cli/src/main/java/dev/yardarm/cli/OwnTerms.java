package dev.yardarm.cli;

import dev.yardarm.core.blend.BlendedBars;
import dev.yardarm.core.formula.BlendFormula;
import dev.yardarm.core.formula.Definition;
import dev.yardarm.core.formula.Definitions;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.series.Bars;
import dev.yardarm.data.text.TextFile;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** What a command is given of the user's own: definitions of indicators in text files, and blends. */
final class OwnTerms {
    private final Language language;
    private final Map<String, BlendFormula> blends;

    private OwnTerms(Language language, Map<String, BlendFormula> blends) {
        this.language = language;
        this.blends = blends;
    }

    /**
     * Reads definitions and blends.
     *
     * @param files text files, each with one definition or several, in any order
     * @param blends {@code CODE=FORMULA} each
     * @throws IOException when a file cannot be read or a definition is at fault, with file and line
     */
    static OwnTerms read(List<Path> files, List<String> blends) throws IOException, WrongUsageException {
        Language language = language(files == null ? List.of() : files);
        return new OwnTerms(language, blends(blends == null ? List.of() : blends, language));
    }

    private static Language language(List<Path> files) throws IOException {
        List<String> texts = new ArrayList<>();
        List<Path> homes = new ArrayList<>();
        List<Definition.Part> places = new ArrayList<>();
        Map<Path, String> whole = new LinkedHashMap<>();
        for (Path file : files) {
            String text = text(file);
            whole.put(file, text);
            for (Definition.Part part : Definition.parts(text)) {
                texts.add(text.substring(part.from(), part.to()));
                homes.add(file);
                places.add(part);
            }
        }
        Definitions own = Definitions.of(texts, Language.builtIn());
        List<String> problems = new ArrayList<>();
        own.bad().entrySet().stream().sorted(Map.Entry.comparingByKey()).forEach(bad -> {
            Path file = homes.get(bad.getKey());
            FormulaException there = bad.getValue()
                    .within(whole.get(file), places.get(bad.getKey()).from());
            for (String line : there.getMessage().split("\n")) {
                problems.add(file + ": " + line);
            }
            problems.add(there.marked());
        });
        if (!problems.isEmpty()) {
            throw new IOException(String.join(System.lineSeparator(), problems));
        }
        return own.language();
    }

    private static String text(Path file) throws IOException {
        try {
            return TextFile.read(file);
        } catch (IOException why) {
            throw new IOException(file + ": " + why.getMessage(), why);
        }
    }

    private static Map<String, BlendFormula> blends(List<String> given, Language language) throws WrongUsageException {
        Map<String, BlendFormula> read = new LinkedHashMap<>();
        for (String each : given) {
            int sign = each.indexOf('=');
            if (sign < 1) {
                throw new WrongUsageException(
                        "--blend is CODE=FORMULA, such as --blend 'RATIO=#KTRL / #MARN', not '" + each + "'");
            }
            String code = each.substring(0, sign).strip().replaceFirst("^#", "").toUpperCase(Locale.ROOT);
            if (read.put(code, BlendFormula.parse(each.substring(sign + 1), language)) != null) {
                throw new WrongUsageException("--blend names " + code + " twice");
            }
        }
        try {
            Map<String, BlendFormula> ordered = new LinkedHashMap<>();
            BlendFormula.inOrder(read).forEach(code -> ordered.put(code, read.get(code)));
            return ordered;
        } catch (IllegalArgumentException circle) {
            throw new WrongUsageException("--blend: " + circle.getMessage());
        }
    }

    /** The language with the definitions. */
    Language language() {
        return language;
    }

    /** True for the code of a blend. */
    boolean isBlend(String code) {
        return blends.containsKey(code.toUpperCase(Locale.ROOT));
    }

    /** The codes that are no blends which blends of these codes rest on; of others the codes themselves. */
    Set<String> parts(Set<String> codes) {
        Set<String> parts = new LinkedHashSet<>();
        for (String code : codes) {
            BlendFormula blend = blends.get(code.toUpperCase(Locale.ROOT));
            if (blend == null) {
                parts.add(code);
            } else {
                parts.addAll(parts(new LinkedHashSet<>(blend.parts())));
            }
        }
        return parts;
    }

    /** Adds the bars of the blends whose parts are there; says which are worked out from closes alone. */
    void blend(Map<String, Bars> bars, Set<String> wanted, PrintWriter errors) {
        blends.forEach((code, blend) -> {
            if (!bars.keySet().containsAll(blend.parts())) {
                return;
            }
            bars.put(
                    code,
                    BlendedBars.of(
                                    blend,
                                    blend.parts().stream()
                                            .map(part -> BlendedBars.Part.byTime(bars.get(part)))
                                            .toList())
                            .snapshot());
            if (!blend.isFieldByField() && wanted.contains(code)) {
                errors.println("note: the blend " + code + " is worked out from closes; its open, high and low are its "
                        + "close");
            }
        });
    }
}

package dev.yardarm.core.formula;

import dev.yardarm.core.formula.grammar.FormulaParser;
import dev.yardarm.core.indicator.Indicator;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.antlr.v4.runtime.Token;

/**
 * A checked definition of an indicator of one's own.
 *
 * <pre>{@code
 * Definition stage = Definition.parse(text, Language.builtIn());
 * Language language = Language.of(Catalogue.builtIn().with(stage.indicator()));
 * Formula climbing = Formula.parse("trend_stage(30).climbing", language);
 * }</pre>
 *
 * <p>A definition is a few statements, each beginning a line with its word and going on over the next lines until another one
 * begins. Cost: its distinct steps, however often a name is used. Immutable; may be shared between threads.
 */
public final class Definition {
    private final String text;
    private final DefinedIndicator indicator;
    private final List<String> canonical;

    Definition(String text, DefinedIndicator indicator, List<String> canonical) {
        this.text = text;
        this.indicator = indicator;
        this.canonical = List.copyOf(canonical);
    }

    /**
     * Reads and checks a definition.
     *
     * @param language the indicators it may use
     * @throws FormulaException with all that is at fault, each with its place
     */
    public static Definition parse(String text, Language language) {
        return DefinitionReader.read(text, language);
    }

    /** The text as it was written. */
    public String text() {
        return text;
    }

    /** Its name in formulas: {@code trend_stage} for "Trend stage". */
    public String name() {
        return indicator.name();
    }

    /** Its name for people. */
    public String title() {
        return indicator.title();
    }

    /** The indicator it defines. */
    public Indicator indicator() {
        return indicator;
    }

    /** The definition in its canonical form, a statement a line. */
    public String canonical() {
        return String.join("\n", canonical) + "\n";
    }

    /** The title a text gives itself, whether or not the rest can be read; null when it gives none. */
    public static String titleOf(String text) {
        List<Token> tokens = FormulaReader.tokens(text);
        for (int at = 0; at + 1 < tokens.size(); at++) {
            if (tokens.get(at).getType() == FormulaParser.DEFINE
                    && tokens.get(at + 1).getType() == FormulaParser.STRING) {
                return ExpressionReader.unquoted(tokens.get(at + 1));
            }
        }
        return null;
    }

    /** The word formulas use for a title or label: lower case, letters and digits without accents, the rest underscores. */
    public static String word(String title) {
        String plain = Normalizer.normalize(title.replace("ß", "ss"), Normalizer.Form.NFD)
                .toLowerCase(Locale.ROOT)
                .replaceAll("\\p{M}", "")
                .replaceAll("[^a-z0-9]+", "_")
                .replaceAll("^_+|_+$", "");
        return plain.isEmpty() || !Character.isDigit(plain.charAt(0)) ? plain : "_" + plain;
    }

    /** A part of a text that holds one definition: where it begins and ends. */
    public record Part(int from, int to) {}

    /** Splits a text with several definitions, each with the remarks right above it. */
    public static List<Part> parts(String text) {
        List<Integer> starts = new ArrayList<>();
        List<Token> tokens = FormulaReader.tokens(text);
        for (Token token : tokens) {
            if (token.getType() == FormulaParser.DEFINE && DefinitionReader.beginsLine(text, token.getStartIndex())) {
                starts.add(starts.isEmpty() ? 0 : aboveRemarks(text, token.getStartIndex()));
            }
        }
        List<Part> parts = new ArrayList<>();
        for (int at = 0; at < starts.size(); at++) {
            parts.add(new Part(starts.get(at), at + 1 < starts.size() ? starts.get(at + 1) : text.length()));
        }
        return parts.isEmpty() ? List.of(new Part(0, text.length())) : parts;
    }

    /** The start of the first of the lines of remarks right above a place. */
    private static int aboveRemarks(String text, int place) {
        int start = text.lastIndexOf('\n', place) + 1;
        while (start > 0) {
            int above = text.lastIndexOf('\n', start - 2) + 1;
            if (!text.substring(above, start).strip().startsWith("//")) {
                break;
            }
            start = above;
        }
        return start;
    }

    @Override
    public String toString() {
        return title();
    }
}

package dev.yardarm.core.formula;

import dev.yardarm.core.formula.grammar.FormulaParser;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.series.Field;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.antlr.v4.runtime.Token;

/** Says what each word of a definition or formula is, as an editor shows it. O(length of the text). */
public final class Highlight {
    private Highlight() {}

    /** What a piece of text is. */
    public enum Kind {
        /** Begins a statement. */
        STATEMENT,
        /** A word of the language. */
        WORD,
        FIELD,
        INDICATOR,
        NUMBER,
        TEXT,
        INSTRUMENT,
        /** A setting or another name of the definition. */
        NAME,
        COLOUR,
        REMARK,
        OTHER
    }

    /** A piece of text. */
    public record Piece(int start, int length, Kind kind) {}

    /** The pieces of a text in their order; blanks lie between them. */
    public static List<Piece> of(String text, Language language) {
        List<Token> tokens = FormulaReader.allTokens(text);
        Set<String> names = names(tokens);
        List<Piece> pieces = new ArrayList<>();
        for (Token token : tokens) {
            if (token.getType() != Token.EOF) {
                pieces.add(new Piece(
                        token.getStartIndex(),
                        token.getStopIndex() - token.getStartIndex() + 1,
                        kind(token, text, names, language)));
            }
        }
        return pieces;
    }

    /** The names that settings and lets give. */
    static Set<String> names(List<Token> tokens) {
        Set<String> names = new HashSet<>();
        for (int at = 1; at < tokens.size(); at++) {
            int before = tokens.get(at - 1).getType();
            if (before == FormulaParser.SETTING || before == FormulaParser.LET) {
                names.add(tokens.get(at).getText().toLowerCase(Locale.ROOT));
            }
            boolean labelled = before == FormulaParser.TINT
                    || before == FormulaParser.CUE
                    || before == FormulaParser.UP
                    || before == FormulaParser.DOWN;
            if (labelled && tokens.get(at).getType() == FormulaParser.STRING) {
                names.add(Definition.word(ExpressionReader.unquoted(tokens.get(at))));
            }
        }
        return names;
    }

    private static Kind kind(Token token, String text, Set<String> names, Language language) {
        String word = token.getText().toLowerCase(Locale.ROOT);
        switch (token.getType()) {
            case FormulaParser.NUMBER, FormulaParser.DATE, FormulaParser.TIMEFRAME -> {
                return Kind.NUMBER;
            }
            case FormulaParser.STRING -> {
                return Kind.TEXT;
            }
            case FormulaParser.INSTRUMENT -> {
                return Kind.INSTRUMENT;
            }
            case FormulaParser.REMARK -> {
                return Kind.REMARK;
            }
            default -> {
                // decided by the word
            }
        }
        if (Language.STATEMENTS.contains(word) && DefinitionReader.beginsLine(text, token.getStartIndex())) {
            return Kind.STATEMENT;
        }
        if (names.contains(word)) {
            return Kind.NAME;
        }
        if (Field.named(word).isPresent()) {
            return Kind.FIELD;
        }
        if (language.isFunction(word)) {
            return Kind.INDICATOR;
        }
        if (Indicator.COLOURS.contains(word)) {
            return Kind.COLOUR;
        }
        boolean place = word.equals("price") || word.equals("pane");
        return token.getType() == FormulaParser.WORD && !place || !Character.isLetter(word.charAt(0))
                ? Kind.OTHER
                : Kind.WORD;
    }
}

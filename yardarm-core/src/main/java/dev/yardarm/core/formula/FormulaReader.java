package dev.yardarm.core.formula;

import dev.yardarm.core.formula.Expression.Span;
import dev.yardarm.core.formula.grammar.FormulaLexer;
import dev.yardarm.core.formula.grammar.FormulaParser;
import dev.yardarm.core.series.Field;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.antlr.v4.runtime.CharStreams;
import org.antlr.v4.runtime.CommonToken;
import org.antlr.v4.runtime.CommonTokenStream;
import org.antlr.v4.runtime.ListTokenSource;
import org.antlr.v4.runtime.Token;

/**
 * Reads the text of a formula into its tree. Every fault is told with its place and, where one is near, a word; several at once.
 */
final class FormulaReader {
    private FormulaReader() {}

    /** @throws FormulaException with all that is at fault */
    static Expression read(String text, Language language) {
        Faults faults = new Faults(text);
        Expression root = read(text, language, faults);
        faults.check();
        return root;
    }

    private static Expression read(String text, Language language, Faults faults) {
        if (text.isBlank()) {
            return faults.add(
                    new Span(0, 1),
                    "the formula is empty; write a value such as close or a condition such as close > sma(close, 50)");
        }
        if (text.length() > language.limits().characters()) {
            return faults.add(
                    new Span(language.limits().characters(), 1),
                    "a formula may have at most " + language.limits().characters() + " characters; this one has "
                            + text.length());
        }
        List<Token> tokens = tokens(text);
        if (!isShallow(tokens, language, faults)) {
            return new Expression.Wrong(new Span(0, text.length()));
        }
        SyntaxFaults complaints = new SyntaxFaults(faults, language, "formula");
        FormulaParser parser = parser(tokens, complaints);
        FormulaParser.FormulaContext formula = parser.formula();
        Scope scope = new Scope();
        if (complaints.any()) {
            unknownWords(tokens, language, scope, faults);
            return new Expression.Wrong(new Span(0, text.length()));
        }
        return new ExpressionReader(language, scope, faults).read(formula.expression());
    }

    /** The tokens of a text, the end included, remarks left out. */
    static List<Token> tokens(String text) {
        List<Token> all = allTokens(text);
        List<Token> tokens = new ArrayList<>(all.size());
        for (Token token : all) {
            if (token.getChannel() == Token.DEFAULT_CHANNEL) {
                ((CommonToken) token).setTokenIndex(tokens.size());
                tokens.add(token);
            }
        }
        return tokens;
    }

    /** The tokens of a text, remarks and the end included. */
    static List<Token> allTokens(String text) {
        CommonTokenStream tokens = new CommonTokenStream(new FormulaLexer(CharStreams.fromString(text)));
        tokens.fill();
        return tokens.getTokens();
    }

    /** A parser that tells its complaints. */
    static FormulaParser parser(List<Token> tokens, SyntaxFaults complaints) {
        FormulaParser parser = new FormulaParser(new CommonTokenStream(new ListTokenSource(tokens)));
        parser.removeErrorListeners();
        parser.addErrorListener(complaints);
        return parser;
    }

    /** False, and told, for what is nested too deeply to be read. */
    static boolean isShallow(List<Token> tokens, Language language, Faults faults) {
        int depth = 0;
        int prefixes = 0;
        int powers = 0;
        for (Token token : tokens) {
            switch (token.getType()) {
                case FormulaParser.NOT,
                        FormulaParser.JUST,
                        FormulaParser.MINUS,
                        FormulaParser.SINCE,
                        FormulaParser.BARS -> prefixes++;
                default -> {
                    String sign = token.getText();
                    prefixes = sign.equals("+") ? prefixes + 1 : 0;
                    depth += sign.equals("(") ? 1 : sign.equals(")") ? -1 : 0;
                    powers += sign.equals("^") ? 1 : 0;
                }
            }
            if (Math.max(depth, Math.max(prefixes, powers)) > language.limits().depth()) {
                faults.add(
                        token,
                        "a formula may be nested at most " + language.limits().depth() + " deep");
                return false;
            }
        }
        return true;
    }

    /** Tells words that mean nothing in a text whose order could not be understood. */
    static void unknownWords(List<Token> tokens, Language language, Scope scope, Faults faults) {
        for (int at = 0; at < tokens.size(); at++) {
            Token token = tokens.get(at);
            String before = at == 0 ? "" : tokens.get(at - 1).getText().toLowerCase(Locale.ROOT);
            String after = at + 1 == tokens.size() ? "" : tokens.get(at + 1).getText();
            boolean name = token.getType() == FormulaParser.WORD
                    && !List.of(".", "on", "forming", "of", "for", "in", "back", ":")
                            .contains(before)
                    && !after.equals(":");
            String word = token.getText().toLowerCase(Locale.ROOT);
            if (name
                    && Field.named(word).isEmpty()
                    && !language.isFunction(word)
                    && !scope.has(word)
                    && !language.isChoice(word)
                    && !language.suggestion(word).isEmpty()) {
                faults.add(
                        token, "there is no field or indicator '" + token.getText() + "'" + language.suggestion(word));
            }
        }
    }
}

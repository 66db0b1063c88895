package dev.yardarm.core.formula;

import dev.yardarm.core.formula.grammar.FormulaParser;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.antlr.v4.runtime.BaseErrorListener;
import org.antlr.v4.runtime.Parser;
import org.antlr.v4.runtime.RecognitionException;
import org.antlr.v4.runtime.Recognizer;
import org.antlr.v4.runtime.Token;
import org.antlr.v4.runtime.TokenStream;
import org.antlr.v4.runtime.misc.IntervalSet;

/**
 * Turns the parser's complaints into ours: what was found, what was expected at the place, and the likely word. The first one of a
 * text counts; what the parser says after it rests on a guess.
 */
final class SyntaxFaults extends BaseErrorListener {
    private static final List<String> CONNECTING = List.of(
            "and", "or", "crosses", "above", "below", "back", "on", "of", "is", "when", "else", "held", "seen",
            "within", "between", "rising", "falling");

    private final Faults faults;
    private final Language language;
    private final String what;
    private boolean told;

    /** @param what the text is called in messages: formula, statement */
    SyntaxFaults(Faults faults, Language language, String what) {
        this.faults = faults;
        this.language = language;
        this.what = what;
    }

    boolean any() {
        return told;
    }

    @Override
    public void syntaxError(
            Recognizer<?, ?> recognizer,
            Object offendingSymbol,
            int line,
            int column,
            String message,
            RecognitionException cause) {
        if (told) {
            return;
        }
        told = true;
        Token token = (Token) offendingSymbol;
        Parser parser = (Parser) recognizer;
        TokenStream tokens = parser.getTokenStream();
        Token before = token.getTokenIndex() <= 0 ? null : tokens.get(token.getTokenIndex() - 1);
        if (wrongDirection(tokens, token) || before != null && wrongFollower(before, token)) {
            return;
        }
        IntervalSet expected = parser.getExpectedTokens();
        boolean atEnd = token.getType() == Token.EOF;
        boolean valueBefore = before != null && endsValue(before);
        boolean valueExpected =
                !valueBefore && expected.contains(FormulaParser.NUMBER) && expected.contains(FormulaParser.WORD);
        String found = atEnd ? "the " + what + " ends" : "found '" + token.getText() + "'";
        String wanted;
        if (valueExpected) {
            wanted = "a value was expected here, such as close, 12 or sma(close, 50)";
        } else if (valueBefore && (expected.contains(FormulaParser.NUMBER) || !isConnective(token))) {
            // The parser looks back to where the value began; what matters is what may follow it.
            wanted = "expected a sign or word between values, such as + - * / > < = and or crosses above"
                    + (isOpen(tokens, token) ? ", a comma or a closing parenthesis" : "");
        } else {
            wanted = "expected " + words(parser, expected);
        }
        faults.add(
                new Expression.Span(
                        atEnd ? end(before) : token.getStartIndex(),
                        atEnd ? 1 : token.getText().length()),
                found + " but " + wanted + near(before, token, valueExpected));
    }

    private static int end(Token before) {
        return before == null ? 0 : before.getStopIndex() + 1;
    }

    /** Told at the word itself: behind crosses any other word reads as a value, and the one after it as too much. */
    private boolean wrongDirection(TokenStream tokens, Token token) {
        int at = token.getTokenIndex();
        if (at < 2 || tokens.get(at - 2).getType() != FormulaParser.CROSSES) {
            return false;
        }
        Token direction = tokens.get(at - 1);
        faults.add(
                direction,
                "found '" + direction.getText() + "' but crosses stands before above, below or a value"
                        + language.suggestion(direction.getText().toLowerCase(Locale.ROOT)));
        return true;
    }

    /** Words that go on in a few ways only. */
    private static final Map<Integer, List<String>> FOLLOWERS = Map.of(
            FormulaParser.IS, List.of("rising", "falling", "within", "between", "above", "below", "not"),
            FormulaParser.HELD, List.of("for"),
            FormulaParser.SEEN, List.of("in"),
            FormulaParser.BARS, List.of("since"),
            FormulaParser.WHEN, List.of("last"));

    /** Told with what goes on after the word before. */
    private boolean wrongFollower(Token before, Token token) {
        List<String> followers = FOLLOWERS.get(before.getType());
        boolean statement = before.getType() == FormulaParser.WHEN && !what.equals("formula");
        if (followers == null || statement || followers.contains(token.getText().toLowerCase(Locale.ROOT))) {
            return false;
        }
        boolean atEnd = token.getType() == Token.EOF;
        faults.add(
                new Expression.Span(
                        atEnd ? end(before) : token.getStartIndex(),
                        atEnd ? 1 : token.getText().length()),
                (atEnd ? "the " + what + " ends" : "found '" + token.getText() + "'") + " but "
                        + before.getText().toLowerCase(Locale.ROOT) + " is followed by "
                        + String.join(", ", followers)
                        + (atEnd ? "" : language.suggestion(token.getText().toLowerCase(Locale.ROOT), followers)));
        return true;
    }

    private static boolean isConnective(Token token) {
        return token.getType() == Token.EOF
                || token.getText().equals(")")
                || token.getText().equals(",");
    }

    /** What is likely meant, by what people write elsewhere or by the nearest word. */
    private String near(Token before, Token token, boolean valueExpected) {
        String word = token.getText().toLowerCase(Locale.ROOT);
        boolean touches = before != null && before.getStopIndex() + 1 == token.getStartIndex();
        if (touches && before.getType() == FormulaParser.NUMBER && word.matches("e\\d*")) {
            return "; numbers are written out, without an exponent: 1000 and not 1e3";
        }
        if (touches && word.equals("=") && before.getText().equals("=")) {
            return "; equal is written with one =";
        }
        return switch (word) {
            case "!" -> "; unequal is written <>, the opposite of a condition not";
            case "&" -> "; write and";
            case "|" -> "; write or";
            case "[" -> "; the value of an earlier bar is written close back 3";
            case ";" -> "; a statement ends with its line";
            case "\"", "'" -> "; quoted text needs a quotation mark at both its ends";
            default ->
                token.getType() == FormulaParser.WORD && !valueExpected ? language.suggestion(word, CONNECTING) : "";
        };
    }

    /** True when a token ends a value. */
    private static boolean endsValue(Token token) {
        return switch (token.getType()) {
            case FormulaParser.NUMBER,
                    FormulaParser.WORD,
                    FormulaParser.STRING,
                    FormulaParser.TIMEFRAME,
                    FormulaParser.INSTRUMENT -> true;
            default -> token.getText().equals(")") || token.getText().equals("%");
        };
    }

    /** True when a parenthesis is open before this token. */
    private static boolean isOpen(TokenStream tokens, Token token) {
        int depth = 0;
        for (int index = 0; index < token.getTokenIndex(); index++) {
            String sign = tokens.get(index).getText();
            depth += sign.equals("(") ? 1 : sign.equals(")") ? -1 : 0;
        }
        return depth > 0;
    }

    private String words(Parser parser, IntervalSet expected) {
        List<String> words = new ArrayList<>();
        boolean name = expected.contains(FormulaParser.WORD);
        for (int type : expected.toList()) {
            String literal = parser.getVocabulary().getLiteralName(type);
            if (type == Token.EOF) {
                words.add("the end");
            } else if (type == FormulaParser.STRING) {
                words.add("a name in quotation marks");
            } else if (type == FormulaParser.WORD) {
                words.add("a word");
            } else if (literal != null && !(name && Character.isLetter(literal.charAt(1)))) {
                words.add(literal.replace("'", "").toLowerCase(Locale.ROOT));
            } else if (type == FormulaParser.NUMBER) {
                words.add("a number");
            } else if (Language.SIGNS.containsKey(type)) {
                words.add(Language.SIGNS.get(type));
            }
        }
        return words.isEmpty()
                ? "the " + what + " to go on"
                : String.join(" ", words.subList(0, Math.min(words.size(), 18)));
    }
}

package dev.yardarm.core.formula;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.Operation;
import dev.yardarm.core.formula.Expression.Span;
import dev.yardarm.core.formula.grammar.FormulaLexer;
import dev.yardarm.core.formula.grammar.FormulaParser;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.series.Field;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.antlr.v4.runtime.BaseErrorListener;
import org.antlr.v4.runtime.CharStreams;
import org.antlr.v4.runtime.CommonTokenStream;
import org.antlr.v4.runtime.ParserRuleContext;
import org.antlr.v4.runtime.RecognitionException;
import org.antlr.v4.runtime.Recognizer;
import org.antlr.v4.runtime.Token;
import org.antlr.v4.runtime.misc.IntervalSet;

/** Reads the text of a formula into its tree. Every fault is told with its place and, where one is near, a word. */
final class FormulaReader {
    private final String text;
    private final Language language;
    /** The words that would do as arguments of the call being read. */
    private List<String> choices = List.of();

    private FormulaReader(String text, Language language) {
        this.text = text;
        this.language = language;
    }

    static Expression read(String text, Language language) {
        return new FormulaReader(text, language).read();
    }

    private Expression read() {
        if (text.isBlank()) {
            throw new FormulaException(
                    text,
                    0,
                    1,
                    "the formula is empty; write a value such as close or a condition "
                            + "such as close > sma(close, 50)");
        }
        if (text.length() > language.limits().characters()) {
            throw new FormulaException(
                    text,
                    language.limits().characters(),
                    1,
                    "a formula may have at most " + language.limits().characters() + " characters; this one has "
                            + text.length());
        }
        FormulaLexer lexer = new FormulaLexer(CharStreams.fromString(text));
        CommonTokenStream tokens = new CommonTokenStream(lexer);
        tokens.fill();
        checkDepth(tokens.getTokens());
        FormulaParser parser = new FormulaParser(tokens);
        parser.removeErrorListeners();
        parser.addErrorListener(new Complaints());
        return expression(parser.formula().expression());
    }

    private void checkDepth(List<Token> tokens) {
        int depth = 0;
        int prefixes = 0;
        int powers = 0;
        for (Token token : tokens) {
            switch (token.getText().toLowerCase(Locale.ROOT)) {
                case "(" -> depth++;
                case ")" -> depth--;
                case "^" -> powers++;
                default -> {}
            }
            boolean prefix = "not".equalsIgnoreCase(token.getText())
                    || "-".equals(token.getText())
                    || "+".equals(token.getText());
            prefixes = prefix ? prefixes + 1 : 0;
            if (Math.max(depth, Math.max(prefixes, powers)) > language.limits().depth()) {
                throw new FormulaException(
                        text,
                        token.getStartIndex(),
                        1,
                        "a formula may be nested at most " + language.limits().depth() + " deep");
            }
        }
    }

    private Expression expression(FormulaParser.ExpressionContext context) {
        if (context instanceof FormulaParser.LogicContext logic) {
            Operation operation = logic.operator.getType() == FormulaParser.AND ? Operation.AND : Operation.OR;
            return new Expression.Logic(
                    span(logic),
                    operation,
                    condition(expression(logic.left), logic.operator.getText()),
                    condition(expression(logic.right), logic.operator.getText()));
        }
        if (context instanceof FormulaParser.NegationContext negation) {
            return new Expression.Not(span(negation), condition(expression(negation.operand), "not"));
        }
        return comparison(((FormulaParser.ComparedContext) context).comparison());
    }

    private Expression comparison(FormulaParser.ComparisonContext context) {
        if (context instanceof FormulaParser.CrossingContext crossing) {
            Expression.Crossing.Direction direction = crossing.direction == null
                    ? Expression.Crossing.Direction.EITHER
                    : crossing.direction.getType() == FormulaParser.ABOVE
                            ? Expression.Crossing.Direction.ABOVE
                            : Expression.Crossing.Direction.BELOW;
            return new Expression.Crossing(
                    span(crossing),
                    direction,
                    value(sum(crossing.left), "crosses"),
                    value(sum(crossing.right), "crosses"));
        }
        FormulaParser.RelationContext relation = (FormulaParser.RelationContext) context;
        Expression left = sum(relation.left);
        if (relation.operator == null) {
            return left;
        }
        String sign = relation.operator.getText();
        return new Expression.Comparison(
                span(relation), operation(sign), value(left, sign), value(sum(relation.right), sign));
    }

    private Expression sum(FormulaParser.SumContext context) {
        if (context.sum() == null) {
            return product(context.product());
        }
        String sign = context.operator.getText();
        return new Expression.Arithmetic(
                span(context),
                operation(sign),
                value(sum(context.sum()), sign),
                value(product(context.product()), sign));
    }

    private Expression product(FormulaParser.ProductContext context) {
        if (context.product() == null) {
            return signed(context.signed());
        }
        String sign = context.operator.getText();
        return new Expression.Arithmetic(
                span(context),
                operation(sign),
                value(product(context.product()), sign),
                value(signed(context.signed()), sign));
    }

    private Expression signed(FormulaParser.SignedContext context) {
        if (context.power() != null) {
            return power(context.power());
        }
        Expression operand = value(signed(context.signed()), context.operator.getText());
        return context.operator.getText().equals("-") ? new Expression.Negative(span(context), operand) : operand;
    }

    private Expression power(FormulaParser.PowerContext context) {
        Expression base = shifted(context.base);
        return context.exponent == null
                ? base
                : new Expression.Arithmetic(
                        span(context), Operation.POWER, value(base, "^"), value(signed(context.exponent), "^"));
    }

    private Expression shifted(FormulaParser.ShiftedContext context) {
        Expression operand = primary(context.primary());
        if (context.place() != null) {
            String word = context.place().timeframe.getText();
            Timeframe timeframe = Timeframe.parse(word)
                    .orElseThrow(() -> fault(
                            context.place().timeframe,
                            "'" + word + "' is not a timeframe; write one such as 4h, D, W or M"));
            operand = new Expression.Higher(
                    span(context), operand, timeframe, context.place().FORMING() != null);
        }
        for (var number : context.NUMBER()) {
            operand = new Expression.Back(span(context), operand, lookback(number.getSymbol()));
        }
        return operand;
    }

    private int lookback(Token number) {
        try {
            int bars = Integer.parseInt(number.getText());
            if (bars <= language.limits().lookback()) {
                return bars;
            }
        } catch (NumberFormatException notWhole) {
            // told below, like a number that is too large
        }
        throw fault(
                number,
                "back needs a whole number of bars from 0 to "
                        + language.limits().lookback() + ", not " + number.getText());
    }

    private Expression primary(FormulaParser.PrimaryContext context) {
        if (context instanceof FormulaParser.NumberContext number) {
            double value = Double.parseDouble(number.NUMBER().getText());
            return new Expression.Number(span(number), number.percent == null ? value : value / 100);
        }
        if (context instanceof FormulaParser.GroupContext group) {
            return expression(group.expression());
        }
        if (context instanceof FormulaParser.NameContext name) {
            return name(name);
        }
        if (context instanceof FormulaParser.DrawingContext drawing) {
            String name = drawing.name.getText();
            return new Expression.DrawingValue(
                    span(drawing),
                    name.substring(1, name.length() - 1),
                    drawing.line == null ? "" : drawing.line.getText());
        }
        if (context instanceof FormulaParser.InstrumentContext instrument) {
            throw fault(
                    instrument.INSTRUMENT().getSymbol(),
                    "'" + instrument.getText() + "' stands as the instrument an "
                            + "indicator compares with, such as correlation(60, against: " + instrument.getText()
                            + ")");
        }
        if (context instanceof FormulaParser.DateContext date) {
            throw fault(
                    date.DATE().getSymbol(),
                    "'" + date.getText() + "' is a date, which stands only where an indicator asks for one, such as "
                            + "anchored_vwap(2026-03-02); for a difference of numbers leave blanks around the minus");
        }
        return call((FormulaParser.CallContext) context);
    }

    private Expression call(FormulaParser.CallContext context) {
        String function = context.function.getText().toLowerCase(Locale.ROOT);
        if (!language.isFunction(function)) {
            if (Field.named(function).isPresent()) {
                throw fault(
                        context.function,
                        "'" + function
                                + "' is a field of the bar and stands without parentheses; the one of earlier bars is "
                                + function + " back 3");
            }
            throw fault(
                    context.function,
                    "there is no function or indicator '" + context.function.getText() + "'"
                            + language.suggestion(function));
        }
        Indicator indicator = language.indicator(function).orElse(null);
        List<Expression.Argument> arguments = new ArrayList<>();
        List<String> outside = choices;
        choices = choices(indicator);
        for (FormulaParser.ArgumentContext argument : context.argument()) {
            String name =
                    argument.WORD() == null ? null : argument.WORD().getText().toLowerCase(Locale.ROOT);
            Span place = argument.WORD() == null ? null : span(argument.WORD().getSymbol());
            Expression word = indicator == null ? null : word(indicator, name, argument.expression());
            Expression given = word != null ? word : expression(argument.expression());
            arguments.add(
                    new Expression.Argument(name, place, isCounted(indicator, given) ? given : value(given, function)));
        }
        choices = outside;
        return called(context, function, indicator, arguments, context.output);
    }

    /** The words of all choices of an indicator. */
    private static List<String> choices(Indicator indicator) {
        List<String> words = new ArrayList<>();
        if (indicator != null) {
            for (Setting setting : indicator.settings()) {
                if (setting instanceof Setting.Choice choice) {
                    words.addAll(choice.words());
                }
            }
        }
        return words;
    }

    /** A sum counts how often a condition held: yes is 1, no 0, unknown missing. */
    private static boolean isCounted(Indicator indicator, Expression given) {
        return indicator != null && indicator.name().equals("sum") && given.isCondition();
    }

    /** An argument that is one of the words of a choice, or names an instrument; else null. */
    private static Expression word(Indicator indicator, String name, FormulaParser.ExpressionContext argument) {
        String text = argument.getText();
        boolean known = indicator.settings().stream()
                .anyMatch(setting -> setting instanceof Setting.Choice choice
                                && (name == null
                                        ? choice.words().stream().anyMatch(text::equalsIgnoreCase)
                                                && Field.named(text).isEmpty()
                                        : name.equals(choice.name()))
                        || setting instanceof Setting.Other other
                                && (name == null || name.equals(other.name()))
                                && (text.startsWith("#") || text.equalsIgnoreCase(Setting.Other.BENCHMARK))
                        || setting instanceof Setting.Moment moment
                                && (name == null || name.equals(moment.name()))
                                && isMoment(argument, text));
        return known ? new Expression.Word(span(argument), text.startsWith("#") ? text.substring(1) : text) : null;
    }

    /** True for a date as such, and for the word that stands for the first bar. */
    private static boolean isMoment(FormulaParser.ExpressionContext argument, String text) {
        return argument.getStart() == argument.getStop()
                && (argument.getStart().getType() == FormulaParser.DATE || text.equalsIgnoreCase(Setting.Moment.START));
    }

    private Expression called(
            ParserRuleContext context,
            String function,
            Indicator indicator,
            List<Expression.Argument> arguments,
            Token output) {
        int number = 0;
        if (output != null) {
            number = indicator == null ? -1 : indicator.output(output.getText());
            if (number < 0) {
                throw fault(
                        output,
                        "'" + function + "' has no output '" + output.getText() + "'"
                                + (indicator == null
                                        ? ""
                                        : "; it has "
                                                + String.join(
                                                        ", ",
                                                        indicator.outputs().stream()
                                                                .map(Indicator.Output::name)
                                                                .toList())));
            }
        }
        boolean condition = indicator != null && indicator.outputs().get(number).cue();
        return new Expression.Call(span(context), function, List.copyOf(arguments), number, condition);
    }

    private Expression name(FormulaParser.NameContext context) {
        String word = context.word.getText().toLowerCase(Locale.ROOT);
        Field field = Field.named(word).orElse(null);
        if (field != null && context.output == null) {
            return new Expression.BarField(span(context), field);
        }
        Indicator indicator = language.indicator(word).orElse(null);
        if (indicator != null) {
            return called(context, word, indicator, List.of(), context.output);
        }
        if (field != null) {
            throw fault(
                    context.output,
                    "'" + word + "' is a field of the bar, a single number; leave ." + context.output.getText()
                            + " out");
        }
        throw fault(
                context.word,
                language.isFunction(word)
                        ? "'" + word + "' needs its arguments in parentheses"
                        : "there is no field or indicator '" + context.word.getText() + "'"
                                + language.suggestion(word, choices));
    }

    private static Operation operation(String sign) {
        for (Operation operation : Operation.values()) {
            if (operation.sign().equals(sign)) {
                return operation;
            }
        }
        throw new IllegalStateException("no operation " + sign);
    }

    private Expression condition(Expression expression, String word) {
        if (!expression.isCondition()) {
            throw new FormulaException(
                    text,
                    expression.span().start(),
                    expression.span().length(),
                    "'" + word.toLowerCase(Locale.ROOT) + "' joins conditions such as close > open; this is a value");
        }
        return expression;
    }

    private Expression value(Expression expression, String word) {
        if (expression.isCondition()) {
            throw new FormulaException(
                    text,
                    expression.span().start(),
                    expression.span().length(),
                    "'" + word + "' works on values; this is a condition");
        }
        return expression;
    }

    private static Span span(ParserRuleContext context) {
        int start = context.getStart().getStartIndex();
        return new Span(start, context.getStop().getStopIndex() - start + 1);
    }

    private static Span span(Token token) {
        return new Span(token.getStartIndex(), token.getText().length());
    }

    private FormulaException fault(Token token, String problem) {
        return new FormulaException(text, token.getStartIndex(), token.getText().length(), problem);
    }

    /** Turns the parser's complaints into ours; the first one ends the reading. */
    private final class Complaints extends BaseErrorListener {
        @Override
        public void syntaxError(
                Recognizer<?, ?> recognizer,
                Object offendingSymbol,
                int line,
                int column,
                String message,
                RecognitionException cause) {
            Token token = (Token) offendingSymbol;
            FormulaParser parser = (FormulaParser) recognizer;
            IntervalSet expected = parser.getExpectedTokens();
            checkDirection(parser, token);
            boolean atEnd = token.getType() == Token.EOF;
            boolean valueBefore = endsValue(parser, token);
            boolean valueExpected =
                    !valueBefore && expected.contains(FormulaParser.NUMBER) && expected.contains(FormulaParser.WORD);
            String found = atEnd ? "the formula ends" : "found '" + token.getText() + "'";
            String wanted;
            if (valueExpected) {
                wanted = "a value was expected here, such as close, 12 or sma(close, 50)";
            } else if (valueBefore && expected.contains(FormulaParser.NUMBER)) {
                // The parser looks back to where the value began; what matters is what may follow it.
                wanted = "expected a sign such as + - * / > < = and or"
                        + (isOpen(parser, token) ? ", a comma or a closing parenthesis" : "");
            } else {
                wanted = "expected " + words(parser, expected);
            }
            if (valueBefore && !isConnective(token) && !expected.contains(FormulaParser.NUMBER)) {
                wanted = "expected a sign or word between values, such as + - * / > < = and or crosses above";
            }
            String near = near(parser, token, valueExpected);
            int place = atEnd ? text.stripTrailing().length() : token.getStartIndex();
            throw new FormulaException(
                    text, place, atEnd ? 1 : token.getText().length(), found + " but " + wanted + near);
        }

        /** Told at the word itself: behind crosses any other word reads as a value, and the one after it as too much. */
        private void checkDirection(FormulaParser parser, Token token) {
            int at = token.getTokenIndex();
            if (at > 1 && parser.getTokenStream().get(at - 2).getType() == FormulaParser.CROSSES) {
                Token direction = parser.getTokenStream().get(at - 1);
                throw fault(
                        direction,
                        "found '" + direction.getText() + "' but crosses stands before above, below or a value"
                                + language.suggestion(direction.getText().toLowerCase(Locale.ROOT)));
            }
        }

        private boolean isConnective(Token token) {
            return token.getType() == Token.EOF
                    || token.getText().equals(")")
                    || token.getText().equals(",");
        }

        /** What is likely meant, by what people write elsewhere or by the nearest word. */
        private String near(FormulaParser parser, Token token, boolean valueExpected) {
            String word = token.getText().toLowerCase(Locale.ROOT);
            Token before =
                    token.getTokenIndex() == 0 ? null : parser.getTokenStream().get(token.getTokenIndex() - 1);
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
                default ->
                    token.getType() == FormulaParser.WORD && !valueExpected
                            ? language.suggestion(word, List.of("and", "or", "crosses", "above", "below", "back", "on"))
                            : "";
            };
        }

        /** True when the token before this one ends a value. */
        private boolean endsValue(FormulaParser parser, Token token) {
            if (token.getTokenIndex() == 0) {
                return false;
            }
            Token before = parser.getTokenStream().get(token.getTokenIndex() - 1);
            return before.getType() == FormulaParser.NUMBER
                    || before.getType() == FormulaParser.WORD
                    || before.getType() == FormulaParser.STRING
                    || before.getType() == FormulaParser.TIMEFRAME
                    || before.getText().equals(")")
                    || before.getText().equals("%");
        }

        /** True when a parenthesis is open before this token. */
        private boolean isOpen(FormulaParser parser, Token token) {
            int depth = 0;
            for (int index = 0; index < token.getTokenIndex(); index++) {
                String sign = parser.getTokenStream().get(index).getText();
                depth += sign.equals("(") ? 1 : sign.equals(")") ? -1 : 0;
            }
            return depth > 0;
        }

        private String words(FormulaParser parser, IntervalSet expected) {
            List<String> words = new ArrayList<>();
            for (int type : expected.toList()) {
                String literal = parser.getVocabulary().getLiteralName(type);
                if (type == Token.EOF) {
                    words.add("the end");
                } else if (literal != null) {
                    words.add(literal.replace("'", "").toLowerCase(Locale.ROOT));
                } else if (type == FormulaParser.NUMBER) {
                    words.add("a number");
                }
            }
            return String.join(" ", words.subList(0, Math.min(words.size(), 18)));
        }
    }
}

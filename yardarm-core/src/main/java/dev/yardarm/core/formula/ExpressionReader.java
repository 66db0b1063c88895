package dev.yardarm.core.formula;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.Operation;
import dev.yardarm.core.formula.Expression.Span;
import dev.yardarm.core.formula.Expression.Type;
import dev.yardarm.core.formula.grammar.FormulaParser;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.series.Field;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.antlr.v4.runtime.ParserRuleContext;
import org.antlr.v4.runtime.Token;

/** Turns what was parsed into a checked tree; faults are noted, and what is at fault fits everywhere so that it is told once. */
final class ExpressionReader {
    /** Words that stand for an output of the clock. */
    private static final Map<String, Integer> CLOCK =
            Map.of("hour", 0, "weekday", 1, "day_of_month", 2, "month", 3, "session_minute", 4);

    private final Language language;
    private final Scope scope;
    private final Faults faults;
    private final ArgumentReader arguments;

    ExpressionReader(Language language, Scope scope, Faults faults) {
        this.language = language;
        this.scope = scope;
        this.faults = faults;
        this.arguments = new ArgumentReader(this, language, scope, faults);
    }

    Expression read(FormulaParser.ExpressionContext context) {
        if (context instanceof FormulaParser.LogicContext logic) {
            Operation operation = logic.operator.getType() == FormulaParser.AND ? Operation.AND : Operation.OR;
            return new Expression.Logic(
                    span(logic),
                    operation,
                    condition(read(logic.left), logic.operator.getText()),
                    condition(read(logic.right), logic.operator.getText()));
        }
        if (context instanceof FormulaParser.PrefixedContext prefixed) {
            Expression operand = condition(read(prefixed.operand), prefixed.prefix.getText());
            return prefixed.prefix.getType() == FormulaParser.NOT
                    ? new Expression.Not(span(prefixed), operand)
                    : new Expression.Just(span(prefixed), operand);
        }
        if (context instanceof FormulaParser.HeldForContext held) {
            return new Expression.Held(
                    span(held), condition(read(held.condition), "held"), /* always= */ true, bars(held.count(), 1));
        }
        if (context instanceof FormulaParser.SeenInContext seen) {
            return new Expression.Held(
                    span(seen), condition(read(seen.condition), "seen"), /* always= */ false, bars(seen.count(), 1));
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
                    value(choice(crossing.left), "crosses"),
                    value(choice(crossing.right), "crosses"));
        }
        if (context instanceof FormulaParser.TendencyContext tendency) {
            boolean rising = tendency.direction.getType() == FormulaParser.RISING;
            return negated(
                    tendency.negated,
                    new Expression.Tendency(
                            span(tendency),
                            value(choice(tendency.left), "is " + tendency.direction.getText()),
                            rising,
                            tendency.count() == null ? null : bars(tendency.count(), 1)));
        }
        if (context instanceof FormulaParser.NearnessContext nearness) {
            return negated(nearness.negated, nearness(nearness));
        }
        if (context instanceof FormulaParser.BetweennessContext between) {
            return negated(
                    between.negated,
                    new Expression.Between(
                            span(between),
                            value(choice(between.left), "is between"),
                            value(choice(between.low), "is between"),
                            value(choice(between.high), "is between")));
        }
        if (context instanceof FormulaParser.SideContext side) {
            boolean above = side.direction.getType() == FormulaParser.ABOVE;
            return negated(
                    side.negated,
                    new Expression.Comparison(
                            span(side),
                            above ? Operation.GREATER : Operation.LESS,
                            value(choice(side.left), "is"),
                            value(choice(side.right), "is")));
        }
        return relation((FormulaParser.RelationContext) context);
    }

    private static Expression negated(Token not, Expression condition) {
        return not == null ? condition : new Expression.Not(condition.span(), condition);
    }

    private Expression relation(FormulaParser.RelationContext context) {
        if (context.operator == null) {
            return choice(context.left);
        }
        Operation operation = operation(context.operator);
        boolean equality = operation == Operation.EQUAL || operation == Operation.UNEQUAL;
        Setting.Choice chosen = equality ? chosen(context.left) : null;
        if (chosen != null) {
            String word = context.right.getText().toLowerCase(Locale.ROOT);
            if (chosen.words().stream().noneMatch(word::equalsIgnoreCase) && scope.setting(word) == null) {
                return faults.add(
                        span(context.right),
                        "'" + chosen.name() + "' is one of " + String.join(", ", chosen.words()) + ", not '"
                                + context.right.getText() + "'");
            }
            return new Expression.Comparison(
                    span(context), operation, choice(context.left), new Expression.Word(span(context.right), word));
        }
        return new Expression.Comparison(
                span(context),
                operation,
                value(choice(context.left), operation.sign()),
                value(choice(context.right), operation.sign()));
    }

    /** The setting of words that an expression is; null for anything else. */
    private Setting.Choice chosen(ParserRuleContext context) {
        Scope.Named named = scope.setting(context.getText());
        return named != null && named.setting() instanceof Setting.Choice choice ? choice : null;
    }

    private Expression nearness(FormulaParser.NearnessContext context) {
        FormulaParser.AmountContext amount = context.amount();
        Expression factor = value(unit(amount.factor), "is within");
        Expression measure = amount.measure == null ? null : value(unit(amount.measure), "is within");
        boolean share = factor instanceof Expression.Number number && number.percent()
                || factor instanceof Expression.SettingValue setting && setting.percent();
        if (share && measure != null) {
            return faults.add(
                    span(amount.measure),
                    "a per cent is taken of what stands behind of; write is within 5% of, or a number of "
                            + amount.measure.getText());
        }
        return new Expression.Nearness(
                span(context),
                value(choice(context.left), "is within"),
                factor,
                measure,
                share,
                value(choice(context.right), "is within"));
    }

    private Expression unit(FormulaParser.UnitContext context) {
        Expression operand = primary(context.primary());
        int counts = 0;
        int kinds = 0;
        // The steps in their order: each begins with its word.
        for (var child : context.children) {
            if (child instanceof FormulaParser.CountContext) {
                operand = new Expression.Back(span(context), operand, bars(context.count(counts++), 0));
            } else if (child instanceof FormulaParser.KindContext kind) {
                boolean forming = context.children
                        .get(context.children.indexOf(kind) - 1)
                        .getText()
                        .equalsIgnoreCase("forming");
                operand = placed(context, operand, context.kind(kinds++), forming);
            }
        }
        return operand;
    }

    Expression choice(FormulaParser.ChoiceContext context) {
        Expression operand = sum(context.sum(0));
        for (int at = 1; at < context.sum().size(); at++) {
            operand =
                    new Expression.StandIn(span(context), value(operand, "else"), value(sum(context.sum(at)), "else"));
        }
        return operand;
    }

    private Expression sum(FormulaParser.SumContext context) {
        if (context.sum() == null) {
            return product(context.product());
        }
        Operation operation = operation(context.operator);
        return new Expression.Arithmetic(
                span(context),
                operation,
                value(sum(context.sum()), operation.sign()),
                value(product(context.product()), operation.sign()));
    }

    private Expression product(FormulaParser.ProductContext context) {
        if (context.product() == null) {
            return signed(context.signed());
        }
        Operation operation = operation(context.operator);
        return new Expression.Arithmetic(
                span(context),
                operation,
                value(product(context.product()), operation.sign()),
                value(signed(context.signed()), operation.sign()));
    }

    private Expression signed(FormulaParser.SignedContext context) {
        if (context.power() != null) {
            return power(context.power());
        }
        Expression operand = value(signed(context.signed()), context.operator.getText());
        return context.operator.getType() == FormulaParser.MINUS
                ? new Expression.Negative(span(context), operand)
                : operand;
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
        for (FormulaParser.StepContext step : context.step()) {
            operand = step(context, operand, step);
        }
        return operand;
    }

    private Expression step(ParserRuleContext whole, Expression operand, FormulaParser.StepContext step) {
        Span span = new Span(
                span(whole).start(), step.getStop().getStopIndex() - span(whole).start() + 1);
        if (step instanceof FormulaParser.BackContext back) {
            return new Expression.Back(span, operand, bars(back.count(), 0));
        }
        if (step instanceof FormulaParser.PlaceContext place) {
            return placed(whole, operand, place.kind(), place.FORMING() != null);
        }
        if (step instanceof FormulaParser.OtherContext other) {
            return new Expression.Other(span, operand, instrument(other.instrument()));
        }
        return new Expression.WhenLast(
                span, operand, condition(primary(((FormulaParser.LastContext) step).primary()), "when last"));
    }

    private Expression placed(
            ParserRuleContext whole, Expression operand, FormulaParser.KindContext kind, boolean forming) {
        Span span = span(whole);
        String word = kind.getStart().getText();
        if (kind.TIMEFRAME() != null || kind.NUMBER() == null && kind.name.getType() == FormulaParser.WORD) {
            Scope.Named setting = scope.setting(word);
            if (setting != null) {
                return timeframeOf(span, operand, kind, setting.setting(), forming);
            }
            Timeframe timeframe = Timeframe.parse(word).orElse(null);
            if (timeframe != null) {
                return new Expression.Higher(span, operand, timeframe, null, forming);
            }
        }
        return made(span, operand, kind, forming);
    }

    private Expression timeframeOf(
            Span span, Expression operand, FormulaParser.KindContext kind, Setting setting, boolean forming) {
        boolean timeframes = setting instanceof Setting.Choice choice
                && choice.words().stream()
                        .allMatch(each -> Timeframe.parse(each).isPresent());
        return timeframes
                ? new Expression.Higher(
                        span, operand, null, new Expression.SettingValue(span(kind), setting, false), forming)
                : faults.add(
                        span(kind),
                        "'" + setting.name() + "' is no timeframe; a setting of timeframes is written setting "
                                + setting.name() + " = W among D, W, M");
    }

    private Expression made(Span span, Expression operand, FormulaParser.KindContext kind, boolean forming) {
        String word = kind.getStart().getText();
        String measure = kind.NUMBER() == null
                ? ""
                : ":" + kind.getText().substring(word.length()).toLowerCase(Locale.ROOT);
        BarRule rule;
        try {
            rule = BarRule.parse(word.toLowerCase(Locale.ROOT) + measure);
        } catch (IllegalArgumentException unknown) {
            boolean known = Language.BAR_KINDS.contains(word.toLowerCase(Locale.ROOT));
            return faults.add(
                    span(kind),
                    known
                            ? unknown.getMessage()
                            : "'" + kind.getText() + "' is not a timeframe; write one such as 4h, D, W or M, or a kind "
                                    + "of bar such as range 10, brick 20 or point-figure 10x3");
        }
        if (rule.isTime() || rule instanceof BarRule.Ticks) {
            return faults.add(
                    span(kind),
                    rule.isTime()
                            ? "write the timeframe alone: on W"
                            : "bars of so many trades cannot be made from bars; take range, reversal, brick, volume, "
                                    + "line-break, point-figure or heikin-ashi");
        }
        return new Expression.Made(span, operand, rule, forming);
    }

    private Expression instrument(FormulaParser.InstrumentContext context) {
        if (context.INSTRUMENT() != null) {
            return new Expression.Word(span(context), code(context.getText()));
        }
        String word = context.getText().toLowerCase(Locale.ROOT);
        Scope.Named setting = scope.setting(word);
        if (setting != null && setting.setting() instanceof Setting.Other) {
            return new Expression.SettingValue(span(context), setting.setting(), false);
        }
        return Language.SURROUNDING.contains(word)
                ? new Expression.Word(span(context), word)
                : faults.add(
                        span(context),
                        "'" + context.getText() + "' is no instrument; write its code with a #, such as #KTRL, or "
                                + String.join(" or ", Language.SURROUNDING));
    }

    /** A code without its sign, in capitals. */
    static String code(String written) {
        String code = written.startsWith("#\"") ? written.substring(2, written.length() - 1) : written.substring(1);
        return code.toUpperCase(Locale.ROOT);
    }

    Expression primary(FormulaParser.PrimaryContext context) {
        if (context instanceof FormulaParser.NumberContext number) {
            double value = Double.parseDouble(number.NUMBER().getText());
            boolean percent = number.percent != null;
            return new Expression.Number(span(number), percent ? value / 100 : value, percent);
        }
        if (context instanceof FormulaParser.GroupContext group) {
            return read(group.expression());
        }
        if (context instanceof FormulaParser.NameContext name) {
            return name(name);
        }
        if (context instanceof FormulaParser.CallContext call) {
            return arguments.call(call);
        }
        if (context instanceof FormulaParser.IfContext either) {
            return either(either);
        }
        if (context instanceof FormulaParser.BarsSinceContext since) {
            return new Expression.BarsSince(span(since), condition(primary(since.primary()), "bars since"));
        }
        if (context instanceof FormulaParser.DrawingContext drawing) {
            return new Expression.DrawingValue(
                    span(drawing),
                    unquoted(drawing.name),
                    drawing.line == null ? "" : drawing.line.getText().toLowerCase(Locale.ROOT));
        }
        if (context instanceof FormulaParser.InstrumentAloneContext instrument) {
            return new Expression.InstrumentField(span(instrument), code(instrument.getText()));
        }
        return faults.add(
                span(context),
                "'" + context.getText() + "' is a date, which stands only where an indicator asks for one, such as "
                        + "anchored_vwap(2026-03-02); for a difference of numbers leave blanks around the minus");
    }

    /** The text between quotation marks. */
    static String unquoted(Token string) {
        return string.getText().substring(1, string.getText().length() - 1).strip();
    }

    private Expression either(FormulaParser.IfContext context) {
        List<FormulaParser.ArgumentContext> parts = context.argument();
        if (parts.size() != 3) {
            return faults.add(
                    span(context),
                    "if takes a condition and two values, as in if(close > open, high, low), not " + parts.size()
                            + (parts.size() == 1 ? " part" : " parts"));
        }
        for (FormulaParser.ArgumentContext part : parts) {
            if (part.bare != null || part.name != null) {
                return faults.add(span(part), "if takes a condition and two values, separated by commas");
            }
        }
        Expression condition = condition(read(parts.get(0).expression()), "if");
        Expression yes = read(parts.get(1).expression());
        Expression no = read(parts.get(2).expression());
        if (yes.type() == Type.TEXT || no.type() == Type.TEXT) {
            return faults.add(span(context), "if chooses between values or conditions, not between words");
        }
        if (yes.type() != no.type() && yes.type() != Type.NONE && no.type() != Type.NONE) {
            return faults.add(no.span(), "both results of if must be values, or both conditions");
        }
        return new Expression.Either(span(context), condition, yes, no);
    }

    private Expression name(FormulaParser.NameContext context) {
        String word = context.name.getText().toLowerCase(Locale.ROOT);
        Span span = span(context);
        FormulaParser.ChosenContext chosen = context.chosen();
        boolean alone = chosen == null && context.provisional == null;
        Scope.Named setting = scope.setting(word);
        if (alone && setting != null) {
            return new Expression.SettingValue(span, setting.setting(), setting.percent());
        }
        Expression.Meaning meaning = scope.meaning(word);
        if (alone && meaning != null) {
            return new Expression.Named(span, meaning);
        }
        Field field = Field.named(word).orElse(null);
        if (alone && field != null) {
            return new Expression.BarField(span, field);
        }
        Indicator indicator = language.indicator(word, chosen == null ? null : chosen.output.getText(), List.of())
                .orElse(null);
        if (indicator != null) {
            return arguments.called(
                    context, Language.word(word, indicator), indicator, List.of(), chosen, context.provisional != null);
        }
        if (alone && CLOCK.containsKey(word)) {
            Indicator clock = language.indicator("clock", null, List.of()).orElseThrow();
            return new Expression.IndicatorCall(
                    span, "clock", clock, List.of(), null, Map.of(), CLOCK.get(word), true, null);
        }
        if (chosen != null && (field != null || setting != null || meaning != null)) {
            return faults.add(
                    span(chosen.output),
                    "'" + word + "' is "
                            + (field == null ? "a name of this definition" : "a field of the bar, a single number")
                            + "; leave ." + chosen.output.getText() + " out");
        }
        if (field != null || setting != null || meaning != null) {
            return arguments.notProvisional(context, word);
        }
        return faults.add(
                span(context.name),
                language.isFunction(word)
                        ? "'" + word + "' needs its arguments in parentheses"
                        : "there is no field or indicator '" + context.name.getText() + "'"
                                + language.suggestion(word, near()));
    }

    /** The names that would do beside those of the language. */
    private List<String> near() {
        List<String> names = new ArrayList<>(scope.names());
        names.addAll(arguments.choices());
        return names;
    }

    private static Operation operation(Token sign) {
        return switch (sign.getType()) {
            case FormulaParser.AT_LEAST -> Operation.AT_LEAST;
            case FormulaParser.AT_MOST -> Operation.AT_MOST;
            case FormulaParser.GREATER -> Operation.GREATER;
            case FormulaParser.LESS -> Operation.LESS;
            case FormulaParser.EQUAL -> Operation.EQUAL;
            case FormulaParser.UNEQUAL -> Operation.UNEQUAL;
            case FormulaParser.MINUS -> Operation.SUBTRACT;
            case FormulaParser.TIMES -> Operation.MULTIPLY;
            case FormulaParser.DIVIDED -> Operation.DIVIDE;
            default -> Operation.ADD;
        };
    }

    /** A number of bars: a whole number, or a setting of whole numbers. */
    Expression bars(FormulaParser.CountContext context, int least) {
        String text = context.getText();
        Scope.Named setting = scope.setting(text);
        if (setting != null && setting.setting() instanceof Setting.WholeNumber) {
            return new Expression.SettingValue(span(context), setting.setting(), false);
        }
        int most = language.limits().lookback();
        try {
            int bars = Integer.parseInt(text);
            if (bars >= least && bars <= most) {
                return new Expression.Number(span(context), bars, false);
            }
        } catch (NumberFormatException notWhole) {
            // told below, like a number that is too large
        }
        String step = context.getParent().getStart() == context.getStart() ? "" : previousWord(context) + " needs ";
        return faults.add(
                span(context),
                step + "a whole number of bars from " + least + " to " + most
                        + (scope.settings().isEmpty() ? "" : ", or a setting of whole numbers") + ", not " + text);
    }

    private static String previousWord(ParserRuleContext context) {
        ParserRuleContext parent = context.getParent();
        int at = parent.children.indexOf(context);
        return parent.children.get(at - 1).getText().toLowerCase(Locale.ROOT);
    }

    Expression condition(Expression expression, String word) {
        return expression.isCondition() || expression.type() == Type.NONE
                ? expression
                : faults.add(
                        expression.span(),
                        "'" + word.toLowerCase(Locale.ROOT) + "' "
                                + (word.equalsIgnoreCase("and") || word.equalsIgnoreCase("or") ? "joins" : "asks for")
                                + " conditions such as close > open; this is a "
                                + (expression.type() == Type.TEXT ? "word" : "value"));
    }

    Expression value(Expression expression, String word) {
        return expression.type() == Type.VALUE || expression.type() == Type.NONE
                ? expression
                : faults.add(
                        expression.span(),
                        "'" + word.toLowerCase(Locale.ROOT) + "' works on values; this is a "
                                + (expression.isCondition() ? "condition" : "word"));
    }

    static Span span(ParserRuleContext context) {
        int start = context.getStart().getStartIndex();
        return new Span(start, context.getStop().getStopIndex() - start + 1);
    }

    static Span span(Token token) {
        return new Span(token.getStartIndex(), token.getText().length());
    }
}

package dev.yardarm.core.formula;

import dev.yardarm.core.calculation.Averages;
import dev.yardarm.core.formula.Expression.Argument;
import dev.yardarm.core.formula.Expression.Span;
import dev.yardarm.core.formula.Expression.Type;
import dev.yardarm.core.formula.grammar.FormulaParser;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Field;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.antlr.v4.runtime.ParserRuleContext;

/**
 * Reads calls. Arguments of an indicator are, by position: the source when it is no plain number, then the numbers in their
 * order. Words of a choice, instruments and dates go to the setting that takes them, wherever they stand.
 */
final class ArgumentReader {
    private final ExpressionReader reader;
    private final Language language;
    private final Scope scope;
    private final Faults faults;
    /** A span and how many before: the words stand together in the text of the parser. */
    private static final Pattern SPAN_BACK = Pattern.compile("([a-z]+)back([0-9]+)");

    /** The setting that takes how many. */
    private static final String BACK = "back";

    /** The words that would do as arguments of the call being read. */
    private List<String> choices = List.of();

    ArgumentReader(ExpressionReader reader, Language language, Scope scope, Faults faults) {
        this.reader = reader;
        this.language = language;
        this.scope = scope;
        this.faults = faults;
    }

    List<String> choices() {
        return choices;
    }

    Expression call(FormulaParser.CallContext context) {
        String function = context.function.getText().toLowerCase(Locale.ROOT);
        if (!language.isFunction(function)) {
            return noFunction(context, function);
        }
        if (function.equals(Language.AVERAGE)) {
            return average(context);
        }
        Indicator indicator = language.indicator(
                        function,
                        context.chosen() == null
                                ? null
                                : context.chosen().output.getText(),
                        context.argument().stream()
                                .map(FormulaParser.ArgumentContext::getText)
                                .toList())
                .orElse(null);
        List<Argument> given = new ArrayList<>();
        List<String> outside = choices;
        choices = choices(indicator);
        for (FormulaParser.ArgumentContext argument : context.argument()) {
            String name = argument.name == null ? null : argument.name.getText().toLowerCase(Locale.ROOT);
            Span place = argument.name == null ? null : ExpressionReader.span(argument.name);
            if (isSpanBack(argument, indicator)) {
                spanBack(argument, given);
                continue;
            }
            Expression value = value(argument, indicator, name);
            boolean text = value.type() == Type.TEXT && indicator != null;
            given.add(new Argument(
                    name, place, text || isCounted(indicator, value) ? value : reader.value(value, function)));
        }
        choices = outside;
        return indicator == null
                ? function(context, function, given)
                : called(
                        context,
                        Language.word(function, indicator),
                        indicator,
                        given,
                        context.chosen(),
                        context.provisional != null);
    }

    /** True for {@code week back 1}: a word of a choice and how many before, where an indicator asks for both. */
    private static boolean isSpanBack(FormulaParser.ArgumentContext argument, Indicator indicator) {
        if (indicator == null || argument.bare != null || argument.name != null) {
            return false;
        }
        Matcher parts = SPAN_BACK.matcher(argument.getText().toLowerCase(Locale.ROOT));
        return parts.matches()
                && indicator.settings().stream().anyMatch(each -> each.name().equals(BACK))
                && indicator.settings().stream()
                        .anyMatch(each -> each instanceof Setting.Choice choice
                                && choice.words().contains(parts.group(1)));
    }

    private static void spanBack(FormulaParser.ArgumentContext argument, List<Argument> given) {
        Matcher parts = SPAN_BACK.matcher(argument.getText().toLowerCase(Locale.ROOT));
        if (!parts.matches()) {
            throw new IllegalStateException(argument.getText());
        }
        Span whole = ExpressionReader.span(argument.expression());
        given.add(new Argument(null, null, new Expression.Word(whole, parts.group(1))));
        given.add(new Argument(BACK, whole, new Expression.Number(whole, Double.parseDouble(parts.group(2)), false)));
    }

    private Expression value(FormulaParser.ArgumentContext argument, Indicator indicator, String name) {
        if (argument.bare != null) {
            String text = argument.bare.getText().toLowerCase(Locale.ROOT);
            return choices.contains(text)
                    ? new Expression.Word(ExpressionReader.span(argument.bare), text)
                    : faults.add(
                            ExpressionReader.span(argument.bare),
                            "found '" + text + "' but a value was expected here, such as close, 12 or sma(close, 50)");
        }
        Expression word = indicator == null ? null : word(indicator, name, argument.expression());
        return word != null ? word : reader.read(argument.expression());
    }

    private Expression noFunction(FormulaParser.CallContext context, String function) {
        if (Field.named(function).isPresent() || scope.has(function)) {
            return faults.add(
                    ExpressionReader.span(context.function),
                    "'" + function + "' is a " + (scope.has(function) ? "name" : "field of the bar")
                            + " and stands without parentheses; the one of earlier bars is " + function + " back 3");
        }
        return faults.add(
                ExpressionReader.span(context.function),
                "there is no function or indicator '" + context.function.getText() + "'"
                        + language.suggestion(function));
    }

    private Expression function(FormulaParser.CallContext context, String function, List<Argument> given) {
        Span span = ExpressionReader.span(context);
        int wanted = Language.UNARY.containsKey(function) ? 1 : 2;
        if (given.size() != wanted) {
            return faults.add(
                    span,
                    function + " takes " + wanted + (wanted == 1 ? " value" : " values") + ", not " + given.size());
        }
        for (Argument argument : given) {
            if (argument.name() != null) {
                return faults.add(argument.nameSpan(), function + " has no named settings");
            }
        }
        if (context.chosen() != null) {
            return faults.add(ExpressionReader.span(context.chosen().output), "'" + function + "' has no outputs");
        }
        if (context.provisional != null) {
            return notProvisional(context, function);
        }
        return new Expression.FunctionCall(
                span, function, given.stream().map(Argument::value).toList());
    }

    /** {@code average(kind, value, length)}. */
    private Expression average(FormulaParser.CallContext context) {
        Span span = ExpressionReader.span(context);
        List<FormulaParser.ArgumentContext> parts = context.argument();
        if (parts.size() != 3) {
            return faults.add(
                    span,
                    "average takes a kind, a value and a length, as in average(exponential, close, 20); the kinds are "
                            + String.join(", ", Averages.KINDS)
                            + "; for a simple one did you mean 'sma'?");
        }
        String kind = parts.get(0).getText().toLowerCase(Locale.ROOT);
        Scope.Named setting = scope.setting(kind);
        Expression word = new Expression.Word(ExpressionReader.span(parts.get(0)), kind);
        if (setting != null
                && setting.setting() instanceof Setting.Choice choice
                && Averages.KINDS.containsAll(choice.words())) {
            word = new Expression.SettingValue(ExpressionReader.span(parts.get(0)), choice, false);
        } else if (!Averages.KINDS.contains(kind)) {
            String near = Language.nearest(kind, Averages.KINDS);
            return faults.add(
                    ExpressionReader.span(parts.get(0)),
                    "there is no average of the kind '" + parts.get(0).getText() + "'; the kinds are "
                            + String.join(", ", Averages.KINDS)
                            + (near == null ? "" : "; did you mean '" + near + "'?"));
        }
        Expression value = reader.value(value(parts.get(1), null, null), Language.AVERAGE);
        Expression length = reader.value(value(parts.get(2), null, null), Language.AVERAGE);
        double bars = constant(length, "the length");
        if (!Double.isNaN(bars)
                && (bars != Math.rint(bars)
                        || bars < 1
                        || bars > language.limits().lookback())) {
            return faults.add(
                    length.span(),
                    "the length must be a whole number from 1 to "
                            + language.limits().lookback() + ", not " + Setting.Number.plain(bars));
        }
        return new Expression.FunctionCall(span, Language.AVERAGE, List.of(word, value, length));
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
    private Expression word(Indicator indicator, String name, FormulaParser.ExpressionContext argument) {
        String text = argument.getText();
        if (scope.has(text)) {
            return null;
        }
        boolean known = indicator.settings().stream()
                .anyMatch(setting -> setting instanceof Setting.Choice choice
                                && (name == null
                                        ? choice.words().stream().anyMatch(text::equalsIgnoreCase)
                                                && Field.named(text).isEmpty()
                                        : name.equals(choice.name()))
                        || setting instanceof Setting.Other other
                                && (name == null || name.equals(other.name()))
                                && (text.startsWith("#") && argument.getStart() == argument.getStop()
                                        || Language.SURROUNDING.contains(text.toLowerCase(Locale.ROOT)))
                        || setting instanceof Setting.Moment moment
                                && (name == null || name.equals(moment.name()))
                                && isMoment(argument, text));
        return known
                ? new Expression.Word(
                        ExpressionReader.span(argument),
                        text.startsWith("#")
                                ? ExpressionReader.code(text)
                                : isMoment(argument, text)
                                        ? text.toUpperCase(Locale.ROOT).replace("START", "start")
                                        : text.toLowerCase(Locale.ROOT))
                : null;
    }

    /** True for a date as such, and for the word that stands for the first bar. */
    private static boolean isMoment(FormulaParser.ExpressionContext argument, String text) {
        return argument.getStart() == argument.getStop()
                && (argument.getStart().getType() == FormulaParser.DATE || text.equalsIgnoreCase(Setting.Moment.START));
    }

    /** Tells that what stands behind the word is not found structure. */
    Expression notProvisional(ParserRuleContext context, String word) {
        return faults.add(
                ExpressionReader.span(context),
                "nothing of '" + word + "' is provisional; the word stands before found structure, as in "
                        + "provisional pivots(3%).price(1)");
    }

    /**
     * An indicator with its arguments.
     *
     * @param chosen output and number behind it; null for neither
     * @param provisional whether what may still be taken back is asked for
     */
    Expression called(
            ParserRuleContext context,
            String word,
            Indicator indicator,
            List<Argument> written,
            FormulaParser.ChosenContext chosen,
            boolean provisional) {
        String first = indicator.outputs().get(0).name();
        String name = chosen == null ? first : chosen.output.getText().toLowerCase(Locale.ROOT);
        int number = indicator.output(provisional ? Language.PROVISIONAL + "_" + name : name);
        if (number < 0 && provisional && indicator.output(name) >= 0) {
            return notProvisional(context, chosen == null ? word : word + "." + name);
        }
        if (number < 0) {
            List<String> names = indicator.outputs().stream()
                    .map(Indicator.Output::name)
                    .filter(each -> !each.startsWith(Language.PROVISIONAL + "_"))
                    .toList();
            String near = Language.nearest(name, names);
            return faults.add(
                    ExpressionReader.span(chosen.output),
                    "'" + word + "' has no output '" + chosen.output.getText() + "'; it has " + String.join(", ", names)
                            + (near == null ? "" : "; did you mean '" + near + "'?"));
        }
        Map<String, Expression> given = new LinkedHashMap<>();
        Expression source = bind(indicator, written, given);
        Expression nth = chosen == null || chosen.nth == null ? null : reader.bars(chosen.nth, 1);
        if (nth != null
                && indicator.settings().stream().noneMatch(each -> each.name().equals(Language.NTH))) {
            return faults.add(
                    ExpressionReader.span(chosen.nth),
                    "'" + word + "." + name + "' stands without a number behind it; what was so many bars before is "
                            + word + "." + name + " back 3");
        }
        if (nth != null && nth.type() != Type.NONE) {
            Expression fault = check(
                    indicator, new Argument(Language.NTH, ExpressionReader.span(chosen.nth), nth), Language.NTH, given);
            if (fault != null) {
                return fault;
            }
        }
        return source instanceof Expression.Wrong wrong
                ? wrong
                : new Expression.IndicatorCall(
                        ExpressionReader.span(context),
                        word,
                        indicator,
                        List.copyOf(written),
                        source,
                        given,
                        number,
                        chosen != null,
                        nth);
    }

    /** Gives each argument to its setting; the source, null when there is none, or what is at fault. */
    private Expression bind(Indicator indicator, List<Argument> written, Map<String, Expression> given) {
        List<Setting> settings = new ArrayList<>(indicator.settings());
        boolean hasSource = settings.removeIf(setting -> setting instanceof Setting.Source);
        Expression source = null;
        int position = 0;
        for (int place = 0; place < written.size(); place++) {
            Argument argument = written.get(place);
            Expression value = argument.value();
            boolean isSource = argument.name() == null
                    ? place == 0 && hasSource && !isPlain(value)
                    : argument.name().equals("source") && hasSource;
            if (isSource) {
                source = value;
                continue;
            }
            String name = argument.name();
            if (name == null && value.type() == Type.TEXT) {
                name = accepting(settings, value);
            }
            if (name == null) {
                while (position < settings.size() && !isNumeric(settings.get(position))) {
                    position++;
                }
                if (position == settings.size()) {
                    return faults.add(
                            value.span(), indicator.name() + " takes " + usage(indicator) + "; this is one too many");
                }
                name = settings.get(position++).name();
            }
            Expression fault = check(indicator, argument, name, given);
            if (fault != null) {
                return fault;
            }
        }
        return source;
    }

    private static boolean isNumeric(Setting setting) {
        return setting instanceof Setting.WholeNumber || setting instanceof Setting.Number;
    }

    /** Takes an argument as a setting; what is at fault, else null. */
    private Expression check(Indicator indicator, Argument argument, String name, Map<String, Expression> given) {
        Expression value = argument.value();
        List<String> names = indicator.settings().stream().map(Setting::name).toList();
        if (!names.contains(name)) {
            String near = Language.nearest(name, names);
            return faults.add(
                    argument.nameSpan() == null ? value.span() : argument.nameSpan(),
                    indicator.name() + " has no setting '" + name + "'"
                            + (near == null
                                    ? "; it has " + String.join(", ", names)
                                    : "; did you mean '" + near + "'?"));
        }
        if (given.containsKey(name)) {
            return faults.add(value.span(), "'" + name + "' is given twice");
        }
        if (value.type() == Type.NONE) {
            return value;
        }
        if (value.type() != Type.TEXT && Double.isNaN(constant(value, name))) {
            return new Expression.Wrong(value.span());
        }
        given.put(name, value);
        try {
            Constants constants = standard();
            Settings.of(
                    indicator,
                    Map.of(
                            name,
                            value.type() == Type.TEXT
                                    ? constants.text(value)
                                    : Setting.Number.plain(constants.of(value))));
        } catch (IllegalArgumentException bad) {
            return faults.add(value.span(), bad.getMessage());
        }
        return null;
    }

    private Constants standard() {
        return new Constants(Settings.of("", scope.settings(), Map.of()));
    }

    /** What a constant is with the settings as they stand at first; NaN, and told, when it is none. */
    private double constant(Expression value, String name) {
        if (value.type() == Type.NONE) {
            return Double.NaN;
        }
        double constant = standard().of(value);
        if (Double.isNaN(constant)) {
            faults.add(
                    value.span(),
                    name + " must be a plain number"
                            + (scope.settings().isEmpty() ? "" : ", a setting or arithmetic of them")
                            + "; it cannot change from bar to bar");
        }
        return constant;
    }

    /** The setting a word belongs to when it is given without a name. */
    private String accepting(List<Setting> settings, Expression word) {
        String text = standard().text(word);
        for (Setting setting : settings) {
            if (setting instanceof Setting.Choice choice
                    && choice.words().stream().anyMatch(text::equalsIgnoreCase)) {
                return setting.name();
            }
        }
        return settings.stream()
                .filter(each -> each instanceof Setting.Other || each instanceof Setting.Moment)
                .map(Setting::name)
                .findFirst()
                .orElse(null);
    }

    /** True for what is a setting by itself: a number, a setting, arithmetic of them, a word. */
    private boolean isPlain(Expression value) {
        return value.type() == Type.TEXT || !Double.isNaN(standard().of(value));
    }

    private static String usage(Indicator indicator) {
        StringBuilder usage = new StringBuilder(indicator.name()).append('(');
        boolean first = true;
        for (Setting setting : indicator.settings()) {
            if (setting instanceof Setting.Source) {
                usage.insert(indicator.name().length() + 1, first ? setting.name() : setting.name() + ", ");
            } else {
                usage.append(first ? "" : ", ").append(setting.name());
            }
            first = false;
        }
        return usage.append(')').toString();
    }
}

package dev.yardarm.core.formula;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.calculation.Needs;
import dev.yardarm.core.calculation.Operation;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleUnaryOperator;

/** Compiles the tree of a formula to nodes of a column graph. */
final class FormulaCompiler {
    private final String text;
    private final ColumnGraph graph;
    private final Language language;

    FormulaCompiler(String text, ColumnGraph graph, Language language) {
        this.text = text;
        this.graph = graph;
        this.language = language;
    }

    Node node(Expression expression) {
        if (expression instanceof Expression.Number number) {
            return Operation.number(graph, number.value());
        }
        if (expression instanceof Expression.BarField field) {
            return graph.field(field.field());
        }
        if (expression instanceof Expression.DrawingValue drawing) {
            return graph.ofBars(
                    "drawing \"" + drawing.name() + "\" " + drawing.line(),
                    Needs.drawing(drawing.name()),
                    () -> (bars, bar) -> graph.surroundings()
                            .drawings()
                            .priceAt(drawing.name(), drawing.line(), bars.openTime(bar), bars.closeTime(bar)));
        }
        if (expression instanceof Expression.Negative negative) {
            return Operation.SUBTRACT.in(graph, Operation.number(graph, 0), node(negative.operand()));
        }
        if (expression instanceof Expression.Arithmetic arithmetic) {
            return arithmetic.operation().in(graph, node(arithmetic.left()), node(arithmetic.right()));
        }
        if (expression instanceof Expression.Back back) {
            return Operation.back(graph, node(back.operand()), back.bars());
        }
        if (expression instanceof Expression.Higher higher) {
            return graph.higher(
                            higher.timeframe(),
                            higher.forming(),
                            inner -> List.of(new FormulaCompiler(text, inner, language).node(higher.operand())))
                    .get(0);
        }
        if (expression instanceof Expression.Comparison comparison) {
            return comparison.operation().in(graph, node(comparison.left()), node(comparison.right()));
        }
        if (expression instanceof Expression.Logic logic) {
            return logic.operation().in(graph, node(logic.left()), node(logic.right()));
        }
        if (expression instanceof Expression.Not not) {
            return Operation.not(graph, node(not.operand()));
        }
        if (expression instanceof Expression.Crossing crossing) {
            return crossing(crossing);
        }
        return call((Expression.Call) expression);
    }

    private Node crossing(Expression.Crossing crossing) {
        Node left = node(crossing.left());
        Node right = node(crossing.right());
        return switch (crossing.direction()) {
            case ABOVE -> Operation.crossesAbove(graph, left, right);
            case BELOW -> Operation.crossesAbove(graph, right, left);
            case EITHER ->
                Operation.OR.in(
                        graph, Operation.crossesAbove(graph, left, right), Operation.crossesAbove(graph, right, left));
        };
    }

    private Node call(Expression.Call call) {
        Indicator indicator = language.indicator(call.function()).orElse(null);
        if (indicator != null) {
            return indicator(call, indicator);
        }
        DoubleUnaryOperator unary = Language.UNARY.get(call.function());
        int wanted = unary == null ? 2 : 1;
        if (call.arguments().size() != wanted) {
            throw fault(
                    call,
                    call.function() + " takes " + wanted + (wanted == 1 ? " value" : " values") + ", not "
                            + call.arguments().size());
        }
        for (Expression.Argument argument : call.arguments()) {
            if (argument.name() != null) {
                throw fault(argument.value(), call.function() + " has no named settings");
            }
        }
        Node first = node(call.arguments().get(0).value());
        if (unary != null) {
            return Operation.apply(graph, call.function(), unary, first);
        }
        Node second = node(call.arguments().get(1).value());
        return (call.function().equals("min") ? Operation.MINIMUM : Operation.MAXIMUM).in(graph, first, second);
    }

    /**
     * Arguments are, by position: the source when it is no plain number, then the numbers in their order. Words of a
     * choice, instruments and dates go to the setting that takes them, wherever they stand.
     */
    private Node indicator(Expression.Call call, Indicator indicator) {
        Map<String, String> values = new LinkedHashMap<>();
        List<Setting> numbers = new ArrayList<>(indicator.settings());
        boolean hasSource = numbers.removeIf(setting -> setting instanceof Setting.Source);
        Expression source = null;
        int position = 0;
        for (int place = 0; place < call.arguments().size(); place++) {
            Expression.Argument argument = call.arguments().get(place);
            Expression value = argument.value();
            boolean isSource = argument.name() == null
                    ? place == 0 && hasSource && !isPlain(value)
                    : argument.name().equals("source") && hasSource;
            if (isSource) {
                source = value;
                continue;
            }
            String name = argument.name();
            if (name == null && value instanceof Expression.Word word) {
                name = accepting(numbers, word.text());
            }
            if (name == null) {
                while (position < numbers.size()
                        && !(numbers.get(position) instanceof Setting.WholeNumber
                                || numbers.get(position) instanceof Setting.Number)) {
                    position++;
                }
                if (position == numbers.size()) {
                    throw fault(value, indicator.name() + " takes " + usage(indicator) + "; this is one too many");
                }
                name = numbers.get(position++).name();
            }
            if (argument.name() != null) {
                checkName(indicator, argument);
            }
            if (values.containsKey(name)) {
                throw fault(value, "'" + name + "' is given twice");
            }
            values.put(name, constant(value, name));
            check(indicator, value, values);
        }
        Settings settings = Settings.of(indicator, values);
        return (source == null ? indicator.in(graph, settings) : indicator.in(graph, settings, node(source)))
                .get(call.output());
    }

    /** The setting a word belongs to when it is given without a name. */
    private static String accepting(List<Setting> settings, String word) {
        for (Setting setting : settings) {
            if (setting instanceof Setting.Choice choice
                    && choice.words().stream().anyMatch(word::equalsIgnoreCase)) {
                return setting.name();
            }
        }
        return settings.stream()
                .filter(each -> each instanceof Setting.Other || each instanceof Setting.Moment)
                .map(Setting::name)
                .findFirst()
                .orElse(null);
    }

    /** True for what is a setting by itself: a number, a word. */
    private static boolean isPlain(Expression value) {
        return isNumber(value) || value instanceof Expression.Word;
    }

    /** Refuses a name that is no setting of the indicator, at its own place. */
    private void checkName(Indicator indicator, Expression.Argument argument) {
        List<String> names = indicator.settings().stream().map(Setting::name).toList();
        if (!names.contains(argument.name())) {
            String near = Language.nearest(argument.name(), names);
            throw new FormulaException(
                    text,
                    argument.nameSpan().start(),
                    argument.nameSpan().length(),
                    indicator.name() + " has no setting '" + argument.name() + "'"
                            + (near == null
                                    ? "; it has " + String.join(", ", names)
                                    : "; did you mean '" + near + "'?"));
        }
    }

    private void check(Indicator indicator, Expression at, Map<String, String> values) {
        try {
            Settings.of(indicator, values);
        } catch (IllegalArgumentException bad) {
            throw fault(at, bad.getMessage());
        }
    }

    private static boolean isNumber(Expression value) {
        return value instanceof Expression.Number
                || value instanceof Expression.Negative negative && isNumber(negative.operand());
    }

    private String constant(Expression value, String name) {
        if (value instanceof Expression.Word word) {
            return word.text();
        }
        if (value instanceof Expression.Number number) {
            return Setting.Number.plain(number.value());
        }
        if (isNumber(value)) {
            return text.substring(
                    value.span().start(), value.span().start() + value.span().length());
        }
        throw fault(value, name + " must be a plain number");
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

    private FormulaException fault(Expression at, String problem) {
        return new FormulaException(text, at.span().start(), at.span().length(), problem);
    }
}

package dev.yardarm.core.formula;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.Averages;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.calculation.Conditions;
import dev.yardarm.core.calculation.Needs;
import dev.yardarm.core.calculation.Operation;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Field;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.DoubleUnaryOperator;

/**
 * Compiles a checked tree to nodes of a column graph. What a name means is compiled once for each graph and settings, so a
 * definition costs by its distinct steps however often they are used.
 */
final class FormulaCompiler implements Expression.Visitor<Node> {
    private final ColumnGraph graph;
    private final Settings settings;
    private final Field ofInstruments;
    private final Source source;
    private final Constants constants;

    /**
     * What stands in the place of a source setting.
     *
     * @param node null for the field the setting names
     * @param home the graph the node belongs to
     */
    record Source(Node node, ColumnGraph home) {
        static final Source OF_SETTINGS = new Source(null, null);
    }

    /** @param settings of the definition the tree belongs to; null when there is none */
    FormulaCompiler(ColumnGraph graph, Settings settings) {
        this(graph, settings, Field.CLOSE, Source.OF_SETTINGS);
    }

    /** @param ofInstruments the field that an instrument standing alone means */
    FormulaCompiler(ColumnGraph graph, Settings settings, Field ofInstruments, Source source) {
        this.graph = graph;
        this.settings = settings;
        this.ofInstruments = ofInstruments;
        this.source = source;
        this.constants = new Constants(settings);
    }

    Node node(Expression expression) {
        return expression.accept(this);
    }

    /** The same inside another graph. */
    private List<Node> inside(ColumnGraph inner, Expression expression) {
        return List.of(new FormulaCompiler(inner, settings, ofInstruments, source).node(expression));
    }

    private int whole(Expression expression) {
        double value = constants.of(expression);
        int limit = Language.Limits.STANDARD.lookback();
        if (value != Math.rint(value) || !(value >= 0 && value <= limit)) {
            throw new IllegalArgumentException(
                    "a number of bars must be whole and from 0 to " + limit + ", not " + Setting.Number.plain(value));
        }
        return (int) value;
    }

    @Override
    public Node number(Expression.Number number) {
        return Operation.number(graph, number.value());
    }

    @Override
    public Node field(Expression.BarField field) {
        return graph.field(field.field());
    }

    /** A column given in the place of a source is known on its own bars alone; elsewhere it is missing. */
    @Override
    public Node setting(Expression.SettingValue setting) {
        if (!(setting.setting() instanceof Setting.Source named)) {
            return Operation.number(graph, constants.of(setting));
        }
        return source.node() == null
                ? graph.field(settings.field(named.name()))
                : source.home() == graph ? source.node() : Operation.number(graph, Double.NaN);
    }

    /** What a name meant: a meaning is equal to itself alone. */
    private record Meant(Expression.Meaning meaning, Settings settings, Field ofInstruments, Source source) {}

    @Override
    public Node named(Expression.Named named) {
        return graph.once(
                        new Meant(named.meaning(), settings, ofInstruments, source),
                        () -> List.of(node(named.meaning().expression())))
                .get(0);
    }

    @Override
    public Node instrument(Expression.InstrumentField instrument) {
        return Operation.other(graph, instrument.code(), ofInstruments);
    }

    @Override
    public Node drawing(Expression.DrawingValue drawing) {
        return graph.ofBars(
                "drawing \"" + drawing.name() + "\" " + drawing.line(),
                Needs.drawing(drawing.name()),
                () -> (bars, bar) -> graph.surroundings()
                        .drawings()
                        .priceAt(drawing.name(), drawing.line(), bars.openTime(bar), bars.closeTime(bar)));
    }

    @Override
    public Node negative(Expression.Negative negative) {
        return Operation.SUBTRACT.in(graph, Operation.number(graph, 0), node(negative.operand()));
    }

    @Override
    public Node arithmetic(Expression.Arithmetic arithmetic) {
        return arithmetic.operation().in(graph, node(arithmetic.left()), node(arithmetic.right()));
    }

    @Override
    public Node function(Expression.FunctionCall call) {
        List<Expression> arguments = call.arguments();
        DoubleUnaryOperator unary = Language.UNARY.get(call.function());
        if (unary != null) {
            return Operation.apply(graph, call.function(), unary, node(arguments.get(0)));
        }
        if (call.function().equals(Language.AVERAGE)) {
            return Averages.of(
                    graph, constants.text(arguments.get(0)), node(arguments.get(1)), atLeastOne(arguments.get(2)));
        }
        Operation operation = call.function().equals("min") ? Operation.MINIMUM : Operation.MAXIMUM;
        return operation.in(graph, node(arguments.get(0)), node(arguments.get(1)));
    }

    private int atLeastOne(Expression expression) {
        int length = whole(expression);
        if (length == 0) {
            throw new IllegalArgumentException("a length must be at least 1, not 0");
        }
        return length;
    }

    @Override
    public Node indicator(Expression.IndicatorCall call) {
        Settings chosen = settingsOf(call, constants);
        return (call.source() == null
                        ? call.indicator().in(graph, chosen)
                        : call.indicator().in(graph, chosen, node(call.source())))
                .get(call.output());
    }

    /** The settings of a call as they come out of its constants. */
    static Settings settingsOf(Expression.IndicatorCall call, Constants constants) {
        Map<String, String> values = new LinkedHashMap<>();
        call.given()
                .forEach((name, value) -> values.put(
                        name,
                        value.type() == Expression.Type.TEXT
                                ? constants.text(value)
                                : Setting.Number.plain(constants.of(value))));
        return Settings.of(call.indicator(), values);
    }

    @Override
    public Node back(Expression.Back back) {
        return Operation.back(graph, node(back.operand()), whole(back.bars()));
    }

    @Override
    public Node higher(Expression.Higher higher) {
        Timeframe timeframe = higher.timeframe() != null
                ? higher.timeframe()
                : Timeframe.parse(constants.text(higher.setting())).orElseThrow();
        return graph.higher(timeframe, higher.forming(), inner -> inside(inner, higher.operand()))
                .get(0);
    }

    @Override
    public Node made(Expression.Made made) {
        return graph.made(made.rule(), made.forming(), inner -> inside(inner, made.operand()))
                .get(0);
    }

    @Override
    public Node other(Expression.Other other) {
        String code = constants.text(other.instrument());
        if (other.operand() instanceof Expression.BarField field) {
            return Operation.other(graph, code, field.field());
        }
        return graph.of(code, inner -> inside(inner, other.operand())).get(0);
    }

    @Override
    public Node last(Expression.WhenLast last) {
        return Conditions.valueWhenLast(graph, node(last.operand()), node(last.condition()));
    }

    @Override
    public Node since(Expression.BarsSince since) {
        return Conditions.barsSince(graph, node(since.condition()));
    }

    @Override
    public Node standIn(Expression.StandIn standIn) {
        return Operation.OTHERWISE.in(graph, node(standIn.operand()), node(standIn.otherwise()));
    }

    @Override
    public Node either(Expression.Either either) {
        return Conditions.choose(graph, node(either.condition()), node(either.yes()), node(either.no()));
    }

    @Override
    public Node comparison(Expression.Comparison comparison) {
        if (comparison.left().type() == Expression.Type.TEXT) {
            boolean same = constants
                    .text(comparison.left())
                    .toLowerCase(Locale.ROOT)
                    .equals(constants.text(comparison.right()).toLowerCase(Locale.ROOT));
            return Operation.number(graph, same == (comparison.operation() == Operation.EQUAL) ? 1 : 0);
        }
        return comparison.operation().in(graph, node(comparison.left()), node(comparison.right()));
    }

    @Override
    public Node crossing(Expression.Crossing crossing) {
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

    @Override
    public Node tendency(Expression.Tendency tendency) {
        Node value = node(tendency.operand());
        Operation direction = tendency.rising() ? Operation.GREATER : Operation.LESS;
        Node now = direction.in(graph, value, Operation.back(graph, value, 1));
        return tendency.bars() == null ? now : Conditions.heldFor(graph, now, atLeastOne(tendency.bars()));
    }

    @Override
    public Node nearness(Expression.Nearness nearness) {
        Node right = node(nearness.right());
        Node amount = node(nearness.amount());
        Node apart =
                Operation.apply(graph, "abs", Math::abs, Operation.SUBTRACT.in(graph, node(nearness.left()), right));
        Node reach = nearness.share()
                ? Operation.MULTIPLY.in(graph, amount, Operation.apply(graph, "abs", Math::abs, right))
                : nearness.measure() == null ? amount : Operation.MULTIPLY.in(graph, amount, node(nearness.measure()));
        return Operation.AT_MOST.in(graph, apart, reach);
    }

    @Override
    public Node between(Expression.Between between) {
        Node value = node(between.operand());
        return Operation.AND.in(
                graph,
                Operation.AT_LEAST.in(graph, value, node(between.low())),
                Operation.AT_MOST.in(graph, value, node(between.high())));
    }

    @Override
    public Node logic(Expression.Logic logic) {
        return logic.operation().in(graph, node(logic.left()), node(logic.right()));
    }

    @Override
    public Node not(Expression.Not not) {
        return Operation.not(graph, node(not.operand()));
    }

    @Override
    public Node shown(Expression.Shown shown) {
        Node[] all = new Node[shown.before().size() + 1];
        all[0] = node(shown.condition());
        for (int at = 1; at < all.length; at++) {
            all[at] = node(shown.before().get(at - 1));
        }
        return Operation.each(
                graph,
                "shown",
                1,
                (in, out) -> {
                    out[0] = in[0];
                    for (int at = 1; at < in.length; at++) {
                        // What is not known does not hold, and takes no bar.
                        out[0] = in[at] == 1 && in[0] == in[0] ? 0 : out[0];
                    }
                },
                all)[0];
    }

    @Override
    public Node just(Expression.Just just) {
        return Conditions.just(graph, node(just.operand()));
    }

    @Override
    public Node held(Expression.Held held) {
        Node condition = node(held.operand());
        int bars = atLeastOne(held.bars());
        return held.always() ? Conditions.heldFor(graph, condition, bars) : Conditions.seenIn(graph, condition, bars);
    }

    @Override
    public Node otherwise(Expression expression) {
        throw new IllegalStateException("not compiled: " + expression);
    }
}

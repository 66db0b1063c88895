package dev.yardarm.core.indicator;

import dev.yardarm.core.calculation.Averages;
import dev.yardarm.core.calculation.BarSpan;
import dev.yardarm.core.calculation.BarValue;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.calculation.Computation;
import dev.yardarm.core.calculation.JointMoments;
import dev.yardarm.core.calculation.Operation;
import dev.yardarm.core.calculation.Period;
import dev.yardarm.core.calculation.Stepped;
import dev.yardarm.core.calculation.WindowMoments;
import dev.yardarm.core.calculation.Windowed;
import dev.yardarm.core.series.Field;
import dev.yardarm.core.session.TradingCalendar;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.BiConsumer;
import java.util.function.DoubleBinaryOperator;
import java.util.function.DoubleUnaryOperator;
import java.util.function.Function;
import java.util.function.Supplier;

/**
 * How the outputs of one indicator with certain settings follow from the bars: its settings, the fields of the bar, and
 * the steps outputs are put together from. Steps that several indicators need (averages, true range, deviations) are
 * computed once in a graph, whoever asks; what an indicator computes by a function of its own is its alone.
 *
 * <p>All steps keep the as-of rule: a value at a bar depends on that bar and earlier ones. Missing values stay missing in
 * arithmetic; a window that holds one is missing; a recursion starts anew behind one.
 */
public final class Recipe {
    private final Indicator indicator;
    private final Settings settings;
    private final ColumnGraph graph;
    private final Node given;
    private final List<Node> outputs = new ArrayList<>();

    private Recipe(Indicator indicator, Settings settings, ColumnGraph graph, Node given) {
        this.indicator = indicator;
        this.settings = settings;
        this.graph = graph;
        this.given = given;
    }

    static List<Node> follow(Indicator indicator, Settings settings, ColumnGraph graph, Node given) {
        Recipe recipe = new Recipe(indicator, settings, graph, given);
        indicator.build(recipe);
        if (recipe.outputs.size() != indicator.outputs().size()) {
            throw new IllegalStateException(indicator.name() + " declares "
                    + indicator.outputs().size() + " outputs and builds " + recipe.outputs.size());
        }
        recipe.outputs.forEach(Node::keep);
        return List.copyOf(recipe.outputs);
    }

    /** Adds outputs, in the order they are declared. */
    public void out(Node... nodes) {
        outputs.addAll(List.of(nodes));
    }

    /** Adds as outputs what a function adds to the graph, given the settings and the column in the place of the source. */
    public void follow(Following way) {
        outputs.addAll(way.in(graph, settings, given));
    }

    /** Adds nodes to a graph. */
    @FunctionalInterface
    public interface Following {
        /** @param source a column in the place of the source; null for the field the settings name */
        List<Node> in(ColumnGraph graph, Settings settings, Node source);
    }

    // --- settings ---

    /** The setting {@code length}. */
    public int length() {
        return settings.whole("length");
    }

    public int whole(String name) {
        return settings.whole(name);
    }

    public double number(String name) {
        return settings.number(name);
    }

    public String word(String name) {
        return settings.word(name);
    }

    /** True when a choice has this word. */
    public boolean is(String name, String word) {
        return settings.word(name).equals(word);
    }

    /** A moment in microseconds, by the clock of the instrument's calendar; the open of the session for a date alone. */
    public double moment(String name) {
        return Setting.Moment.micros(settings.word(name), graph.surroundings().calendar());
    }

    // --- what the bars have ---

    /** What the setting {@code source} names, or the column given in its place. */
    public Node source() {
        return given != null ? given : graph.field(settings.field("source"));
    }

    public Node open() {
        return graph.field(Field.OPEN);
    }

    public Node high() {
        return graph.field(Field.HIGH);
    }

    public Node low() {
        return graph.field(Field.LOW);
    }

    public Node close() {
        return graph.field(Field.CLOSE);
    }

    public Node volume() {
        return graph.field(Field.VOLUME);
    }

    public Node field(Field field) {
        return graph.field(field);
    }

    /** Numbers the sessions, weeks, months ... of the bars. */
    public Node period(Period period) {
        return period.in(graph);
    }

    /** Numbers the periods that a setting names. */
    public Node period(String setting) {
        return period(Period.valueOf(settings.word(setting).toUpperCase(Locale.ROOT)));
    }

    /** When each bar opened, in microseconds. */
    public Node time() {
        return graph.ofBars("open time", () -> (bars, bar) -> bars.openTime(bar));
    }

    /** A value that follows from when each bar is, by the calendar of the instrument. */
    public Node ofBars(String name, Function<TradingCalendar, BarValue> value) {
        return graph.ofBars(name, () -> value.apply(graph.surroundings().calendar()));
    }

    /** How long each bar lasts from its open to its close, in minutes; 1,440 or more where sessions are bars. */
    public Node span() {
        return graph.ofBars("span", () -> new BarSpan(graph.surroundings().calendar()));
    }

    /** Minutes from the open of its session to the open of each bar. */
    public Node minuteOfSession() {
        return Period.minuteOfSession(graph);
    }

    /** A field of the instrument a setting names, as it was known when each bar closed. */
    public Node other(String setting, Field field) {
        return Operation.other(graph, settings.word(setting), field);
    }

    /** Bought at the ask less sold at the bid in each bar; missing where single trades are not known. */
    public Node tradedDelta() {
        return graph.tradedDelta();
    }

    // --- steps ---

    /** The value a number of bars earlier. */
    public Node back(Node value, int bars) {
        return bars == 0 ? value : Operation.back(graph, value, bars);
    }

    public Node plus(Node left, Node right) {
        return Operation.ADD.in(graph, left, right);
    }

    public Node minus(Node left, Node right) {
        return Operation.SUBTRACT.in(graph, left, right);
    }

    public Node times(Node left, Node right) {
        return Operation.MULTIPLY.in(graph, left, right);
    }

    public Node times(Node left, double factor) {
        return Operation.MULTIPLY.in(graph, left, Operation.number(graph, factor));
    }

    /** Left over right; missing where right is zero. */
    public Node over(Node left, Node right) {
        return Operation.DIVIDE.in(graph, left, right);
    }

    /** The change from a number of bars earlier. */
    public Node change(Node value, int bars) {
        return minus(value, back(value, bars));
    }

    public Node sum(Node value, int length) {
        return Averages.sum(graph, value, length);
    }

    public Node mean(Node value, int length) {
        return Averages.simple(graph, value, length);
    }

    public Node highest(Node value, int length) {
        return Averages.highest(graph, value, length);
    }

    public Node lowest(Node value, int length) {
        return Averages.lowest(graph, value, length);
    }

    /** Exponential average, seeded with the simple average of the first n values. */
    public Node ema(Node value, int length) {
        return Averages.exponential(graph, value, length);
    }

    /** Wilder's average: (previous * (n - 1) + value) / n, seeded with the simple average of the first n values. */
    public Node wilder(Node value, int length) {
        return Averages.wilder(graph, value, length);
    }

    /** Linearly weighted average, the newest value with weight n. */
    public Node weighted(Node value, int length) {
        return Averages.weighted(graph, value, length);
    }

    /** An average of the kind a setting names; see {@link Averages#KINDS}. */
    public Node average(String setting, Node value, int length) {
        return Averages.of(graph, settings.word(setting), value, length);
    }

    /** An average of the last n values of a source, made exact where all of them are equal. */
    public Node steady(Node average, Node source, int length) {
        return Averages.steady(graph, average, source, length);
    }

    /** Relative strength index over n bars. */
    public Node strength(Node value, int length) {
        return Averages.strength(graph, value, length);
    }

    /** Standard deviation over the last n values, divided by n. */
    public Node deviation(Node value, int length) {
        return Averages.deviation(graph, value, length);
    }

    /** True range (Wilder): the largest of high - low and the reaches from the last close; high - low at the first bar. */
    public Node trueRange() {
        return Averages.trueRange(graph);
    }

    /** The true range from the second bar on, as indicators have it that need the bar before anyway. */
    public Node trueRangeFromSecond() {
        return Operation.zip(
                graph,
                "true range from the second",
                (range, before) -> before != before ? before : range,
                trueRange(),
                back(close(), 1));
    }

    /** Average true range: Wilder's average of the true range. */
    public Node atr(int length) {
        return wilder(trueRange(), length);
    }

    /** A function of one value at each bar. */
    public Node map(String what, Node value, DoubleUnaryOperator function) {
        return Operation.apply(graph, own(what), function, value);
    }

    /** A function of two values at each bar. */
    public Node zip(String what, Node left, Node right, DoubleBinaryOperator function) {
        return Operation.zip(graph, own(what), function, left, right);
    }

    /** Several values of several, at each bar by itself; the function is given missing values too. */
    public Node[] each(String what, int outputCount, BiConsumer<double[], double[]> function, Node... inputs) {
        return Operation.each(graph, own(what), outputCount, function, inputs);
    }

    /** A recursion over bars; its state begins with zeros. */
    public Node[] steps(String what, int warmUp, int stateSize, int outputCount, Stepped.Step step, Node... inputs) {
        return steps(what, warmUp, new double[stateSize], outputCount, step, inputs);
    }

    /** A recursion over bars. */
    public Node[] steps(String what, int warmUp, double[] initial, int outputCount, Stepped.Step step, Node... inputs) {
        return graph.computed(
                own(what), warmUp, outputCount, () -> new Stepped(initial, inputs.length, outputCount, step), inputs);
    }

    /** A recursion with one output. */
    public Node step(String what, int warmUp, int stateSize, Stepped.Step step, Node... inputs) {
        return steps(what, warmUp, stateSize, 1, step, inputs)[0];
    }

    /** A function of the last n values of each input. */
    public Node windowed(String what, int length, Windowed.Function function, Node... inputs) {
        return graph.windowed(own(what), length, () -> new Windowed(length, inputs.length, function), inputs);
    }

    /** What follows from means, variances and covariance over the last n values; with one input over time. */
    public Node[] moments(String what, int length, int outputCount, WindowMoments.Reading reading, Node... inputs) {
        return graph.computed(
                own(what),
                length - 1,
                outputCount,
                () -> new WindowMoments(length, inputs.length == 1, outputCount, reading),
                inputs);
    }

    /**
     * What follows from means, variances and covariance of two over the last n bars both have, and as the last output when
     * the oldest of those bars opened; see {@link JointMoments}.
     */
    public Node[] joint(String what, int length, boolean changes, WindowMoments.Reading reading, Node x, Node y) {
        return graph.computed(
                own(what),
                changes ? length : length - 1,
                2,
                () -> new JointMoments(length, changes, 1, reading),
                x,
                y,
                time());
    }

    /** Any computation with one output. */
    public Node computed(String what, int warmUp, Supplier<Computation> recipe, Node... inputs) {
        return graph.computed(own(what), warmUp, recipe, inputs);
    }

    /** Yes where left crosses above right. */
    public Node crossesAbove(Node left, Node right) {
        return Operation.crossesAbove(graph, left, right);
    }

    /** Yes where left crosses below right. */
    public Node crossesBelow(Node left, Node right) {
        return Operation.crossesAbove(graph, /* left= */ right, /* right= */ left);
    }

    /**
     * Yes where left crosses above right, where both are averages of averages: what differs by no more than the error of such a sum is equal, so
     * that two lines that stand together do not cross in their last digits.
     */
    public Node passesAbove(Node left, Node right) {
        Node apart = each(
                "apart",
                1,
                (in, out) -> {
                    double d = in[0] - in[1];
                    out[0] = Math.abs(d) <= 1e-11 * Math.max(1, Math.abs(in[0])) ? 0 : d;
                },
                left,
                right)[0];
        return crossesAbove(apart, constant(0));
    }

    /** Yes where a condition holds that did not on the bar before; missing where one of the two is not known. */
    public Node begins(Node condition) {
        return crossesAbove(condition, constant(0.5));
    }

    /** Yes where a condition no longer holds that did on the bar before; missing where one of the two is not known. */
    public Node ends(Node condition) {
        return crossesBelow(condition, constant(0.5));
    }

    /** The same number at every bar. */
    public Node constant(double number) {
        return Operation.number(graph, number);
    }

    private String own(String what) {
        return indicator.name() + "(" + settings.numbers(indicator.settings()) + ") " + what;
    }
}

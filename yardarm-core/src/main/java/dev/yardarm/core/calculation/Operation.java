package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Field;
import java.util.function.BiConsumer;
import java.util.function.DoubleBinaryOperator;
import java.util.function.DoubleUnaryOperator;

/**
 * The operations on columns that formulas are made of. Conditions are columns too: 1 for yes, 0 for no, NaN for
 * unknown. A comparison with a missing value is unknown; {@code and}, {@code or} and {@code not} follow from there
 * (no and anything is no, yes or anything is yes, the rest stays unknown), and whoever asks in the end takes unknown
 * for no.
 */
public enum Operation {
    ADD("+", (a, b) -> a + b),
    SUBTRACT("-", (a, b) -> a - b),
    MULTIPLY("*", (a, b) -> a * b),
    /** Division by zero is missing. */
    DIVIDE("/", (a, b) -> b == 0 ? Double.NaN : a / b),
    /** A power that is no real number is missing. */
    POWER("^", (a, b) -> finite(Math.pow(a, b))),
    /** The smaller of two; missing when either is. */
    MINIMUM("min", Math::min),
    /** The larger of two; missing when either is. */
    MAXIMUM("max", Math::max),
    GREATER(">", (a, b) -> a != a || b != b ? Double.NaN : a > b ? 1 : 0),
    AT_LEAST(">=", (a, b) -> a != a || b != b ? Double.NaN : a >= b ? 1 : 0),
    LESS("<", (a, b) -> a != a || b != b ? Double.NaN : a < b ? 1 : 0),
    AT_MOST("<=", (a, b) -> a != a || b != b ? Double.NaN : a <= b ? 1 : 0),
    EQUAL("=", (a, b) -> a != a || b != b ? Double.NaN : a == b ? 1 : 0),
    UNEQUAL("<>", (a, b) -> a != a || b != b ? Double.NaN : a != b ? 1 : 0),
    AND("and", (a, b) -> a == 0 || b == 0 ? 0 : a != a || b != b ? Double.NaN : 1),
    OR("or", (a, b) -> a == 1 || b == 1 ? 1 : a != a || b != b ? Double.NaN : 0),
    /** The first; the second where that is missing. */
    OTHERWISE("else", (a, b) -> a == a ? a : b);

    private final String sign;
    private final Pointwise.Two function;

    Operation(String sign, Pointwise.Two function) {
        this.sign = sign;
        this.function = function;
    }

    private static double finite(double value) {
        return Double.isInfinite(value) ? Double.NaN : value;
    }

    /** The sign in formulas. */
    public String sign() {
        return sign;
    }

    /** The operation on two numbers. */
    public double of(double left, double right) {
        return function.of(left, right);
    }

    /** Adds the operation to a graph. */
    public ColumnGraph.Node in(ColumnGraph graph, ColumnGraph.Node left, ColumnGraph.Node right) {
        return graph.kernel(sign, () -> Kernel.of(this), left, right);
    }

    /** A function of one value, such as a logarithm. */
    public static ColumnGraph.Node apply(
            ColumnGraph graph, String name, DoubleUnaryOperator function, ColumnGraph.Node value) {
        return graph.kernel(name, () -> Kernel.one(function), value);
    }

    /** A function of two values at each bar. */
    public static ColumnGraph.Node zip(
            ColumnGraph graph,
            String name,
            DoubleBinaryOperator function,
            ColumnGraph.Node left,
            ColumnGraph.Node right) {
        return graph.kernel(name, () -> Kernel.two(function::applyAsDouble), left, right);
    }

    /** A field of another instrument's bars, as it was known when each bar closed; missing when there is none such. */
    public static ColumnGraph.Node other(ColumnGraph graph, String code, Field field) {
        return graph.ofBars(field.word() + " of #" + code, Needs.instrument(code), () -> graph.surroundings()
                .others()
                .find(code)
                .<BarValue>map(bars -> new OtherBars(bars, field))
                .orElse((bars, bar) -> Double.NaN));
    }

    /** Several values of several nodes, at each bar by itself; a function is given missing values too. */
    public static ColumnGraph.Node[] each(
            ColumnGraph graph,
            String name,
            int outputCount,
            BiConsumer<double[], double[]> function,
            ColumnGraph.Node... inputs) {
        return graph.computed(
                name, 0, outputCount, () -> Pointwise.each(inputs.length, outputCount, function::accept), inputs);
    }

    /** The same number at every bar. */
    public static ColumnGraph.Node number(ColumnGraph graph, double number) {
        return graph.kernel(Double.toString(number), () -> Kernel.constant(number));
    }

    /** No becomes yes and yes no; unknown stays unknown. */
    public static ColumnGraph.Node not(ColumnGraph graph, ColumnGraph.Node condition) {
        return graph.kernel("not", Kernel::not, condition);
    }

    /** The value a number of bars earlier. */
    public static ColumnGraph.Node back(ColumnGraph graph, ColumnGraph.Node value, int bars) {
        return graph.kernel("back " + bars, bars, () -> Kernel.back(bars), value);
    }

    /** Left at or below right on the bar before and above it now. */
    public static ColumnGraph.Node crossesAbove(ColumnGraph graph, ColumnGraph.Node left, ColumnGraph.Node right) {
        return graph.kernel("crosses above", 1, Kernel::crossesAbove, left, right);
    }
}

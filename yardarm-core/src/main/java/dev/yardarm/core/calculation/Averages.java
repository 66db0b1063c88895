package dev.yardarm.core.calculation;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.series.Field;
import java.util.List;

/** The steps most indicators are put together from, each found again in its graph whoever asks for it. */
public final class Averages {
    /** The kinds of averages that settings offer. */
    public static final List<String> KINDS = List.of("simple", "exponential", "weighted", "wilder");

    private Averages() {}

    public static Node sum(ColumnGraph graph, Node value, int length) {
        return graph.computed("sum(" + length + ")", length - 1, () -> WindowComputation.sum(length), value);
    }

    public static Node simple(ColumnGraph graph, Node value, int length) {
        return graph.computed("mean(" + length + ")", length - 1, () -> WindowComputation.mean(length), value);
    }

    public static Node highest(ColumnGraph graph, Node value, int length) {
        return graph.computed("highest(" + length + ")", length - 1, () -> WindowComputation.highest(length), value);
    }

    public static Node lowest(ColumnGraph graph, Node value, int length) {
        return graph.computed("lowest(" + length + ")", length - 1, () -> WindowComputation.lowest(length), value);
    }

    /** Weight 2 / (n + 1). */
    public static Node exponential(ColumnGraph graph, Node value, int length) {
        return graph.computed(
                "exponential(" + length + ")", length - 1, () -> new Smoothing(length, 2.0 / (length + 1)), value);
    }

    /** Weight 1 / n. */
    public static Node wilder(ColumnGraph graph, Node value, int length) {
        return graph.computed("wilder(" + length + ")", length - 1, () -> new Smoothing(length, 1.0 / length), value);
    }

    /**
     * Weights n, n - 1 ... 1 from the newest value back. Over time the sum of the products of deviations holds just what
     * the weights add to the mean: average = mean + 2 * products / (n * (n + 1)).
     */
    public static Node weighted(ColumnGraph graph, Node value, int length) {
        return graph.computed("weighted(" + length + ")", length - 1, () -> new WindowWeights(length), value);
    }

    /** An average of the last n values of a source, made exact where all of them are equal. */
    public static Node steady(ColumnGraph graph, Node average, Node source, int length) {
        return graph.computed("steady(" + length + ")", 0, () -> new Steady(length), average, source);
    }

    /** Standard deviation divided by n. */
    public static Node deviation(ColumnGraph graph, Node value, int length) {
        return graph.computed("deviation(" + length + ")", length - 1, () -> new WindowVariance(length), value);
    }

    /** An average by the name of its kind, one of {@link #KINDS}. */
    public static Node of(ColumnGraph graph, String kind, Node value, int length) {
        return switch (kind) {
            case "simple" -> simple(graph, value, length);
            case "exponential" -> exponential(graph, value, length);
            case "weighted" -> weighted(graph, value, length);
            case "wilder" -> wilder(graph, value, length);
            default ->
                throw new IllegalArgumentException(
                        "there is no average of the kind '" + kind + "'; there are " + String.join(", ", KINDS));
        };
    }

    /** The largest of high - low, high - last close and last close - low; at the first bar high - low (Wilder, 1978). */
    public static Node trueRange(ColumnGraph graph) {
        return graph.computed(
                "true range",
                0,
                TrueRange::new,
                graph.field(Field.HIGH),
                graph.field(Field.LOW),
                graph.field(Field.CLOSE));
    }

    /** Wilder's relative strength index. */
    public static Node strength(ColumnGraph graph, Node value, int length) {
        return graph.computed("strength(" + length + ")", length, () -> new Strength(length), value);
    }
}

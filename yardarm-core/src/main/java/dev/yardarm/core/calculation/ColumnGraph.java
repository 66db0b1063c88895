package dev.yardarm.core.calculation;

import dev.yardarm.core.indicator.Computation;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Field;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;

/**
 * Columns that follow from a bar series and from each other.
 *
 * <p>Nodes are added in the order of their dependence and found again by their key, so two layers or formulas that need
 * the same intermediate result share one. {@link #update(Bars)} brings all columns up to the snapshot: closed bars are
 * computed once, forming values anew. When the epoch of the bars changes, everything is computed from the start.
 *
 * <p>Cost of an update: the number of new closed bars plus one, times the nodes. No allocation while no bar closes.
 * A graph is used by one thread at a time; {@link Column#snapshot()} hands results to others.
 */
public final class ColumnGraph {
    private final Map<String, Node> byKey = new HashMap<>();
    private final List<Node> nodes = new ArrayList<>();
    private long epoch = Long.MIN_VALUE;
    private int closed;

    /** One column or several that are computed together. */
    public static final class Node {
        private final String key;
        private final Supplier<Computation> recipe;
        private final Field field;
        private final Column[] inputs;
        private final Column[] outputs;
        private final double[][] arrays;
        private final double[] formingValues;
        private Computation computation;

        private Node(String key, Supplier<Computation> recipe, Field field, Column[] inputs, int outputCount) {
            this.key = key;
            this.recipe = recipe;
            this.field = field;
            this.inputs = inputs;
            this.outputs = new Column[outputCount];
            for (int output = 0; output < outputCount; output++) {
                outputs[output] = new Column(0);
            }
            this.arrays = new double[outputCount][];
            this.formingValues = new double[outputCount];
        }

        public Column output(int number) {
            return outputs[number];
        }

        public Column output() {
            return outputs[0];
        }

        String key() {
            return key;
        }

        private void restart() {
            computation = recipe == null ? null : recipe.get();
            for (int output = 0; output < outputs.length; output++) {
                if (field == null || !field.isStored()) {
                    outputs[output].share(new double[0], 0);
                }
                outputs[output].resize(0);
            }
        }

        private void update(Bars bars, int from, int to) {
            if (field != null) {
                updateField(bars, from, to);
                return;
            }
            if (to > from) {
                for (int output = 0; output < outputs.length; output++) {
                    arrays[output] = outputs[output].room(to);
                }
                computation.advance(inputs, from, to, arrays);
                for (Column output : outputs) {
                    output.resize(to);
                }
            }
            if (bars.hasForming()) {
                computation.peek(inputs, to, formingValues);
            }
            for (int output = 0; output < outputs.length; output++) {
                outputs[output].setForming(bars.hasForming() ? formingValues[output] : Double.NaN);
            }
        }

        private void updateField(Bars bars, int from, int to) {
            Column column = outputs[0];
            if (field.isStored()) {
                column.share(bars.column(field), to);
            } else {
                double[] values = column.room(to);
                for (int bar = from; bar < to; bar++) {
                    values[bar] = bars.value(field, bar);
                }
                column.resize(to);
            }
            column.setForming(bars.formingValue(field));
        }
    }

    /** A field of the bars. Stored fields share the array of the series. */
    public Node field(Field field) {
        return byKey.computeIfAbsent(field.word(), key -> register(new Node(key, null, field, new Column[0], 1)));
    }

    /** An indicator over the fields its settings name. */
    public Node indicator(Indicator indicator, Settings settings) {
        List<Field> fields = indicator.inputs(settings);
        Node[] inputs = new Node[fields.size()];
        for (int input = 0; input < inputs.length; input++) {
            inputs[input] = field(fields.get(input));
        }
        return indicator(indicator, settings, inputs);
    }

    /** An indicator over other nodes. */
    public Node indicator(Indicator indicator, Settings settings, Node... inputs) {
        return computed(indicator.name() + "(" + settings.numbers(indicator.settings()) + ")",
                () -> indicator.start(settings), indicator.outputs().size(), inputs);
    }

    /**
     * Any computation over the first outputs of other nodes.
     *
     * @param name says what is computed; the key is this name and the keys of the inputs
     */
    public Node computed(String name, Supplier<Computation> recipe, int outputCount, Node... inputs) {
        StringBuilder key = new StringBuilder(name);
        Column[] columns = new Column[inputs.length];
        for (int input = 0; input < inputs.length; input++) {
            key.append(input == 0 ? " of " : " ; ").append('{').append(inputs[input].key()).append('}');
            columns[input] = inputs[input].output();
        }
        Node existing = byKey.get(key.toString());
        if (existing != null) {
            return existing;
        }
        Node node = register(new Node(key.toString(), recipe, null, columns, outputCount));
        byKey.put(node.key(), node);
        return node;
    }

    private Node register(Node node) {
        node.restart();
        nodes.add(node);
        epoch = Long.MIN_VALUE;
        return node;
    }

    /** Number of nodes, shared ones counted once. */
    public int size() {
        return nodes.size();
    }

    /** Brings every column up to the snapshot, which must be of the same series each time and not older. */
    public void update(Bars bars) {
        if (bars.epoch() != epoch || bars.closed() < closed) {
            epoch = bars.epoch();
            closed = 0;
            for (Node node : nodes) {
                node.restart();
            }
        }
        int to = bars.closed();
        for (Node node : nodes) {
            node.update(bars, closed, to);
        }
        closed = to;
    }
}

package dev.yardarm.core.calculation;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Field;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
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
    private final Surroundings surroundings;
    private final Map<String, Node> byKey = new HashMap<>();
    private final List<Task> tasks = new ArrayList<>();
    private final Map<String, HigherTask> higher = new HashMap<>();
    private long epoch = Long.MIN_VALUE;
    private int closed;

    /** A graph over bars of sessions round the clock, without other instruments. */
    public ColumnGraph() {
        this(Surroundings.NONE);
    }

    public ColumnGraph(Surroundings surroundings) {
        this.surroundings = surroundings;
    }

    /** One column of the graph. */
    public static final class Node {
        private final String key;
        private final Column column;
        private final int warmUp;

        private Node(String key, int warmUp) {
            this.key = key;
            this.column = new Column(0);
            this.warmUp = warmUp;
        }

        public Column output() {
            return column;
        }

        /** Bars at the start without a value, when the bars have no gaps. */
        public int warmUp() {
            return warmUp;
        }
    }

    /** What fills one column or several together. */
    private abstract static class Task {
        abstract void restart();

        abstract void update(Bars bars, int from, int to);
    }

    /** A field of the bars; a stored one shares the array of the series. */
    private static final class FieldTask extends Task {
        private final Field field;
        private final Column column;

        FieldTask(Field field, Column column) {
            this.field = field;
            this.column = column;
        }

        @Override
        void restart() {
            if (!field.isStored()) {
                column.share(new double[0], 0);
            }
            column.resize(0);
        }

        @Override
        void update(Bars bars, int from, int to) {
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

    /** A value read from the bars themselves, their times included. */
    private static final class BarTask extends Task {
        private final Supplier<BarValue> recipe;
        private final Column column;
        private BarValue value;

        BarTask(Supplier<BarValue> recipe, Column column) {
            this.recipe = recipe;
            this.column = column;
        }

        @Override
        void restart() {
            value = recipe.get();
            column.share(new double[0], 0);
        }

        @Override
        void update(Bars bars, int from, int to) {
            double[] values = column.room(to);
            for (int bar = from; bar < to; bar++) {
                values[bar] = value.at(bars, bar);
            }
            column.resize(to);
            column.setForming(bars.hasForming() ? value.at(bars, to) : Double.NaN);
        }
    }

    /** Columns computed from other columns. */
    private static final class ComputedTask extends Task {
        private final Supplier<Computation> recipe;
        private final Column[] inputs;
        private final Column[] outputs;
        private final double[][] arrays;
        private final double[] formingValues;
        private Computation computation;

        ComputedTask(Supplier<Computation> recipe, Column[] inputs, Column[] outputs) {
            this.recipe = recipe;
            this.inputs = inputs;
            this.outputs = outputs;
            this.arrays = new double[outputs.length][];
            this.formingValues = new double[outputs.length];
        }

        @Override
        void restart() {
            computation = recipe.get();
            for (Column output : outputs) {
                output.share(new double[0], 0);
            }
        }

        @Override
        void update(Bars bars, int from, int to) {
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
    }

    /** Columns over bars of a higher timeframe, put beside the bars of this graph as they were known. */
    private static final class HigherTask extends Task {
        private final boolean forming;
        private final ColumnGraph inner;
        private final List<Column> from = new ArrayList<>();
        private final List<Column> to = new ArrayList<>();
        private final HigherBars bars;

        HigherTask(Surroundings surroundings, Timeframe timeframe, boolean forming) {
            this.forming = forming;
            bars = new HigherBars(surroundings.calendar(), timeframe);
            // What others' unfinished bars were at each moment is not kept, so beside forming bars there is nothing
            // else.
            inner = new ColumnGraph(
                    forming
                            ? new Surroundings(surroundings.calendar(), code -> Optional.empty())
                            : new Surroundings(
                                    surroundings.calendar(),
                                    new HigherOthers(surroundings, timeframe),
                                    surroundings.sides(),
                                    surroundings.drawings()));
        }

        @Override
        void restart() {
            bars.restart();
            to.forEach(column -> column.share(new double[0], 0));
        }

        @Override
        void update(Bars lower, int begin, int end) {
            for (Column column : to) {
                column.room(end);
            }
            for (int bar = begin; bar < end; bar++) {
                boolean ended = bars.closeBefore(lower, bar);
                boolean closed = bars.take(lower, bar) || ended;
                if (closed || forming) {
                    inner.update(bars.snapshot());
                }
                for (int column = 0; column < to.size(); column++) {
                    to.get(column).values()[bar] = known(from.get(column));
                }
            }
            boolean atWork = lower.hasForming();
            if (atWork && (bars.closeBefore(lower, end) || forming)) {
                inner.update(forming ? bars.with(lower, end) : bars.snapshot());
            }
            for (int column = 0; column < to.size(); column++) {
                to.get(column).resize(end);
                to.get(column).setForming(atWork ? known(from.get(column)) : Double.NaN);
            }
        }

        /** The value of the unfinished higher bar when that is asked for, else of the last complete one. */
        private double known(Column column) {
            double unfinished = column.forming();
            return forming && unfinished == unfinished
                    ? unfinished
                    : column.size() == 0 ? Double.NaN : column.values()[column.size() - 1];
        }
    }

    /**
     * Something computed on a higher timeframe, put together from the bars of this graph: beside each bar the value of the
     * last higher bar complete when it closed. The order is that of the columns the recipe gives.
     *
     * @param forming true for the value of the unfinished higher bar, from what was known so far
     * @param name says what is computed, for finding it again
     * @param recipe adds nodes to the graph of the higher bars
     */
    public List<Node> higher(
            Timeframe timeframe, boolean forming, String name, Function<ColumnGraph, List<Node>> recipe) {
        HigherTask task = higher.computeIfAbsent((forming ? "forming " : "") + timeframe, missing -> {
            HigherTask made = new HigherTask(surroundings, timeframe, forming);
            register(made);
            return made;
        });
        List<Node> nodes = new ArrayList<>();
        for (Node inside : recipe.apply(task.inner)) {
            String key = name + " {" + inside.key + "} on " + (forming ? "forming " : "") + timeframe;
            Node outside = byKey.get(key);
            if (outside == null) {
                outside = new Node(key, inside.warmUp);
                byKey.put(key, outside);
                task.from.add(inside.column);
                task.to.add(outside.column);
                epoch = Long.MIN_VALUE;
            }
            nodes.add(outside);
        }
        return nodes;
    }

    /** What is known of the place the bars come from. */
    public Surroundings surroundings() {
        return surroundings;
    }

    /** A field of the bars. Stored fields share the array of the series. */
    public Node field(Field field) {
        Node existing = byKey.get(field.word());
        if (existing != null) {
            return existing;
        }
        Node node = new Node(field.word(), 0);
        register(new FieldTask(field, node.column), node);
        return node;
    }

    /**
     * A value read from each bar itself.
     *
     * @param name says what is read; the key
     * @param recipe makes the reader anew whenever everything is computed from the start
     */
    public Node ofBars(String name, Supplier<BarValue> recipe) {
        Node existing = byKey.get(name);
        if (existing != null) {
            return existing;
        }
        Node node = new Node(name, 0);
        register(new BarTask(recipe, node.column), node);
        return node;
    }

    /**
     * A computation with one output over other nodes.
     *
     * @param name says what is computed; the key is this name and the keys of the inputs
     * @param warmUp bars without a value that this computation adds to those of its inputs
     */
    public Node computed(String name, int warmUp, Supplier<Computation> recipe, Node... inputs) {
        return computed(name, warmUp, 1, recipe, inputs)[0];
    }

    /** A computation with several outputs over other nodes; see the one with a single output. */
    public Node[] computed(String name, int warmUp, int outputCount, Supplier<Computation> recipe, Node... inputs) {
        StringBuilder key = new StringBuilder(name);
        Column[] columns = new Column[inputs.length];
        int before = 0;
        for (int input = 0; input < inputs.length; input++) {
            key.append(input == 0 ? " of " : " ; ")
                    .append('{')
                    .append(inputs[input].key)
                    .append('}');
            columns[input] = inputs[input].column;
            before = Math.max(before, inputs[input].warmUp);
        }
        Node[] nodes = new Node[outputCount];
        Column[] outputs = new Column[outputCount];
        for (int output = 0; output < outputCount; output++) {
            String own = outputCount == 1 ? key.toString() : key + "." + output;
            nodes[output] = byKey.get(own);
            if (nodes[output] == null) {
                nodes[output] = new Node(own, before + warmUp);
                outputs[output] = nodes[output].column;
            }
        }
        if (outputs[0] != null) {
            register(new ComputedTask(recipe, columns, outputs), nodes);
        }
        return nodes;
    }

    private void register(Task task, Node... nodes) {
        for (Node node : nodes) {
            byKey.put(node.key, node);
        }
        task.restart();
        tasks.add(task);
        epoch = Long.MIN_VALUE;
    }

    /** Number of computations, shared ones counted once. */
    public int size() {
        return tasks.size();
    }

    /** Brings every column up to the snapshot, which must be of the same series each time and not older. */
    public void update(Bars bars) {
        if (bars.epoch() != epoch || bars.closed() < closed) {
            epoch = bars.epoch();
            closed = 0;
            for (Task task : tasks) {
                task.restart();
            }
        }
        int to = bars.closed();
        for (Task task : tasks) {
            task.update(bars, closed, to);
        }
        closed = to;
    }
}

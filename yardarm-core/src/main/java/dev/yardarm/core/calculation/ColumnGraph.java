package dev.yardarm.core.calculation;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Field;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.Supplier;

/**
 * Columns that follow from a bar series and from each other.
 *
 * <p>Nodes are added in the order of their dependence and interned by operation and inputs: the key of a node is the name of
 * its operation and the numbers of its inputs, so two layers or formulas that need the same intermediate result share one,
 * and a value used twice costs nothing however deep it is. Finding a node costs by the number of its own inputs.
 * {@link #update(Bars)} brings all columns up to the snapshot: closed bars are computed once, forming values anew. When the
 * epoch of the bars changes, everything is computed from the start.
 *
 * <p>Cost of an update: the number of new closed bars plus one, times the nodes. No allocation while no bar closes. Many new bars
 * are taken in blocks, each by all computations in turn, so that intermediate values are read from the cache; what only
 * {@linkplain Kernel kernels} read has no column at all.
 * A graph is used by one thread at a time; {@link Column#snapshot()} hands results to others.
 */
public final class ColumnGraph {
    /**
     * Bars that all computations take one after the other before the next ones: so many values of a few dozen columns stay in
     * the cache of a core, so a step reads what the one before has just written.
     */
    private static final int BLOCK = 1024;

    private static final Column[] NO_INPUTS = {};

    private final Surroundings surroundings;
    private final Map<Key, Node[]> nodes = new HashMap<>();
    private final List<Task> tasks = new ArrayList<>();
    private final Map<String, Beside> higher = new HashMap<>();
    private final Map<Object, List<Node>> once = new HashMap<>();
    private final Map<Object, Object> shared = new HashMap<>();
    private final Limit limit;
    private Needs needs = Needs.NONE;
    private int warmUp;
    private long valuesABar;
    private int count;
    private long epoch = Long.MIN_VALUE;
    private Bars last;
    private int closed;

    /** What a node is: the same operation on the same inputs is the same node. */
    private record Key(String operation, List<Integer> inputs) {}

    /** A graph over bars of sessions round the clock, without other instruments. */
    public ColumnGraph() {
        this(Surroundings.NONE);
    }

    /** @param surroundings what computations may know beyond the bars */
    public ColumnGraph(Surroundings surroundings) {
        this(surroundings, new Limit(Integer.MAX_VALUE));
    }

    private ColumnGraph(Surroundings surroundings, Limit limit) {
        this.surroundings = surroundings;
        this.limit = limit;
    }

    /**
     * A graph that refuses to grow beyond a number of computations, those of higher timeframes and other instruments included:
     * adding one more throws an {@link IllegalArgumentException}.
     */
    public static ColumnGraph limited(int computations) {
        return new ColumnGraph(Surroundings.NONE, new Limit(computations));
    }

    /** How many computations are still allowed in a graph and those inside it. */
    private static final class Limit {
        private final int most;
        private int left;

        Limit(int most) {
            this.most = most;
            this.left = most;
        }

        void take() {
            if (left-- <= 0) {
                throw new IllegalArgumentException("it takes more than " + most + " steps");
            }
        }
    }

    /** A graph over other bars than these, with the same limit. */
    ColumnGraph over(Surroundings others) {
        return new ColumnGraph(others, limit);
    }

    /** One column of the graph. */
    public static final class Node {
        private final ColumnGraph graph;
        private final int number;
        private final Column column;
        private final int warmUp;
        /** False while only kernels read it: then there is no column, only the run of bars being worked on. */
        private boolean kept;

        private double[] run;

        private Node(ColumnGraph graph, int number, int warmUp, boolean kept) {
            this.graph = graph;
            this.number = number;
            this.column = new Column(0);
            this.warmUp = warmUp;
            this.kept = kept;
        }

        /** Its values. Asked for the first time after the graph was updated, what was not kept is computed once more. */
        public Column output() {
            if (!kept) {
                keep();
                if (graph.last != null) {
                    graph.update(graph.last);
                }
            }
            return column;
        }

        /** Keeps all its values from the next update on: it is one of those that are asked for in the end. */
        public Node keep() {
            if (!kept) {
                kept = true;
                run = null;
                graph.epoch = Long.MIN_VALUE;
            }
            return this;
        }

        /** Bars at the start without a value, when the bars have no gaps. */
        public int warmUp() {
            return warmUp;
        }

        Column column() {
            return column;
        }

        boolean isKept() {
            return kept;
        }

        /** The values of the run of bars being worked on. */
        double[] run() {
            if (run == null) {
                run = new double[BLOCK];
            }
            return run;
        }
    }

    /** What is known of the place the bars come from. */
    public Surroundings surroundings() {
        return surroundings;
    }

    /** What the nodes read beyond the bars, as they declared it when they were added. */
    public Needs needs() {
        return needs;
    }

    /**
     * Values that are looked at for each bar by what cannot be carried along, such as a median or a rank: the measure of what a
     * bar costs.
     */
    public long valuesABar() {
        return valuesABar;
    }

    /** A computation that looks at the last n values of its inputs at every bar. */
    public Node windowed(String name, int length, Supplier<Computation> recipe, Node... inputs) {
        int before = tasks.size();
        Node made = computed(name, length - 1, recipe, inputs);
        valuesABar += tasks.size() > before ? (long) length * inputs.length : 0;
        return made;
    }

    /** The longest warm-up of all nodes, in bars; of higher timeframes in theirs. */
    public int warmUp() {
        return warmUp;
    }

    /** Number of closed bars the columns cover. */
    int closed() {
        return closed;
    }

    /** Number of computations, shared ones counted once. */
    public int size() {
        return tasks.size();
    }

    /** A field of the bars. Stored fields share the array of the series. */
    public Node field(Field field) {
        return field.isStored()
                ? interned(key(field.word()), 0, 1, columns -> new FieldTask(field, columns[0]))[0]
                : kernel(
                        field.word(),
                        () -> Kernel.derived(field),
                        field(Field.HIGH),
                        field(Field.LOW),
                        field(Field.CLOSE),
                        field(Field.VOLUME));
    }

    /** The same, for what needs no more than the bars. */
    public Node ofBars(String name, Supplier<BarValue> recipe) {
        return ofBars(name, Needs.NONE, recipe);
    }

    /**
     * A value read from each bar itself.
     *
     * @param name says what is read; the same name is the same value
     * @param needed what it reads beyond the bars
     * @param recipe makes the reader anew whenever everything is computed from the start
     */
    public Node ofBars(String name, Needs needed, Supplier<BarValue> recipe) {
        needs = needs.and(needed);
        return interned(key(name), 0, 1, columns -> new WalkTask(recipe, NO_INPUTS, columns[0]))[0];
    }

    /** Bought at the ask less sold at the bid in each bar; missing where its trades or their sides are not known. */
    public Node tradedDelta() {
        return ofBars(
                "traded delta",
                Needs.SIDES,
                () -> (bars, bar) -> surroundings().sides().delta(bars, bar));
    }

    /**
     * A computation with one output over other nodes.
     *
     * @param name says what is computed; with the inputs it tells a node from others
     * @param warmUp bars without a value that this computation adds to those of its inputs
     */
    public Node computed(String name, int warmUp, Supplier<Computation> recipe, Node... inputs) {
        return computed(name, warmUp, 1, recipe, inputs)[0];
    }

    /**
     * A walk through the bars and other nodes.
     *
     * @param name says what is read; with the inputs it tells a node from others
     * @param recipe makes the walk anew whenever everything is computed from the start
     */
    public Node walked(String name, Supplier<? extends Walk> recipe, Node... inputs) {
        Column[] columns = new Column[inputs.length];
        int before = 0;
        for (int input = 0; input < inputs.length; input++) {
            columns[input] = inputs[input].keep().column;
            before = Math.max(before, inputs[input].warmUp);
        }
        return interned(key(name, inputs), before, 1, outputs -> new WalkTask(recipe, columns, outputs[0]))[0];
    }

    /** A kernel over other nodes; what it yields is kept only where it is asked for, or read by more than kernels. */
    Node kernel(String name, Supplier<Kernel> recipe, Node... inputs) {
        return kernel(name, 0, recipe, inputs);
    }

    /** @param added bars without a value that it adds to those of its inputs */
    Node kernel(String name, int added, Supplier<Kernel> recipe, Node... inputs) {
        Key key = key(name, inputs);
        Node[] known = nodes.get(key);
        if (known != null) {
            return known[0];
        }
        int before = 0;
        boolean looksBack = recipe.get().looksBack();
        for (Node input : inputs) {
            before = Math.max(before, input.warmUp);
            if (looksBack) {
                input.keep();
            }
        }
        before += added;
        Node made = new Node(this, count++, before, false);
        warmUp = Math.max(warmUp, before);
        register(new KernelTask(recipe, inputs.clone(), made));
        nodes.put(key, new Node[] {made});
        return made;
    }

    /** A computation with several outputs over other nodes; see the one with a single output. */
    public Node[] computed(String name, int warmUp, int outputCount, Supplier<Computation> recipe, Node... inputs) {
        Column[] columns = new Column[inputs.length];
        int before = 0;
        for (int input = 0; input < inputs.length; input++) {
            columns[input] = inputs[input].keep().column;
            before = Math.max(before, inputs[input].warmUp);
        }
        String operation = outputCount == 1 ? name : name + " in " + outputCount;
        return interned(
                key(operation, inputs),
                before + warmUp,
                outputCount,
                outputs -> new ComputedTask(recipe, columns, outputs));
    }

    /**
     * Nodes that are made by adding others, found again by a key of one's own: a recipe that is asked for often is followed
     * once.
     */
    public List<Node> once(Object key, Supplier<List<Node>> recipe) {
        List<Node> known = once.get(key);
        if (known == null) {
            known = List.copyOf(recipe.get());
            once.put(key, known);
        }
        return known;
    }

    /**
     * Something that several nodes of this graph share beside their columns, made when it is first asked for.
     *
     * @param key what tells it from others of its type
     * @param made may ask for others itself
     */
    public <T> T shared(Object key, Class<T> type, Supplier<T> made) {
        List<Object> whole = List.of(type, key);
        Object known = shared.get(whole);
        if (known == null) {
            known = made.get();
            shared.put(whole, known);
        }
        return type.cast(known);
    }

    /**
     * Something computed on a higher timeframe, put together from the bars of this graph: beside each bar the value of the
     * last higher bar complete when it closed. The order is that of the columns the recipe gives.
     *
     * @param forming true for the value of the unfinished higher bar, from what was known so far
     * @param recipe adds nodes to the graph of the higher bars
     */
    public List<Node> higher(Timeframe timeframe, boolean forming, Function<ColumnGraph, List<Node>> recipe) {
        return beside(
                (forming ? "on forming " : "on ") + timeframe,
                Needs.timeframe(timeframe),
                () -> new HigherTask(this, timeframe, forming),
                recipe);
    }

    /**
     * The same on bars that are not made by time, made from the bars of this graph as they close; sizes are counted in ticks of
     * the {@link Surroundings}.
     */
    public List<Node> made(BarRule rule, boolean forming, Function<ColumnGraph, List<Node>> recipe) {
        return beside(
                (forming ? "on forming " : "on ") + rule, Needs.NONE, () -> new MadeTask(this, rule, forming), recipe);
    }

    /**
     * Something computed on the bars of another instrument: beside each bar the value at the last bar of the other that closed
     * since the bar before this one had closed; missing where there is none.
     *
     * @param code of an instrument, or a word of the surroundings such as {@code benchmark}
     */
    public List<Node> of(String code, Function<ColumnGraph, List<Node>> recipe) {
        return beside("of #" + code, Needs.instrument(code), () -> new OtherTask(this, code), recipe);
    }

    private List<Node> beside(
            String place, Needs needed, Supplier<Beside> made, Function<ColumnGraph, List<Node>> recipe) {
        Beside task = higher.get(place);
        if (task == null) {
            task = made.get();
            higher.put(place, task);
            register(task);
        }
        Beside home = task;
        long innerBefore = home.inner().valuesABar();
        List<Node> beside = new ArrayList<>();
        for (Node inside : recipe.apply(home.inner())) {
            beside.add(nodes.computeIfAbsent(key(place, inside), missing -> {
                Node outside = new Node(this, count++, inside.warmUp, true);
                warmUp = Math.max(warmUp, inside.warmUp);
                home.carry(inside.keep().column, outside.column);
                epoch = Long.MIN_VALUE;
                return new Node[] {outside};
            })[0]);
        }
        needs = needs.and(needed).and(home.inner().needs());
        valuesABar += Math.max(0, home.inner().valuesABar() - innerBefore);
        return beside;
    }

    private static Key key(String operation, Node... inputs) {
        List<Integer> numbers = new ArrayList<>(inputs.length);
        for (Node input : inputs) {
            numbers.add(input.number);
        }
        return new Key(operation, numbers);
    }

    /** The nodes of a key, made with the task that fills them when there are none yet. */
    private Node[] interned(Key key, int before, int outputCount, Function<Column[], Task> task) {
        Node[] known = nodes.get(key);
        if (known != null) {
            return known;
        }
        Node[] made = new Node[outputCount];
        Column[] columns = new Column[outputCount];
        for (int output = 0; output < outputCount; output++) {
            made[output] = new Node(this, count++, before, true);
            columns[output] = made[output].column;
        }
        warmUp = Math.max(warmUp, before);
        register(task.apply(columns));
        nodes.put(key, made);
        return made;
    }

    private void register(Task task) {
        limit.take();
        task.restart();
        tasks.add(task);
        epoch = Long.MIN_VALUE;
    }

    /** Brings every column up to the snapshot, which must be of the same series each time and not older. */
    public void update(Bars bars) {
        last = bars;
        if (bars.epoch() != epoch || bars.closed() < closed) {
            epoch = bars.epoch();
            closed = 0;
            for (Task task : tasks) {
                task.restart();
            }
        }
        int to = bars.closed();
        for (Task task : tasks) {
            task.room(to);
        }
        for (int begin = closed; begin < to; begin += BLOCK) {
            int end = Math.min(begin + BLOCK, to);
            for (Task task : tasks) {
                task.advance(bars, begin, end);
            }
        }
        for (Task task : tasks) {
            task.finish(bars, to);
        }
        closed = to;
    }
}

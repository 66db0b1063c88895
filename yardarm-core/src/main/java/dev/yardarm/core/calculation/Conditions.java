package dev.yardarm.core.calculation;

import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.series.Column;

/**
 * What formulas ask about conditions over several bars. Conditions are 1 for yes, 0 for no, NaN for unknown. All O(1) a bar,
 * whatever their length.
 */
public final class Conditions {
    private Conditions() {}

    /** Yes on each of the last n bars; no when one was no; else unknown, so also before n bars are there. */
    public static Node heldFor(ColumnGraph graph, Node condition, int bars) {
        return graph.computed("held for " + bars, bars - 1, () -> new Window(bars, /* always= */ true), condition);
    }

    /** Yes on at least one of the last n bars; no when all were no; else unknown. */
    public static Node seenIn(ColumnGraph graph, Node condition, int bars) {
        return graph.computed("seen in " + bars, bars - 1, () -> new Window(bars, /* always= */ false), condition);
    }

    /** Yes now and no on the bar before; no when it is no now. */
    public static Node just(ColumnGraph graph, Node condition) {
        return Operation.AND.in(graph, condition, Operation.not(graph, Operation.back(graph, condition, 1)));
    }

    /** The value at the last bar on which a condition held, this one included; missing before the first. */
    public static Node valueWhenLast(ColumnGraph graph, Node value, Node condition) {
        return graph.computed("when last", 0, LastValue::new, value, condition);
    }

    /** How many bars ago a condition held last, 0 at a bar on which it holds; missing before the first. */
    public static Node barsSince(ColumnGraph graph, Node condition) {
        return graph.computed("bars since", 0, Since::new, condition);
    }

    /** The first value where a condition holds, the second where it does not or is unknown. */
    public static Node choose(ColumnGraph graph, Node condition, Node yes, Node no) {
        return graph.computed("if", 0, Choice::new, condition, yes, no);
    }

    /** Remembers where the condition last was what decides, and where it was last unknown. */
    private static final class Window implements Computation {
        private final int bars;
        private final double decides;
        private int decided = -1;
        private int unknown = -1;

        Window(int bars, boolean always) {
            this.bars = bars;
            this.decides = always ? 0 : 1;
        }

        @Override
        public void advance(Column[] inputs, int from, int to, double[][] outputs) {
            double[] condition = inputs[0].values();
            double[] target = outputs[0];
            for (int bar = from; bar < to; bar++) {
                double now = condition[bar];
                if (now == decides) {
                    decided = bar;
                } else if (now != now) {
                    unknown = bar;
                }
                target[bar] = at(bar, decided, unknown);
            }
        }

        @Override
        public void peek(Column[] inputs, int at, double[] result) {
            double now = inputs[0].forming();
            result[0] = at(at, now == decides ? at : decided, now != now ? at : unknown);
        }

        private double at(int bar, int lastDecided, int lastUnknown) {
            int first = bar - bars + 1;
            if (lastDecided >= 0 && lastDecided >= first) {
                return decides;
            }
            return first < 0 || lastUnknown >= first ? Double.NaN : 1 - decides;
        }
    }

    private static final class LastValue implements Computation {
        private double last = Double.NaN;

        @Override
        public void advance(Column[] inputs, int from, int to, double[][] outputs) {
            double[] values = inputs[0].values();
            double[] condition = inputs[1].values();
            double[] target = outputs[0];
            double held = last;
            for (int bar = from; bar < to; bar++) {
                if (condition[bar] == 1) {
                    held = values[bar];
                }
                target[bar] = held;
            }
            last = held;
        }

        @Override
        public void peek(Column[] inputs, int at, double[] result) {
            result[0] = inputs[1].forming() == 1 ? inputs[0].forming() : last;
        }
    }

    private static final class Since implements Computation {
        private int last = -1;

        @Override
        public void advance(Column[] inputs, int from, int to, double[][] outputs) {
            double[] condition = inputs[0].values();
            double[] target = outputs[0];
            for (int bar = from; bar < to; bar++) {
                if (condition[bar] == 1) {
                    last = bar;
                }
                target[bar] = last < 0 ? Double.NaN : bar - last;
            }
        }

        @Override
        public void peek(Column[] inputs, int at, double[] result) {
            result[0] = inputs[0].forming() == 1 ? 0 : last < 0 ? Double.NaN : at - last;
        }
    }

    private static final class Choice implements Computation {
        @Override
        public void advance(Column[] inputs, int from, int to, double[][] outputs) {
            double[] condition = inputs[0].values();
            double[] yes = inputs[1].values();
            double[] no = inputs[2].values();
            double[] target = outputs[0];
            for (int bar = from; bar < to; bar++) {
                target[bar] = condition[bar] == 1 ? yes[bar] : no[bar];
            }
        }

        @Override
        public void peek(Column[] inputs, int at, double[] result) {
            result[0] = inputs[0].forming() == 1 ? inputs[1].forming() : inputs[2].forming();
        }
    }
}

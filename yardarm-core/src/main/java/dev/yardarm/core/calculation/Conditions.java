package dev.yardarm.core.calculation;

import dev.yardarm.core.calculation.ColumnGraph.Node;

/**
 * What formulas ask about conditions over several bars. Conditions are 1 for yes, 0 for no, NaN for unknown. All O(1) a bar,
 * whatever their length.
 */
public final class Conditions {
    private Conditions() {}

    /** Yes on each of the last n bars; no when one was no; else unknown, so also before n bars are there. */
    public static Node heldFor(ColumnGraph graph, Node condition, int bars) {
        return graph.kernel("held for " + bars, bars - 1, () -> new Window(bars, /* always= */ true), condition);
    }

    /** Yes on at least one of the last n bars; no when all were no; else unknown. */
    public static Node seenIn(ColumnGraph graph, Node condition, int bars) {
        return graph.kernel("seen in " + bars, bars - 1, () -> new Window(bars, /* always= */ false), condition);
    }

    /** Yes now and no on the bar before; no when it is no now. */
    public static Node just(ColumnGraph graph, Node condition) {
        return Operation.AND.in(graph, condition, Operation.not(graph, Operation.back(graph, condition, 1)));
    }

    /** The value at the last bar on which a condition held, this one included; missing before the first. */
    public static Node valueWhenLast(ColumnGraph graph, Node value, Node condition) {
        return graph.kernel("when last", LastValue::new, value, condition);
    }

    /** How many bars ago a condition held last, 0 at a bar on which it holds; missing before the first. */
    public static Node barsSince(ColumnGraph graph, Node condition) {
        return graph.kernel("bars since", Since::new, condition);
    }

    /** The first value where a condition holds, the second where it does not or is unknown. */
    public static Node choose(ColumnGraph graph, Node condition, Node yes, Node no) {
        return graph.kernel("if", Kernel::choice, condition, yes, no);
    }

    /** Remembers where the condition last was what decides, and where it was last unknown. */
    private static final class Window implements Kernel {
        private final int bars;
        private final double decides;
        private int next;
        private int decided = -1;
        private int unknown = -1;

        Window(int bars, boolean always) {
            this.bars = bars;
            this.decides = always ? 0 : 1;
        }

        @Override
        public void run(double[][] in, int[] at, double[] out, int outAt, int count) {
            double[] condition = in[0];
            int from = at[0];
            int lastDecided = decided;
            int lastUnknown = unknown;
            int sure = (int) decides;
            for (int place = 0, bar = next; place < count; place++, bar++) {
                double now = condition[from + place];
                lastDecided = now == decides ? bar : lastDecided;
                lastUnknown = now != now ? bar : lastUnknown;
                int first = bar - bars + 1;
                if (lastUnknown >= first) {
                    out[outAt + place] = at(bar, lastDecided, lastUnknown);
                } else {
                    // The sign of a difference instead of a branch, which on prices would be guessed wrong half the
                    // time.
                    int open = (lastDecided - first) >>> 31;
                    out[outAt + place] = sure + open * (1 - 2 * sure);
                }
            }
            next += count;
            decided = lastDecided;
            unknown = lastUnknown;
        }

        @Override
        public double one(double[] in) {
            return at(next, in[0] == decides ? next : decided, in[0] != in[0] ? next : unknown);
        }

        private double at(int bar, int lastDecided, int lastUnknown) {
            int first = bar - bars + 1;
            if (lastDecided >= 0 && lastDecided >= first) {
                return decides;
            }
            return first < 0 || lastUnknown >= first ? Double.NaN : 1 - decides;
        }
    }

    private static final class LastValue implements Kernel {
        private double last = Double.NaN;

        @Override
        public void run(double[][] in, int[] at, double[] out, int outAt, int count) {
            double[] values = in[0];
            double[] condition = in[1];
            int valuesAt = at[0];
            int conditionAt = at[1];
            double held = last;
            for (int bar = 0; bar < count; bar++) {
                held = condition[conditionAt + bar] == 1 ? values[valuesAt + bar] : held;
                out[outAt + bar] = held;
            }
            last = held;
        }

        @Override
        public double one(double[] in) {
            return in[1] == 1 ? in[0] : last;
        }
    }

    private static final class Since implements Kernel {
        private int next;
        private int last = -1;

        @Override
        public void run(double[][] in, int[] at, double[] out, int outAt, int count) {
            double[] condition = in[0];
            int from = at[0];
            int bar = next;
            int held = last;
            for (int place = 0; place < count; place++, bar++) {
                held = condition[from + place] == 1 ? bar : held;
                out[outAt + place] = held < 0 ? Double.NaN : bar - held;
            }
            next = bar;
            last = held;
        }

        @Override
        public double one(double[] in) {
            return in[0] == 1 ? 0 : last < 0 ? Double.NaN : next - last;
        }
    }
}

package dev.yardarm.core.profile;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Walk;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.TickSeries;
import java.util.Arrays;
import java.util.List;

/**
 * The large trades of each bar in a graph. What is large is said by a size, or follows from the instrument's own trades: the largest one per
 * cent, as they were known when the bar before had closed ({@link SizeRanks}). Prints are put together within a bar.
 *
 * <p>Cost: a bar its trades; a look at the forming bar what was traded since the last one. Memory: what is large. Used by the thread of its graph; what it
 * gives may be read by another.
 */
public final class DevelopingLargeTrades {
    private static final int BOUGHT = 0;
    private static final int SOLD = 1;
    private static final int COUNT = 2;
    private static final int LARGEST = 3;
    /** What is told of a bar, in the order of its columns. */
    static final int COLUMNS = 4;

    private final ColumnGraph graph;
    private final ColumnGraph.Node taken;
    private final Wanted wanted;
    private final TickSeries one = new TickSeries(256);
    private final ToldColumns columns = new ToldColumns(COLUMNS);
    private LargeMarks.Mark[] marks = new LargeMarks.Mark[64];
    private int count;
    private List<LargeMarks.Mark> forming = List.of();
    private SizeRanks ranks = new SizeRanks();
    /** The forming bar so far. */
    private FormingTrades following = new FormingTrades();

    private LargeTrades.Collected formed;

    /**
     * Which trades.
     *
     * @param size from which one is large
     * @param share the largest share of all so far instead; 0 to go by size
     * @param together microseconds within which prints of one side are one
     */
    public record Wanted(double size, double share, long together) {}

    private DevelopingLargeTrades(ColumnGraph graph, Wanted wanted) {
        this.graph = graph;
        this.wanted = wanted;
        taken = graph.walked("large trades " + wanted, Taking::new, graph.tradedDelta());
    }

    /** The one of a graph. */
    public static DevelopingLargeTrades in(ColumnGraph graph, Wanted wanted) {
        return graph.shared(wanted, DevelopingLargeTrades.class, () -> new DevelopingLargeTrades(graph, wanted));
    }

    /** All as they stand; what is given does not change. */
    public LargeMarks marks() {
        return new LargeMarks(marks, count, forming, least());
    }

    /** One of its columns. */
    ColumnGraph.Node column(int column) {
        return columns.column(graph, "large trades " + wanted, column, taken);
    }

    /** Goes through the bars. */
    private final class Taking implements Walk {
        Taking() {
            ranks = new SizeRanks();
            following = new FormingTrades();
            count = 0;
            // What was given before is not written over.
            marks = new LargeMarks.Mark[64];
            forming = List.of();
        }

        @Override
        public double closed(Bars bars, Column[] inputs, int bar) {
            forming = List.of();
            boolean known = read(bars, bar);
            List<LargeTrades.Large> large = known ? large() : List.of();
            double[] told = known ? told(large) : missing();
            columns.close(bar, told);
            for (LargeTrades.Large each : large) {
                if (count == marks.length) {
                    marks = Arrays.copyOf(marks, 2 * count);
                }
                marks[count++] = new LargeMarks.Mark(bar, each);
            }
            if (known && wanted.share() > 0) {
                LargeTrades.of(one, 0, wanted.together()).forEach(each -> ranks.add(each.size()));
            }
            return bar;
        }

        @Override
        public double forming(Bars bars, Column[] inputs, int bar) {
            boolean known = following.take(
                    graph.surroundings().sides(),
                    bars,
                    bar,
                    () -> formed = new LargeTrades.Collected(least(), wanted.together()),
                    (time, price, size, side) -> formed.add(time, price, size, side));
            List<LargeTrades.Large> large = known ? formed.inOrder() : List.of();
            columns.form(known ? told(large) : missing());
            forming = large.stream().map(each -> new LargeMarks.Mark(bar, each)).toList();
            return bar;
        }
    }

    private boolean read(Bars bars, int bar) {
        one.clear();
        return graph.surroundings().sides().trades(bars, bar, one::append);
    }

    private List<LargeTrades.Large> large() {
        return LargeTrades.of(one, least(), wanted.together());
    }

    /** From which size on; beyond any while too few trades are known. */
    private double least() {
        double least = wanted.share() > 0 ? ranks.atLeast(wanted.share()) : wanted.size();
        return Double.isNaN(least) ? Double.POSITIVE_INFINITY : least;
    }

    private static double[] told(List<LargeTrades.Large> large) {
        double[] told = new double[COLUMNS];
        for (LargeTrades.Large each : large) {
            told[BOUGHT] += each.side() == TickSeries.ASK ? each.size() : 0;
            told[SOLD] -= each.side() == TickSeries.BID ? each.size() : 0;
            told[COUNT]++;
            told[LARGEST] = Math.max(told[LARGEST], each.size());
        }
        return told;
    }

    private static double[] missing() {
        return ToldColumns.missing(COLUMNS);
    }
}

package dev.yardarm.core.profile;

import dev.yardarm.core.bars.PriceSteps;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Period;
import dev.yardarm.core.calculation.Walk;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.ArrayList;
import java.util.List;

/**
 * Time at price of each session as it stood at the close of each bar, in a graph: a bar counts with its range in the block in which it opens,
 * and blocks count from the open of the first bar of the session that is shown. Bars longer than a block count in their first alone. O(rows and blocks of the session) a bar. Used by the thread of its graph.
 */
public final class DevelopingTime {
    private static final double ROW = 0.0005;
    /** What is told of a session, in the order of its columns. */
    static final int COLUMNS = 5;

    private final ColumnGraph graph;
    private final Wanted wanted;
    private final ColumnGraph.Node taken;
    private final ToldColumns columns = new ToldColumns(COLUMNS);
    private List<TimeSpan> whole = new ArrayList<>();
    private TimeSpan newest;
    private TimeSpan pending;

    /**
     * Which.
     *
     * @param length of a block, microseconds
     * @param opening blocks of the opening range
     * @param row ticks a row; 0 for what fits the price
     */
    record Wanted(long length, int opening, double share, int row) {}

    private DevelopingTime(ColumnGraph graph, Wanted wanted) {
        this.graph = graph;
        this.wanted = wanted;
        taken = graph.walked("time at price " + wanted, Taking::new, Period.SESSION.in(graph));
    }

    static DevelopingTime in(ColumnGraph graph, Wanted wanted) {
        return graph.shared(wanted, DevelopingTime.class, () -> new DevelopingTime(graph, wanted));
    }

    /** All sessions, the oldest first; what is given does not change. */
    public List<TimeSpan> spans() {
        List<TimeSpan> all = new ArrayList<>(whole);
        if (pending != null) {
            all.add(pending);
        }
        if (newest != null) {
            all.add(newest);
        }
        return all;
    }

    /** One of its columns. */
    ColumnGraph.Node column(int column) {
        return columns.column(graph, "time at price " + wanted, column, taken);
    }

    /** Goes through the bars. */
    private final class Taking implements Walk {
        private double number = Double.NaN;
        private TimeSpan span;
        private long open;

        Taking() {
            whole = new ArrayList<>();
            newest = null;
            pending = null;
        }

        @Override
        public double closed(Bars bars, Column[] inputs, int bar) {
            pending = null;
            if (bars.high(bar) >= bars.low(bar)) {
                if (inputs[0].at(bar) != number) {
                    if (span != null) {
                        whole.add(span);
                    }
                    number = inputs[0].at(bar);
                    span = begun(bars, bar);
                    open = bars.openTime(bar);
                }
                span = with(span, open, bars, bar);
            }
            newest = span;
            double[] told = told(span);
            columns.close(bar, told);
            return bar;
        }

        @Override
        public double forming(Bars bars, Column[] inputs, int bar) {
            if (!(bars.high(bar) >= bars.low(bar))) {
                columns.form(told(span));
                return bar;
            }
            boolean begins = inputs[0].at(bar) != number;
            pending = begins ? span : null;
            newest = with(begins ? begun(bars, bar) : span, begins ? bars.openTime(bar) : open, bars, bar);
            columns.form(told(newest));
            return bar;
        }
    }

    private TimeSpan begun(Bars bars, int bar) {
        double tick = graph.surroundings().tick();
        int row = wanted.row() > 0
                ? wanted.row()
                : (int) Math.max(1, Math.min(1e6, Math.rint(ROW * Math.abs(bars.close(bar)) / tick)));
        return new TimeSpan(
                bars.openTime(bar), bars.closeTime(bar), new PriceRows(new PriceSteps(tick), row), List.of());
    }

    private TimeSpan with(TimeSpan span, long open, Bars bars, int bar) {
        int number = (int) Math.max(0, (bars.openTime(bar) - open) / wanted.length());
        long low = span.rows().row(bars.low(bar));
        long high = span.rows().row(bars.high(bar));
        List<TimeSpan.Block> blocks = new ArrayList<>(span.blocks());
        int last = blocks.size() - 1;
        if (last >= 0 && blocks.get(last).number() == number) {
            TimeSpan.Block block = blocks.get(last);
            blocks.set(last, new TimeSpan.Block(number, Math.min(low, block.low()), Math.max(high, block.high())));
        } else {
            blocks.add(new TimeSpan.Block(number, low, high));
        }
        return new TimeSpan(span.from(), bars.closeTime(bar), span.rows(), blocks);
    }

    private double[] told(TimeSpan span) {
        if (span == null || span.blocks().isEmpty()) {
            return missing();
        }
        ValueArea area = span.area(wanted.share());
        long[] opening = span.opening(wanted.opening());
        return new double[] {
            span.rows().price(area.control()),
            span.rows().price(area.high()),
            span.rows().price(area.low()),
            opening == null ? Double.NaN : span.rows().price(opening[1]),
            opening == null ? Double.NaN : span.rows().price(opening[0])
        };
    }

    private static double[] missing() {
        return ToldColumns.missing(COLUMNS);
    }
}

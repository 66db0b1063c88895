package dev.yardarm.core.profile;

import dev.yardarm.core.bars.PriceSteps;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Walk;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.TickSeries;

/**
 * The trades of each bar by rows of price in a graph, and the figures of the bar that follow from them. Trades below a size are left out
 * and count as zero. A bar whose trades are not known has no rows, and its figures are missing.
 *
 * <p>Cost: a bar its trades and its rows; a look at the forming bar what was traded since the last one, and its rows. Memory: 32 bytes a row of a bar and 72 a bar. Used by
 * the thread of its graph; the {@link Footprint} it gives may be read by another.
 */
public final class DevelopingFootprint {
    static final int CONTROL = 0;
    static final int DELTA = 1;
    static final int DELTA_HIGH = 2;
    static final int DELTA_LOW = 3;
    static final int VOLUME = 4;
    static final int TRADES = 5;
    static final int BOUGHT_RUN = 6;
    static final int SOLD_RUN = 7;
    static final int UNFINISHED_HIGH = 8;
    static final int UNFINISHED_LOW = 9;
    static final int ROWS = 10;
    /** Sold in the lowest row, bought in the highest. */
    static final int LOW_SOLD = 11;

    static final int HIGH_BOUGHT = 12;
    /** What is told of a bar, in the order of its columns. */
    static final int COLUMNS = 13;

    private final ColumnGraph graph;
    private final ColumnGraph.Node taken;
    private final Wanted wanted;
    private final ToldColumns columns = new ToldColumns(COLUMNS);
    private BarLevels.Maker levels;
    private BarLevels forming;
    /** Those of no bar. */
    private BarLevels nothing;
    /** The forming bar so far. */
    private FormingTrades following = new FormingTrades();

    private BarLevels.Maker formed;
    private double[] counted = new double[COLUMNS];

    /**
     * Which footprint.
     *
     * @param row ticks a row
     * @param least size of the smallest trade that counts
     */
    public record Wanted(int row, double least, Imbalance imbalance) {}

    private DevelopingFootprint(ColumnGraph graph, Wanted wanted) {
        this.graph = graph;
        this.wanted = wanted;
        restart();
        taken = graph.walked("footprint " + wanted, Taking::new, graph.tradedDelta());
    }

    /** The one of a graph. */
    public static DevelopingFootprint in(ColumnGraph graph, Wanted wanted) {
        return graph.shared(wanted, DevelopingFootprint.class, () -> new DevelopingFootprint(graph, wanted));
    }

    private BarLevels.Maker maker() {
        return new BarLevels.Maker(new PriceSteps(graph.surroundings().tick()), wanted.row());
    }

    private void restart() {
        levels = maker();
        nothing = maker().view();
        forming = nothing;
        following = new FormingTrades();
    }

    /** As it stands; what is given does not change. */
    public Footprint footprint() {
        return new Footprint(levels.view(), forming, wanted.imbalance(), wanted.least());
    }

    /** One of its columns. */
    ColumnGraph.Node column(int column) {
        return columns.column(graph, "footprint " + wanted, column, taken);
    }

    /** A yes when a column is from a number on. */
    ColumnGraph.Node atLeast(int column, double least) {
        return graph.walked(
                "footprint " + wanted + " " + column + " from " + least,
                () -> new Walk() {
                    @Override
                    public double closed(Bars bars, Column[] inputs, int bar) {
                        double value = inputs[0].at(bar);
                        return value != value ? value : value >= least ? 1 : 0;
                    }

                    @Override
                    public double forming(Bars bars, Column[] inputs, int bar) {
                        return closed(bars, inputs, bar);
                    }
                },
                column(column));
    }

    /** Goes through the bars. */
    private final class Taking implements Walk {
        Taking() {
            restart();
        }

        @Override
        public double closed(Bars bars, Column[] inputs, int bar) {
            forming = nothing;
            double[] told = take(levels, bars, bar);
            columns.close(bar, told);
            return bar;
        }

        @Override
        public double forming(Bars bars, Column[] inputs, int bar) {
            boolean known = following.take(
                    graph.surroundings().sides(),
                    bars,
                    bar,
                    () -> {
                        formed = maker();
                        counted = new double[COLUMNS];
                    },
                    (time, price, size, side) -> count(formed, counted, price, size, side));
            forming = formed.peek();
            columns.form(known ? told(forming, 0, counted) : missing());
            return bar;
        }
    }

    /** Takes in the trades of a bar and says what they come to. */
    private double[] take(BarLevels.Maker into, Bars bars, int bar) {
        double[] sums = new double[COLUMNS];
        boolean known = graph.surroundings().sides().run(bars, bar, (trades, from, end) -> {
            if (wanted.least() > 0) {
                for (int tick = from; tick < end; tick++) {
                    count(into, sums, trades.price(tick), trades.size(tick), trades.side(tick));
                }
            } else {
                into.add(trades, from, end);
                sum(trades, from, end, sums);
            }
        });
        into.next();
        BarLevels made = into.view();
        return known ? told(made, made.bars() - 1, sums) : missing();
    }

    /** What {@link #count} adds up, of trades that all count. */
    private static void sum(TickSeries trades, int from, int end, double[] sums) {
        double[] sizes = trades.sizes();
        byte[] sides = trades.sides();
        double volume = 0;
        double delta = 0;
        double high = 0;
        double low = 0;
        for (int tick = from; tick < end; tick++) {
            volume += sizes[tick];
            delta += sides[tick] * sizes[tick];
            high = delta > high ? delta : high;
            low = delta < low ? delta : low;
        }
        sums[VOLUME] = volume;
        sums[TRADES] = end - from;
        sums[DELTA] = delta;
        sums[DELTA_HIGH] = high;
        sums[DELTA_LOW] = low;
    }

    private void count(BarLevels.Maker into, double[] sums, double price, double size, byte side) {
        if (size >= wanted.least()) {
            into.add(price, size, side);
            sums[VOLUME] += size;
            sums[TRADES]++;
            double delta = sums[DELTA] + side * size;
            sums[DELTA] = delta;
            sums[DELTA_HIGH] = delta > sums[DELTA_HIGH] ? delta : sums[DELTA_HIGH];
            sums[DELTA_LOW] = delta < sums[DELTA_LOW] ? delta : sums[DELTA_LOW];
        }
    }

    /** What the sums and rows of a bar come to. */
    private double[] told(BarLevels made, int bar, double[] sums) {
        double[] told = sums.clone();
        int start = made.start(bar);
        int end = made.start(bar + 1);
        if (start == end) {
            told[CONTROL] = Double.NaN;
            return told;
        }
        told[ROWS] = made.row(end - 1) - made.row(start) + 1;
        told[LOW_SOLD] = made.bid(start);
        told[HIGH_BOUGHT] = made.ask(end - 1);
        told[CONTROL] = made.price(Imbalance.control(made, start, end));
        told[BOUGHT_RUN] = wanted.imbalance().run(made, start, end, true);
        told[SOLD_RUN] = wanted.imbalance().run(made, start, end, false);
        told[UNFINISHED_HIGH] = Imbalance.isUnfinished(made, end - 1) ? 1 : 0;
        told[UNFINISHED_LOW] = Imbalance.isUnfinished(made, start) ? 1 : 0;
        return told;
    }

    private static double[] missing() {
        return ToldColumns.missing(COLUMNS);
    }
}

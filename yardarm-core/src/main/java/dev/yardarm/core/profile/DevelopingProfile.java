package dev.yardarm.core.profile;

import dev.yardarm.core.bars.PriceSteps;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Period;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.calculation.Walk;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;

/**
 * The profile of each period as it stood at the close of each bar, in a graph: from single trades where all those of a bar are known, else
 * from the bar, whose volume is spread over its prices. Or that of a period before, which stands.
 *
 * <p>Cost: a bar its trades, and the rows of its period. A forming bar works on a copy of the rows. Used by the thread of its graph.
 */
public final class DevelopingProfile {
    /** What is told of a profile, in the order of its columns. */
    static final int COLUMNS = 6;

    private static final int CONTROL = 0;
    private static final int VALUE_HIGH = 1;
    private static final int VALUE_LOW = 2;
    private static final int HIGH = 3;
    private static final int LOW = 4;
    private static final int ESTIMATED = 5;

    /** A row is so great a part of the price where nobody said how many ticks it has. */
    private static final double ROW = 0.0005;

    private final ColumnGraph graph;
    private final ColumnGraph.Node states;
    private final Wanted wanted;
    private double[][] closed = new double[COLUMNS][64];
    private double[] now = new double[COLUMNS];
    private List<SpanProfile> whole = new ArrayList<>();
    private SpanProfile newest;
    /** The last whole span while the first bar of the next one forms; null else. */
    private SpanProfile pending;

    /**
     * Which profile.
     *
     * @param back how many periods before the one under way; 0 for that
     * @param share of the value area
     * @param row ticks a row; 0 to take what fits the price
     */
    public record Wanted(Period period, int back, double share, int row) {}

    private DevelopingProfile(ColumnGraph graph, Wanted wanted) {
        this.graph = graph;
        this.wanted = wanted;
        ColumnGraph.Node sides = graph.tradedDelta();
        states = graph.walked("profile " + wanted, Taking::new, wanted.period().in(graph), sides);
    }

    /** The one of a graph. */
    public static DevelopingProfile in(ColumnGraph graph, Wanted wanted) {
        return graph.shared(wanted, DevelopingProfile.class, () -> new DevelopingProfile(graph, wanted));
    }

    /** The profiles of all spans, the oldest first, the newest with the forming bar; what is given does not change. */
    public List<SpanProfile> spans() {
        List<SpanProfile> all = new ArrayList<>(whole);
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
        return graph.walked(
                "profile " + wanted + " " + column,
                () -> new Walk() {
                    @Override
                    public double closed(Bars bars, Column[] inputs, int bar) {
                        return closed[column][bar];
                    }

                    @Override
                    public double forming(Bars bars, Column[] inputs, int bar) {
                        return now[column];
                    }
                },
                states);
    }

    /** Goes through the bars. */
    private final class Taking implements Walk {
        private final Deque<double[]> before = new ArrayDeque<>();
        private PriceRows rows;
        private double number = Double.NaN;
        private boolean estimated;
        private long from;
        private long to;

        Taking() {
            whole = new ArrayList<>();
            newest = null;
            pending = null;
        }

        @Override
        public double closed(Bars bars, Column[] inputs, int bar) {
            if (isPriced(bars, bar)) {
                if (inputs[0].at(bar) != number) {
                    number = inputs[0].at(bar);
                    begin(bars, bar);
                }
                estimated |= !take(rows, bars, bar);
                to = bars.closeTime(bar);
                // Copied when it is asked for the last closed bar alone; a forming one is a copy anyhow.
                newest = bar == bars.size() - 1 ? span(rows.copy(), from, to, estimated) : null;
            }
            double[] told = told(rows, estimated, before);
            if (bar >= closed[0].length) {
                for (int column = 0; column < COLUMNS; column++) {
                    closed[column] = Arrays.copyOf(closed[column], bar + (bar >> 1) + 64);
                }
            }
            for (int column = 0; column < COLUMNS; column++) {
                closed[column][bar] = told[column];
            }
            return bar;
        }

        @Override
        public double forming(Bars bars, Column[] inputs, int bar) {
            if (!isPriced(bars, bar)) {
                now = told(rows, estimated, before);
                return bar;
            }
            boolean begins = inputs[0].at(bar) != number;
            Deque<double[]> past = before;
            if (begins && rows != null) {
                past = new ArrayDeque<>(before);
                past.addFirst(values(rows, estimated));
            }
            PriceRows branch = begins ? fresh(bars, bar) : rows.copy();
            boolean exact = take(branch, bars, bar);
            if (begins
                    && rows != null
                    && (whole.isEmpty() || whole.get(whole.size() - 1).from() != from)) {
                // The span that has ended is told as whole while the first bar of the next one forms.
                pending = span(rows.copy(), from, to, estimated);
            }
            newest = span(
                    branch, begins ? bars.openTime(bar) : from, bars.closeTime(bar), !exact || !begins && estimated);
            now = told(branch, !exact || !begins && estimated, past);
            return bar;
        }

        private void begin(Bars bars, int bar) {
            if (rows != null) {
                before.addFirst(values(rows, estimated));
                if (before.size() > wanted.back() + 1) {
                    before.removeLast();
                }
            }
            if (rows != null) {
                whole.add(span(rows, from, to, estimated));
            }
            pending = null;
            rows = fresh(bars, bar);
            from = bars.openTime(bar);
            estimated = false;
        }

        private PriceRows fresh(Bars bars, int bar) {
            double tick = graph.surroundings().tick();
            int row = wanted.row() > 0
                    ? wanted.row()
                    : (int) Math.max(1, Math.min(1e6, Math.rint(ROW * Math.abs(bars.close(bar)) / tick)));
            return new PriceRows(new PriceSteps(tick), row);
        }

        private double[] told(PriceRows of, boolean isEstimate, Deque<double[]> past) {
            if (wanted.back() == 0) {
                return of == null ? missing() : values(of, isEstimate);
            }
            int at = 1;
            for (double[] each : past) {
                if (at++ == wanted.back()) {
                    return each;
                }
            }
            return missing();
        }
    }

    private SpanProfile span(PriceRows rows, long from, long to, boolean estimated) {
        ValueArea area = rows.isEmpty()
                ? new ValueArea(0, 0, 0)
                : ValueArea.of(rows.lowest(), rows.highest(), rows::volume, wanted.share());
        return new SpanProfile(from, to, rows, area, estimated);
    }

    private static boolean isPriced(Bars bars, int bar) {
        return bars.high(bar) >= bars.low(bar) && bars.high(bar) < 1e300;
    }

    /** True when the bar's trades were known. */
    private boolean take(PriceRows rows, Bars bars, int bar) {
        Surroundings.Sides sides = graph.surroundings().sides();
        boolean known = sides.trades(bars, bar, (time, price, size, side) -> rows.add(price, size, side));
        if (!known) {
            double volume = bars.volume(bar);
            rows.spread(bars.low(bar), bars.high(bar), volume > 0 ? volume : 0);
        }
        return known;
    }

    private static double[] missing() {
        double[] none = new double[COLUMNS];
        Arrays.fill(none, Double.NaN);
        none[ESTIMATED] = 0;
        return none;
    }

    private double[] values(PriceRows rows, boolean estimated) {
        if (rows.isEmpty()) {
            return missing();
        }
        ValueArea area = ValueArea.of(rows.lowest(), rows.highest(), rows::volume, wanted.share());
        double[] values = new double[COLUMNS];
        values[CONTROL] = rows.price(area.control());
        values[VALUE_HIGH] = rows.price(area.high());
        values[VALUE_LOW] = rows.price(area.low());
        values[HIGH] = rows.high();
        values[LOW] = rows.low();
        values[ESTIMATED] = estimated ? 1 : 0;
        return values;
    }
}

package dev.yardarm.core.profile;

import dev.yardarm.core.bars.PriceSteps;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.calculation.Walk;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.function.Predicate;

/**
 * The profile of each period as it stood at the close of each bar, in a graph: from single trades where all those of a bar are known, else
 * from the bar, whose volume is spread over its prices. Or that of a period before, which stands.
 *
 * <p>Cost: a bar its trades, and the rows of its period. A look at the forming bar what was traded since the last one, and a copy of the rows. Used by the thread of its graph.
 */
public final class DevelopingProfile {
    /** What is told of a profile, in the order of its columns. */
    static final int COLUMNS = 11;

    /** The profile cues look at: that of the span before, or the one so many before. */
    static final int REFERENCE_HIGH = 8;

    static final int REFERENCE_LOW = 9;
    static final int OPEN = 10;

    private static final int CONTROL = 0;
    private static final int VALUE_HIGH = 1;
    private static final int VALUE_LOW = 2;
    private static final int HIGH = 3;
    private static final int LOW = 4;
    private static final int ESTIMATED = 5;
    private static final int UNTOUCHED_ABOVE = 6;
    private static final int UNTOUCHED_BELOW = 7;

    /** A row is so great a part of the price where nobody said how many ticks it has. */
    private static final double ROW = 0.0005;

    private final ColumnGraph graph;
    private final ColumnGraph.Node states;
    private final Wanted wanted;
    private final ToldColumns columns = new ToldColumns(COLUMNS);
    private List<SpanProfile> whole = new ArrayList<>();
    private SpanProfile newest;
    /** The last whole span while the first bar of the next one forms; null else. */
    private SpanProfile pending;

    private UntouchedLevels untouched = new UntouchedLevels();
    private List<UntouchedLevel> left = List.of();
    /** The rows of the forming bar alone, and which way they were counted when volume is split by bars. */
    private FormingTrades following = new FormingTrades();

    private PriceRows formed;
    private byte formedWay;

    /**
     * Which profile.
     *
     * @param span which bars belong together
     * @param back how many periods before the one under way; 0 for that
     * @param share of the value area
     * @param row ticks a row; 0 to take what fits the price
     * @param byBars volume is split by rising and falling bars, not by the side of trades: rising counts as bought
     */
    record Wanted(SpanOf span, int back, double share, int row, boolean byBars) {}

    private DevelopingProfile(ColumnGraph graph, Wanted wanted) {
        this.graph = graph;
        this.wanted = wanted;
        ColumnGraph.Node sides = graph.tradedDelta();
        states = graph.walked("profile " + wanted, Taking::new, wanted.span().in(graph), sides);
    }

    /** The one of a graph. */
    static DevelopingProfile in(ColumnGraph graph, Wanted wanted) {
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

    /** The points of control and value edges of spans that are over, which nothing has reached, from low to high. */
    public List<UntouchedLevel> untouched() {
        return left;
    }

    /** The spans the bars belong to, by their numbers. */
    ColumnGraph.Node numbers() {
        return wanted.span().in(graph);
    }

    /** One of its columns. */
    ColumnGraph.Node column(int column) {
        return columns.column(graph, "profile " + wanted, column, states);
    }

    /** Goes through the bars. */
    private final class Taking implements Walk {
        private final Deque<double[]> before = new ArrayDeque<>();
        private PriceRows rows;
        private double number = Double.NaN;
        private double opened = Double.NaN;
        private boolean estimated;
        private long from;
        private long to;

        Taking() {
            whole = new ArrayList<>();
            newest = null;
            pending = null;
            untouched = new UntouchedLevels();
            left = List.of();
            following = new FormingTrades();
        }

        @Override
        public double closed(Bars bars, Column[] inputs, int bar) {
            if (isPriced(bars, bar)) {
                double its = inputs[0].at(bar);
                if (its == its) {
                    if (its != number) {
                        number = its;
                        begin(bars, bar);
                    }
                    estimated |= !take(rows, bars, bar);
                    to = bars.closeTime(bar);
                }
                double height = rowHeight(rows);
                untouched.reach(bars.low(bar), bars.high(bar), height, price -> isTraded(bars, bar, price, height));
                // Copied when it is asked for the last closed bar alone; a forming one is a copy anyhow.
                boolean isLast = bar == bars.size() - 1;
                newest = isLast && rows != null ? span(rows.copy(), from, to, estimated) : null;
                left = isLast ? untouched.all() : left;
            }
            double[] told = told(rows, estimated, before, opened, bars.close(bar));
            columns.close(bar, told);
            return bar;
        }

        @Override
        public double forming(Bars bars, Column[] inputs, int bar) {
            double its = inputs[0].at(bar);
            if (!isPriced(bars, bar)) {
                columns.form(told(rows, estimated, before, opened, bars.close(bar)));
                return bar;
            }
            boolean takes = its == its;
            boolean begins = takes && its != number;
            Deque<double[]> past = before;
            if (begins && rows != null) {
                past = new ArrayDeque<>(before);
                past.addFirst(values(rows, estimated));
            }
            PriceRows branch = begins ? fresh(bars, bar) : rows == null ? null : rows.copy();
            boolean known = follow(bars, bar, branch);
            if (takes && known) {
                branch.merge(formed);
            } else if (takes) {
                take(branch, bars, bar);
            }
            boolean exact = !takes || known;
            boolean ends = begins && rows != null;
            if (ends && (whole.isEmpty() || whole.get(whole.size() - 1).from() != from)) {
                // The span that has ended is told as whole while the first bar of the next one forms.
                pending = span(rows.copy(), from, to, estimated);
            }
            boolean guessed = !exact || !begins && estimated;
            newest = branch == null
                    ? null
                    : span(branch, begins ? bars.openTime(bar) : from, takes ? bars.closeTime(bar) : to, guessed);
            double height = rowHeight(branch);
            Predicate<Double> isTraded = price -> !known || formed.volume(formed.row(price)) > 0;
            left = untouched.outside(bars.low(bar), bars.high(bar), height, isTraded);
            if (ends) {
                UntouchedLevels ended = new UntouchedLevels();
                ended.add(rows, area(rows), to);
                left.addAll(ended.outside(bars.low(bar), bars.high(bar), height, isTraded));
            }
            double[] now = told(branch, guessed, past, begins ? bars.open(bar) : opened, bars.close(bar));
            now[UNTOUCHED_ABOVE] = nearest(left, bars.close(bar), true);
            now[UNTOUCHED_BELOW] = nearest(left, bars.close(bar), false);
            columns.form(now);
            return bar;
        }

        private void begin(Bars bars, int bar) {
            if (rows != null) {
                before.addFirst(values(rows, estimated));
                if (before.size() > wanted.back() + 1) {
                    before.removeLast();
                }
                whole.add(span(rows, from, to, estimated));
                untouched.add(rows, area(rows), to);
            }
            pending = null;
            rows = fresh(bars, bar);
            from = bars.openTime(bar);
            opened = bars.open(bar);
            estimated = false;
        }

        private PriceRows fresh(Bars bars, int bar) {
            double tick = graph.surroundings().tick();
            int row = wanted.row() > 0
                    ? wanted.row()
                    : (int) Math.max(1, Math.min(1e6, Math.rint(ROW * Math.abs(bars.close(bar)) / tick)));
            return new PriceRows(new PriceSteps(tick), row);
        }

        private double[] told(PriceRows of, boolean isEstimate, Deque<double[]> past, double open, double close) {
            double[] told =
                    wanted.back() > 0 ? ago(past, wanted.back()) : of == null ? missing() : values(of, isEstimate);
            double[] reference = ago(past, Math.max(1, wanted.back()));
            told = told.clone();
            told[UNTOUCHED_ABOVE] = untouched.controlAbove(close);
            told[UNTOUCHED_BELOW] = untouched.controlBelow(close);
            told[REFERENCE_HIGH] = reference[VALUE_HIGH];
            told[REFERENCE_LOW] = reference[VALUE_LOW];
            told[OPEN] = open;
            return told;
        }

        private static double[] ago(Deque<double[]> past, int back) {
            int at = 1;
            for (double[] each : past) {
                if (at++ == back) {
                    return each;
                }
            }
            return missing();
        }
    }

    private static double nearest(List<UntouchedLevel> levels, double price, boolean isAbove) {
        double nearest = Double.NaN;
        for (UntouchedLevel each : levels) {
            boolean beyond = isAbove ? each.price() > price : each.price() < price;
            boolean nearer = !(Math.abs(nearest - price) <= Math.abs(each.price() - price));
            if (each.kind() == UntouchedLevel.Kind.CONTROL && beyond && nearer) {
                nearest = each.price();
            }
        }
        return nearest;
    }

    private static double rowHeight(PriceRows rows) {
        return rows == null ? 0 : rows.price(1) - rows.price(0);
    }

    /** True when a bar traded in the row that begins at a price: by its trades where they are known, else by its range. */
    private boolean isTraded(Bars bars, int bar, double price, double height) {
        boolean[] found = {false};
        double dust = height * 1e-6;
        boolean known = graph.surroundings().sides().trades(bars, bar, (time, at, size, side) -> {
            found[0] |= at >= price - dust && at < price + height - dust;
        });
        return !known || found[0];
    }

    private ValueArea area(PriceRows rows) {
        return rows.isEmpty()
                ? new ValueArea(0, 0, 0)
                : ValueArea.of(rows.lowest(), rows.highest(), rows::volume, wanted.share());
    }

    private SpanProfile span(PriceRows rows, long from, long to, boolean estimated) {
        return new SpanProfile(from, to, rows, area(rows), estimated);
    }

    private static boolean isPriced(Bars bars, int bar) {
        return bars.high(bar) >= bars.low(bar) && bars.high(bar) < 1e300;
    }

    /** Brings the rows of the forming bar up to its trades; false when they are not known. Rows follow their height. */
    private boolean follow(Bars bars, int bar, PriceRows like) {
        if (like == null) {
            return false;
        }
        if (formed != null && formed.price(1) != like.price(1)) {
            following = new FormingTrades();
        }
        byte way = (byte) Math.signum(bars.close(bar) - bars.open(bar));
        if (wanted.byBars() && way != formedWay) {
            following = new FormingTrades();
            formedWay = way;
        }
        return following.take(
                graph.surroundings().sides(),
                bars,
                bar,
                () -> formed = like.emptyOnes(),
                (time, price, size, side) -> formed.add(price, size, wanted.byBars() ? way : side));
    }

    /** True when the bar's trades were known. */
    private boolean take(PriceRows rows, Bars bars, int bar) {
        Surroundings.Sides sides = graph.surroundings().sides();
        byte way = (byte) Math.signum(bars.close(bar) - bars.open(bar));
        boolean known = wanted.byBars()
                ? sides.trades(bars, bar, (time, price, size, side) -> rows.add(price, size, way))
                : sides.run(bars, bar, rows::add);
        if (!known) {
            double volume = bars.volume(bar);
            rows.spread(bars.low(bar), bars.high(bar), volume > 0 ? volume : 0, wanted.byBars() ? way : 0);
        }
        return known;
    }

    private static double[] missing() {
        double[] none = ToldColumns.missing(COLUMNS);
        none[ESTIMATED] = 0;
        return none;
    }

    private double[] values(PriceRows rows, boolean estimated) {
        if (rows.isEmpty()) {
            return missing();
        }
        ValueArea area = area(rows);
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

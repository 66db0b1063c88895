package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import java.util.ArrayList;
import java.util.List;

/**
 * The two counts of a point and figure chart with a reversal of three boxes. Its columns are the moves that come back by three boxes; a
 * box follows the usual range as of the close that settled the column before. A column that goes a box beyond the one before it the same
 * way leaves a base or a top, when at least five columns in a row cross the price half way between the border left and the farthest end
 * on the other side: the number of those columns times three boxes from that end is the horizontal count; three times the first column
 * from that end, in whole boxes, the vertical one.
 *
 * <p>After A. W. Cohen, How to Use the Three-Point Reversal Method of Point and Figure Stock Market Trading (1947). O(1) a bar; where a
 * column leaves another behind, the columns that are kept.
 */
final class FigureCounts {
    static final int REVERSAL = 3;
    private static final int KEPT = 60;
    private static final int LEAST = 5;

    private final double box;
    private final ReversedSwings<Columns> columns;
    /** Number of turns settled when a count was made last: one for each column. */
    private long counted = -1;

    private double size = Double.NaN;
    private int sizedAt = -1;

    /** A count, for whoever makes a target of it. */
    record Count(TargetKind kind, List<Finding.Point> points, double target, double voided) {}

    /** @param box its size in usual ranges */
    FigureCounts(double box) {
        this(box, new ReversedSwings<>(new Columns(), REVERSAL * box));
    }

    private FigureCounts(double box, ReversedSwings<Columns> columns) {
        this.box = box;
        this.columns = columns;
    }

    FigureCounts copy() {
        FigureCounts copy = new FigureCounts(box, columns.copy());
        copy.counted = counted;
        copy.size = size;
        copy.sizedAt = sizedAt;
        return copy;
    }

    /** Takes a bar; the counts it brings. */
    List<Count> take(Bars bars, int bar, RangeMeasure usual, FindingLog log) {
        columns.take(bars, bar, usual, log);
        Columns taken = columns.notes();
        MovingTurns turns = taken.turns;
        // Where a column is settled the next one moves.
        if (turns.movedAt() != bar) {
            return List.of();
        }
        if (turns.settled().settledAt() > sizedAt) {
            sizedAt = turns.settled().settledAt();
            size = box * usual.mean();
        }
        Turns last = turns.settled();
        if (taken.settled == counted || last.size() < LEAST) {
            return List.of();
        }
        int sign = turns.isHigh() ? 1 : -1;
        Turn left = last.get(last.size() - 2);
        if (sign * (turns.price(bars) - left.price()) < size) {
            return List.of();
        }
        counted = taken.settled;
        return counts(last, left, sign, bars, bar);
    }

    /** Works with prices raised, so that the column that leaves goes up. */
    private List<Count> counts(Turns turns, Turn left, int sign, Bars bars, int bar) {
        double border = sign * left.price();
        double end = Double.POSITIVE_INFINITY;
        int outermost = -1;
        int across = 1;
        int first = turns.size() - 1;
        // Each turn begins the column behind it: back as long as that column crosses the middle of what is there so
        // far.
        for (int at = turns.size() - 1; at >= 1; at--) {
            Turn turn = turns.get(at);
            double price = sign * turn.price();
            boolean lower = turn.high() != (sign > 0);
            // Of equal ends the first: the count begins there.
            if (lower && price <= end) {
                end = price;
                outermost = at;
            }
            double middle = (border + end) / 2;
            double before = sign * turns.get(at - 1).price();
            boolean crosses = Math.min(before, price) <= middle && Math.max(before, price) >= middle;
            if (!crosses) {
                break;
            }
            across++;
            first = at;
            boolean wall = !lower ? before < end - REVERSAL * size : before > border + REVERSAL * size;
            if (wall) {
                break;
            }
        }
        List<Count> counts = new ArrayList<>();
        if (outermost < 0 || across < LEAST) {
            return counts;
        }
        Finding.Point from = turns.get(first).as("first_column");
        Finding.Point low = turns.get(outermost).as(sign > 0 ? "bottom" : "top");
        Finding.Point out = new Finding.Point("breakout", bars.openTime(bar), sign * (border + size));
        List<Finding.Point> points = from.time() == low.time() ? List.of(low, out) : List.of(from, low, out);
        counts.add(new Count(TargetKind.HORIZONTAL_COUNT, points, sign * (end + across * REVERSAL * size), sign * end));
        if (outermost + 1 < turns.size()) {
            Turn top = turns.get(outermost + 1);
            double boxes = Math.floor((sign * top.price() - end) / size + 1e-9);
            counts.add(new Count(
                    TargetKind.VERTICAL_COUNT,
                    List.of(low, top.as("first_column_end"), out),
                    sign * (end + boxes * REVERSAL * size),
                    sign * end));
        }
        return counts;
    }

    /** The turns, and how many there ever were. */
    private static final class Columns implements SwingTaker {
        private final MovingTurns turns;
        private long settled;

        Columns() {
            this(new MovingTurns(new Turns(KEPT)), 0);
        }

        private Columns(MovingTurns turns, long settled) {
            this.turns = turns;
            this.settled = settled;
        }

        @Override
        public void moved(boolean high, Bars bars, int at, int bar, FindingLog log) {
            turns.moved(high, bars, at, bar, log);
        }

        @Override
        public void confirmed(boolean high, Bars bars, int at, int bar, RangeMeasure usual, FindingLog log) {
            turns.confirmed(high, bars, at, bar, usual, log);
            settled++;
        }

        @Override
        public Columns copy() {
            return new Columns(turns.copy(), settled);
        }
    }
}

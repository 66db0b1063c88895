package dev.yardarm.core.bars;

import dev.yardarm.core.series.Bars;
import java.util.ArrayList;
import java.util.List;

/**
 * The trend lines and column counts of a point and figure chart (A. Cohen, "How to Use the Three-Point Reversal Method of
 * Point and Figure Stock Market Trading", 1947).
 *
 * <p>A rising line begins one box below a low and gains one box a column; it holds until a column falls below it. Then a
 * falling line begins one box above the highest column since, and so on. The vertical count of a line is that of the
 * first column in its direction: its boxes times the reversal, added to its bottom (taken off its top). The horizontal
 * count takes the columns from the line's beginning to the last that still crosses the level it began from instead.
 *
 * <p>A count is known when its column is complete. Cost: O(columns).
 */
public final class PointFigureStudy {
    private PointFigureStudy() {}

    /**
     * A trend line.
     *
     * @param rising true below price, false above it
     * @param fromColumn the column it begins at
     * @param fromPrice its level there
     * @param toColumn the last column it holds for
     * @param toPrice its level there
     * @param broken false while it still holds
     */
    public record Line(
            boolean rising, int fromColumn, double fromPrice, int toColumn, double toPrice, boolean broken) {}

    /**
     * A count.
     *
     * @param column the column it is known with
     * @param vertical true for that of a column, false for that of a base or top
     */
    public record Count(int column, boolean vertical, boolean rising, double target) {}

    /** Lines and counts in the order of their columns. */
    public record Result(List<Line> lines, List<Count> counts) {}

    /** Works them out for the columns of a maker; their details are the box sizes. */
    public static Result of(Bars columns, BarRule.PointFigure rule) {
        List<Line> lines = new ArrayList<>();
        List<Count> counts = new ArrayList<>();
        boolean byPart = rule.box() instanceof BoxSize.Percent;
        int size = columns.size();
        if (size < 2) {
            return new Result(lines, counts);
        }
        boolean rising = columns.low(0) <= columns.low(1) && columns.close(0) >= columns.open(0);
        int from = 0;
        while (from < size) {
            double box = columns.detail(from);
            double level = rising ? step(columns.low(from), box, -1, byPart) : step(columns.high(from), box, 1, byPart);
            double start = level;
            int at = from;
            int extreme = from;
            boolean broken = false;
            for (int column = from + 1; column < size && !broken; column++) {
                double next = step(level, columns.detail(column), rising ? 1 : -1, byPart);
                broken = rising ? columns.low(column) < next - 1e-9 : columns.high(column) > next + 1e-9;
                if (!broken) {
                    level = next;
                    at = column;
                }
                boolean further = rising
                        ? columns.high(column) > columns.high(extreme)
                        : columns.low(column) < columns.low(extreme);
                extreme = further ? column : extreme;
            }
            lines.add(new Line(rising, from, start, at, level, broken));
            count(columns, rule, byPart, rising, from, at, counts);
            if (!broken) {
                break;
            }
            rising = !rising;
            from = Math.max(extreme, from + 1);
        }
        return new Result(lines, counts);
    }

    private static double step(double price, double box, int boxes, boolean byPart) {
        return byPart ? price * Math.pow(1 + box, boxes) : price + boxes * box;
    }

    private static void count(
            Bars columns,
            BarRule.PointFigure rule,
            boolean byPart,
            boolean rising,
            int from,
            int to,
            List<Count> counts) {
        for (int column = from; column < columns.closed() && column <= to + 1; column++) {
            boolean up = columns.close(column) > columns.open(column);
            if (up != rising) {
                continue;
            }
            double box = columns.detail(column);
            double end = rising ? columns.low(column) : columns.high(column);
            long boxes = byPart
                    ? Math.round(Math.log(columns.high(column) / columns.low(column)) / Math.log1p(box)) + 1
                    : Math.round((columns.high(column) - columns.low(column)) / box) + 1;
            int way = rising ? 1 : -1;
            counts.add(new Count(column, true, rising, step(end, box, way * (int) boxes * rule.reversal(), byPart)));
            int last = column;
            for (int other = column; other <= Math.min(to, columns.closed() - 1); other++) {
                double middle = (columns.high(column) + columns.low(column)) / 2;
                if (columns.low(other) <= middle && columns.high(other) >= middle) {
                    last = other;
                } else {
                    break;
                }
            }
            int width = last - from + 1;
            if (width > 2) {
                counts.add(new Count(last, false, rising, step(end, box, way * width * rule.reversal(), byPart)));
            }
            return;
        }
    }
}

package dev.yardarm.core.own;

import java.util.ArrayList;
import java.util.List;

/**
 * Two texts side by side, line by line: what both have, what one has alone. By the longest common run of lines (Hunt and
 * McIlroy, 1976), in O(lines of one times lines of the other).
 */
public final class TextDifference {
    private TextDifference() {}

    /** What a row shows. */
    public enum Kind {
        SAME,
        /** In the first alone. */
        GONE,
        /** In the second alone. */
        NEW,
        /** Another line in its place. */
        CHANGED
    }

    /** One row: a line of each, empty where one has none. */
    public record Row(Kind kind, String before, String after) {}

    /** The rows of two texts. */
    public static List<Row> of(String before, String after) {
        List<String> one = before.lines().map(String::stripTrailing).toList();
        List<String> other = after.lines().map(String::stripTrailing).toList();
        int[][] common = new int[one.size() + 1][other.size() + 1];
        for (int row = one.size() - 1; row >= 0; row--) {
            for (int column = other.size() - 1; column >= 0; column--) {
                common[row][column] = one.get(row).equals(other.get(column))
                        ? common[row + 1][column + 1] + 1
                        : Math.max(common[row + 1][column], common[row][column + 1]);
            }
        }
        List<Row> rows = new ArrayList<>();
        List<String> gone = new ArrayList<>();
        List<String> made = new ArrayList<>();
        int row = 0;
        int column = 0;
        while (row < one.size() || column < other.size()) {
            boolean same =
                    row < one.size() && column < other.size() && one.get(row).equals(other.get(column));
            if (same) {
                flush(rows, gone, made);
                rows.add(new Row(Kind.SAME, one.get(row++), other.get(column++)));
            } else if (column >= other.size()
                    || row < one.size() && common[row + 1][column] >= common[row][column + 1]) {
                gone.add(one.get(row++));
            } else {
                made.add(other.get(column++));
            }
        }
        flush(rows, gone, made);
        return rows;
    }

    /** Lines that went and lines that came at the same place stand beside each other. */
    private static void flush(List<Row> rows, List<String> gone, List<String> made) {
        for (int at = 0; at < Math.max(gone.size(), made.size()); at++) {
            boolean both = at < gone.size() && at < made.size();
            rows.add(new Row(
                    both ? Kind.CHANGED : at < gone.size() ? Kind.GONE : Kind.NEW,
                    at < gone.size() ? gone.get(at) : "",
                    at < made.size() ? made.get(at) : ""));
        }
        gone.clear();
        made.clear();
    }
}

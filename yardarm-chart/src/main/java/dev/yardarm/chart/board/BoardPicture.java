package dev.yardarm.chart.board;

import java.util.List;

/**
 * A board as it is to be painted: its columns, and the lines that can be seen.
 *
 * @param columns from left to right
 * @param lines those from the first one that can be seen on
 * @param focused true while keys act on it
 */
public record BoardPicture(List<Column> columns, List<Line> lines, boolean focused) {
    /** Height of the heads and of each line, in pixels. */
    public static final double HEAD = 24;

    public static final double LINE = 24;

    public BoardPicture {
        columns = List.copyOf(columns);
        lines = List.copyOf(lines);
    }

    /**
     * A column.
     *
     * @param width in pixels
     * @param right true when its head stands at the right, as its numbers do
     * @param sorted 1 when the board is sorted by it from low to high, -1 from high to low, else 0
     */
    public record Column(String title, double width, boolean right, int sorted) {}

    /** One line of the board. */
    public sealed interface Line {}

    /** The name of a group, with how many are in it. */
    public record Heading(String text) implements Line {}

    /**
     * One instrument.
     *
     * @param cells one for each column
     * @param chosen true for the one in hand
     * @param pointed true for the one under the pointer
     */
    public record Row(List<Cell> cells, boolean chosen, boolean pointed) implements Line {
        public Row {
            cells = List.copyOf(cells);
        }
    }

    /** Number of the line at a height, counted from the first one seen; -1 on the heads. */
    public static int lineAt(double y) {
        return y < HEAD ? -1 : (int) ((y - HEAD) / LINE);
    }

    /** Number of the column at an x, -1 beyond the last. */
    public int columnAt(double x) {
        double left = 0;
        for (int column = 0; column < columns.size(); column++) {
            left += columns.get(column).width();
            if (x < left) {
                return column;
            }
        }
        return -1;
    }

    /** How many lines there is room for, the last one whole. */
    public static int linesIn(double height) {
        return Math.max(1, (int) ((height - HEAD) / LINE));
    }
}

package dev.yardarm.chart.board;

import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import java.util.ArrayList;
import java.util.List;

/**
 * Paints a board as a table, and again only what has changed: quotes come many times a second, and of a line most stays as it was. What was
 * painted last is kept; a place is painted anew when it looks otherwise, all of it when the board has another size, other columns or colours, or
 * was scrolled.
 *
 * <p>Cost: by the places that can be seen and have changed. One painter serves one board on one surface that keeps what was painted on it.
 */
public final class BoardPainter {
    private final CellPainter cells = new CellPainter();
    private BoardPicture painted;
    private Palette in;
    private double wide;
    private double high;

    /** Everything is painted anew the next time, as when the surface has lost what was on it. */
    public void forget() {
        painted = null;
    }

    public void paint(BoardPicture board, double width, double height, Palette palette, Surface surface) {
        boolean same = painted != null
                && palette == in
                && width == wide
                && height == high
                && painted.focused() == board.focused()
                && painted.columns().equals(board.columns())
                && painted.lines().size() == board.lines().size();
        surface.beginClip(0, 0, width, height);
        if (!same) {
            cells.rectangle(0, 0, width, height, palette.of(Role.PAPER), surface);
            cells.rectangle(0, 0, width, BoardPicture.HEAD, palette.of(Role.PANEL), surface);
            heads(board, palette, surface);
        }
        double y = BoardPicture.HEAD;
        List<BoardPicture.Line> shown = new ArrayList<>();
        for (int at = 0; at < board.lines().size(); at++, y += BoardPicture.LINE) {
            BoardPicture.Line line = board.lines().get(at);
            BoardPicture.Line before = same ? painted.lines().get(at) : null;
            if (line instanceof BoardPicture.Row row) {
                boolean only = before instanceof BoardPicture.Row was
                        && was.chosen() == row.chosen()
                        && was.pointed() == row.pointed();
                shown.add(row(board, row, only ? (BoardPicture.Row) before : null, y, width, palette, surface));
                continue;
            }
            if (line instanceof BoardPicture.Heading heading && !line.equals(before)) {
                heading(heading, y, width, palette, surface);
            }
            shown.add(line);
        }
        surface.endClip();
        painted = new BoardPicture(board.columns(), shown, board.focused());
        in = palette;
        wide = width;
        high = height;
    }

    private void heading(BoardPicture.Heading heading, double y, double width, Palette palette, Surface surface) {
        cells.rectangle(0, y, width, BoardPicture.LINE, palette.of(Role.PANEL), surface);
        surface.text(
                heading.text(),
                CellPainter.PAD,
                y + BoardPicture.LINE / 2,
                Type.STRONG,
                Align.LEFT,
                palette.of(Role.INK));
    }

    private void heads(BoardPicture board, Palette palette, Surface surface) {
        double x = 0;
        for (BoardPicture.Column column : board.columns()) {
            String title = cells.shortened(
                    column.title(), column.width() - 2 * CellPainter.PAD - (column.sorted() == 0 ? 0 : 12), surface);
            double at = column.right() ? x + column.width() - CellPainter.PAD : x + CellPainter.PAD;
            surface.text(
                    title,
                    at,
                    BoardPicture.HEAD / 2,
                    Type.BASE,
                    column.right() ? Align.RIGHT : Align.LEFT,
                    palette.of(column.sorted() == 0 ? Role.SOFT : Role.INK));
            if (column.sorted() != 0) {
                double end = surface.textWidth(title, Type.BASE) + 8;
                sign(column.sorted(), column.right() ? at - end : at + end, palette, surface);
            }
            x += column.width();
        }
        cells.rectangle(
                0,
                surface.snap(BoardPicture.HEAD) - surface.hairline(),
                x,
                surface.hairline(),
                palette.of(Role.EDGE),
                surface);
    }

    /** Which way it is sorted: three lines that grow or shrink downward. */
    private void sign(int sorted, double x, Palette palette, Surface surface) {
        for (int step = 0; step < 3; step++) {
            double length = sorted > 0 ? 3 + 2 * step : 7 - 2 * step;
            cells.rectangle(
                    surface.snap(x - 3),
                    surface.snap(BoardPicture.HEAD / 2 - 3 + 3 * step),
                    length,
                    surface.hairline(),
                    palette.of(Role.INK),
                    surface);
        }
    }

    /**
     * Paints a row.
     *
     * @param before what stands there; null to paint the whole line
     * @return what stands there now: a place that looked as before keeps what was painted, so that small moves add up until they show
     */
    private BoardPicture.Row row(
            BoardPicture board,
            BoardPicture.Row row,
            BoardPicture.Row before,
            double y,
            double width,
            Palette palette,
            Surface surface) {
        if (before == null) {
            ground(board, row, 0, y, width, palette, surface);
            hairline(y, width, palette, surface);
        }
        double x = 0;
        List<Cell> shown = new ArrayList<>(row.cells());
        for (int column = 0; column < board.columns().size(); column++) {
            double room = board.columns().get(column).width();
            Cell cell = row.cells().get(column);
            if (before != null && CellPainter.looksAs(cell, before.cells().get(column), room)) {
                shown.set(column, before.cells().get(column));
            } else {
                if (before != null) {
                    ground(board, row, x, y, room, palette, surface);
                }
                cells.paint(cell, x, y, room, BoardPicture.LINE, palette, surface);
            }
            x += room;
        }
        return new BoardPicture.Row(shown, row.chosen(), row.pointed());
    }

    /** Paper down to the hairline below the row, which stays when only a place is painted anew. */
    private void ground(
            BoardPicture board,
            BoardPicture.Row row,
            double x,
            double y,
            double width,
            Palette palette,
            Surface surface) {
        double left = surface.snap(x);
        double wide = surface.snap(x + width) - left;
        double high = bottom(y, surface) - y;
        cells.rectangle(left, y, wide, high, palette.of(Role.PAPER), surface);
        if (row.chosen() || row.pointed()) {
            int colour = palette.of(Role.CHOSEN);
            cells.rectangle(left, y, wide, high, row.chosen() ? colour : Palette.fade(colour, 0.55), surface);
        }
        if (row.chosen() && x == 0) {
            cells.rectangle(0, y, board.focused() ? 3 : 2, high, palette.of(Role.INK), surface);
        }
    }

    private static double bottom(double y, Surface surface) {
        return surface.snap(y + BoardPicture.LINE) - surface.hairline();
    }

    private void hairline(double y, double width, Palette palette, Surface surface) {
        double bottom = bottom(y, surface);
        cells.rectangle(0, bottom, width, surface.hairline(), palette.of(Role.PAPER), surface);
        cells.rectangle(0, bottom, width, surface.hairline(), Palette.fade(palette.of(Role.RULE), 0.7), surface);
    }
}

package dev.yardarm.chart.board;

import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;

/** Paints a board as a table. Cost: by the places that can be seen. One painter serves one board. */
public final class BoardPainter {
    private final CellPainter cells = new CellPainter();

    public void paint(BoardPicture board, double width, double height, Palette palette, Surface surface) {
        cells.rectangle(0, 0, width, height, palette.of(Role.PAPER), surface);
        cells.rectangle(0, 0, width, BoardPicture.HEAD, palette.of(Role.PANEL), surface);
        surface.beginClip(0, 0, width, height);
        heads(board, palette, surface);
        double y = BoardPicture.HEAD;
        for (BoardPicture.Line line : board.lines()) {
            if (y >= height) {
                break;
            }
            if (line instanceof BoardPicture.Row row) {
                row(board, row, y, width, palette, surface);
            } else if (line instanceof BoardPicture.Heading heading) {
                cells.rectangle(0, y, width, BoardPicture.LINE, palette.of(Role.PANEL), surface);
                surface.text(
                        heading.text(),
                        CellPainter.PAD,
                        y + BoardPicture.LINE / 2,
                        Type.STRONG,
                        Align.LEFT,
                        palette.of(Role.INK));
            }
            y += BoardPicture.LINE;
        }
        surface.endClip();
    }

    private void heads(BoardPicture board, Palette palette, Surface surface) {
        double x = 0;
        for (BoardPicture.Column column : board.columns()) {
            String title = CellPainter.shortened(
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

    private void row(
            BoardPicture board, BoardPicture.Row row, double y, double width, Palette palette, Surface surface) {
        if (row.chosen() || row.pointed()) {
            cells.rectangle(
                    0,
                    y,
                    width,
                    BoardPicture.LINE,
                    row.chosen() ? palette.of(Role.CHOSEN) : Palette.fade(palette.of(Role.CHOSEN), 0.55),
                    surface);
        }
        if (row.chosen()) {
            cells.rectangle(0, y, board.focused() ? 3 : 2, BoardPicture.LINE, palette.of(Role.INK), surface);
        }
        double x = 0;
        for (int column = 0; column < board.columns().size(); column++) {
            double room = board.columns().get(column).width();
            cells.paint(row.cells().get(column), x, y, room, BoardPicture.LINE, palette, surface);
            x += room;
        }
        cells.rectangle(
                0,
                surface.snap(y + BoardPicture.LINE) - surface.hairline(),
                width,
                surface.hairline(),
                Palette.fade(palette.of(Role.RULE), 0.7),
                surface);
    }
}

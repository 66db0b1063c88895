package dev.yardarm.chart.board;

import dev.yardarm.chart.board.TileLayout.Tile;
import dev.yardarm.chart.render.Readout;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;

/**
 * Paints a wall of tiles. In each tile a column stands on the bottom, as high as the day's change is large, hollow for a rise and filled for a
 * fall, as bars are; the change stands in figures with its sign. So the wall reads in grey.
 */
public final class WallPainter {
    /** The change at which a column fills its tile; larger ones do too. */
    private static final double WHOLE = 0.05;

    private static final double LINE = 15;

    private final CellPainter cells = new CellPainter();

    /**
     * Paints it.
     *
     * @param chosen key of the tile in hand
     * @param pointed key of the one under the pointer; empty for none
     */
    public void paint(
            WallPicture wall,
            String chosen,
            String pointed,
            double width,
            double height,
            Palette palette,
            Surface surface) {
        cells.rectangle(0, 0, width, height, palette.of(Role.PAPER), surface);
        for (WallPicture.Group group : wall.groups()) {
            Tile place = group.place();
            if (place.height() > 2.5 * WallPicture.NAME) {
                String name = cells.shortened(group.name(), place.width() - 6, surface);
                surface.text(
                        name,
                        place.x() + 3,
                        place.y() + WallPicture.NAME / 2,
                        Type.STRONG,
                        Align.LEFT,
                        palette.of(Role.INK));
            }
        }
        for (WallPicture.Placed tile : wall.tiles()) {
            tile(tile, tile.item().key().equals(chosen), tile.item().key().equals(pointed), palette, surface);
        }
    }

    private void tile(WallPicture.Placed tile, boolean chosen, boolean pointed, Palette palette, Surface surface) {
        Tile at = tile.place();
        if (at.width() < 1 || at.height() < 1) {
            return;
        }
        double change = tile.item().change();
        double x = surface.snap(at.x());
        double y = surface.snap(at.y());
        double width = surface.snap(at.x() + at.width()) - x;
        double height = surface.snap(at.y() + at.height()) - y;
        cells.rectangle(x, y, width, height, palette.of(pointed ? Role.CHOSEN : Role.PANEL), surface);
        double part = Double.isNaN(change) ? 0 : Math.min(1, Math.abs(change) / WHOLE);
        double room = height - words(tile, x, y, width, height, palette, surface);
        double column = Math.max(part > 0 ? 2 : 0, room * part);
        int colour = palette.of(change > 0 ? Role.RISE : Role.FALL);
        if (change < 0) {
            cells.rectangle(x, y + height - column, width, column, Palette.fade(colour, 0.5), surface);
        } else if (change > 0) {
            outline(x, y + height - column, width, column, 1.5, colour, surface);
        }
        if (chosen) {
            outline(x, y, width, height, 2, palette.of(Role.INK), surface);
        }
    }

    private void outline(double x, double y, double width, double height, double thick, int colour, Surface surface) {
        double line = Math.min(thick, Math.min(width, height) / 2);
        cells.rectangle(x, y, width, line, colour, surface);
        cells.rectangle(x, y + height - line, width, line, colour, surface);
        cells.rectangle(x, y, line, height, colour, surface);
        cells.rectangle(x + width - line, y, line, height, colour, surface);
    }

    /**
     * Code and change where both fit, the code alone where only that does, else nothing: it is told when it is pointed at. Gives the height that
     * they take at the top, so that no column runs through them.
     */
    private static double words(
            WallPicture.Placed tile,
            double x,
            double y,
            double width,
            double height,
            Palette palette,
            Surface surface) {
        String code = tile.item().code();
        double change = tile.item().change();
        String figure = Double.isNaN(change) ? "" : Readout.percent(change, 1);
        if (surface.textWidth(code, Type.STRONG) + 6 > width || height < LINE + 3) {
            return 0;
        }
        boolean both =
                height >= 2 * LINE + 3 && !figure.isEmpty() && surface.textWidth(figure, Type.SMALL) + 6 <= width;
        int ink = palette.of(Role.INK);
        surface.text(code, x + width / 2, y + 2 + LINE / 2, Type.STRONG, Align.CENTRE, ink);
        if (both) {
            surface.text(figure, x + width / 2, y + 1 + 1.5 * LINE, Type.SMALL, Align.CENTRE, ink);
        }
        return (both ? 2 * LINE : LINE) + 2;
    }
}

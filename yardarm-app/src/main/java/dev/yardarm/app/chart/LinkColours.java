package dev.yardarm.app.chart;

import dev.yardarm.chart.surface.Palette;
import javafx.scene.paint.Color;

/** The link colours: the series colours of the theme, by number. */
public final class LinkColours {
    private LinkColours() {}

    /** @param link number of the colour; 0 for none, which is that of the ground */
    public static Color of(Palette palette, int link) {
        return CanvasSurface.colour(link == 0 ? palette.of(Palette.Role.PANEL) : palette.series(link - 1));
    }
}

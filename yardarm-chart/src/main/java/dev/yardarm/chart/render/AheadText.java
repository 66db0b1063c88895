package dev.yardarm.chart.render;

import dev.yardarm.chart.label.Label;
import dev.yardarm.chart.label.Label.Rank;
import dev.yardarm.chart.label.Label.Spot;
import dev.yardarm.chart.label.Labels;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import java.util.ArrayList;
import java.util.List;

/** Texts beside what is drawn ahead of the newest bar: at their height, else a little above or below it. */
record AheadText(ChartModel chart, Pane pane, Palette palette, Labels labels) {
    private static final double[] AWAY = {0, 14, -14, 28, -28, 42, -42};

    /**
     * Adds a text; none where what it speaks of lies out of view.
     *
     * @param shorter what is left of it where there is no room
     */
    void add(String text, String shorter, double x, double y, Align align, int colour) {
        if (y < pane.top() || y > pane.bottom()) {
            return;
        }
        List<Spot> spots = new ArrayList<>();
        for (double away : AWAY) {
            spots.add(new Spot(x, y + away, align));
        }
        labels.add(new Label(
                "",
                text,
                shorter,
                Type.SMALL,
                colour,
                Palette.fade(palette.of(Role.PAPER), 0.85),
                Rank.PLAN,
                0,
                ChartPainter.area(chart, pane),
                spots));
    }

    /** A price as the instrument writes it. */
    String price(double price) {
        return chart.instrument().orElseThrow().format().format(price);
    }
}

package dev.yardarm.chart.render;

import dev.yardarm.chart.label.Label;
import dev.yardarm.chart.label.Label.Rank;
import dev.yardarm.chart.label.Label.Spot;
import dev.yardarm.chart.label.Labels;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import dev.yardarm.core.series.Times;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Marks what is missing at the end of the bars while the source is behind or does not answer: slanted lines behind the newest bar, which may not be
 * whole, and since when. With what was missed they are gone.
 */
final class GapRenderer {
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm:ss", Locale.ROOT);
    private static final double WIDTH = 34;
    private static final double STEP = 9;

    private final Batch lines = new Batch();

    void paint(ChartModel chart, Palette palette, Surface surface, Labels labels) {
        if (chart.missingSince() == 0 || chart.bars().isEmpty()) {
            return;
        }
        double left =
                chart.time().middle(chart.bars().size() - 1) + chart.time().barWidth() / 2 + 1;
        double right = Math.min(left + WIDTH, chart.plotRight());
        if (left >= chart.plotRight() || left < 0) {
            return;
        }
        Pane pane = chart.pricePane();
        surface.beginClip(left, pane.top(), right - left, pane.bottom() - pane.top());
        lines.clear();
        for (double y = pane.top() - WIDTH; y < pane.bottom() + WIDTH; y += STEP) {
            lines.point(left, y + WIDTH);
            lines.point(left + WIDTH, y);
        }
        surface.segments(Palette.fade(palette.of(Role.SOFT), 0.55), 1, lines.values(), lines.points() / 2);
        surface.endClip();
        if (!chart.isCompact()) {
            String words = "missing since "
                    + Times.at(chart.missingSince(), chart.zone()).format(CLOCK);
            List<Spot> spots = new ArrayList<>();
            for (double down = 40; down < 160; down += 14) {
                spots.add(new Spot(left - 6, pane.top() + down, Align.RIGHT));
            }
            labels.add(new Label(
                    "",
                    words,
                    "missing",
                    Type.SMALL,
                    palette.of(Role.INK),
                    Palette.fade(palette.of(Role.PAPER), 0.9),
                    Rank.CHOSEN,
                    0,
                    ChartPainter.area(chart, pane),
                    spots));
        }
    }
}

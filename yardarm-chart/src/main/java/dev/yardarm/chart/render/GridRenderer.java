package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.scale.PriceTicks;
import dev.yardarm.chart.scale.TimeTicks;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import java.util.List;

/** Draws grid lines, the lines between panes, and the labels of both axes. */
final class GridRenderer {
    private static final double PRICE_APART = 44;
    private static final double TIME_APART = 76;
    private final Batch lines = new Batch();
    private final Batch borders = new Batch();

    void paint(ChartModel chart, Palette palette, Surface surface, TagRenderer tags) {
        lines.clear();
        borders.clear();
        double pixel = surface.hairline();
        List<TimeTicks.Tick> ticks = TimeTicks.of(chart.time(), chart.axis(), chart.zone(), TIME_APART);
        for (TimeTicks.Tick tick : ticks) {
            lines.rectangle(surface.snap(tick.x()), 0, pixel, chart.plotBottom());
        }
        for (Pane pane : chart.panes()) {
            if (pane.folded()) {
                borders.rectangle(0, surface.snap(pane.top()), chart.width(), pixel);
                continue;
            }
            for (double price : AxisText.marks(chart, pane, PRICE_APART)) {
                lines.rectangle(0, surface.snap(pane.scale().y(price)), chart.plotRight(), pixel);
            }
            if (pane.top() > 0) {
                borders.rectangle(0, surface.snap(pane.top()), chart.width(), pixel);
            }
        }
        lines.fill(surface, Palette.fade(palette.of(Role.RULE), chart.isCompact() ? 0.5 : 0.8));
        if (chart.isCompact()) {
            return;
        }
        borders.rectangle(surface.snap(chart.plotRight()), 0, pixel, chart.plotBottom());
        borders.rectangle(0, surface.snap(chart.plotBottom()), chart.width(), pixel);
        borders.fill(surface, Palette.fade(palette.of(Role.EDGE), 0.6));
        for (Pane pane : chart.panes()) {
            if (pane.folded()) {
                continue;
            }
            paintLeft(pane, palette, surface);
            for (double price : AxisText.marks(chart, pane, PRICE_APART)) {
                double y = pane.scale().y(price);
                if (y > pane.top() + 7 && y < pane.bottom() - 7 && !tags.covers(y)) {
                    surface.text(
                            AxisText.of(chart, pane, price),
                            chart.width() - 8,
                            y,
                            Type.SMALL,
                            Align.RIGHT,
                            palette.of(Role.SOFT));
                }
            }
        }
        for (TimeTicks.Tick tick : ticks) {
            double half = surface.textWidth(tick.label(), Type.SMALL) / 2;
            if (tick.x() - half > 2 && tick.x() + half < chart.plotRight()) {
                surface.text(
                        tick.label(),
                        tick.x(),
                        chart.plotBottom() + ChartModel.TIME_AXIS / 2,
                        Type.SMALL,
                        Align.CENTRE,
                        palette.of(tick.isMajor() ? Role.INK : Role.SOFT));
            }
        }
    }

    /** The values of the axis at the left, on the chart's ground. */
    private static void paintLeft(Pane pane, Palette palette, Surface surface) {
        if (pane.left() == null) {
            return;
        }
        for (double value : PriceTicks.of(pane.left(), PRICE_APART, 1e-9)) {
            double y = pane.left().y(value);
            if (y > pane.top() + 40 && y < pane.bottom() - 7) {
                surface.text(Readout.plain(value), 6, y, Type.SMALL, Align.LEFT, palette.of(Role.SOFT));
            }
        }
    }
}

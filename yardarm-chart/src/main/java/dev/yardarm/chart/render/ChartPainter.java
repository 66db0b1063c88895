package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.core.bars.BarRule;

/**
 * Draws a whole chart: ground, grid, panes with their layers, axes with their tags. What follows the pointer is not
 * drawn here. One painter serves one chart; it keeps its batches from frame to frame.
 */
public final class ChartPainter {
    private final BarRenderer bars = new BarRenderer();
    private final LayerRenderer layers = new LayerRenderer();
    private final VolumeRenderer volume = new VolumeRenderer();
    private final GridRenderer grid = new GridRenderer();
    private final DrawingRenderer drawings = new DrawingRenderer();
    private final BracketRenderer bracket = new BracketRenderer();
    private final PointFigureRenderer boxes = new PointFigureRenderer();
    private final MarkRenderer marks = new MarkRenderer();
    private final TagRenderer tags = new TagRenderer();
    private final double[] rectangle = new double[4];

    public void paint(ChartModel chart, Palette palette, Surface surface) {
        fill(surface, palette.of(Role.PAPER), 0, 0, chart.width(), chart.height());
        if (chart.instrument().isEmpty() || chart.bars().isEmpty()) {
            return;
        }
        if (!chart.isCompact()) {
            tags.place(chart, palette);
        }
        grid.paint(chart, palette, surface, tags);
        marks.paintBreaks(chart, palette, surface);
        for (Pane pane : chart.panes()) {
            if (pane.folded()) {
                continue;
            }
            surface.beginClip(0, pane.top(), chart.plotRight(), pane.bottom() - pane.top());
            paintPane(chart, pane, palette, surface);
            surface.endClip();
        }
        marks.paintEvents(chart, palette, surface);
        if (!chart.isCompact()) {
            tags.paint(chart, palette, surface);
        }
    }

    private void paintPane(ChartModel chart, Pane pane, Palette palette, Surface surface) {
        switch (pane.kind()) {
            case PRICE -> {
                if (chart.request().rule() instanceof BarRule.PointFigure rule) {
                    boxes.paint(chart, rule, pane.scale(), palette, surface);
                } else {
                    bars.paint(chart, pane.scale(), palette, surface);
                }
            }
            case VOLUME -> volume.paint(chart, pane.scale(), palette, surface);
            case INDICATOR -> {}
        }
        for (IndicatorLayer layer : pane.indicators()) {
            if (layer.style().showsOn(chart.timeframe())) {
                layers.paint(chart, pane, layer, palette, surface);
            }
        }
        if (pane.kind() == Pane.Kind.PRICE) {
            drawings.paint(chart, palette, surface);
            chart.plan().ifPresent(plan -> bracket.paint(chart, plan, palette, surface));
        }
    }

    private void fill(Surface surface, int colour, double x, double y, double width, double height) {
        rectangle[0] = x;
        rectangle[1] = y;
        rectangle[2] = width;
        rectangle[3] = height;
        surface.fillRectangles(colour, rectangle, 1);
    }
}

package dev.yardarm.chart.plot;

import dev.yardarm.chart.label.Box;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import java.util.ArrayList;
import java.util.List;

/**
 * Draws a plot: ground, grid, series from the ground up, axes with their titles, and a legend where there are several.
 * Nothing is told by colour alone: a column above its base is hollow, one below filled; lines have the dash of their colour;
 * cells of heat carry their number where there is room, and a stroke at the left when they lie below the middle. One painter
 * serves one plot and keeps its batches from frame to frame.
 */
public final class PlotPainter {
    private static final double POINT = 5;
    private static final double LEAST_FOR_NUMBERS = 16;

    private final Batch shapes = new Batch();
    private final Batch hollow = new Batch();
    private final Batch filled = new Batch();

    public void paint(PlotLayout layout, Palette palette, Surface surface) {
        Box box = layout.box();
        fill(surface, palette.of(Role.PAPER), 0, 0, layout.width(), layout.height());
        grid(layout, palette, surface);
        surface.beginClip(box.left(), box.top(), box.width(), box.height());
        List<Integer> colours = new ArrayList<>();
        for (PlotSeries series : layout.plot().series()) {
            colours.add(series.accept(new Drawn(layout, palette, surface)));
        }
        surface.endClip();
        axes(layout, palette, surface);
        titles(layout, colours, palette, surface);
    }

    private void fill(Surface surface, int colour, double x, double y, double width, double height) {
        shapes.clear();
        shapes.rectangle(x, y, width, height);
        shapes.fill(surface, colour);
    }

    private void grid(PlotLayout layout, Palette palette, Surface surface) {
        Box box = layout.box();
        double pixel = surface.hairline();
        shapes.clear();
        if (layout.plot().right().kind() != PlotAxis.Kind.NAMES) {
            for (PlotLayout.Mark mark : layout.right()) {
                shapes.rectangle(box.left(), surface.snap(mark.at()), box.width(), pixel);
            }
        }
        if (layout.plot().below().kind() != PlotAxis.Kind.NAMES) {
            for (PlotLayout.Mark mark : layout.below()) {
                shapes.rectangle(surface.snap(mark.at()), box.top(), pixel, box.height());
            }
        }
        shapes.fill(surface, Palette.fade(palette.of(Role.RULE), 0.8));
    }

    private void axes(PlotLayout layout, Palette palette, Surface surface) {
        Box box = layout.box();
        double pixel = surface.hairline();
        shapes.clear();
        shapes.rectangle(box.left(), surface.snap(box.bottom()), box.width(), pixel);
        shapes.rectangle(surface.snap(box.right()), box.top(), pixel, box.height());
        shapes.fill(surface, Palette.fade(palette.of(Role.EDGE), 0.6));
        for (PlotLayout.Mark mark : layout.right()) {
            surface.text(mark.text(), box.right() + 6, mark.at(), Type.SMALL, Align.LEFT, palette.of(Role.SOFT));
        }
        for (PlotLayout.Mark mark : layout.below()) {
            double half = surface.textWidth(mark.text(), Type.SMALL) / 2;
            if (mark.at() - half >= box.left() - 4 && mark.at() + half <= box.right() + 4) {
                surface.text(
                        mark.text(), mark.at(), box.bottom() + 12, Type.SMALL, Align.CENTRE, palette.of(Role.SOFT));
            }
        }
    }

    private static void titles(PlotLayout layout, List<Integer> colours, Palette palette, Surface surface) {
        Box box = layout.box();
        Plot plot = layout.plot();
        surface.text(plot.title(), box.left(), 11, Type.STRONG, Align.LEFT, palette.of(Role.INK));
        double end = box.left() + surface.textWidth(plot.title(), Type.STRONG) + 16;
        double wide = surface.textWidth(plot.right().title(), Type.SMALL);
        if (box.right() + 6 - wide > end) {
            surface.text(plot.right().title(), box.right() + 6, 11, Type.SMALL, Align.RIGHT, palette.of(Role.SOFT));
        }
        surface.text(
                plot.below().title(),
                (box.left() + box.right()) / 2,
                box.bottom() + 30,
                Type.SMALL,
                Align.CENTRE,
                palette.of(Role.SOFT));
        double x = box.left();
        for (int number = 0; plot.series().size() > 1 && number < plot.series().size(); number++) {
            String name = plot.series().get(number).name();
            double width = surface.textWidth(name, Type.SMALL);
            if (x + width <= box.right()) {
                surface.text(name, x, 28, Type.SMALL, Align.LEFT, colours.get(number));
                x += width + 14;
            }
        }
    }

    /** Draws a series; gives the colour of its name in the legend. */
    private final class Drawn implements PlotSeries.Visitor<Integer> {
        private final PlotLayout layout;
        private final Palette palette;
        private final Surface surface;

        Drawn(PlotLayout layout, Palette palette, Surface surface) {
            this.layout = layout;
            this.palette = palette;
            this.surface = surface;
        }

        @Override
        public Integer line(PlotSeries.Line line) {
            PlotPainter.this.line(layout, line, palette, surface);
            return palette.series(line.colour());
        }

        @Override
        public Integer columns(PlotSeries.Columns columns) {
            PlotPainter.this.columns(layout, columns, palette, surface);
            return palette.of(Role.INK);
        }

        @Override
        public Integer points(PlotSeries.Points points) {
            PlotPainter.this.points(layout, points, palette, surface);
            return palette.series(points.colour());
        }

        @Override
        public Integer heat(PlotSeries.Heat heat) {
            PlotPainter.this.heat(layout, heat, palette, surface);
            return palette.of(Role.INK);
        }
    }

    private void line(PlotLayout layout, PlotSeries.Line line, Palette palette, Surface surface) {
        shapes.clear();
        for (int point = 0; point <= line.xs().length; point++) {
            boolean gap = point == line.xs().length || Double.isNaN(line.xs()[point]) || Double.isNaN(line.ys()[point]);
            if (!gap) {
                shapes.point(layout.x(line.xs()[point]), layout.y(line.ys()[point]));
            } else {
                if (shapes.points() > 1) {
                    surface.line(
                            palette.series(line.colour()),
                            1.5,
                            Palette.dash(line.colour()),
                            shapes.values(),
                            shapes.points());
                }
                shapes.clear();
            }
        }
    }

    private void points(PlotLayout layout, PlotSeries.Points points, Palette palette, Surface surface) {
        shapes.clear();
        for (int point = 0; point < points.xs().length; point++) {
            double x = layout.x(points.xs()[point]);
            double y = layout.y(points.ys()[point]);
            if (Double.isFinite(x) && Double.isFinite(y)) {
                shapes.rectangle(surface.snap(x - POINT / 2), surface.snap(y - POINT / 2), POINT, POINT);
            }
        }
        shapes.fill(surface, Palette.fade(palette.series(points.colour()), 0.85));
    }

    private void columns(PlotLayout layout, PlotSeries.Columns columns, Palette palette, Surface surface) {
        hollow.clear();
        filled.clear();
        shapes.clear();
        double base = surface.snap(layout.y(columns.base()));
        double half = layout.halfColumn(columns);
        double pixel = surface.hairline();
        for (int at = 0; at < columns.xs().length; at++) {
            double value = columns.ys()[at];
            if (Double.isNaN(value)) {
                continue;
            }
            double left = surface.snap(layout.x(columns.xs()[at]) - half);
            double right = surface.snap(layout.x(columns.xs()[at]) + half);
            double y = surface.snap(layout.y(value));
            double top = Math.min(y, base);
            double height = Math.max(pixel, Math.abs(y - base));
            double width = Math.max(pixel, right - left);
            boolean above = value >= columns.base();
            (above ? hollow : filled).rectangle(left, top, width, height);
            if (above && width > 3 * pixel && height > 2 * pixel) {
                shapes.rectangle(left + pixel, top + pixel, width - 2 * pixel, height - 2 * pixel);
            }
        }
        hollow.fill(surface, palette.of(Role.RISE));
        shapes.fill(surface, palette.of(Role.PAPER));
        filled.fill(surface, palette.of(Role.FALL));
        fill(
                surface,
                palette.of(Role.SOFT),
                layout.box().left(),
                base,
                layout.box().width(),
                pixel);
    }

    private void heat(PlotLayout layout, PlotSeries.Heat heat, Palette palette, Surface surface) {
        for (int row = 0; row < heat.values().length; row++) {
            for (int column = 0; column < heat.values()[row].length; column++) {
                double value = heat.values()[row][column];
                if (Double.isNaN(value)) {
                    continue;
                }
                Box cell = layout.cell(row, column);
                double part = Math.max(-1, Math.min(1, (value - heat.middle()) / heat.reach()));
                double left = surface.snap(cell.left()) + 1;
                double top = surface.snap(cell.top()) + 1;
                double width = surface.snap(cell.right()) - left;
                double height = surface.snap(cell.bottom()) - top;
                fill(
                        surface,
                        Palette.fade(palette.of(part < 0 ? Role.FALL : Role.RISE), 0.55 * Math.abs(part)),
                        left,
                        top,
                        width,
                        height);
                if (part < 0) {
                    fill(surface, palette.of(Role.FALL), left, top, 2, height);
                }
                String text = PlotLayout.heatText(value);
                if (height >= LEAST_FOR_NUMBERS && width >= surface.textWidth(text, Type.SMALL) + 6) {
                    surface.text(
                            text,
                            (cell.left() + cell.right()) / 2,
                            (cell.top() + cell.bottom()) / 2,
                            Type.SMALL,
                            Align.CENTRE,
                            palette.of(Role.INK));
                }
            }
        }
    }
}

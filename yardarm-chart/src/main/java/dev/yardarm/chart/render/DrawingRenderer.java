package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.DrawingShape;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.drawing.Agreement;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.Sketch;
import dev.yardarm.core.series.Bars;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * Draws drawings: areas, lines, words. One from a higher timeframe is a doubled hairline with the letter of that timeframe; a chosen
 * one has handles in the signal colour with an ink outline. Fired alerts leave a mark at the bar on which they fired.
 */
final class DrawingRenderer {
    private static final double[] DASHED = {5, 4};
    private static final double[] DOTTED = {1.5, 3};
    /** Half the distance of the two hairlines of an inherited drawing. */
    private static final double APART = 1.5;
    /** How far words stand off their point. */
    private static final double LIFT = 11;

    /** Heights of the words at the right edge, and how far from it they reach. */
    private final List<double[]> atEdge = new ArrayList<>();

    private final Batch points = new Batch();
    private final Batch outline = new Batch();
    private final Batch inside = new Batch();

    void paint(ChartModel chart, Palette palette, Surface surface) {
        atEdge.clear();
        List<Drawing> inView = chart.places().inView();
        Set<String> chosen = Set.copyOf(chart.selection().drawings());
        for (Drawing drawing : inView) {
            paint(chart, drawing, chosen.contains(drawing.id()), palette, surface);
        }
        if (!chart.isCompact()) {
            paintAgreements(chart, inView, palette, surface);
            for (Firing firing : chart.firings()) {
                paintFired(chart, firing, palette, surface);
            }
        }
    }

    private void paint(ChartModel chart, Drawing drawing, boolean chosen, Palette palette, Surface surface) {
        DrawingShape shape = DrawingShape.of(chart, drawing);
        Drawing.Style style = drawing.style();
        int colour = Palette.fade(palette.series(style.colour()), style.opacity());
        int shade = Palette.fade(palette.series(style.colour()), style.fill() * style.opacity());
        for (double[] area : shape.areas()) {
            surface.fillPolygon(shade, area, area.length / 2);
        }
        boolean inherited = drawing.origin().isHigherThan(chart.timeframe());
        DrawingShape.Line main = null;
        for (DrawingShape.Line line : shape.lines()) {
            if (chart.isCompact() && (line.part() == Sketch.Part.DASHED || line.part() == Sketch.Part.THIN)) {
                continue;
            }
            boolean strong = line.part() == Sketch.Part.MAIN || line.part() == Sketch.Part.ARROW;
            if (inherited && strong) {
                doubled(line, colour, surface);
            } else {
                surface.line(
                        colour,
                        strong && !chart.isCompact() ? style.width() : 1,
                        dash(line.part(), style),
                        line.points(),
                        line.count());
            }
            if (line.part() == Sketch.Part.ARROW) {
                head(line, colour, style.width(), surface);
            }
            main = main == null ? line : main;
        }
        if (chart.isCompact()) {
            return;
        }
        if (style.words() != Drawing.Style.Words.NONE) {
            shape.words().forEach(words -> write(words, chart.plotRight(), colour, palette, surface));
        }
        if (inherited && main != null) {
            paintOrigin(chart, drawing, main, colour, palette, surface);
        }
        if (chosen) {
            paintHandles(chart, drawing, shape, palette, surface);
        }
    }

    /** Where levels of several ratio drawings stand together: a mark at the right edge with their number. */
    private void paintAgreements(ChartModel chart, List<Drawing> inView, Palette palette, Surface surface) {
        for (Agreement.Shared shared : chart.places().agreements(inView)) {
            double top = chart.price().y(shared.high()) - 2;
            double height = Math.max(5, chart.price().y(shared.low()) + 2 - top);
            double right = chart.plotRight();
            inside.clear();
            inside.rectangle(right - 112, top, 112, height);
            inside.fill(surface, Palette.fade(palette.of(Role.INK), 0.2));
            String text = shared.count() + " levels in one place";
            double width = surface.textWidth(text, Type.SMALL) + 8;
            inside.clear();
            double left = right - width - 4 - beside(top + height / 2 - 7, width);
            inside.rectangle(left, top + height / 2 - 8, width, 16);
            inside.fill(surface, palette.of(Role.INK));
            surface.text(text, left + width / 2, top + height / 2, Type.SMALL, Align.CENTRE, palette.of(Role.PAPER));
        }
    }

    /** How far words at the right edge give way to those that stand there already. */
    private double beside(double y, double width) {
        double taken = 0;
        for (double[] other : atEdge) {
            if (Math.abs(other[0] - y) < 13) {
                taken = Math.max(taken, other[1]);
            }
        }
        atEdge.add(new double[] {y, taken + width + 8});
        return taken;
    }

    private static double[] dash(Sketch.Part part, Drawing.Style style) {
        return part == Sketch.Part.DASHED
                ? DASHED
                : switch (style.dash()) {
                    case SOLID -> Palette.dash(0);
                    case DASHED -> DASHED;
                    case DOTTED -> DOTTED;
                };
    }

    private void doubled(DrawingShape.Line line, int colour, Surface surface) {
        for (double apart : new double[] {-APART, APART}) {
            points.clear();
            for (int point = 0; point < line.count(); point++) {
                points.point(line.points()[2 * point], line.points()[2 * point + 1] + apart);
            }
            surface.line(colour, 1, Palette.dash(0), points.values(), points.points());
        }
    }

    /** A head at the end of a line. */
    private void head(DrawingShape.Line line, int colour, double width, Surface surface) {
        int end = line.count() - 1;
        double x = line.points()[2 * end];
        double y = line.points()[2 * end + 1];
        double angle = Math.atan2(y - line.points()[2 * end - 1], x - line.points()[2 * end - 2]);
        double length = 7 + 2 * width;
        points.clear();
        points.point(x, y);
        points.point(x - length * Math.cos(angle - 0.42), y - length * Math.sin(angle - 0.42));
        points.point(x - length * Math.cos(angle + 0.42), y - length * Math.sin(angle + 0.42));
        surface.fillPolygon(colour, points.values(), 3);
    }

    /** Words on a patch of paper, so that they can be read over bars. */
    private void write(DrawingShape.Words words, double plotRight, int colour, Palette palette, Surface surface) {
        Type type = words.size() == 0 ? Type.SMALL : words.size() == 1 ? Type.BASE : Type.STRONG;
        double width = surface.textWidth(words.text(), type);
        double middle =
                switch (words.side()) {
                    case ABOVE -> words.y() - LIFT;
                    case RIGHT_EDGE, LEFT_EDGE -> words.y() - 7;
                    case BELOW_EDGE -> words.y() + 7;
                    case BELOW -> words.y() + LIFT;
                    default -> words.y();
                };
        double left =
                switch (words.side()) {
                    case RIGHT -> words.x() + 6;
                    case LEFT -> words.x() - width - 6;
                    case RIGHT_EDGE, BELOW_EDGE -> words.x() - width - 4 - beside(middle, width);
                    case LEFT_EDGE -> words.x() + 2;
                    default -> words.x() - width / 2;
                };
        // Words that would run over the axis stand left of it; those of points out of view stay where they are.
        boolean over = words.x() <= plotRight && left + width > plotRight - 4;
        left = over ? Math.max(4, plotRight - width - 4) : left;
        inside.clear();
        inside.rectangle(left - 2, middle - 7, width + 4, 14);
        inside.fill(surface, Palette.fade(palette.of(Role.PAPER), 0.8));
        surface.text(words.text(), left, middle, type, Align.LEFT, colour);
    }

    /** The letter of the origin, near the right edge, on a patch of paper so that it can be read. */
    private void paintOrigin(
            ChartModel chart, Drawing drawing, DrawingShape.Line line, int colour, Palette palette, Surface surface) {
        String letter = drawing.origin().toString();
        double x = chart.plotRight() - 14;
        double y = Double.NaN;
        double[] values = line.points();
        for (int point = 1; point < line.count() && Double.isNaN(y); point++) {
            double from = Math.min(values[2 * point - 2], values[2 * point]);
            double to = Math.max(values[2 * point - 2], values[2 * point]);
            if (from <= x && to >= x && to > from) {
                double part = (x - values[2 * point - 2]) / (values[2 * point] - values[2 * point - 2]);
                y = values[2 * point - 1] + part * (values[2 * point + 1] - values[2 * point - 1]);
            }
        }
        if (Double.isNaN(y)) {
            x = Math.min(x, values[2 * line.count() - 2]);
            y = values[2 * line.count() - 1];
        }
        double width = surface.textWidth(letter, Type.SMALL) + 8;
        inside.clear();
        inside.rectangle(x - width / 2, y - 8, width, 16);
        inside.fill(surface, palette.of(Role.PAPER));
        surface.text(letter, x, y, Type.SMALL, Align.CENTRE, colour);
    }

    private void paintHandles(ChartModel chart, Drawing drawing, DrawingShape shape, Palette palette, Surface surface) {
        outline.clear();
        inside.clear();
        double[] at = shape.handles();
        if (drawing.is(Drawing.LEVEL)) {
            handle(surface, chart.plotRight() * 0.5, at[1]);
        } else {
            // Of a long freehand stroke the ends alone.
            int step = at.length > 240 ? at.length / 2 - 1 : 1;
            for (int anchor = 0; anchor < at.length / 2; anchor += step) {
                handle(surface, at[2 * anchor], at[2 * anchor + 1]);
            }
        }
        outline.fill(surface, palette.of(Role.INK));
        inside.fill(surface, palette.of(drawing.place().locked() ? Role.SOFT : Role.SIGNAL));
    }

    private void handle(Surface surface, double x, double y) {
        double left = surface.snap(x - 4.5);
        double top = surface.snap(y - 4.5);
        outline.rectangle(left, top, 9, 9);
        inside.rectangle(left + 1, top + 1, 7, 7);
    }

    /** A small flag at the bar and price of firing: a mast in ink and a pennant in the signal colour. */
    private void paintFired(ChartModel chart, Firing firing, Palette palette, Surface surface) {
        Bars bars = chart.bars();
        int bar = Math.min(bars.size() - 1, chart.axis().bar(firing.at() - 1));
        double y = surface.snap(chart.price().y(firing.price()));
        if (bar < 0) {
            return;
        }
        double x = surface.snap(chart.time().middle(bar));
        points.clear();
        points.point(x, y - 26);
        points.point(x + 13, y - 21);
        points.point(x, y - 16);
        surface.fillPolygon(palette.of(Role.SIGNAL), points.values(), 3);
        points.point(x, y - 26);
        points.point(x, y);
        surface.line(palette.of(Role.INK), 1, Palette.dash(0), points.values(), points.points());
    }
}

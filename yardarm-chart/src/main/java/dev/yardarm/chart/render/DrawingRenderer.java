package dev.yardarm.chart.render;

import dev.yardarm.chart.label.Box;
import dev.yardarm.chart.label.Labels;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.DrawingShape;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.drawing.Agreement;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.Sketch;
import dev.yardarm.core.series.Bars;
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

    /** A reading whose rival is chosen. */
    private static final double RECEDED = 0.25;

    private final Batch points = new Batch();
    private final Batch outline = new Batch();
    private final Batch inside = new Batch();

    /** Paints the lines and areas of all drawings in view; their words go to the labels. */
    void paint(ChartModel chart, Palette palette, Surface surface, Labels labels) {
        List<Drawing> inView = chart.places().inView();
        Set<String> chosen = chart.selection() instanceof Selection.Finding finding
                ? Set.of(finding.id())
                : Set.copyOf(chart.selection().drawings());
        DrawingLabels words = new DrawingLabels(chart, palette, labels);
        for (Drawing drawing : inView) {
            boolean isChosen = chosen.contains(drawing.id())
                    || chart.selection() instanceof Selection.Finding
                            && chart.found()
                                    .find(drawing.id())
                                    .filter(found -> chosen.contains(found.id()))
                                    .isPresent();
            paint(chart, drawing, isChosen, palette, surface, words);
        }
        if (!chart.isCompact()) {
            paintAgreements(chart, inView, palette, surface, words);
            for (Firing firing : chart.firings()) {
                paintFired(chart, firing, palette, surface, labels);
            }
        }
    }

    private void paint(
            ChartModel chart, Drawing drawing, boolean chosen, Palette palette, Surface surface, DrawingLabels labels) {
        DrawingShape shape = DrawingShape.of(chart, drawing);
        Drawing.Style style = drawing.style();
        boolean recedes =
                chart.found().find(drawing.id()).filter(chart.found()::recedes).isPresent();
        double opacity = recedes ? style.opacity() * RECEDED : style.opacity();
        int colour = Palette.fade(palette.series(style.colour()), opacity);
        int shade = Palette.fade(palette.series(style.colour()), style.fill() * opacity);
        for (double[] area : shape.areas()) {
            surface.fillPolygon(shade, area, area.length / 2);
        }
        boolean inherited = drawing.origin().isHigherThan(chart.timeframe());
        boolean unsettled = style.dash() == Drawing.Style.Dash.DOTTED
                && chart.found().find(drawing.id()).isPresent();
        DrawingShape.Line main = null;
        for (DrawingShape.Line line : shape.lines()) {
            if (chart.isCompact() && (line.part() == Sketch.Part.DASHED || line.part() == Sketch.Part.THIN)) {
                continue;
            }
            boolean strong = line.part() == Sketch.Part.MAIN || line.part() == Sketch.Part.ARROW;
            if (inherited && strong && !unsettled) {
                doubled(line, colour, surface);
            } else {
                surface.line(
                        colour,
                        strong && !chart.isCompact() ? style.width() : 1,
                        unsettled ? Provisional.DOTS : dash(line.part(), style),
                        line.points(),
                        line.count());
            }
            if (line.part() == Sketch.Part.ARROW) {
                head(line, colour, style.width(), surface);
            }
            main = main == null ? line : main;
        }
        if (chart.isCompact() || recedes) {
            return;
        }
        if (style.words() != Drawing.Style.Words.NONE) {
            labels.addWords(drawing, shape, chosen, colour);
        }
        chart.found().part(drawing.id()).ifPresent(part -> labels.addFound(part, drawing, shape, chosen, colour));
        if (inherited && main != null) {
            labels.addOrigin(drawing, main, chosen, colour);
        }
        if (chosen) {
            paintHandles(chart, drawing, shape, palette, surface);
        }
    }

    /** Where levels of several ratio drawings stand together: a band at the right edge with their number. */
    private void paintAgreements(
            ChartModel chart, List<Drawing> inView, Palette palette, Surface surface, DrawingLabels labels) {
        if (chart.agreement().map().isPresent()) {
            // The map takes them in.
            return;
        }
        for (Agreement.Shared shared : chart.places().agreements(inView)) {
            double top = chart.price().y(shared.high()) - 2;
            double height = Math.max(5, chart.price().y(shared.low()) + 2 - top);
            double right = chart.plotRight();
            inside.clear();
            inside.rectangle(right - 112, top, 112, height);
            inside.fill(surface, Palette.fade(palette.of(Role.INK), 0.2));
            labels.addAgreement(shared.count() + " levels in one place", top + height / 2);
        }
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
    private void paintFired(ChartModel chart, Firing firing, Palette palette, Surface surface, Labels labels) {
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
        labels.reserve(new Box(x - 1, y - 27, x + 14, y));
    }
}

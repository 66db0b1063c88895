package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.DrawingPath;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.series.Bars;

/**
 * Draws levels and lines. One from a higher timeframe is a doubled hairline with the letter of that timeframe; a chosen
 * one has handles in the signal colour with an ink outline. Fired alerts leave a mark at the bar on which they fired.
 */
final class DrawingRenderer {
    private final Batch points = new Batch();
    private final Batch second = new Batch();
    private final Batch outline = new Batch();
    private final Batch inside = new Batch();

    void paint(ChartModel chart, Palette palette, Surface surface) {
        for (Drawing drawing : chart.drawings()) {
            if (drawing.visible()) {
                boolean chosen = chart.selection() instanceof Selection.Drawing selected
                        && selected.id().equals(drawing.id());
                paint(chart, drawing, chosen, palette, surface);
            }
        }
        if (!chart.isCompact()) {
            for (Alert alert : chart.alerts()) {
                if (alert.hasFired()) {
                    paintFired(chart, alert, palette, surface);
                }
            }
        }
    }

    private void paint(ChartModel chart, Drawing drawing, boolean chosen, Palette palette, Surface surface) {
        DrawingPath.trace(chart, drawing, points);
        if (points.points() < 2) {
            return;
        }
        int colour = Palette.fade(palette.series(drawing.colour()), drawing.opacity());
        boolean inherited = drawing.origin().isHigherThan(chart.timeframe());
        if (inherited) {
            second.clear();
            double apart = 1.5;
            for (int point = 0; point < points.points(); point++) {
                second.point(points.values()[2 * point], points.values()[2 * point + 1] + apart);
                points.values()[2 * point + 1] -= apart;
            }
            surface.line(colour, 1, Palette.dash(0), points.values(), points.points());
            surface.line(colour, 1, Palette.dash(0), second.values(), second.points());
            if (!chart.isCompact()) {
                paintOrigin(chart, drawing, colour, palette, surface);
            }
        } else {
            surface.line(colour, chart.isCompact() ? 1 : drawing.width(), Palette.dash(0), points.values(),
                    points.points());
        }
        if (chosen && !chart.isCompact()) {
            paintHandles(chart, drawing, palette, surface);
        }
    }

    /** The letter of the origin, near the right edge, on a patch of paper so that it can be read. */
    private void paintOrigin(ChartModel chart, Drawing drawing, int colour, Palette palette, Surface surface) {
        String letter = drawing.origin().toString();
        double x = chart.plotRight() - 14;
        double y = Double.NaN;
        for (int point = 0; point < points.points(); point++) {
            if (points.values()[2 * point] <= x + 30) {
                y = points.values()[2 * point + 1] + 1.5;
            }
        }
        double width = surface.textWidth(letter, Type.SMALL) + 8;
        inside.clear();
        inside.rectangle(x - width / 2, y - 8, width, 16);
        inside.fill(surface, palette.of(Role.PAPER));
        surface.text(letter, x, y, Type.SMALL, Align.CENTRE, colour);
    }

    private void paintHandles(ChartModel chart, Drawing drawing, Palette palette, Surface surface) {
        outline.clear();
        inside.clear();
        if (drawing.kind() == Drawing.Kind.LEVEL) {
            double y = chart.price().y(drawing.anchors().get(0).price());
            handle(surface, chart.plotRight() * 0.5, y);
        } else {
            for (Anchor anchor : drawing.anchors()) {
                handle(surface, chart.time().middle(chart.axis().bar(anchor.time())),
                        chart.price().y(anchor.price()));
            }
        }
        outline.fill(surface, palette.of(Role.INK));
        inside.fill(surface, palette.of(Role.SIGNAL));
    }

    private void handle(Surface surface, double x, double y) {
        double left = surface.snap(x - 4.5);
        double top = surface.snap(y - 4.5);
        outline.rectangle(left, top, 9, 9);
        inside.rectangle(left + 1, top + 1, 7, 7);
    }

    /** A small flag at the bar and price of firing: a mast in ink and a pennant in the signal colour. */
    private void paintFired(ChartModel chart, Alert alert, Palette palette, Surface surface) {
        Bars bars = chart.bars();
        int bar = Math.min(bars.size() - 1, chart.axis().bar(alert.firedAt() - 1));
        double y = surface.snap(chart.price().y(alert.firedPrice()));
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

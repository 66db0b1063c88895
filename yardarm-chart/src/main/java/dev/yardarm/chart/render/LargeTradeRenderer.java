package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LargeTradePlaces;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import dev.yardarm.core.profile.LargeMarks;
import dev.yardarm.core.profile.LargeTrades;
import dev.yardarm.core.series.TickSeries;

/**
 * Marks of large trades at their bar and price: their area is their size against the largest in view, their strength too. What was bought has a
 * stem below that carries it, what was sold one above that presses it; one whose side is not known has none. Cost: the marks in view.
 */
final class LargeTradeRenderer {
    private static final int CORNERS = 24;
    private static final double STEM = 5;

    private final Batch points = new Batch();
    private final Batch shapes = new Batch();

    void paint(ChartModel chart, Pane pane, Palette palette, Surface surface) {
        for (IndicatorLayer layer : pane.indicators()) {
            LargeTradePlaces.of(chart, layer).ifPresent(places -> {
                String form = layer.settings().word("mark");
                for (int place = places.first(); place < places.end(); place++) {
                    LargeMarks.Mark mark = places.marks().get(place);
                    double strength =
                            (0.35 + 0.65 * places.share(mark)) * layer.style().opacity();
                    double y = pane.scale().y(mark.trade().price());
                    mark(form, mark.trade(), places.x(mark), y, places.across(mark), strength, palette, surface);
                }
            });
        }
    }

    private void mark(
            String form,
            LargeTrades.Large trade,
            double x,
            double y,
            double across,
            double strength,
            Palette palette,
            Surface surface) {
        Role role = trade.side() == TickSeries.ASK ? Role.RISE : trade.side() == TickSeries.BID ? Role.FALL : Role.SOFT;
        int colour = Palette.fade(palette.of(role), strength);
        double pixel = surface.hairline();
        String figure = FootprintRenderer.figure(trade.size());
        double half = across / 2;
        if (form.equals("plate") || form.equals("number")) {
            double wide = surface.textWidth(figure, Type.SMALL) + 6;
            if (form.equals("plate")) {
                shapes.clear();
                shapes.rectangle(surface.snap(x - wide / 2), surface.snap(y - 7), wide, 14);
                shapes.fill(surface, palette.of(Role.PAPER));
                shapes.fill(surface, Palette.fade(palette.of(role), 0.15 + 0.3 * strength));
            }
            surface.text(figure, x, y, Type.SMALL, Align.CENTRE, palette.of(role == Role.FALL ? Role.FALL_TEXT : role));
            half = 7;
        } else {
            circle(x, y, half);
            if (form.equals("dot")) {
                surface.fillPolygon(Palette.fade(colour, 0.55), points.values(), CORNERS);
            } else {
                surface.fillPolygon(Palette.fade(colour, 0.16), points.values(), CORNERS);
            }
            points.point(points.values()[0], points.values()[1]);
            surface.line(colour, form.equals("dot") ? pixel : 2, new double[0], points.values(), CORNERS + 1);
        }
        if (trade.side() != TickSeries.UNKNOWN) {
            boolean isBought = trade.side() == TickSeries.ASK;
            shapes.clear();
            shapes.rectangle(surface.snap(x - 1), isBought ? y + half : y - half - STEM, 2, STEM);
            shapes.rectangle(surface.snap(x - 4), surface.snap(isBought ? y + half + STEM - 2 : y - half - STEM), 8, 2);
            shapes.fill(surface, colour);
        }
    }

    private void circle(double x, double y, double radius) {
        points.clear();
        for (int corner = 0; corner < CORNERS; corner++) {
            double angle = 2 * Math.PI * corner / CORNERS;
            points.point(x + radius * Math.cos(angle), y + radius * Math.sin(angle));
        }
    }
}

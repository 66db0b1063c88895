package dev.yardarm.chart.render;

import dev.yardarm.chart.label.Box;
import dev.yardarm.chart.label.Label;
import dev.yardarm.chart.label.Label.Rank;
import dev.yardarm.chart.label.Label.Spot;
import dev.yardarm.chart.label.Labels;
import dev.yardarm.chart.model.AgreementView;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import dev.yardarm.core.structure.AgreementMap;
import java.util.List;
import java.util.Optional;

/**
 * The map of agreement: a narrow strip at the price axis, darker where more sources lie, and each zone with the number of those that agree.
 * Cost of a frame: a search for every few pixels of its height.
 */
final class AgreementRenderer {
    private static final double ROW = 3;
    /** So many sources are as dark as it gets. */
    private static final int DARKEST = 6;

    private final Batch[] shades = new Batch[DARKEST + 1];
    private final Batch edge = new Batch();

    AgreementRenderer() {
        for (int each = 0; each < shades.length; each++) {
            shades[each] = new Batch();
        }
    }

    void paint(ChartModel chart, Palette palette, Surface surface, Labels labels) {
        AgreementView view = chart.agreement();
        Optional<AgreementMap> map = chart.isCompact() ? Optional.empty() : view.map();
        if (map.isEmpty() || chart.pricePane().folded()) {
            return;
        }
        int colour =
                view.layer().map(layer -> palette.drawn(layer.leadColour())).orElse(palette.of(Role.INK));
        PriceScale scale = chart.price();
        double left = surface.snap(chart.agreementLeft());
        double width = chart.plotRight() - left;
        double top = chart.pricePane().top();
        double bottom = chart.pricePane().bottom();
        edge.clear();
        edge.rectangle(left, top, width, bottom - top);
        edge.fill(surface, palette.of(Role.PAPER));
        for (Batch each : shades) {
            each.clear();
        }
        for (double y = top; y < bottom; y += ROW) {
            int density = map.get().density(scale.price(y + ROW / 2));
            if (density > 0) {
                shades[Math.min(DARKEST, density)].rectangle(left, y, width, Math.min(ROW, bottom - y));
            }
        }
        for (int density = 1; density <= DARKEST; density++) {
            shades[density].fill(surface, Palette.fade(colour, 0.12 + 0.78 * (density - 1) / (DARKEST - 1)));
        }
        edge.clear();
        edge.rectangle(left, top, surface.hairline(), bottom - top);
        edge.fill(surface, palette.of(Role.RULE));
        labels.reserve(new Box(left, top, chart.plotRight(), bottom));
        paintZones(chart, view, palette, surface, labels, left);
    }

    /** Each zone in view: a bar at the left of the strip, and how many agree. */
    private void paintZones(
            ChartModel chart, AgreementView view, Palette palette, Surface surface, Labels labels, double left) {
        Box area = ChartPainter.area(chart, chart.pricePane());
        double lastY = chart.price().y(chart.data().last());
        edge.clear();
        for (AgreementMap.Zone zone : view.zones()) {
            double one = chart.price().y(zone.high());
            double other = chart.price().y(zone.low());
            double top = Math.min(one, other) - 1.5;
            double bottom = Math.max(one, other) + 1.5;
            if (bottom < area.top() || top > area.bottom()) {
                continue;
            }
            edge.rectangle(left - 3, top, 3, bottom - top);
            double middle = (top + bottom) / 2;
            labels.add(new Label(
                    "",
                    zone.sources().size() + " agree",
                    String.valueOf(zone.sources().size()),
                    Type.SMALL,
                    palette.of(Role.INK),
                    Palette.fade(palette.of(Role.PAPER), 0.85),
                    Rank.LEVEL,
                    Math.abs(middle - lastY),
                    area,
                    List.of(
                            new Spot(left - 6, middle, Align.RIGHT),
                            new Spot(left - 6, middle - 12, Align.RIGHT),
                            new Spot(left - 6, middle + 12, Align.RIGHT),
                            new Spot(left - 60, middle, Align.RIGHT))));
        }
        edge.fill(surface, palette.of(Role.INK));
    }
}

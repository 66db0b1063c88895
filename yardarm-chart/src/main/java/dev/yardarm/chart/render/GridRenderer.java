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
        List<TimeTicks.Tick> ticks = TimeTicks.of(chart.time(), chart.axis(), chart.axis().grid().calendar().zone(),
                TIME_APART);
        for (TimeTicks.Tick tick : ticks) {
            lines.rectangle(surface.snap(tick.x()), 0, pixel, chart.plotBottom());
        }
        for (Pane pane : chart.panes()) {
            for (double price : marks(chart, pane)) {
                lines.rectangle(0, surface.snap(pane.scale().y(price)), chart.plotRight(), pixel);
            }
            if (pane.kind() != Pane.Kind.PRICE) {
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
            for (double price : marks(chart, pane)) {
                double y = pane.scale().y(price);
                if (y > pane.top() + 7 && y < pane.bottom() - 7 && !tags.covers(y)) {
                    surface.text(label(chart, pane, price), chart.width() - 8, y, Type.SMALL, Align.RIGHT,
                            palette.of(Role.SOFT));
                }
            }
        }
        for (TimeTicks.Tick tick : ticks) {
            double half = surface.textWidth(tick.label(), Type.SMALL) / 2;
            if (tick.x() - half > 2 && tick.x() + half < chart.plotRight()) {
                surface.text(tick.label(), tick.x(), chart.plotBottom() + ChartModel.TIME_AXIS / 2, Type.SMALL,
                        Align.CENTRE, palette.of(tick.isMajor() ? Role.INK : Role.SOFT));
            }
        }
    }

    private static List<Double> marks(ChartModel chart, Pane pane) {
        return switch (pane.kind()) {
            case PRICE -> PriceTicks.of(pane.scale(), PRICE_APART,
                    chart.instrument().map(each -> each.format().tick()).orElse(1e-9));
            case VOLUME -> PriceTicks.of(pane.scale(), PRICE_APART * 0.7, 1).stream().filter(mark -> mark > 0).toList();
            case INDICATOR -> {
                List<Double> levels = pane.indicators().get(0).indicator().place().levels();
                yield levels.isEmpty() ? PriceTicks.of(pane.scale(), PRICE_APART * 0.7, 1e-9) : levels;
            }
        };
    }

    private static String label(ChartModel chart, Pane pane, double value) {
        return switch (pane.kind()) {
            case PRICE -> chart.instrument().orElseThrow().format().format(value);
            case VOLUME -> Readout.quantity(value);
            case INDICATOR -> Readout.plain(value);
        };
    }
}

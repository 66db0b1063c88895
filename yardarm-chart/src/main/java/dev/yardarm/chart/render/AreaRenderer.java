package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.OutputStyle;
import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.series.Column;
import java.util.List;

/** Draws the pale areas of an indicator: zones beyond its outermost levels, between two outputs, from an output to a level. */
final class AreaRenderer {
    private static final double FILL = 0.1;
    private static final double ZONE = 0.12;

    private final Batch points = new Batch();

    void zones(ChartModel chart, IndicatorLayer layer, PriceScale scale, Palette palette, Surface surface) {
        List<Double> levels = layer.levels();
        if (levels.size() < 2) {
            return;
        }
        double most = levels.stream().mapToDouble(Double::doubleValue).max().orElse(0);
        double least = levels.stream().mapToDouble(Double::doubleValue).min().orElse(0);
        points.clear();
        double top = Math.max(scale.top(), scale.y(most));
        double bottom = Math.min(scale.bottom(), scale.y(least));
        if (top > scale.top()) {
            points.rectangle(0, scale.top(), chart.plotRight(), top - scale.top());
        }
        if (bottom < scale.bottom()) {
            points.rectangle(0, bottom, chart.plotRight(), scale.bottom() - bottom);
        }
        points.fill(surface, Palette.fade(palette.of(Palette.Role.SOFT), ZONE));
    }

    /** The area between two outputs the indicator declares. */
    void fill(
            ChartModel chart,
            IndicatorLayer layer,
            List<ChartData.Line> lines,
            Indicator.Fill fill,
            PriceScale scale,
            Palette palette,
            Surface surface) {
        between(
                chart,
                LayerRenderer.moved(chart, layer, fill.one()),
                lines.get(fill.one()).column(),
                lines.get(fill.other()).column(),
                scale,
                Palette.fade(
                        palette.drawn(colour(layer, fill)), FILL * layer.style().opacity()),
                surface);
    }

    /** That of an end that is never drawn and has one, else that of the layer. */
    private static int colour(IndicatorLayer layer, Indicator.Fill fill) {
        for (int end : new int[] {fill.one(), fill.other()}) {
            Indicator.Output output = layer.indicator().outputs().get(end);
            if (output.form() == Indicator.Form.NONE && !output.look().colour().isEmpty()) {
                return layer.colourOf(end);
            }
        }
        return layer.style().colour();
    }

    private void between(
            ChartModel chart, TimeScale time, Column one, Column other, PriceScale scale, int colour, Surface surface) {
        int from = Math.max(0, time.firstVisible() - 1);
        int end = Math.min(chart.bars().size(), time.endVisible(chart.bars().size()) + 1);
        // With many bars to a pixel every so manieth is enough for a pale area.
        int step = Math.max(1, (int) Math.floor(0.5 / Math.max(1e-9, time.barWidth())));
        int begun = -1;
        for (int bar = from; bar <= end; bar += step) {
            boolean there = bar < end && !Double.isNaN(one.at(bar)) && !Double.isNaN(other.at(bar));
            if (there && begun < 0) {
                begun = bar;
            } else if (!there && begun >= 0) {
                polygon(time, one, other, begun, bar, step, scale, colour, surface);
                begun = -1;
            }
        }
        if (begun >= 0) {
            polygon(time, one, other, begun, end, step, scale, colour, surface);
        }
    }

    private void polygon(
            TimeScale time,
            Column one,
            Column other,
            int from,
            int end,
            int step,
            PriceScale scale,
            int colour,
            Surface surface) {
        points.clear();
        int last = from;
        for (int bar = from; bar < end; bar += step) {
            points.point(time.middle(bar), scale.y(one.at(bar)));
            last = bar;
        }
        for (int bar = last; bar >= from; bar -= step) {
            points.point(time.middle(bar), scale.y(other.at(bar)));
        }
        if (points.points() > 3) {
            surface.fillPolygon(colour, points.values(), points.points());
        }
    }

    /** The area of an output: to another output, to a number, or to zero. */
    void ground(
            ChartModel chart,
            TimeScale time,
            PriceScale scale,
            IndicatorLayer layer,
            OutputStyle style,
            Column column,
            int colour,
            Surface surface) {
        int other = layer.indicator().output(style.ground());
        int shade = Palette.fade(colour, 2 * FILL);
        if (other >= 0) {
            between(chart, time, column, chart.data().of(layer).get(other).column(), scale, shade, surface);
        } else {
            double level = 0;
            try {
                level = style.ground().isEmpty() ? 0 : Double.parseDouble(style.ground());
            } catch (NumberFormatException notANumber) {
                // An output the indicator does not have any more: the area ends at zero.
                level = 0;
            }
            shade(
                    chart,
                    time,
                    scale,
                    column,
                    scale.y(Math.max(scale.low(), Math.min(scale.high(), level))),
                    shade,
                    surface);
        }
    }

    private void shade(
            ChartModel chart,
            TimeScale time,
            PriceScale scale,
            Column column,
            double base,
            int colour,
            Surface surface) {
        points.clear();
        for (int bar = LayerRenderer.from(time); bar <= LayerRenderer.end(chart, time); bar++) {
            double value = bar < LayerRenderer.end(chart, time) ? column.at(bar) : Double.NaN;
            if (!Double.isNaN(value)) {
                if (points.isEmpty()) {
                    points.point(time.middle(bar), base);
                }
                points.point(time.middle(bar), scale.y(value));
            } else if (!points.isEmpty()) {
                points.point(time.middle(bar - 1), base);
                surface.fillPolygon(colour, points.values(), points.points());
                points.clear();
            }
        }
    }
}

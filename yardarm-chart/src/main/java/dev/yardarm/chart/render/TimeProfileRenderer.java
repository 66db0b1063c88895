package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import dev.yardarm.core.profile.TimeSpan;
import dev.yardarm.core.profile.ValueArea;
import java.util.List;

/**
 * Time at price below the bars: each block of a session is a cell in every row it was traded in, pushed to the left behind the blocks before it.
 * Blocks are told apart by their number where there is room, and by light and dark in turn; rows of the value area have a stronger edge. A
 * clamp at the left is the opening range; a single print has a dot behind it. Cost: the cells of the sessions in view.
 */
final class TimeProfileRenderer {
    private static final double LEAST_ROW = 2;
    private static final double TEXT_ROW = 11;
    private static final double TEXT_CELL = 14;
    private static final double WIDEST_CELL = 16;
    /** Of the width of the session. */
    private static final double WIDE = 0.9;

    private final Batch even = new Batch();
    private final Batch odd = new Batch();
    private final Batch area = new Batch();
    private final Batch marks = new Batch();

    void paint(ChartModel chart, Pane pane, Palette palette, Surface surface) {
        for (IndicatorLayer layer : pane.indicators()) {
            List<TimeSpan> spans = chart.data().flow().times().getOrDefault(layer.id(), List.of());
            if (spans.isEmpty() || !layer.style().showsOn(chart.timeframe())) {
                continue;
            }
            even.clear();
            odd.clear();
            area.clear();
            marks.clear();
            for (TimeSpan each : spans) {
                shapes(chart, layer, each, pane.scale(), surface);
            }
            int colour = palette.drawn(layer.leadColour());
            double opacity = layer.style().opacity();
            even.fill(surface, Palette.fade(colour, 0.14 * opacity));
            odd.fill(surface, Palette.fade(colour, 0.28 * opacity));
            area.fill(surface, Palette.fade(colour, 0.8 * opacity));
            marks.fill(surface, Palette.fade(palette.of(Role.INK), 0.8));
            for (TimeSpan each : spans) {
                numbers(chart, each, pane.scale(), palette, surface);
            }
        }
    }

    /** Of a session that began before the view what can be seen of it has the picture. */
    private static double left(ChartModel chart, TimeSpan span) {
        return Math.max(chart.time().left() + 2, chart.time().x(chart.axis().bar(span.from())));
    }

    private static double right(ChartModel chart, TimeSpan span) {
        return chart.time().x(chart.axis().bar(span.to() - 1) + 1);
    }

    /** How wide a cell is; 0 for a session out of view or too narrow for any. */
    private static double cell(ChartModel chart, TimeSpan span) {
        TimeScale time = chart.time();
        double from = left(chart, span);
        double to = right(chart, span);
        if (to <= time.left() || from >= chart.plotRight() || span.blocks().isEmpty()) {
            return 0;
        }
        int most = 1;
        for (long row = span.lowest(); row <= span.highest(); row++) {
            most = Math.max(most, span.count(row));
        }
        double cell = Math.min(WIDEST_CELL, WIDE * (to - from) / most);
        return cell < 1 ? 0 : cell;
    }

    private static double height(TimeSpan span, PriceScale scale) {
        return Math.abs(scale.y(span.rows().bottom(span.lowest() + 1))
                - scale.y(span.rows().bottom(span.lowest())));
    }

    private void shapes(ChartModel chart, IndicatorLayer layer, TimeSpan span, PriceScale scale, Surface surface) {
        double cell = cell(chart, span);
        if (cell == 0) {
            return;
        }
        double left = surface.snap(left(chart, span));
        double pixel = surface.hairline();
        ValueArea value = span.area(layer.settings().number("area") / 100);
        double gap = cell >= 4 && height(span, scale) >= 4 ? pixel : 0;
        for (long row = span.lowest(); row <= span.highest(); row++) {
            double one = scale.y(span.rows().bottom(row));
            double other = scale.y(span.rows().bottom(row + 1));
            double top = surface.snap(Math.min(one, other));
            double high = Math.max(pixel, surface.snap(Math.max(one, other)) - top - gap);
            if (height(span, scale) < LEAST_ROW && row % 2 != 0) {
                // Rows so low are drawn every other one, twice as high.
                continue;
            }
            high = height(span, scale) < LEAST_ROW ? Math.max(high * 2, pixel) : high;
            int place = 0;
            for (TimeSpan.Block block : span.blocks()) {
                if (row >= block.low() && row <= block.high()) {
                    (block.number() % 2 == 0 ? even : odd).rectangle(left + 5 + place * cell, top, cell - gap, high);
                    place++;
                }
            }
            if (row >= value.low() && row <= value.high()) {
                area.rectangle(left + 2, top, 2, high);
            }
            if (row == value.control()) {
                area.rectangle(left + 5 + place * cell, top, 3, high);
            }
            if (span.isSingle(row)) {
                marks.rectangle(left + 5 + cell + 3, surface.snap((one + other) / 2 - 1), 2, 2);
            }
        }
        long[] opening = span.opening(layer.settings().whole("opening"));
        if (opening != null) {
            double one = scale.y(span.rows().bottom(opening[0]));
            double other = scale.y(span.rows().bottom(opening[1] + 1));
            double top = Math.min(one, other);
            double bottom = Math.max(one, other);
            marks.rectangle(left - 2, top, 2, bottom - top);
            marks.rectangle(left - 2, top, 6, 2);
            marks.rectangle(left - 2, bottom - 2, 6, 2);
        }
    }

    private static void numbers(ChartModel chart, TimeSpan span, PriceScale scale, Palette palette, Surface surface) {
        double cell = cell(chart, span);
        if (cell < TEXT_CELL || height(span, scale) < TEXT_ROW) {
            return;
        }
        double left = surface.snap(left(chart, span));
        for (long row = span.lowest(); row <= span.highest(); row++) {
            double y = (scale.y(span.rows().bottom(row)) + scale.y(span.rows().bottom(row + 1))) / 2;
            int place = 0;
            for (TimeSpan.Block block : span.blocks()) {
                if (row >= block.low() && row <= block.high()) {
                    surface.text(
                            Integer.toString(block.number() + 1),
                            left + 5 + (place + 0.5) * cell,
                            y,
                            Type.SMALL,
                            Align.CENTRE,
                            palette.of(Role.SOFT));
                    place++;
                }
            }
        }
    }
}

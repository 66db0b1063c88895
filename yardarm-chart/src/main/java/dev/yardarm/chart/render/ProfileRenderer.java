package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.core.profile.PriceRows;
import dev.yardarm.core.profile.SpanProfile;
import java.util.List;

/**
 * The volume profiles of spans, below the bars: from the beginning of each span to the right, rows of the value area darker, that of the
 * point of control darkest. The widest row takes a part of the span's width. Rows that are lower than a pixel are drawn together, as wide as the
 * widest of them. Cost: the rows of the spans in view.
 */
final class ProfileRenderer {
    private static final double WIDE = 0.42;
    private static final double WIDEST = 150;
    private static final double NARROWEST = 6;

    private final Batch outside = new Batch();
    private final Batch inside = new Batch();
    private final Batch control = new Batch();

    void paint(ChartModel chart, PriceScale scale, Palette palette, Surface surface) {
        for (IndicatorLayer layer : chart.drawnIndicators()) {
            List<SpanProfile> spans = chart.data().flow().profiles().getOrDefault(layer.id(), List.of());
            if (spans.isEmpty() || !layer.style().showsOn(chart.timeframe())) {
                continue;
            }
            outside.clear();
            inside.clear();
            control.clear();
            for (SpanProfile each : spans) {
                rows(chart, scale, each, surface);
            }
            int colour = palette.drawn(layer.leadColour());
            double opacity = layer.style().opacity();
            outside.fill(surface, Palette.fade(colour, 0.14 * opacity));
            inside.fill(surface, Palette.fade(colour, 0.28 * opacity));
            control.fill(surface, Palette.fade(colour, 0.6 * opacity));
        }
    }

    private void rows(ChartModel chart, PriceScale scale, SpanProfile span, Surface surface) {
        TimeScale time = chart.time();
        double left = time.x(chart.axis().bar(span.from()));
        double right = time.x(chart.axis().bar(span.to() - 1) + 1);
        PriceRows rows = span.rows();
        boolean seen = right > time.left() && left < chart.plotRight() && !rows.isEmpty();
        // Of a span that began before the view what can be seen of it has the profile.
        left = Math.max(left, time.left());
        double wide = Math.min(WIDEST, WIDE * (right - left));
        double most = seen ? rows.volume(span.area().control()) : 0;
        if (!seen || wide < NARROWEST || !(most > 0)) {
            return;
        }
        double pixel = surface.hairline();
        double widest = 0;
        double from = Double.NaN;
        for (long row = rows.lowest(); row <= rows.highest(); row++) {
            double one = scale.y(rows.price(row));
            double other = scale.y(rows.price(row + 1));
            from = Double.isNaN(from) ? one : from;
            widest = Math.max(widest, rows.volume(row));
            boolean last = row == rows.highest();
            boolean isControl = row == span.area().control();
            if (Math.abs(other - from) < pixel && !last && !isControl) {
                continue;
            }
            boolean isIn = row >= span.area().low() && row <= span.area().high();
            double top = surface.snap(Math.min(from, other));
            double height = Math.max(pixel, surface.snap(Math.max(from, other)) - top);
            (isControl ? control : isIn ? inside : outside).rectangle(left, top, wide * widest / most, height);
            widest = 0;
            from = other;
        }
    }
}

package dev.yardarm.chart.render;

import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.scale.ExtremePyramid;
import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.core.series.Bars;

/**
 * Draws bars as filled rectangles on device pixels, grouped by colour: rising, falling, unchanged. A rising body is
 * hollow, a falling one filled, so colour is never needed to tell them apart.
 *
 * <p>Bodies narrower than five pixels become ticks for open and close, then plain columns from low to high; where
 * several bars share a pixel, the column shows their extremes, taken from the pyramid.
 */
final class BarRenderer {
    private static final double BODY = 0.72;
    private static final double NARROWEST_BODY = 5;
    private static final double NARROWEST_TICKS = 4;

    private final Batch rise = new Batch();
    private final Batch fall = new Batch();
    private final Batch same = new Batch();
    private final Batch hollow = new Batch();
    private final Batch points = new Batch();

    void paint(ChartModel chart, PriceScale price, Palette palette, Surface surface) {
        rise.clear();
        fall.clear();
        same.clear();
        hollow.clear();
        TimeScale time = chart.time();
        if (chart.form() == BarForm.LINE) {
            paintLine(chart, price, palette, surface);
            return;
        }
        double body = Math.floor(time.barWidth() * BODY * surface.scale()) / surface.scale();
        if (time.barWidth() * surface.scale() < 1) {
            reduced(chart, price, surface);
        } else if (chart.form() == BarForm.CANDLES && body >= NARROWEST_BODY) {
            candles(chart, price, surface, body);
        } else {
            bars(chart, price, surface, chart.isCompact() ? 1.2 * NARROWEST_TICKS : NARROWEST_TICKS);
        }
        rise.fill(surface, palette.of(Role.RISE));
        fall.fill(surface, palette.of(Role.FALL));
        same.fill(surface, palette.of(Role.INK));
        hollow.fill(surface, palette.of(Role.PAPER));
    }

    private Batch batch(double open, double close) {
        return close > open ? rise : close < open ? fall : same;
    }

    private void candles(ChartModel chart, PriceScale price, Surface surface, double wantedBody) {
        Bars bars = chart.bars();
        TimeScale time = chart.time();
        double pixel = surface.hairline();
        double line = Math.max(pixel, surface.snap(1));
        // An odd number of lines wide, so that the range stands in the middle of the body.
        double body = line + 2 * Math.floor((wantedBody - line) / 2 / pixel) * pixel;
        int end = time.endVisible(bars.size());
        for (int bar = time.firstVisible(); bar < end; bar++) {
            double open = bars.open(bar);
            double close = bars.close(bar);
            Batch batch = batch(open, close);
            double stem = surface.snap(time.middle(bar) - line / 2);
            double top = surface.snap(price.y(Math.max(open, close)));
            double bottom = Math.max(top + line, surface.snap(price.y(Math.min(open, close))));
            double high = Math.min(top, surface.snap(price.y(bars.high(bar))));
            double low = Math.max(bottom, surface.snap(price.y(bars.low(bar))));
            double left = stem - (body - line) / 2;
            batch.rectangle(stem, high, line, top - high);
            batch.rectangle(stem, bottom, line, low - bottom);
            batch.rectangle(left, top, body, bottom - top);
            if (batch == rise && bottom - top > 2 * line) {
                hollow.rectangle(left + line, top + line, body - 2 * line, bottom - top - 2 * line);
            }
        }
    }

    private void bars(ChartModel chart, PriceScale price, Surface surface, double leastForTicks) {
        Bars bars = chart.bars();
        TimeScale time = chart.time();
        double line = Math.max(surface.hairline(), surface.snap(time.barWidth() >= 9 ? 2 : 1));
        boolean ticks = time.barWidth() >= leastForTicks;
        double arm = Math.max(line, surface.snap(Math.min(time.barWidth() * 0.36, 5)));
        int end = time.endVisible(bars.size());
        for (int bar = time.firstVisible(); bar < end; bar++) {
            double open = bars.open(bar);
            double close = bars.close(bar);
            Batch batch = batch(open, close);
            double stem = surface.snap(time.middle(bar) - line / 2);
            double high = surface.snap(price.y(bars.high(bar)));
            double low = Math.max(high + line, surface.snap(price.y(bars.low(bar))));
            batch.rectangle(stem, high, line, low - high);
            if (ticks) {
                batch.rectangle(stem - arm, surface.snap(price.y(open) - line / 2), arm, line);
                batch.rectangle(stem + line, surface.snap(price.y(close) - line / 2), arm, line);
            }
        }
    }

    /** One column for each device pixel, from the lowest to the highest price of its bars. */
    private void reduced(ChartModel chart, PriceScale price, Surface surface) {
        Bars bars = chart.bars();
        TimeScale time = chart.time();
        ExtremePyramid.View ranges = chart.data().ranges();
        double pixel = surface.hairline();
        int end = time.endVisible(bars.size());
        int from = time.firstVisible();
        double x = surface.snap(Math.max(time.left(), time.x(from)));
        while (from < end && x < time.right() + pixel) {
            int to = Reduction.end(time, from, end, x, pixel);
            ranges.find(from, to);
            double least = ranges.least();
            double most = ranges.most();
            if (to > bars.closed()) {
                least = Math.min(least, bars.low(bars.closed()));
                most = Math.max(most, bars.high(bars.closed()));
            }
            if (least <= most) {
                double top = surface.snap(price.y(most));
                double bottom = Math.max(top + pixel, surface.snap(price.y(least)));
                batch(bars.open(from), bars.close(to - 1)).rectangle(x, top, pixel, bottom - top);
            }
            from = to;
            x += pixel;
        }
    }

    private void paintLine(ChartModel chart, PriceScale price, Palette palette, Surface surface) {
        SeriesRenderer.trace(chart, price, chart.data().closes(), chart.bars()::close, chart.bars().closed(),
                surface, points, drawn -> surface.line(palette.of(Role.INK), chart.isCompact() ? 1 : 1.5,
                        Palette.dash(0), drawn.values(), drawn.points()));
    }
}

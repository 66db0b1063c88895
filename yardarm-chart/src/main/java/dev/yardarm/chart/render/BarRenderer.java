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
import dev.yardarm.core.bars.BarRule;
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
    /** Bricks stand closer together. */
    private static final double BLOCK = 0.94;

    private static final double COLUMN = 0.6;
    private static final double NARROWEST_BODY = 5;
    private static final double NARROWEST_TICKS = 4;

    private final Batch rise = new Batch();
    private final Batch fall = new Batch();
    private final Batch same = new Batch();
    private final Batch hollow = new Batch();
    private final CloseRenderer closes = new CloseRenderer();
    private final Provisional provisional = new Provisional();
    private final BarTints tints = new BarTints();

    void paint(ChartModel chart, PriceScale price, Palette palette, Surface surface) {
        begin(chart, palette);
        TimeScale time = chart.time();
        boolean ownForm = chart.request().isTime() || !isBlock(chart.request().rule());
        if (ownForm && (chart.form().isOfCloses() || chart.isOfCloses())) {
            closes.paint(chart, price, palette, tints, surface);
            return;
        }
        double body = Math.floor(time.barWidth() * (ownForm ? BODY : BLOCK) * surface.scale()) / surface.scale();
        boolean bodies = !ownForm || chart.form() == BarForm.CANDLES || chart.form() == BarForm.AVERAGED;
        if (time.barWidth() * surface.scale() < 1) {
            reduced(chart, price, surface);
        } else if (bodies && body >= NARROWEST_BODY) {
            candles(chart, price, palette, surface, body, ownForm);
        } else if (chart.form() == BarForm.COLUMNS) {
            columns(chart, price, palette, surface);
        } else {
            bars(chart, price, palette, surface, chart.isCompact() ? 1.2 * NARROWEST_TICKS : NARROWEST_TICKS);
        }
        fill(palette, surface);
    }

    private void begin(ChartModel chart, Palette palette) {
        rise.clear();
        fall.clear();
        same.clear();
        hollow.clear();
        tints.gather(chart, palette);
    }

    private void fill(Palette palette, Surface surface) {
        rise.fill(surface, palette.of(Role.RISE));
        fall.fill(surface, palette.of(Role.FALL));
        same.fill(surface, palette.of(Role.INK));
        tints.fill(surface);
        hollow.fill(surface, palette.of(Role.PAPER));
    }

    /** Draws every bar with a body of a width, whatever form is chosen: beside what else is told of the bar. */
    void paintNarrow(ChartModel chart, PriceScale price, Palette palette, Surface surface, double body) {
        begin(chart, palette);
        candles(chart, price, palette, surface, body, true);
        fill(palette, surface);
    }

    /** Bricks and lines of a line break are bodies without a range. */
    private static boolean isBlock(BarRule rule) {
        return rule instanceof BarRule.Brick || rule instanceof BarRule.LineBreak;
    }

    private Batch batch(int bar, double open, double close) {
        int tint = tints.at(bar);
        if (tint != BarTints.NONE) {
            return tints.batch(tint);
        }
        return close > open ? rise : close < open ? fall : same;
    }

    private int colour(int bar, Batch batch, Palette palette) {
        int tint = tints.at(bar);
        if (tint != BarTints.NONE) {
            return tints.colour(tint);
        }
        return palette.of(batch == rise ? Role.RISE : batch == fall ? Role.FALL : Role.INK);
    }

    private void candles(
            ChartModel chart, PriceScale price, Palette palette, Surface surface, double wantedBody, boolean ranges) {
        Bars bars = chart.drawnBars();
        TimeScale time = chart.time();
        double pixel = surface.hairline();
        double line = Math.max(pixel, surface.snap(1));
        // An odd number of lines wide, so that the range stands in the middle of the body.
        double body = line + 2 * Math.floor((wantedBody - line) / 2 / pixel) * pixel;
        int end = time.endVisible(bars.size());
        int forming = Provisional.bar(chart, time);
        for (int bar = time.firstVisible(); bar < end; bar++) {
            double open = bars.open(bar);
            double close = bars.close(bar);
            Batch batch = batch(bar, open, close);
            double stem = surface.snap(time.middle(bar) - line / 2);
            double openY = price.y(open);
            double closeY = price.y(close);
            if (bar == forming) {
                int colour = colour(bar, batch, palette);
                boolean falls = close < open;
                double middle = stem + line / 2;
                if (ranges) {
                    provisional.line(
                            surface, colour, line, middle, price.y(bars.high(bar)), middle, Math.min(openY, closeY));
                    provisional.line(
                            surface, colour, line, middle, price.y(bars.low(bar)), middle, Math.max(openY, closeY));
                }
                provisional.body(
                        surface,
                        colour,
                        falls ? Provisional.ground(colour) : 0,
                        stem - (body - line) / 2,
                        body,
                        surface.snap(openY),
                        surface.snap(closeY));
                continue;
            }
            double top = surface.snap(Math.min(openY, closeY));
            double bottom = Math.max(top + line, surface.snap(Math.max(openY, closeY)));
            double left = stem - (body - line) / 2;
            if (ranges) {
                double highY = price.y(bars.high(bar));
                double lowY = price.y(bars.low(bar));
                double upper = Math.min(top, surface.snap(Math.min(highY, lowY)));
                double lower = Math.max(bottom, surface.snap(Math.max(highY, lowY)));
                batch.rectangle(stem, upper, line, top - upper);
                batch.rectangle(stem, bottom, line, lower - bottom);
            }
            batch.rectangle(left, top, body, bottom - top);
            if (close > open && bottom - top > 2 * line) {
                hollow.rectangle(left + line, top + line, body - 2 * line, bottom - top - 2 * line);
            }
        }
    }

    private void bars(ChartModel chart, PriceScale price, Palette palette, Surface surface, double leastForTicks) {
        Bars bars = chart.drawnBars();
        TimeScale time = chart.time();
        double line = Math.max(surface.hairline(), surface.snap(time.barWidth() >= 9 ? 2 : 1));
        boolean ticks = time.barWidth() >= leastForTicks;
        boolean opens = chart.form() != BarForm.BARS_WITHOUT_OPEN;
        double arm = Math.max(line, surface.snap(Math.min(time.barWidth() * 0.36, 5)));
        int end = time.endVisible(bars.size());
        int forming = Provisional.bar(chart, time);
        for (int bar = time.firstVisible(); bar < end; bar++) {
            double open = bars.open(bar);
            double close = bars.close(bar);
            Batch batch = batch(bar, open, close);
            double stem = surface.snap(time.middle(bar) - line / 2);
            double highY = price.y(bars.high(bar));
            double lowY = price.y(bars.low(bar));
            double upper = surface.snap(Math.min(highY, lowY));
            double lower = Math.max(upper + line, surface.snap(Math.max(highY, lowY)));
            boolean settled = bar != forming;
            if (settled) {
                batch.rectangle(stem, upper, line, lower - upper);
            } else {
                double middle = stem + line / 2;
                provisional.line(surface, colour(bar, batch, palette), line, middle, upper, middle, lower);
            }
            if (ticks && opens) {
                batch.rectangle(stem - arm, surface.snap(price.y(open) - line / 2), arm, line);
            }
            if (ticks && !settled) {
                double y = surface.snap(price.y(close) - line / 2) + line / 2;
                provisional.line(surface, colour(bar, batch, palette), line, stem + line, y, stem + line + arm, y);
            } else if (ticks) {
                batch.rectangle(stem + line, surface.snap(price.y(close) - line / 2), arm, line);
            }
        }
    }

    /** Plain columns from low to high. */
    private void columns(ChartModel chart, PriceScale price, Palette palette, Surface surface) {
        Bars bars = chart.bars();
        TimeScale time = chart.time();
        double width = Math.max(surface.hairline(), surface.snap(time.barWidth() * COLUMN));
        int end = time.endVisible(bars.size());
        int forming = Provisional.bar(chart, time);
        for (int bar = time.firstVisible(); bar < end; bar++) {
            double highY = price.y(bars.high(bar));
            double lowY = price.y(bars.low(bar));
            double upper = surface.snap(Math.min(highY, lowY));
            double lower = Math.max(upper + surface.hairline(), surface.snap(Math.max(highY, lowY)));
            double left = surface.snap(time.middle(bar) - width / 2);
            Batch batch = batch(bar, bars.open(bar), bars.close(bar));
            if (bar == forming) {
                int colour = colour(bar, batch, palette);
                boolean falls = bars.close(bar) < bars.open(bar);
                provisional.body(surface, colour, falls ? Provisional.ground(colour) : 0, left, width, lower, upper);
                continue;
            }
            batch.rectangle(left, upper, width, lower - upper);
            if (bars.close(bar) > bars.open(bar)
                    && width >= 4 * surface.hairline()
                    && lower - upper > 2 * surface.hairline()) {
                double pixel = surface.hairline();
                hollow.rectangle(left + pixel, upper + pixel, width - 2 * pixel, lower - upper - 2 * pixel);
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
                double top = surface.snap(Math.min(price.y(most), price.y(least)));
                double bottom = Math.max(top + pixel, surface.snap(Math.max(price.y(most), price.y(least))));
                batch(to - 1, bars.open(from), bars.close(to - 1)).rectangle(x, top, pixel, bottom - top);
            }
            from = to;
            x += pixel;
        }
    }
}

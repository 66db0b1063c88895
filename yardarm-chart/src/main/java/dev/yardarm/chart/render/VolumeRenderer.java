package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.scale.ExtremePyramid;
import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.core.series.Bars;

/** Draws volume as columns from the pane's foot: hollow on rising bars, filled on falling ones. */
final class VolumeRenderer {
    private final Batch rise = new Batch();
    private final Batch fall = new Batch();
    private final Batch hollow = new Batch();
    private final Provisional provisional = new Provisional();

    void paint(ChartModel chart, PriceScale scale, Palette palette, Surface surface) {
        rise.clear();
        fall.clear();
        hollow.clear();
        TimeScale time = chart.time();
        Bars bars = chart.bars();
        int end = time.endVisible(bars.size());
        double pixel = surface.hairline();
        if (time.barWidth() * surface.scale() < 2) {
            reduced(chart, scale, surface);
        } else {
            double width = Math.max(pixel, surface.snap(time.barWidth() * 0.6));
            int forming = Provisional.bar(chart, time);
            for (int bar = time.firstVisible(); bar < end; bar++) {
                double top = surface.snap(scale.y(bars.volume(bar)));
                double height = scale.bottom() - top;
                if (!(height > 0)) {
                    continue;
                }
                boolean rising = bars.close(bar) >= bars.open(bar);
                double left = surface.snap(time.middle(bar) - width / 2);
                if (bar == forming) {
                    int colour = palette.of(rising ? Role.RISE : Role.FALL);
                    provisional.body(
                            surface, colour, rising ? 0 : Provisional.ground(colour), left, width, scale.bottom(), top);
                    continue;
                }
                (rising ? rise : fall).rectangle(left, top, width, height);
                if (rising && width > 3 * pixel && height > 2 * pixel) {
                    hollow.rectangle(left + pixel, top + pixel, width - 2 * pixel, height - pixel);
                }
            }
        }
        rise.fill(surface, Palette.fade(palette.of(Role.RISE), 0.75));
        fall.fill(surface, Palette.fade(palette.of(Role.FALL), 0.75));
        hollow.fill(surface, palette.of(Role.PAPER));
    }

    private void reduced(ChartModel chart, PriceScale scale, Surface surface) {
        TimeScale time = chart.time();
        Bars bars = chart.bars();
        ExtremePyramid.View volumes = chart.data().volumes();
        double pixel = surface.hairline();
        int end = time.endVisible(bars.size());
        int from = time.firstVisible();
        double x = surface.snap(Math.max(time.left(), time.x(from)));
        while (from < end && x < time.right() + pixel) {
            int to = Reduction.end(time, from, end, x, pixel);
            volumes.find(from, to);
            if (volumes.found()) {
                double top = surface.snap(scale.y(volumes.most()));
                boolean rising = bars.close(to - 1) >= bars.open(from);
                (rising ? rise : fall).rectangle(x, top, pixel, Math.max(pixel, scale.bottom() - top));
            }
            from = to;
            x += pixel;
        }
    }
}

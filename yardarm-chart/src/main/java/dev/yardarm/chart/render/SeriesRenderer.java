package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.scale.ExtremePyramid;
import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Surface;
import java.util.function.Consumer;
import java.util.function.IntToDoubleFunction;

/**
 * Traces columns as lines. A missing value breaks the line. Where several bars share a pixel, the line goes through their
 * lowest and highest value.
 */
final class SeriesRenderer {
    private SeriesRenderer() {}

    /** Traces a column over the visible closed bars and hands out each unbroken stretch. */
    static void trace(
            ChartModel chart,
            PriceScale scale,
            ExtremePyramid.View extremes,
            IntToDoubleFunction values,
            int closed,
            Surface surface,
            Batch points,
            Consumer<Batch> stretch) {
        trace(chart, chart.time(), scale, extremes, values, closed, surface, points, stretch);
    }

    /** The same on a time scale of its own, as for a displaced column; the forming bar's piece is left out. */
    static void trace(
            ChartModel chart,
            TimeScale time,
            PriceScale scale,
            ExtremePyramid.View extremes,
            IntToDoubleFunction values,
            int closed,
            Surface surface,
            Batch points,
            Consumer<Batch> stretch) {
        int from = Math.max(0, time.firstVisible() - 1);
        int end = Math.min(chart.bars().size(), time.endVisible(chart.bars().size()) + 1);
        int forming = Provisional.bar(chart, time);
        end = forming >= 0 ? Math.min(forming, end) : end;
        points.clear();
        if (time.barWidth() * surface.scale() < 1) {
            reduced(time, scale, extremes, values, closed, surface, points, from, end);
        } else {
            for (int bar = from; bar < end; bar++) {
                double value = values.applyAsDouble(bar);
                if (Double.isNaN(value)) {
                    hand(points, stretch);
                } else {
                    points.point(time.middle(bar), scale.y(value));
                }
            }
        }
        hand(points, stretch);
    }

    /** The piece of a line that leads to the forming bar, dotted; it is not settled yet. */
    static void traceForming(
            ChartModel chart,
            TimeScale time,
            PriceScale scale,
            IntToDoubleFunction values,
            int colour,
            double width,
            Provisional provisional,
            Surface surface) {
        int forming = Provisional.bar(chart, time);
        if (forming < 1) {
            return;
        }
        double from = values.applyAsDouble(forming - 1);
        double to = values.applyAsDouble(forming);
        if (!Double.isNaN(from) && !Double.isNaN(to)) {
            provisional.line(
                    surface, colour, width, time.middle(forming - 1), scale.y(from), time.middle(forming), scale.y(to));
        }
    }

    private static void reduced(
            TimeScale time,
            PriceScale scale,
            ExtremePyramid.View extremes,
            IntToDoubleFunction values,
            int closed,
            Surface surface,
            Batch points,
            int first,
            int end) {
        double pixel = surface.hairline();
        double x = surface.snap(Math.max(time.left(), time.x(first)));
        int from = first;
        boolean upward = true;
        while (from < end && x < time.right() + pixel) {
            int to = Reduction.end(time, from, end, x, pixel);
            extremes.find(from, Math.min(to, closed));
            double least = extremes.least();
            double most = extremes.most();
            if (to > closed) {
                double forming = values.applyAsDouble(closed);
                least = Double.isNaN(forming) ? least : Math.min(least, forming);
                most = Double.isNaN(forming) ? most : Math.max(most, forming);
            }
            if (least <= most) {
                points.point(x + pixel / 2, scale.y(upward ? least : most));
                if (most > least) {
                    points.point(x + pixel / 2, scale.y(upward ? most : least));
                    upward = !upward;
                }
            }
            from = to;
            x += pixel;
        }
    }

    private static void hand(Batch points, Consumer<Batch> stretch) {
        if (points.points() > 1) {
            stretch.accept(points);
        }
        points.clear();
    }
}

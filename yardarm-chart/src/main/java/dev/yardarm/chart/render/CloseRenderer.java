package dev.yardarm.chart.render;

import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;

/** Draws bars by their closes alone: as a line, as steps, as an area, or against a baseline. */
final class CloseRenderer {
    private final Batch points = new Batch();
    private final Batch shape = new Batch();
    private final Provisional provisional = new Provisional();

    void paint(ChartModel chart, PriceScale price, Palette palette, BarTints tints, Surface surface) {
        boolean steps = chart.form() == BarForm.STEPS && chart.time().barWidth() * surface.scale() >= 1;
        if (steps) {
            steps(chart, price);
            draw(chart, price, points, palette, surface);
            int forming = Provisional.bar(chart, chart.time());
            if (forming >= 0) {
                double y = price.y(chart.bars().close(forming));
                double left = chart.time().x(forming);
                provisional.line(
                        surface,
                        palette.of(Role.INK),
                        1.5,
                        left,
                        y,
                        chart.time().x(forming + 1),
                        y);
            }
            return;
        }
        SeriesRenderer.trace(
                chart,
                price,
                chart.data().closes(),
                chart.bars()::close,
                chart.bars().closed(),
                surface,
                points,
                drawn -> draw(chart, price, drawn, palette, surface));
        tinted(chart, price, tints, surface);
        SeriesRenderer.traceForming(
                chart,
                chart.time(),
                price,
                chart.bars()::close,
                palette.of(Role.INK),
                chart.isCompact() ? 1 : 1.5,
                provisional,
                surface);
    }

    /** The pieces of the line that lead to bars with a tint, once more in its colour. */
    private void tinted(ChartModel chart, PriceScale price, BarTints tints, Surface surface) {
        TimeScale time = chart.time();
        if (tints.isEmpty() || time.barWidth() * surface.scale() < 1) {
            return;
        }
        int end = Math.min(chart.bars().closed(), time.endVisible(chart.bars().size()) + 1);
        for (int bar = Math.max(1, time.firstVisible()); bar < end; bar++) {
            int tint = tints.at(bar);
            if (tint != BarTints.NONE) {
                Batch pieces = tints.batch(tint);
                pieces.point(time.middle(bar - 1), price.y(chart.bars().close(bar - 1)));
                pieces.point(time.middle(bar), price.y(chart.bars().close(bar)));
            }
        }
        for (int tint = 0; tint < tints.count(); tint++) {
            Batch pieces = tints.batch(tint);
            surface.segments(tints.colour(tint), chart.isCompact() ? 1.5 : 2, pieces.values(), pieces.points() / 2);
        }
    }

    private void steps(ChartModel chart, PriceScale price) {
        points.clear();
        TimeScale time = chart.time();
        int end = Math.min(chart.bars().size(), time.endVisible(chart.bars().size()) + 1);
        int forming = Provisional.bar(chart, time);
        end = forming >= 0 ? Math.min(forming, end) : end;
        for (int bar = Math.max(0, time.firstVisible() - 1); bar < end; bar++) {
            double y = price.y(chart.bars().close(bar));
            points.point(time.x(bar), y);
            points.point(time.x(bar + 1), y);
        }
    }

    private void draw(ChartModel chart, PriceScale price, Batch drawn, Palette palette, Surface surface) {
        if (drawn.points() < 2) {
            return;
        }
        if (chart.form() == BarForm.AREA) {
            fill(
                    drawn,
                    price.inverted() ? price.top() : price.bottom(),
                    Palette.fade(palette.of(Role.RISE), 0.16),
                    surface);
        } else if (chart.form() == BarForm.BASELINE) {
            double base = Math.max(price.top(), Math.min(price.bottom(), price.y(chart.basePrice())));
            side(chart, drawn, base, price.top(), base, palette.of(Role.RISE), surface);
            side(chart, drawn, base, base, price.bottom(), palette.of(Role.FALL), surface);
            shape.clear();
            shape.point(0, base);
            shape.point(chart.plotRight(), base);
            surface.line(palette.of(Role.SOFT), 1, new double[] {4, 3}, shape.values(), 2);
        }
        surface.line(
                palette.of(Role.INK), chart.isCompact() ? 1 : 1.5, Palette.dash(0), drawn.values(), drawn.points());
    }

    /** What lies on one side of the base, in its colour. */
    private void side(
            ChartModel chart, Batch drawn, double base, double top, double bottom, int colour, Surface surface) {
        if (bottom - top < 1) {
            return;
        }
        surface.beginClip(0, top, chart.plotRight(), bottom - top);
        fill(drawn, base, Palette.fade(colour, 0.22), surface);
        surface.endClip();
    }

    private void fill(Batch drawn, double ground, int colour, Surface surface) {
        shape.clear();
        double[] values = drawn.values();
        int count = drawn.points();
        shape.point(values[0], ground);
        for (int point = 0; point < count; point++) {
            shape.point(values[2 * point], values[2 * point + 1]);
        }
        shape.point(values[2 * count - 2], ground);
        surface.fillPolygon(colour, shape.values(), shape.points());
    }
}

package dev.yardarm.chart.render;

import dev.yardarm.chart.label.Label;
import dev.yardarm.chart.label.Labels;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.BoxSize;
import dev.yardarm.core.bars.PointFigureStudy;
import dev.yardarm.core.series.Bars;
import java.util.List;

/**
 * Draws point and figure columns: a cross for each box of a rising column, a ring for each of a falling one, with the
 * 45-degree trend lines and the targets of their counts. Boxes too small for signs become plain columns.
 */
final class PointFigureRenderer {
    private static final double SMALLEST_SIGN = 4.5;
    private static final int RING = 10;
    private static final int MOST_BOXES = 6000;
    private final Batch crosses = new Batch();
    private final Batch rings = new Batch();
    private final Batch rise = new Batch();
    private final Batch fall = new Batch();
    private final Batch points = new Batch();
    private PointFigureStudy.Result study;
    private Bars studied;

    void paint(
            ChartModel chart,
            BarRule.PointFigure rule,
            PriceScale scale,
            Palette palette,
            Surface surface,
            Labels labels) {
        crosses.clear();
        rings.clear();
        rise.clear();
        fall.clear();
        Bars bars = chart.bars();
        TimeScale time = chart.time();
        boolean byPart = rule.box() instanceof BoxSize.Percent;
        int boxes = 0;
        boolean signs = time.barWidth() >= SMALLEST_SIGN && smallestBox(chart, scale, byPart) >= SMALLEST_SIGN;
        for (int bar = time.firstVisible(); bar < time.endVisible(bars.size()); bar++) {
            double low = bars.low(bar);
            double high = bars.high(bar);
            double box = bars.detail(bar);
            boolean rising = bars.close(bar) > bars.open(bar)
                    || bars.close(bar) == bars.open(bar) && (bar == 0 || bars.close(bar - 1) <= bars.open(bar - 1));
            double next = byPart ? low * (1 + box) : low + box;
            double height = Math.abs(scale.y(low) - scale.y(next));
            if (!(box > 0) || !signs || boxes > MOST_BOXES) {
                column(bar, low, high, rising, time, scale, surface);
                continue;
            }
            double half = Math.min(time.barWidth(), height) / 2 - 1;
            double x = time.middle(bar);
            for (double level = low;
                    level <= high + box * (byPart ? level : 1) * 0.01;
                    level = byPart ? level * (1 + box) : level + box) {
                boxes++;
                sign(
                        rising,
                        x,
                        scale.y(level),
                        Math.min(half, height / 2 - 0.75),
                        Math.min(time.barWidth() / 2 - 1, 9));
            }
        }
        surface.segments(palette.of(Role.RISE), 1.5, crosses.values(), crosses.points() / 2);
        surface.segments(palette.of(Role.FALL), 1.5, rings.values(), rings.points() / 2);
        rise.fill(surface, palette.of(Role.RISE));
        fall.fill(surface, palette.of(Role.FALL));
        if (!chart.isCompact()) {
            paintStudy(chart, rule, scale, palette, surface, labels);
        }
    }

    /** Height of the smallest box in view: all are drawn as signs or none is. */
    private static double smallestBox(ChartModel chart, PriceScale scale, boolean byPart) {
        Bars bars = chart.bars();
        double least = Double.POSITIVE_INFINITY;
        for (int bar = chart.time().firstVisible(); bar < chart.time().endVisible(bars.size()); bar++) {
            double low = bars.low(bar);
            double box = bars.detail(bar);
            least = Math.min(least, Math.abs(scale.y(low) - scale.y(byPart ? low * (1 + box) : low + box)));
        }
        return least;
    }

    /** True when price has been at a count's target since it was known. */
    private static boolean isReached(Bars bars, PointFigureStudy.Count count) {
        for (int bar = count.column() + 1; bar < bars.size(); bar++) {
            if (count.rising() ? bars.high(bar) >= count.target() : bars.low(bar) <= count.target()) {
                return true;
            }
        }
        return false;
    }

    private void column(
            int bar, double low, double high, boolean rising, TimeScale time, PriceScale scale, Surface surface) {
        double width = Math.max(surface.hairline(), surface.snap(time.barWidth() * 0.7));
        double left = surface.snap(time.middle(bar) - width / 2);
        double top = surface.snap(Math.min(scale.y(high), scale.y(low)));
        double bottom = Math.max(top + 1, surface.snap(Math.max(scale.y(high), scale.y(low))));
        (rising ? rise : fall).rectangle(left, top, width, bottom - top);
    }

    private void sign(boolean rising, double x, double y, double tall, double wide) {
        double high = Math.max(1.5, tall);
        double broad = Math.max(1.5, Math.min(wide, high * 1.6));
        if (rising) {
            segment(crosses, x - broad, y - high, x + broad, y + high);
            segment(crosses, x - broad, y + high, x + broad, y - high);
            return;
        }
        for (int part = 0; part < RING; part++) {
            double from = 2 * Math.PI * part / RING;
            double to = 2 * Math.PI * (part + 1) / RING;
            segment(
                    rings,
                    x + broad * Math.cos(from),
                    y + high * Math.sin(from),
                    x + broad * Math.cos(to),
                    y + high * Math.sin(to));
        }
    }

    private static void segment(Batch batch, double fromX, double fromY, double toX, double toY) {
        batch.point(fromX, fromY);
        batch.point(toX, toY);
    }

    private void paintStudy(
            ChartModel chart,
            BarRule.PointFigure rule,
            PriceScale scale,
            Palette palette,
            Surface surface,
            Labels labels) {
        if (studied != chart.bars()) {
            studied = chart.bars();
            study = PointFigureStudy.of(studied, rule);
        }
        TimeScale time = chart.time();
        for (PointFigureStudy.Line line : study.lines()) {
            points.clear();
            points.point(time.middle(line.fromColumn()), scale.y(line.fromPrice()));
            points.point(time.middle(line.toColumn()), scale.y(line.toPrice()));
            surface.line(
                    palette.of(Role.SOFT),
                    1.25,
                    line.broken() ? new double[] {4, 3} : new double[0],
                    points.values(),
                    2);
        }
        List<PointFigureStudy.Count> counts = study.counts();
        double lastY = Double.NaN;
        int shown = 0;
        for (int number = counts.size() - 1; number >= 0 && shown < 2; number--) {
            PointFigureStudy.Count count = counts.get(number);
            double y = scale.y(count.target());
            boolean inView = y > scale.top() + 8 && y < scale.bottom() - 8;
            if (!inView || Math.abs(y - lastY) < 15 || isReached(chart.bars(), count)) {
                continue;
            }
            points.clear();
            points.point(time.middle(count.column()), y);
            points.point(chart.plotRight() - 4, y);
            surface.line(palette.of(Role.SOFT), 1, new double[] {2, 3}, points.values(), 2);
            String text = (count.vertical() ? "count up to " : "base counts to ")
                            .replace("up to", count.rising() ? "up to" : "down to")
                    + AxisText.price(chart, count.target());
            labels.add(new Label(
                    "",
                    text,
                    text,
                    Type.SMALL,
                    palette.of(Role.SOFT),
                    Palette.fade(palette.of(Role.PAPER), 0.85),
                    Label.Rank.REST,
                    0,
                    ChartPainter.area(chart, chart.pricePane()),
                    List.of(
                            new Label.Spot(chart.plotRight() - 6, y - 8, Align.RIGHT),
                            new Label.Spot(chart.plotRight() - 6, y + 8, Align.RIGHT),
                            new Label.Spot(chart.plotRight() - 120, y - 8, Align.RIGHT),
                            new Label.Spot(chart.plotRight() - 120, y + 8, Align.RIGHT))));
            lastY = y;
            shown++;
        }
    }
}

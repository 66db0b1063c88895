package dev.yardarm.chart.render;

import dev.yardarm.chart.label.Label;
import dev.yardarm.chart.label.Labels;
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
import java.util.ArrayList;
import java.util.List;

/** Draws grid lines, the lines between panes, and the labels of both axes. */
final class GridRenderer {
    private static final double LEFT_APART = 44;
    private static final double TIME_APART = 76;
    private static final double TIME_CLOSEST = 28;
    private final Batch lines = new Batch();
    private final Batch borders = new Batch();

    void paint(ChartModel chart, Palette palette, Surface surface, TagRenderer tags, Labels labels) {
        lines.clear();
        borders.clear();
        double pixel = surface.hairline();
        List<TimeTicks.Tick> ticks = ticks(chart);
        for (TimeTicks.Tick tick : ticks) {
            lines.rectangle(surface.snap(tick.x()), 0, pixel, chart.plotBottom());
        }
        for (Pane pane : chart.panes()) {
            if (pane.folded()) {
                borders.rectangle(0, surface.snap(pane.top()), chart.width(), pixel);
                continue;
            }
            for (double price : AxisText.marks(chart, pane)) {
                lines.rectangle(0, surface.snap(pane.scale().y(price)), chart.plotRight(), pixel);
            }
            if (pane.top() > 0) {
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
            if (pane.folded()) {
                continue;
            }
            addLeft(chart, pane, palette, labels);
            List<Double> written = new ArrayList<>();
            for (double price : AxisText.marks(chart, pane)) {
                double y = pane.scale().y(price);
                // Levels of a low pane may lie closer than their numbers are high.
                boolean touches = written.stream().anyMatch(other -> Math.abs(other - y) < 13);
                if (!touches && !tags.covers(y)) {
                    written.add(y);
                    surface.text(
                            AxisText.of(chart, pane, price),
                            chart.width() - 8,
                            y,
                            Type.SMALL,
                            Align.RIGHT,
                            palette.of(Role.SOFT));
                }
            }
        }
        List<double[]> taken = new ArrayList<>();
        // What begins a day, a month or a year is said before what lies between.
        for (boolean major : new boolean[] {true, false}) {
            for (TimeTicks.Tick tick : ticks) {
                if (tick.isMajor() == major) {
                    write(chart, tick, taken, palette, surface);
                }
            }
        }
    }

    /** Marks of the time axis: pleasantly apart, nearer in a narrow chart that would have less than two. */
    private static List<TimeTicks.Tick> ticks(ChartModel chart) {
        List<TimeTicks.Tick> ticks = List.of();
        for (double apart = TIME_APART; apart >= TIME_CLOSEST; apart -= 12) {
            ticks = TimeTicks.of(chart.time(), chart.axis(), chart.zone(), apart);
            long inside = ticks.stream()
                    .filter(tick -> tick.x() > 24 && tick.x() < chart.plotRight() - 24)
                    .count();
            if (inside >= 2) {
                break;
            }
        }
        return ticks;
    }

    /** Writes a mark of the time axis where nothing stands yet. */
    private static void write(
            ChartModel chart, TimeTicks.Tick tick, List<double[]> taken, Palette palette, Surface surface) {
        double half = surface.textWidth(tick.label(), Type.SMALL) / 2;
        double from = tick.x() - half;
        double to = tick.x() + half;
        boolean free = taken.stream().allMatch(other -> to + 4 < other[0] || from - 4 > other[1]);
        if (free && from > 2 && to < chart.plotRight()) {
            taken.add(new double[] {from, to});
            surface.text(
                    tick.label(),
                    tick.x(),
                    chart.plotBottom() + ChartModel.TIME_AXIS / 2,
                    Type.SMALL,
                    Align.CENTRE,
                    palette.of(tick.isMajor() ? Role.INK : Role.SOFT));
        }
    }

    /** The values of the axis at the left, on the chart's ground. */
    private static void addLeft(ChartModel chart, Pane pane, Palette palette, Labels labels) {
        if (pane.left() == null) {
            return;
        }
        for (double value : PriceTicks.of(pane.left(), LEFT_APART, 1e-9)) {
            double y = pane.left().y(value);
            labels.add(new Label(
                    "",
                    Readout.plain(value),
                    Readout.plain(value),
                    Type.SMALL,
                    palette.of(Role.SOFT),
                    Palette.fade(palette.of(Role.PAPER), 0.7),
                    Label.Rank.SPARE,
                    0,
                    ChartPainter.area(chart, pane),
                    List.of(new Label.Spot(6, y, Align.LEFT))));
        }
    }
}

package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.FigureRows;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import dev.yardarm.core.series.Column;
import java.util.List;

/**
 * Figures of bars in rows, a column for each bar: shades by the largest of the row in view, with numbers where they fit. What is above zero and
 * what is below is told by its sign and its colour, or without numbers by the half of the cell that is filled. The names of the rows stand
 * at the axis. Cost: the rows times the bars in view.
 */
final class FiguresRenderer {
    private static final double NARROWEST = 3;
    private static final double TEXT = 11;
    private static final int SHADES = 6;

    private final Batch[] above = batches();
    private final Batch[] below = batches();

    private static Batch[] batches() {
        Batch[] all = new Batch[SHADES];
        for (int shade = 0; shade < SHADES; shade++) {
            all[shade] = new Batch();
        }
        return all;
    }

    void paint(ChartModel chart, Pane pane, IndicatorLayer layer, Palette palette, Surface surface) {
        List<ChartData.Line> lines = chart.data().of(layer);
        FigureRows rows = FigureRows.of(pane, layer).orElseThrow();
        if (lines.isEmpty() || rows.high() < 4) {
            return;
        }
        int[] outputs = rows.outputs();
        for (int row = 0; row < outputs.length; row++) {
            boolean isSigned = isSigned(layer, outputs[row]);
            row(chart, lines.get(outputs[row]).column(), isSigned, rows.top(row), rows.high(), palette, surface);
        }
    }

    /** The names of the rows, at the axis of the pane. */
    void paintNames(ChartModel chart, Pane pane, IndicatorLayer layer, Palette palette, Surface surface) {
        FigureRows rows = FigureRows.of(pane, layer).orElseThrow();
        int[] outputs = rows.outputs();
        for (int row = 0; row < outputs.length && rows.high() >= TEXT; row++) {
            surface.text(
                    FigureRows.name(
                            layer.indicator().outputs().get(outputs[row]).name()),
                    chart.plotRight() + 5,
                    rows.top(row) + rows.high() / 2,
                    Type.SMALL,
                    Align.LEFT,
                    palette.of(Role.SOFT));
        }
    }

    private static boolean isSigned(IndicatorLayer layer, int output) {
        return layer.indicator().outputs().get(output).name().startsWith("delta");
    }

    private void row(
            ChartModel chart,
            Column column,
            boolean isSigned,
            double top,
            double high,
            Palette palette,
            Surface surface) {
        TimeScale time = chart.time();
        int end = Math.min(chart.bars().size(), time.endVisible(chart.bars().size()));
        double most = 0;
        for (int bar = time.firstVisible(); bar < end; bar++) {
            double value = column.at(bar);
            if (!Double.isNaN(value)) {
                most = Math.max(most, Math.abs(value));
            }
        }
        for (int shade = 0; shade < SHADES; shade++) {
            above[shade].clear();
            below[shade].clear();
        }
        if (!(most > 0) || time.barWidth() < NARROWEST) {
            return;
        }
        double widest = surface.textWidth((isSigned ? "−" : "") + FootprintRenderer.figure(most), Type.SMALL);
        boolean numbers = high >= TEXT && widest + 3 <= time.barWidth();
        double pixel = surface.hairline();
        for (int bar = time.firstVisible(); bar < end; bar++) {
            double value = column.at(bar);
            if (Double.isNaN(value) || value == 0) {
                continue;
            }
            int shade = (int) Math.min(SHADES - 1, Math.sqrt(Math.abs(value) / most) * SHADES);
            double left = surface.snap(time.x(bar));
            double wide = Math.max(pixel, surface.snap(time.x(bar + 1)) - left - pixel);
            // Without numbers a half says the sign.
            double half = isSigned && !numbers ? (high - pixel) / 2 : high - pixel;
            (value > 0 ? above : below)
                    [shade].rectangle(left, surface.snap(value > 0 ? top : top + high - pixel - half), wide, half);
        }
        for (int shade = 0; shade < SHADES; shade++) {
            double strength = 0.1 + 0.6 * shade / (SHADES - 1);
            above[shade].fill(
                    surface,
                    Palette.fade(palette.of(isSigned ? Role.RISE : Role.SOFT), numbers ? strength * 0.55 : strength));
            below[shade].fill(surface, Palette.fade(palette.of(Role.FALL), numbers ? strength * 0.55 : strength));
        }
        for (int bar = time.firstVisible(); numbers && bar < end; bar++) {
            double value = column.at(bar);
            if (!Double.isNaN(value)) {
                surface.text(
                        (value < 0 ? "−" : "") + FootprintRenderer.figure(Math.abs(value)),
                        time.middle(bar),
                        top + high / 2,
                        Type.SMALL,
                        Align.CENTRE,
                        palette.of(Role.INK));
            }
        }
    }
}

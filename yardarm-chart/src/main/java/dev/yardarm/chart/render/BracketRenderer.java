package dev.yardarm.chart.render;

import dev.yardarm.chart.model.BracketLayout;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import dev.yardarm.core.plan.TradePlan;
import java.util.Locale;

/** Draws a plan as a bracket: a narrow spine, an arm each for entry, stop and target, and a tick for each R. */
final class BracketRenderer {
    private static final int MOST_TICKS = 40;
    private final Batch lines = new Batch();
    private final Batch ground = new Batch();
    private final Batch points = new Batch();

    void paint(ChartModel chart, TradePlan plan, Palette palette, Surface surface) {
        BracketLayout bracket = BracketLayout.of(chart, plan);
        double line = Math.max(surface.hairline(), surface.snap(1));
        boolean chosen = chart.selection().equals(Selection.PLAN);
        double thick = chosen ? 2 * line : line;
        lines.clear();
        double spine = surface.snap(bracket.spineX());
        double top = Math.min(bracket.stopY(), Math.min(bracket.entryY(), bracket.targetY()));
        double bottom = Math.max(bracket.stopY(), Math.max(bracket.entryY(), bracket.targetY()));
        lines.rectangle(spine, surface.snap(top), thick, surface.snap(bottom) - surface.snap(top) + line);
        ticks(chart, plan, surface, spine, line);
        arm(surface, bracket, bracket.entryY(), thick);
        lines.fill(surface, palette.of(Role.INK));
        lines.clear();
        arm(surface, bracket, bracket.targetY(), thick);
        lines.fill(surface, palette.of(Role.RISE));
        dashed(surface, bracket, palette.of(Role.FALL), thick);
        if (!chart.isCompact()) {
            label(
                    chart,
                    "entry",
                    plan.entry(),
                    "",
                    bracket.armEnd(),
                    bracket.entryY(),
                    palette.of(Role.INK),
                    palette,
                    surface);
            label(
                    chart,
                    "stop",
                    plan.stop(),
                    "−1 R",
                    bracket.armEnd(),
                    bracket.stopY(),
                    palette.of(Role.FALL_TEXT),
                    palette,
                    surface);
            label(
                    chart,
                    "target",
                    plan.target(),
                    plan.risk() > 0 ? String.format(Locale.ROOT, "+%.1f R", plan.rewardInR()) : "",
                    bracket.armEnd(),
                    bracket.targetY(),
                    palette.of(Role.RISE),
                    palette,
                    surface);
        }
    }

    private void arm(Surface surface, BracketLayout bracket, double y, double thick) {
        lines.rectangle(bracket.spineX(), surface.snap(y - thick / 2), bracket.armEnd() - bracket.spineX(), thick);
    }

    private void dashed(Surface surface, BracketLayout bracket, int colour, double thick) {
        points.clear();
        points.point(bracket.spineX(), bracket.stopY());
        points.point(bracket.armEnd(), bracket.stopY());
        surface.line(colour, thick, Palette.dash(1), points.values(), 2);
    }

    private void ticks(ChartModel chart, TradePlan plan, Surface surface, double spine, double line) {
        double step = plan.isLong() ? plan.risk() : -plan.risk();
        if (step == 0) {
            return;
        }
        for (int number = 1; number <= Math.min(MOST_TICKS, plan.rewardInR() + 1e-9); number++) {
            double y = surface.snap(chart.price().y(plan.entry() + number * step));
            lines.rectangle(spine - 5, y, 5, line);
        }
    }

    private void label(
            ChartModel chart,
            String word,
            double price,
            String more,
            double x,
            double y,
            int colour,
            Palette palette,
            Surface surface) {
        String text = word + " " + chart.instrument().orElseThrow().format().format(price)
                + (more.isEmpty() ? "" : "  " + more);
        double width = surface.textWidth(text, Type.SMALL);
        ground.clear();
        ground.rectangle(x + 3, y - 8, width + 6, 16);
        ground.fill(surface, Palette.fade(palette.of(Role.PAPER), 0.85));
        surface.text(text, x + 6, y, Type.SMALL, Align.LEFT, colour);
    }
}

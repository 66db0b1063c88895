package dev.yardarm.chart.render;

import dev.yardarm.chart.label.Label;
import dev.yardarm.chart.label.Label.Rank;
import dev.yardarm.chart.label.Label.Spot;
import dev.yardarm.chart.label.Labels;
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
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Draws a plan as a bracket: a narrow spine, an arm each for entry, stop and target, and a tick for each R. */
final class BracketRenderer {
    private static final int MOST_TICKS = 40;
    private final Batch lines = new Batch();
    private final Batch points = new Batch();

    void paint(ChartModel chart, TradePlan plan, Palette palette, Surface surface, Labels labels) {
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
            add(chart, "entry", plan.entry(), "", bracket, bracket.entryY(), palette.of(Role.INK), palette, labels);
            add(
                    chart,
                    "stop",
                    plan.stop(),
                    "−1 R",
                    bracket,
                    bracket.stopY(),
                    palette.of(Role.FALL_TEXT),
                    palette,
                    labels);
            add(
                    chart,
                    "target",
                    plan.target(),
                    plan.risk() > 0 ? String.format(Locale.ROOT, "+%.1f R", plan.rewardInR()) : "",
                    bracket,
                    bracket.targetY(),
                    palette.of(Role.RISE),
                    palette,
                    labels);
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

    /** The words of an arm: at its end, before the spine, or a little above or below. */
    private static void add(
            ChartModel chart,
            String word,
            double price,
            String more,
            BracketLayout bracket,
            double y,
            int colour,
            Palette palette,
            Labels labels) {
        String text = word + " " + chart.instrument().orElseThrow().format().format(price)
                + (more.isEmpty() ? "" : "  " + more);
        List<Spot> spots = new ArrayList<>();
        for (double away : new double[] {0, 15, -15, 30, -30, 45, -45, 60, -60}) {
            spots.add(new Spot(bracket.armEnd() + 6, y + away, Align.LEFT));
            spots.add(new Spot(bracket.spineX() - 8, y + away, Align.RIGHT));
        }
        labels.add(new Label(
                "",
                text,
                word,
                Type.SMALL,
                colour,
                Palette.fade(palette.of(Role.PAPER), 0.85),
                Rank.PLAN,
                Math.abs(y - bracket.entryY()),
                ChartPainter.area(chart, chart.pricePane()),
                spots));
    }
}

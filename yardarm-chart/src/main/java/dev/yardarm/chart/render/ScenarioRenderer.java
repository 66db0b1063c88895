package dev.yardarm.chart.render;

import dev.yardarm.chart.label.Labels;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.model.ScenarioMark;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.core.scenario.Scenario;
import java.util.List;

/**
 * Draws scenarios as faint paths ahead: dotted, as all that is projected, from the last price through the targets of each, the stronger the
 * larger its share, with a ring at each target and the name with its share at the end; a short dash marks what proves it wrong, in words while the scenarios are chosen. One that was struck
 * out, or that others within it stand for, has no path.
 */
final class ScenarioRenderer {
    private static final double WORDS = 128;
    private static final double SHORTEST = 24;
    private static final double RING = 3;
    private static final double FAINTEST = 0.35;

    private final Batch points = new Batch();

    void paint(ChartModel chart, Pane pane, Palette palette, Surface surface, Labels labels) {
        List<ScenarioMark> shown = chart.scenarios().stream()
                .filter(each -> !each.struck() && !each.smaller())
                .toList();
        if (shown.isEmpty() || chart.bars().isEmpty()) {
            return;
        }
        int bar = chart.bars().size() - 1;
        double from = chart.time().middle(bar);
        double tip = chart.plotRight() - WORDS;
        if (from + SHORTEST > tip) {
            // They stand in the future, and there is none in view.
            return;
        }
        double start = chart.price().y(chart.data().last());
        for (ScenarioMark mark : shown) {
            paint(chart, pane, mark, from, start, tip, palette, surface, labels);
        }
    }

    private void paint(
            ChartModel chart,
            Pane pane,
            ScenarioMark mark,
            double from,
            double start,
            double tip,
            Palette palette,
            Surface surface,
            Labels labels) {
        Scenario of = mark.scenario();
        AheadText text = new AheadText(chart, pane, palette, labels);
        int soft = palette.of(Role.SOFT);
        int whole = palette.of(of.way() > 0 ? Role.RISE : Role.FALL);
        int colour = Palette.fade(whole, FAINTEST + (1 - FAINTEST) * mark.share() / 100);
        double width = 1 + mark.share() / 50;
        int count = of.targets().size();
        double x = from;
        double y = start;
        for (int target = 0; target < count; target++) {
            double next = place(chart, of.targets().get(target).at(), from, tip, target, count, x);
            double price = chart.price().y(of.targets().get(target).price());
            line(surface, colour, width, 2, x, y, next, price);
            ring(surface, colour, next, price);
            if (target < count - 1 && !chart.isCompact()) {
                String at = text.price(of.targets().get(target).price());
                text.add(at, at, next, price - 9, Align.CENTRE, soft);
            }
            x = next;
            y = price;
        }
        double wrong = chart.price().y(of.invalidation());
        line(surface, Palette.fade(palette.of(Role.SOFT), 0.8), 1, 0, from + 6, wrong, from + 18, wrong);
        if (!chart.isCompact()) {
            String name = of.title() + " " + Math.round(mark.share()) + " %";
            text.add(
                    name + ", " + text.price(of.targets().get(count - 1).price()),
                    name,
                    x + RING + 4,
                    y,
                    Align.LEFT,
                    soft);
            if (chart.selection().equals(Selection.SCENARIOS)) {
                String against = "wrong " + text.price(of.invalidation());
                text.add(of.title() + " " + against, against, from + 22, wrong, Align.LEFT, soft);
            }
        }
    }

    /** Where a target lies: at its moment when it has one that is in view, else in even steps to the tip. */
    private static double place(
            ChartModel chart, long at, double from, double tip, int target, int count, double before) {
        double even = from + (tip - from) * (target + 1) / count;
        if (at == 0) {
            return Math.max(even, before + 4);
        }
        double there = chart.time().middle(chart.axis().bar(at));
        return Math.max(before + 4, Math.min(there, tip));
    }

    private void line(Surface surface, int colour, double width, int dash, double x1, double y1, double x2, double y2) {
        points.clear();
        points.point(x1, y1);
        points.point(x2, y2);
        surface.line(colour, width, Palette.dash(dash), points.values(), 2);
    }

    private void ring(Surface surface, int colour, double x, double y) {
        points.clear();
        for (int corner = 0; corner <= 8; corner++) {
            points.point(x + RING * Math.cos(corner * Math.PI / 4), y + RING * Math.sin(corner * Math.PI / 4));
        }
        surface.line(colour, 1.4, Palette.dash(0), points.values(), 9);
    }
}

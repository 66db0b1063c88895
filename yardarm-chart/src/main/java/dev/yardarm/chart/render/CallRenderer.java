package dev.yardarm.chart.render;

import dev.yardarm.chart.label.Labels;
import dev.yardarm.chart.model.CallMark;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.core.call.Reading;

/**
 * Draws calls as forks: a handle along the trigger from where the call was made, one tine to what is expected, which ends in a diamond, and one
 * to what proves it wrong, which ends in a bar; a thin tine further on for the other reading. What is not triggered yet is dotted.
 */
final class CallRenderer {
    /** How far the tines reach, and the room for words behind them. */
    private static final double REACH = 74;

    private static final double SHORTEST = 24;

    private static final double WORDS = 108;
    private static final double DIAMOND = 5;

    private final Batch points = new Batch();

    void paint(ChartModel chart, Pane pane, Palette palette, Surface surface, Labels labels) {
        for (CallMark mark : chart.calls()) {
            paint(chart, pane, mark, palette, surface, labels);
        }
    }

    private void paint(ChartModel chart, Pane pane, CallMark mark, Palette palette, Surface surface, Labels labels) {
        double last = chart.time().middle(chart.bars().size() - 1);
        double tip = chart.plotRight() - WORDS;
        if (last + 10 > tip - SHORTEST) {
            // It stands in the future, and there is none in view.
            return;
        }
        double base = Math.max(last + 10, tip - REACH);
        double made = chart.time().middle(chart.axis().bar(mark.call().setAt()));
        Reading main = mark.call().main();
        boolean open = mark.triggered() && !mark.rival();
        int way = palette.of(main.way() > 0 ? Role.RISE : Role.FALL);
        double handle = chart.price().y(main.trigger());
        line(
                surface,
                palette.of(Role.INK),
                open ? 0 : 2,
                Math.max(made, chart.time().left()),
                handle,
                base,
                handle);
        double target = chart.price().y(main.target());
        line(surface, way, open ? 0 : 2, base, handle, tip, target);
        diamond(surface, way, tip, target);
        double wrong = chart.price().y(main.wrong());
        line(surface, palette.of(Role.SOFT), 1, base, handle, tip, wrong);
        line(surface, palette.of(Role.SOFT), 0, tip - 6, wrong, tip + 6, wrong);
        Reading rival = mark.call().rival();
        if (rival != null) {
            int colour = palette.of(rival.way() > 0 ? Role.RISE : Role.FALL);
            double end = chart.price().y(rival.target());
            line(
                    surface,
                    colour,
                    mark.rival() && mark.triggered() ? 0 : 2,
                    tip,
                    chart.price().y(rival.trigger()),
                    tip + 20,
                    end);
            diamond(surface, colour, tip + 20, end);
        }
        if (!chart.isCompact()) {
            AheadText text = new AheadText(chart, pane, palette, labels);
            String trigger = text.price(main.trigger());
            text.add(
                    (main.way() > 0 ? "above " : "below ") + trigger,
                    trigger,
                    base - 6,
                    handle - 9,
                    Align.RIGHT,
                    palette.of(Role.INK));
            String expected = text.price(main.target());
            text.add("expect " + expected, expected, tip + 9, target, Align.LEFT, ofWay(main, palette));
            String against = text.price(main.wrong());
            text.add("wrong " + against, against, tip + 9, wrong, Align.LEFT, palette.of(Role.SOFT));
            if (rival != null) {
                String other = text.price(rival.target());
                text.add(
                        "other " + other,
                        other,
                        tip + 29,
                        chart.price().y(rival.target()),
                        Align.LEFT,
                        ofWay(rival, palette));
            }
        }
    }

    private static int ofWay(Reading reading, Palette palette) {
        return palette.of(reading.way() > 0 ? Role.RISE : Role.FALL_TEXT);
    }

    private void line(Surface surface, int colour, int dash, double x1, double y1, double x2, double y2) {
        points.clear();
        points.point(x1, y1);
        points.point(x2, y2);
        surface.line(colour, 1.4, Palette.dash(dash), points.values(), 2);
    }

    private void diamond(Surface surface, int colour, double x, double y) {
        points.clear();
        points.point(x, y - DIAMOND);
        points.point(x + DIAMOND, y);
        points.point(x, y + DIAMOND);
        points.point(x - DIAMOND, y);
        points.point(x, y - DIAMOND);
        surface.line(colour, 1.4, Palette.dash(0), points.values(), 5);
    }
}

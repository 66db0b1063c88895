package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.scale.TimeScale;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Surface;

/**
 * The one look of what is not settled: dotted, and open at the end that still moves. Bars, volume, lines and columns of
 * the forming bar use it, and findings that are not confirmed or are projected.
 */
final class Provisional {
    static final double[] DOTS = {2, 1.5};
    /** Below this width of bars a forming bar looks like the others. */
    private static final double LEAST = 2.5;

    private final Batch points = new Batch();

    /** The forming bar; -1 when there is none or bars are too narrow to tell. */
    static int bar(ChartModel chart, TimeScale time) {
        return chart.bars().hasForming() && time.barWidth() >= LEAST
                ? chart.bars().closed()
                : -1;
    }

    /** A line between two points. */
    void line(Surface surface, int colour, double width, double fromX, double fromY, double toX, double toY) {
        points.clear();
        points.point(fromX, fromY);
        points.point(toX, toY);
        surface.line(colour, width, DOTS, points.values(), 2);
    }

    /**
     * A body between two heights, open at the second one.
     *
     * @param ground what it is filled with; 0 for nothing
     */
    void body(Surface surface, int colour, int ground, double left, double width, double from, double open) {
        if (ground >>> 24 != 0) {
            points.clear();
            points.rectangle(left, Math.min(from, open), width, Math.abs(open - from));
            points.fill(surface, ground);
        }
        double half = surface.hairline() / 2;
        points.clear();
        points.point(left + half, open);
        points.point(left + half, from);
        points.point(left + width - half, from);
        points.point(left + width - half, open);
        surface.line(colour, surface.hairline(), DOTS, points.values(), 4);
    }

    /** The ground of what is filled when it is settled. */
    static int ground(int colour) {
        return Palette.fade(colour, 0.3);
    }
}

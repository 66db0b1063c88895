package dev.yardarm.chart.model;

import dev.yardarm.chart.scale.TimeAxis;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import java.util.Arrays;

/**
 * Where the bars of one timeframe lie on a chart of another: from the running number of a bar to a pixel and back, over
 * the part of time in view and a little beyond.
 *
 * <p>Each bar of the chart lies at the number its opening has on the other timeframe; between them it goes straight. On an
 * intraday chart, for a timeframe of days and more, only bars that open a session count, so that a line drawn on days does
 * not bend at a short last bar.
 */
final class PlaneView {
    private static final int MOST = 1500;

    private final double[] us;
    private final double[] xs;
    private final boolean even;

    private PlaneView(double[] us, double[] xs) {
        this.us = us;
        this.xs = xs;
        this.even = isEven(us, xs);
    }

    static PlaneView of(ChartModel chart, Timeframe origin) {
        TimeAxis axis = chart.axis();
        BarGrid grid = new BarGrid(axis.grid().calendar(), origin);
        int first = chart.time().bar(chart.time().left()) - 1;
        int last = Math.max(first + 2, chart.time().bar(chart.plotRight()) + 2);
        boolean sessions = chart.timeframe().isIntraday() && chart.request().isTime() && !origin.isIntraday();
        if (sessions) {
            first = sessionOpen(axis, first, -1);
            last = sessionOpen(axis, last, 1);
        }
        int step = sessions ? 1 : Math.max(1, (last - first) / MOST);
        double[] us = new double[(last - first) / step + 2];
        double[] xs = new double[us.length];
        int count = 0;
        for (int bar = first; bar <= last; bar++) {
            long time = axis.openTime(bar);
            boolean counts = sessions
                    ? bar == first || bar == last || opensSession(axis, time)
                    : (bar - first) % step == 0 || bar == last;
            double u = counts ? grid.position(time) : Double.NaN;
            if (counts && (count == 0 || u > us[count - 1]) && count < us.length) {
                us[count] = u;
                xs[count++] = chart.time().middle(bar);
            }
        }
        if (count < 2) {
            double u = count == 0 ? 0 : us[0];
            double x = count == 0 ? 0 : xs[0];
            return new PlaneView(
                    new double[] {u, u + 1}, new double[] {x, x + chart.time().barWidth()});
        }
        return new PlaneView(Arrays.copyOf(us, count), Arrays.copyOf(xs, count));
    }

    private static boolean opensSession(TimeAxis axis, long time) {
        return axis.grid().calendar().open(axis.grid().calendar().sessionAt(time)) == time;
    }

    /** The bar that opens the session this one belongs to, or the next session. */
    private static int sessionOpen(TimeAxis axis, int bar, int direction) {
        int candidate = bar;
        for (int steps = 0; steps < MOST && !opensSession(axis, axis.openTime(candidate)); steps++) {
            candidate += direction;
        }
        return candidate;
    }

    private static boolean isEven(double[] us, double[] xs) {
        double slope = (xs[xs.length - 1] - xs[0]) / (us[us.length - 1] - us[0]);
        for (int at = 1; at < us.length; at++) {
            if (Math.abs(xs[0] + slope * (us[at] - us[0]) - xs[at]) > 0.05) {
                return false;
            }
        }
        return true;
    }

    /** True when equal numbers of bars are equally wide everywhere in view. */
    boolean isEven() {
        return even;
    }

    double left() {
        return us[0];
    }

    double right() {
        return us[us.length - 1];
    }

    /** Where the bars of the chart lie, in bars of the other timeframe, in their order. */
    double[] marks() {
        return us;
    }

    double x(double u) {
        return between(us, xs, u);
    }

    double u(double x) {
        return between(xs, us, x);
    }

    /** Straight between neighbours, and on beyond the ends. */
    private static double between(double[] from, double[] to, double value) {
        int found = Arrays.binarySearch(from, value);
        int after = found >= 0 ? Math.max(1, found) : Math.max(1, Math.min(from.length - 1, -found - 1));
        double part = (value - from[after - 1]) / (from[after] - from[after - 1]);
        return to[after - 1] + part * (to[after] - to[after - 1]);
    }
}

package dev.yardarm.chart.plot;

import java.util.ArrayList;
import java.util.List;

/** A plot: a title, an axis below, one at the right, and what is drawn, from the ground up. Immutable. */
public record Plot(String title, PlotAxis below, PlotAxis right, List<PlotSeries> series) {
    public Plot {
        series = List.copyOf(series);
    }

    /** A plot with nothing on it yet. */
    public static Plot of(String title, PlotAxis below, PlotAxis right) {
        return new Plot(title, below, right, List.of());
    }

    /** The same with one thing more on top. */
    public Plot with(PlotSeries more) {
        List<PlotSeries> all = new ArrayList<>(series);
        all.add(more);
        return new Plot(title, below, right, all);
    }
}

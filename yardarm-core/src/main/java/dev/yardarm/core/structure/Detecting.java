package dev.yardarm.core.structure;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;

/**
 * A detector alone over a series that grows: {@link Detected} in a graph of its own. Used by one thread.
 */
public final class Detecting {
    private final ColumnGraph graph;
    private final Detected detected;

    /** One that reads what it reads unless told otherwise. */
    public Detecting(Detector detector, Settings settings) {
        graph = new ColumnGraph();
        detected = Detected.in(graph, detector, settings, null);
    }

    /** Takes over a snapshot, which must be of the same series each time and not older. */
    public void update(Bars bars) {
        graph.update(bars);
    }

    /** What is known from closed bars. */
    public FindingLog log() {
        return detected.log();
    }

    /** The same, and what the forming bar brings if it closes as it is. */
    public FindingLog now() {
        return detected.now();
    }
}

package dev.yardarm.chart.model;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.structure.Detected;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.core.structure.catalogue.AgreementTerm;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Looks for what a map of agreement takes in: the findings of its detectors on the bars of the chart and on the next two higher
 * timeframes. Costs what they cost. Used by the thread that computes; what it gives does not change.
 */
final class Survey {
    /** The timeframes it looks up to. */
    private static final List<Timeframe> HIGHER =
            List.of(Timeframe.HOUR, Timeframe.DAY, Timeframe.WEEK, Timeframe.MONTH);

    private final List<Watched> watched = new ArrayList<>();

    private record Watched(Detector detector, Timeframe timeframe, FoundList list) {}

    /** What one detector has found on one timeframe, in the order it was found. */
    record Seen(Detector detector, Timeframe timeframe, List<Found> found) {}

    Survey(String layer, ColumnGraph graph, Timeframe timeframe) {
        watch(layer, graph, timeframe);
        HIGHER.stream()
                .filter(each -> each.isHigherThan(timeframe))
                .limit(2)
                .forEach(each -> graph.higher(each, false, inner -> watch(layer, inner, each)));
    }

    private List<ColumnGraph.Node> watch(String layer, ColumnGraph graph, Timeframe timeframe) {
        List<ColumnGraph.Node> nodes = new ArrayList<>();
        for (Detector detector : AgreementTerm.read()) {
            Detected detected = Detected.in(graph, detector, detector.settings(Map.of()), null);
            watched.add(new Watched(detector, timeframe, new FoundList(layer + " " + timeframe, detected)));
            nodes.add(detected.entries());
        }
        return nodes;
    }

    List<Seen> update() {
        return watched.stream()
                .map(each ->
                        new Seen(each.detector(), each.timeframe(), each.list().update()))
                .toList();
    }
}

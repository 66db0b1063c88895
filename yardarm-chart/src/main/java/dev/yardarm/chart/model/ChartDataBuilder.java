package dev.yardarm.chart.model;

import dev.yardarm.chart.scale.ExtremePyramid;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Field;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Computes the data of a chart and keeps it current: one column graph for all its indicators, one pyramid of extremes
 * for each column. Used by one thread at a time; what it returns may be drawn by another. Cost of an update: the new
 * bars times the layers.
 */
public final class ChartDataBuilder {
    private final ColumnGraph graph;
    private final Map<String, List<ColumnGraph.Node>> nodes = new LinkedHashMap<>();
    private final Map<String, List<ExtremePyramid>> pyramids = new LinkedHashMap<>();
    private ExtremePyramid ranges = new ExtremePyramid();
    private ExtremePyramid closes = new ExtremePyramid();
    private ExtremePyramid volumes = new ExtremePyramid();
    private long epoch = Long.MIN_VALUE;

    public ChartDataBuilder(List<IndicatorLayer> layers) {
        this(layers, Surroundings.NONE);
    }

    /** @param surroundings when sessions begin, and other instruments */
    public ChartDataBuilder(List<IndicatorLayer> layers, Surroundings surroundings) {
        graph = new ColumnGraph(surroundings);
        for (IndicatorLayer layer : layers) {
            nodes.put(layer.id(), layer.in(graph));
        }
    }

    /** Brings everything up to the bars, which must be of the same series each time. */
    public ChartData update(Bars bars) {
        if (bars.epoch() != epoch) {
            epoch = bars.epoch();
            ranges = new ExtremePyramid();
            closes = new ExtremePyramid();
            volumes = new ExtremePyramid();
            pyramids.clear();
        }
        graph.update(bars);
        int closed = bars.closed();
        ranges.update(bars.column(Field.LOW), bars.column(Field.HIGH), closed);
        closes.update(bars.column(Field.CLOSE), bars.column(Field.CLOSE), closed);
        volumes.update(bars.column(Field.VOLUME), bars.column(Field.VOLUME), closed);
        Map<String, List<ChartData.Line>> lines = new LinkedHashMap<>();
        nodes.forEach((id, ofId) -> {
            List<ExtremePyramid> own = pyramids.computeIfAbsent(id, missing -> newPyramids(ofId.size()));
            List<ChartData.Line> ofLayer = new ArrayList<>();
            for (int output = 0; output < own.size(); output++) {
                Column column = ofId.get(output).output().snapshot();
                own.get(output).update(column.values(), column.values(), closed);
                ofLayer.add(new ChartData.Line(column, own.get(output).view()));
            }
            lines.put(id, List.copyOf(ofLayer));
        });
        double last = bars.isEmpty() ? Double.NaN : bars.close(bars.size() - 1);
        return new ChartData(bars, ranges.view(), closes.view(), volumes.view(), last, lines);
    }

    private static List<ExtremePyramid> newPyramids(int count) {
        List<ExtremePyramid> made = new ArrayList<>();
        for (int output = 0; output < count; output++) {
            made.add(new ExtremePyramid());
        }
        return made;
    }
}

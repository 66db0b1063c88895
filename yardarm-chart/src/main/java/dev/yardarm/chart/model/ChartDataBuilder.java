package dev.yardarm.chart.model;

import dev.yardarm.chart.scale.ExtremePyramid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Needs;
import dev.yardarm.core.calculation.Operation;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Field;
import dev.yardarm.core.structure.DetectorTerm;
import dev.yardarm.core.structure.catalogue.AgreementTerm;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Computes the data of a chart and keeps it current: one column graph for all its indicators, one pyramid of extremes
 * for each column. Used by one thread at a time; what it returns may be drawn by another. Cost of an update: the new
 * bars times the layers.
 */
public final class ChartDataBuilder {
    private final ColumnGraph graph;
    private final Map<String, List<ColumnGraph.Node>> nodes = new LinkedHashMap<>();
    private final Map<String, List<ExtremePyramid>> pyramids = new LinkedHashMap<>();
    private final Map<String, ColumnGraph.Node> tints = new LinkedHashMap<>();
    private final Map<String, FoundList> found = new LinkedHashMap<>();
    private final Map<String, Survey> surveys = new LinkedHashMap<>();
    private final OrderFlowBuilder flow = new OrderFlowBuilder();
    private final Timeframe timeframe;
    private ExtremePyramid ranges = new ExtremePyramid();
    private ExtremePyramid closes = new ExtremePyramid();
    private ExtremePyramid volumes = new ExtremePyramid();
    private long epoch = Long.MIN_VALUE;

    /** Over sessions round the clock, with the built-in language. */
    public ChartDataBuilder(List<IndicatorLayer> layers) {
        this(layers, Surroundings.NONE, Language.builtIn());
    }

    /**
     * @param surroundings when sessions begin, and other instruments
     * @param language what rules of colour are written in
     */
    public ChartDataBuilder(List<IndicatorLayer> layers, Surroundings surroundings, Language language) {
        this(layers, surroundings, language, Timeframe.DAY);
    }

    /** @param timeframe of the bars, above which a map of agreement looks */
    public ChartDataBuilder(
            List<IndicatorLayer> layers, Surroundings surroundings, Language language, Timeframe timeframe) {
        graph = new ColumnGraph(surroundings);
        this.timeframe = timeframe;
        for (IndicatorLayer layer : layers) {
            nodes.put(layer.id(), nodes(layer, layers));
            for (int output = 0; output < layer.indicator().outputs().size(); output++) {
                if (layer.outputStyle(output).tint() != null) {
                    tints.put(
                            ChartData.tintName(layer, output),
                            Formula.parseCondition(
                                            layer.outputStyle(output).tint().condition(), language)
                                    .in(graph));
                }
            }
        }
    }

    /** True when these layers need nothing computed that those others did not: they differ in looks at most. */
    public static boolean areComputedAlike(List<IndicatorLayer> some, List<IndicatorLayer> others) {
        return some.stream()
                .map(ChartDataBuilder::computed)
                .toList()
                .equals(others.stream().map(ChartDataBuilder::computed).toList());
    }

    /** What these layers read beyond the bars, as their terms declare it. */
    public static Needs needs(List<IndicatorLayer> layers, Language language) {
        ColumnGraph graph = new ChartDataBuilder(layers, Surroundings.NONE, language).graph;
        // Averages that fade out have forgotten how they began after about three times their warm-up.
        return graph.needs().withBars(3 * graph.warmUp());
    }

    private static List<Object> computed(IndicatorLayer layer) {
        List<Object> parts = new ArrayList<>(
                List.of(layer.id(), layer.indicator(), layer.settings(), Optional.ofNullable(layer.higher())));
        layer.style().outputs().forEach((output, style) -> {
            if (style.tint() != null) {
                parts.add(output + " when " + style.tint().condition());
            }
        });
        return parts;
    }

    private List<ColumnGraph.Node> nodes(IndicatorLayer layer, List<IndicatorLayer> layers) {
        IndicatorLayer.Higher higher = layer.higher();
        return higher == null
                ? added(layer, layers, graph)
                : graph.higher(higher.timeframe(), higher.forming(), inner -> added(layer, layers, inner));
    }

    /** A layer's outputs in the graph of its timeframe, and the findings of a detector. */
    private List<ColumnGraph.Node> added(IndicatorLayer layer, List<IndicatorLayer> layers, ColumnGraph in) {
        if (layer.indicator() instanceof DetectorTerm term) {
            ColumnGraph.Node source = source(layer, layers, in, Set.of());
            found.put(layer.id(), new FoundList(layer.id(), term.detected(in, layer.settings(), source)));
        }
        if (in == graph) {
            flow.add(layer, graph);
        }
        if (layer.indicator() instanceof AgreementTerm && in == graph) {
            surveys.put(layer.id(), new Survey(layer.id(), graph, timeframe));
        }
        return nodes(layer, layers, in, Set.of());
    }

    /** A layer's outputs in a graph. One that reads itself, over others or not, or reads what is not there, has no values. */
    private static List<ColumnGraph.Node> nodes(
            IndicatorLayer layer, List<IndicatorLayer> layers, ColumnGraph in, Set<String> readers) {
        ColumnGraph.Node source = source(layer, layers, in, readers);
        return source == null
                ? layer.indicator().in(in, layer.settings())
                : layer.indicator().in(in, layer.settings(), source);
    }

    /** The output of another layer that one reads; null when it reads the bars. */
    private static ColumnGraph.Node source(
            IndicatorLayer layer, List<IndicatorLayer> layers, ColumnGraph in, Set<String> readers) {
        Setting.Source.Reference reference = layer.reference().orElse(null);
        if (reference == null) {
            return null;
        }
        Set<String> all = new HashSet<>(readers);
        all.add(layer.id());
        IndicatorLayer read = layers.stream()
                .filter(each -> each.id().equals(reference.layer()) && !all.contains(each.id()))
                .findFirst()
                .orElse(null);
        int output = read == null ? -1 : read.indicator().output(reference.output());
        return output < 0
                ? Operation.number(in, Double.NaN)
                : nodes(read, layers, in, all).get(output);
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
        Map<String, Column> rules = new LinkedHashMap<>();
        tints.forEach((name, node) -> rules.put(name, node.output().snapshot()));
        Map<String, List<Found>> findings = new LinkedHashMap<>();
        found.forEach((id, list) -> findings.put(id, list.update()));
        Map<String, List<Survey.Seen>> seen = new LinkedHashMap<>();
        surveys.forEach((id, survey) -> seen.put(id, survey.update()));
        return new ChartData(
                bars, ranges.view(), closes.view(), volumes.view(), last, lines, rules, findings, seen, flow.now());
    }

    private static List<ExtremePyramid> newPyramids(int count) {
        List<ExtremePyramid> made = new ArrayList<>();
        for (int output = 0; output < count; output++) {
            made.add(new ExtremePyramid());
        }
        return made;
    }
}

package dev.yardarm.chart.model;

import dev.yardarm.chart.scale.ExtremePyramid;
import dev.yardarm.chart.scale.PriceScale;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.series.Bars;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Where the panes of a chart lie and which values they show. Every pane but the price pane takes the share of the height
 * it was given, or an equal small one; the price pane has the rest, and never less than a fifth.
 */
final class PaneLayout {
    /** Height of a folded pane: its name. */
    static final double FOLDED = 20;

    private static final double LEAST_PRICE = 0.2;
    private static final double USUAL_SHARE = 0.17;
    private static final double LOWER_TOGETHER = 0.5;
    /** How near the edge of a held range price may come before the range moves, as a part of its height. */
    private static final double HELD_EDGE = 0.1;

    /** Height kept free for the legend of a pane that fits itself. */
    private static final double LEGEND = 14;
    /** By how much of its height scenarios may stretch the scale, each way. */
    private static final double MOST_FOR_SCENARIOS = 0.6;

    /** An arrow and its distance from the bar. */
    private static final double ARROWS = 15;

    private final ChartModel chart;

    private PaneLayout(ChartModel chart) {
        this.chart = chart;
    }

    static List<Pane> of(ChartModel chart) {
        return new PaneLayout(chart).layOut();
    }

    private List<Pane> layOut() {
        Map<String, List<IndicatorLayer>> layers = layersByPane();
        List<PaneChoice> order = order(layers.keySet());
        if (!chart.maximisedPane().isEmpty()) {
            order.stream()
                    .filter(each -> each.id().equals(chart.maximisedPane()))
                    .findFirst()
                    .ifPresent(alone -> {
                        order.clear();
                        order.add(alone.withFolded(false));
                    });
        }
        double[] heights = heights(order);
        List<Pane> panes = new ArrayList<>();
        double top = 0;
        for (int at = 0; at < order.size(); at++) {
            PaneChoice choice = order.get(at);
            // Also on a chart that has no size yet, as while a workspace is opened, every pane has some height.
            double bottom = Math.max(top + 2, at == order.size() - 1 ? chart.plotBottom() : top + heights[at]);
            panes.add(pane(choice, top, bottom, layers.getOrDefault(choice.id(), List.of())));
            top = bottom;
        }
        return List.copyOf(panes);
    }

    private Map<String, List<IndicatorLayer>> layersByPane() {
        Map<String, List<IndicatorLayer>> layers = new LinkedHashMap<>();
        Set<String> owners = new LinkedHashSet<>();
        chart.drawnIndicators().forEach(layer -> owners.add(layer.id()));
        for (IndicatorLayer layer : chart.drawnIndicators()) {
            String id = layer.paneId();
            boolean exists = id.equals(PaneChoice.PRICE) || id.equals(PaneChoice.VOLUME) || owners.contains(id);
            String pane = exists ? id : layer.indicator().place().withPrice() ? PaneChoice.PRICE : layer.id();
            boolean withPrice = pane.equals(PaneChoice.PRICE);
            if (withPrice || layer.style().showsOn(chart.timeframe()) && !chart.isCompact()) {
                layers.computeIfAbsent(pane, missing -> new ArrayList<>()).add(layer);
            }
        }
        return layers;
    }

    /** The panes there are, as the trader ordered them; others behind, as they come. */
    private List<PaneChoice> order(Set<String> withLayers) {
        Set<String> wanted = new LinkedHashSet<>();
        wanted.add(PaneChoice.PRICE);
        if (chart.isVolumeShown()
                && chart.hasVolume()
                && !chart.isCompact()
                && chart.data().volumes().size() > 0) {
            wanted.add(PaneChoice.VOLUME);
        }
        if (!chart.isCompact()) {
            wanted.addAll(withLayers);
        }
        if (!chart.isVolumeShown() || !chart.hasVolume()) {
            wanted.remove(PaneChoice.VOLUME);
        }
        List<PaneChoice> order = new ArrayList<>();
        for (PaneChoice choice : chart.paneChoices()) {
            if (wanted.remove(choice.id())) {
                order.add(choice);
            }
        }
        boolean priceFirst = wanted.remove(PaneChoice.PRICE);
        if (priceFirst) {
            order.add(0, PaneChoice.usual(PaneChoice.PRICE));
        }
        wanted.forEach(id -> order.add(PaneChoice.usual(id)));
        return order;
    }

    private double[] heights(List<PaneChoice> order) {
        double whole = chart.plotBottom();
        int lower = order.size() - 1;
        double usual = Math.min(USUAL_SHARE, LOWER_TOGETHER / Math.max(1, lower));
        double[] heights = new double[order.size()];
        double sum = 0;
        int price = -1;
        for (int at = 0; at < heights.length; at++) {
            PaneChoice choice = order.get(at);
            if (choice.id().equals(PaneChoice.PRICE)) {
                price = at;
            } else {
                heights[at] =
                        choice.folded() ? FOLDED : Math.rint(whole * (choice.share() > 0 ? choice.share() : usual));
                sum += heights[at];
            }
        }
        double most = whole * (price < 0 ? 1 : 1 - LEAST_PRICE);
        if (sum > most && sum > 0) {
            for (int at = 0; at < heights.length; at++) {
                heights[at] = Math.rint(heights[at] * most / sum);
            }
            sum = most;
        }
        if (price >= 0) {
            heights[price] = Math.max(2, whole - sum);
        }
        return heights;
    }

    private Pane pane(PaneChoice choice, double top, double bottom, List<IndicatorLayer> layers) {
        List<IndicatorLayer> right = on(LayerScale.PANE, layers);
        List<IndicatorLayer> left = on(LayerScale.LEFT, layers);
        List<IndicatorLayer> percent = on(LayerScale.PERCENT, layers);
        List<IndicatorLayer> own = on(LayerScale.OWN, layers);
        PriceScale leftScale = left.isEmpty() ? null : layerScale(left, top, bottom);
        Map<String, Pane.OwnScale> scales = new HashMap<>();
        own.forEach(layer ->
                scales.put(layer.id(), new Pane.OwnScale(layerScale(List.of(layer), top, bottom), Double.NaN)));
        if (choice.id().equals(PaneChoice.PRICE)) {
            PriceScale scale = priceScale(chart.isCompact() ? top + 2 : top, bottom, right, percent);
            for (IndicatorLayer layer : percent) {
                base(layer)
                        .ifPresent(base -> scales.put(
                                layer.id(),
                                new Pane.OwnScale(
                                        scale.between(scale.low() / base.factor(), scale.high() / base.factor()),
                                        base.value())));
            }
            return new Pane(choice.id(), Pane.Kind.PRICE, scale, leftScale, scales, false, layers, false);
        }
        PriceScale changes = percent.isEmpty() ? null : percentScale(percent, top, bottom);
        for (IndicatorLayer layer : percent) {
            base(layer)
                    .ifPresent(base -> scales.put(
                            layer.id(),
                            new Pane.OwnScale(
                                    changes.between(
                                            base.value() * (1 + changes.low() / 100),
                                            base.value() * (1 + changes.high() / 100)),
                                    base.value())));
        }
        if (choice.id().equals(PaneChoice.VOLUME)) {
            return new Pane(
                    choice.id(),
                    Pane.Kind.VOLUME,
                    volumeScale(top, bottom),
                    leftScale,
                    scales,
                    false,
                    layers,
                    choice.folded());
        }
        boolean percents = right.isEmpty() && changes != null;
        PriceScale scale =
                percents ? changes : layerScale(!right.isEmpty() ? right : !left.isEmpty() ? left : own, top, bottom);
        return new Pane(choice.id(), Pane.Kind.INDICATOR, scale, leftScale, scales, percents, layers, choice.folded());
    }

    private List<IndicatorLayer> on(LayerScale scale, List<IndicatorLayer> layers) {
        return layers.stream()
                .filter(layer -> layer.scale() == scale && layer.style().showsOn(chart.timeframe()))
                .toList();
    }

    /**
     * Where percentages of a layer begin.
     *
     * @param value of the layer there
     * @param factor from its values to prices of the chart
     */
    private record Base(double value, double factor) {}

    /** The first bar from the chart's base on at which the layer has a value; empty when it has none in view. */
    private Optional<Base> base(IndicatorLayer layer) {
        List<ChartData.Line> lines = chart.data().of(layer);
        int end = chart.time().endVisible(chart.bars().size());
        for (int bar = chart.baseBar(); bar < end && !lines.isEmpty(); bar++) {
            double value = lines.get(0).column().at(bar);
            if (value > 0 && chart.bars().close(bar) > 0) {
                return Optional.of(new Base(value, chart.bars().close(bar) / value));
            }
        }
        return Optional.empty();
    }

    private PriceScale percentScale(List<IndicatorLayer> layers, double top, double bottom) {
        double[] range = {Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY};
        for (IndicatorLayer layer : layers) {
            base(layer).ifPresent(base -> include(layer, 100 / base.value(), -100, range));
        }
        double legend = Math.min(LEGEND, (bottom - top) / 4);
        range[1] += (range[1] - range[0]) * legend / Math.max(1, bottom - top - legend);
        return PriceScale.fitted(range[0], range[1], 0.08, top, bottom, false);
    }

    private PriceScale priceScale(
            double top, double bottom, List<IndicatorLayer> layers, List<IndicatorLayer> percent) {
        ScaleChoice choice = chart.scale();
        if (choice.hasRange()) {
            ScaleChoice moved = choice.fit() == ScaleChoice.Fit.HELD ? followed(choice) : choice;
            return new PriceScale(0, 1, top, bottom, chart.isLogarithmic(), choice.inverted())
                    .between(moved.low(), moved.high());
        }
        double[] range = priceRange();
        for (IndicatorLayer layer : layers) {
            // What is compared is there to be seen beside the price.
            if (choice.fit() == ScaleChoice.Fit.ALL || layer.indicator().isOfBars()) {
                include(layer, 1, 0, range);
            }
        }
        for (IndicatorLayer layer : percent) {
            base(layer).ifPresent(base -> include(layer, base.factor(), 0, range));
        }
        includeScenarios(range);
        double height = bottom - top;
        double legend = Math.min(chart.isCompact() ? 16 : 34, height / 4);
        double above = Math.max(choice.topMargin() * height, 0) + legend;
        double below = (chart.isCompact() ? 0.04 : choice.bottomMargin()) * height;
        if (!choice.inverted()) {
            below = Math.max(below, arrows(layers, Indicator.Form.UP, height));
            above = Math.max(above, legend + arrows(layers, Indicator.Form.DOWN, height));
        }
        double usedTop = choice.inverted() ? top + Math.max(legend, below) : top + above;
        double usedBottom = choice.inverted() ? bottom - Math.max(2, above - legend) : bottom - below;
        PriceScale fitted = PriceScale.fitted(
                        range[0], range[1], 0, usedTop, Math.max(usedTop + 1, usedBottom), chart.isLogarithmic())
                .inverted(choice.inverted());
        PriceScale whole =
                new PriceScale(fitted.low(), fitted.high(), top, bottom, chart.isLogarithmic(), choice.inverted());
        return choice.inverted()
                ? whole.between(fitted.price(top), fitted.price(bottom))
                : whole.between(fitted.price(bottom), fitted.price(top));
    }

    /** Where scenarios lead is there to be seen, unless that would press the bars flat. */
    private void includeScenarios(double[] range) {
        double most = (range[1] - range[0]) * MOST_FOR_SCENARIOS;
        double low = range[0] - most;
        double high = range[1] + most;
        for (ScenarioMark mark : chart.scenarios()) {
            if (mark.struck() || mark.smaller()) {
                continue;
            }
            mark.scenario().targets().forEach(target -> {
                if (target.price() >= low && target.price() <= high) {
                    range[0] = Math.min(range[0], target.price());
                    range[1] = Math.max(range[1], target.price());
                }
            });
        }
    }

    /** Room for arrows beyond the bars, where a layer has them; in a low pane they may be cut rather than press the bars flat. */
    private static double arrows(List<IndicatorLayer> layers, Indicator.Form form, double height) {
        boolean any = layers.stream()
                .flatMap(layer -> layer.indicator().outputs().stream())
                .anyMatch(output -> output.form() == form);
        return any ? Math.min(ARROWS, height / 6) : 0;
    }

    /** Lowest and highest price in view. */
    private double[] priceRange() {
        int first = chart.time().firstVisible();
        Bars bars = chart.bars();
        int end = chart.time().endVisible(bars.size());
        boolean closes = chart.form().isOfCloses() && chart.request().isTime();
        ExtremePyramid.View ranges =
                closes ? chart.data().closes() : chart.data().ranges();
        ranges.find(first, end);
        double least = ranges.least();
        double most = ranges.most();
        if (bars.hasForming() && end > bars.closed()) {
            least = Math.min(least, closes ? bars.close(bars.closed()) : bars.low(bars.closed()));
            most = Math.max(most, closes ? bars.close(bars.closed()) : bars.high(bars.closed()));
        }
        return new double[] {least, most};
    }

    /** Widens a range to what is drawn of a layer in view, its values times a factor plus a shift. */
    private void include(IndicatorLayer layer, double factor, double shift, double[] range) {
        int closed = chart.bars().closed();
        int end = chart.time().endVisible(chart.bars().size());
        List<ChartData.Line> lines = chart.data().of(layer);
        for (int output = 0; output < lines.size(); output++) {
            if (layer.reaches(output)) {
                ChartData.Line line = lines.get(output);
                line.extremes().find(chart.time().firstVisible(), end);
                range[0] = Math.min(range[0], line.extremes().least() * factor + shift);
                range[1] = Math.max(range[1], line.extremes().most() * factor + shift);
                double forming = end > closed ? line.column().at(closed) : Double.NaN;
                if (!Double.isNaN(forming)) {
                    range[0] = Math.min(range[0], forming * factor + shift);
                    range[1] = Math.max(range[1], forming * factor + shift);
                }
            }
        }
    }

    /** A held range moved just so far that the newest price in view is off its edges. */
    private ScaleChoice followed(ScaleChoice choice) {
        Bars bars = chart.bars();
        int last = chart.time().endVisible(bars.size()) - 1;
        if (bars.isEmpty() || last < 0) {
            return choice;
        }
        boolean log = chart.isLogarithmic() && choice.low() > 0;
        double low = log ? Math.log(choice.low()) : choice.low();
        double high = log ? Math.log(choice.high()) : choice.high();
        double price = log ? Math.log(bars.close(last)) : bars.close(last);
        double edge = (high - low) * HELD_EDGE;
        double move = price > high - edge ? price - (high - edge) : price < low + edge ? price - (low + edge) : 0;
        if (move == 0 || Double.isNaN(move)) {
            return choice;
        }
        ScaleChoice moved =
                choice.withRange(log ? Math.exp(low + move) : low + move, log ? Math.exp(high + move) : high + move);
        chart.keepScale(moved);
        return moved;
    }

    private PriceScale volumeScale(double top, double bottom) {
        Bars bars = chart.bars();
        int end = chart.time().endVisible(bars.size());
        chart.data().volumes().find(chart.time().firstVisible(), end);
        double most = chart.data().volumes().found() ? chart.data().volumes().most() : 1;
        if (bars.hasForming() && end > bars.closed() && bars.volume(bars.closed()) > most) {
            most = bars.volume(bars.closed());
        }
        double legend = Math.min(18, (bottom - top) / 3);
        double high = Math.max(1e-9, most) * (bottom - top) / (bottom - top - legend);
        return new PriceScale(0, high, top, bottom, false);
    }

    private PriceScale layerScale(List<IndicatorLayer> layers, double top, double bottom) {
        double[] range = {Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY};
        boolean bounded = true;
        for (IndicatorLayer layer : layers) {
            var place = layer.indicator().place();
            bounded &= !Double.isNaN(place.least());
            if (!Double.isNaN(place.least())) {
                range[0] = Math.min(range[0], place.least());
                range[1] = Math.max(range[1], place.most());
            }
        }
        double legend = Math.min(LEGEND, (bottom - top) / 4);
        double room = legend / Math.max(1, bottom - top - legend);
        if (bounded && range[0] < range[1]) {
            return new PriceScale(range[0], range[1] + (range[1] - range[0]) * room, top, bottom, false);
        }
        layers.stream()
                .filter(layer -> layer.style().showsOn(chart.timeframe()))
                .forEach(layer -> include(layer, 1, 0, range));
        range[1] += (range[1] - range[0]) * room;
        return PriceScale.fitted(range[0], range[1], 0.08, top, bottom, false);
    }
}

package dev.yardarm.chart.model;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.plan.TradePlan;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * All layers of one chart, from the bars at the ground to the plan on top, and what hangs on them: alerts that wait and what went
 * off. Used by one thread.
 */
final class LayerStack {
    private BarForm form = BarForm.CANDLES;
    private boolean volumeShown = true;
    private List<IndicatorLayer> indicators = List.of();
    /** What is drawn instead of the indicators while one is tried out; null while none is. */
    private List<IndicatorLayer> tried;

    private List<UnknownLayer> unknown = List.of();
    private List<Drawing> drawings = List.of();
    private boolean drawingsShown = true;
    private TradePlan plan;
    private List<Alert> alerts = List.of();
    private List<Firing> firings = List.of();
    private List<CallMark> calls = List.of();
    private List<ScenarioMark> scenarios = List.of();
    /** What follows from the fields above, worked out when it is asked for and forgotten when one of them changes. */
    private List<Layer> listed;

    private Map<Selection, Layer> found;
    private Map<String, Drawing> drawingsById;

    private void changed() {
        listed = null;
        found = null;
    }

    /** In the order they are listed in. */
    List<Layer> all() {
        if (listed == null) {
            listed = List.copyOf(list());
        }
        return listed;
    }

    private List<Layer> list() {
        List<Layer> all = new ArrayList<>();
        all.add(new BarsLayer(form));
        all.add(new VolumeLayer(volumeShown));
        all.addAll(indicators);
        all.addAll(unknown);
        drawings.forEach(drawing -> all.add(new DrawingLayer(drawing)));
        plan().ifPresent(each -> all.add(new PlanLayer(each)));
        if (!scenarios.isEmpty()) {
            all.add(new ScenarioLayer(scenarios));
        }
        return all;
    }

    /** What a selection names; empty for nothing, several, or what is not there any more. */
    Optional<Layer> of(Selection selection) {
        if (found == null) {
            found = new HashMap<>();
            all().forEach(layer -> found.putIfAbsent(layer.selection(), layer));
        }
        return Optional.ofNullable(found.get(selection));
    }

    /** The drawing of an id. */
    Optional<Drawing> drawing(String id) {
        if (drawingsById == null) {
            drawingsById = new HashMap<>();
            drawings.forEach(each -> drawingsById.putIfAbsent(each.id(), each));
        }
        return Optional.ofNullable(drawingsById.get(id));
    }

    BarForm form() {
        return form;
    }

    void setForm(BarForm other) {
        form = other;
        changed();
    }

    boolean isVolumeShown() {
        return volumeShown;
    }

    void setVolumeShown(boolean shown) {
        volumeShown = shown;
        changed();
    }

    List<IndicatorLayer> indicators() {
        return indicators;
    }

    List<IndicatorLayer> drawnIndicators() {
        return tried == null ? indicators : tried;
    }

    void setTried(List<IndicatorLayer> layers) {
        tried = layers == null ? null : List.copyOf(layers);
    }

    void setIndicators(List<IndicatorLayer> layers) {
        indicators = List.copyOf(layers);
        changed();
    }

    Optional<IndicatorLayer> indicator(String id) {
        return indicators.stream().filter(layer -> layer.id().equals(id)).findFirst();
    }

    List<UnknownLayer> unknown() {
        return unknown;
    }

    void setUnknown(List<UnknownLayer> layers) {
        unknown = List.copyOf(layers);
        changed();
    }

    List<Drawing> drawings() {
        return drawings;
    }

    void setDrawings(List<Drawing> newDrawings) {
        drawings = List.copyOf(newDrawings);
        drawingsById = null;
        changed();
    }

    boolean areDrawingsShown() {
        return drawingsShown;
    }

    void setDrawingsShown(boolean shown) {
        drawingsShown = shown;
    }

    Optional<TradePlan> plan() {
        return Optional.ofNullable(plan);
    }

    void setPlan(TradePlan newPlan) {
        plan = newPlan;
        changed();
    }

    List<Alert> alerts() {
        return alerts;
    }

    void setAlerts(List<Alert> waiting) {
        alerts = List.copyOf(waiting);
    }

    List<CallMark> calls() {
        return calls;
    }

    void setCalls(List<CallMark> open) {
        calls = List.copyOf(open);
    }

    List<ScenarioMark> scenarios() {
        return scenarios;
    }

    void setScenarios(List<ScenarioMark> marks) {
        scenarios = List.copyOf(marks);
        changed();
    }

    List<Firing> firings() {
        return firings;
    }

    void setFirings(List<Firing> record) {
        firings = List.copyOf(record);
    }
}

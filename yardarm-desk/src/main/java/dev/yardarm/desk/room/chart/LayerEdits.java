package dev.yardarm.desk.room.chart;

import dev.yardarm.chart.model.BarsLayer;
import dev.yardarm.chart.model.DrawingLayer;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Layer;
import dev.yardarm.chart.model.PlanLayer;
import dev.yardarm.chart.model.ScenarioLayer;
import dev.yardarm.chart.model.UnknownLayer;
import dev.yardarm.chart.model.VolumeLayer;
import java.util.Map;
import java.util.function.BiConsumer;

/**
 * What can be done with a layer whatever kind it is: hidden, shown and taken away; each a step of undo. One table says how for
 * each kind. Used by the interface's thread.
 */
public final class LayerEdits {
    private final ChartRoom room;
    private final Map<Class<? extends Layer>, Edit<? extends Layer>> edits;

    /**
     * How a kind is changed.
     *
     * @param show hides it or shows it again
     * @param remove takes it away
     */
    private record Edit<L extends Layer>(BiConsumer<L, Boolean> show, java.util.function.Consumer<L> remove) {}

    LayerEdits(ChartRoom room) {
        this.room = room;
        edits = Map.of(
                BarsLayer.class,
                new Edit<BarsLayer>((layer, on) -> {}, layer -> {}),
                VolumeLayer.class,
                new Edit<VolumeLayer>((layer, on) -> room.setVolumeShown(on), layer -> room.setVolumeShown(false)),
                IndicatorLayer.class,
                new Edit<IndicatorLayer>(
                        (layer, on) -> room.indicators()
                                .change(layer.withStyle(layer.style().withVisible(on))),
                        layer -> room.indicators().remove(layer.id())),
                UnknownLayer.class,
                new Edit<UnknownLayer>((layer, on) -> {}, this::forget),
                DrawingLayer.class,
                new Edit<DrawingLayer>(
                        (layer, on) -> room.drawings().change(layer.drawing().withVisible(on)),
                        layer -> room.drawings().deleteChosen()),
                PlanLayer.class,
                new Edit<PlanLayer>((layer, on) -> {}, layer -> room.studies().removePlan()),
                ScenarioLayer.class,
                new Edit<ScenarioLayer>(
                        (layer, on) -> {}, layer -> room.studies().removeScenarios()));
    }

    /** True when the table has a kind. */
    public boolean has(Class<?> kind) {
        return edits.containsKey(kind);
    }

    @SuppressWarnings("unchecked")
    private <L extends Layer> Edit<L> of(L layer) {
        return (Edit<L>) edits.get(layer.getClass());
    }

    /** Hides a layer or shows it again; kinds that cannot be hidden stay as they are. */
    public void show(Layer layer, boolean on) {
        of(layer).show().accept(layer, on);
    }

    /** Takes a layer away; the bars stay. */
    public void remove(Layer layer) {
        of(layer).remove().accept(layer);
    }

    /** Gives up a layer that cannot be understood. */
    private void forget(UnknownLayer layer) {
        room.forget(layer);
    }
}

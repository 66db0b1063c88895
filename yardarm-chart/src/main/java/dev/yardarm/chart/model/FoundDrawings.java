package dev.yardarm.chart.model;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.structure.DetectorTerm;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The findings of the detector layers of a chart as drawings, in the look of their layer: dotted while they may be taken back, fainter
 * when nothing more can come of them. They are painted, found under the pointer and placed like drawings, but cannot be moved; those of
 * a higher timeframe are inherited like drawings of it.
 *
 * <p>Worked out when it is asked for and kept while data and layers stay; a finding that has not changed keeps its drawing. Used by one thread.
 */
public final class FoundDrawings {
    private static final double ENDED = 0.45;

    private final ChartModel chart;
    private final Map<String, Made> made = new HashMap<>();
    private ChartData data;
    private List<IndicatorLayer> layers;
    private Timeframe timeframe;
    private List<Drawing> drawings = List.of();
    private Map<String, Found> byId = Map.of();

    /** What was made of one layer with one look. */
    private record Made(LayerStyle style, Timeframe origin, Map<Found, Drawing> drawings) {}

    FoundDrawings(ChartModel chart) {
        this.chart = chart;
    }

    /** All that is shown, in the order of the layers; none of layers that are hidden. */
    public List<Drawing> all() {
        if (data != chart.data()
                || layers != chart.drawnIndicators()
                || !chart.timeframe().equals(timeframe)) {
            data = chart.data();
            layers = chart.drawnIndicators();
            timeframe = chart.timeframe();
            make();
        }
        return drawings;
    }

    private void make() {
        List<Drawing> all = new ArrayList<>();
        Map<String, Found> ids = new HashMap<>();
        for (IndicatorLayer layer : layers) {
            if (!(layer.indicator() instanceof DetectorTerm) || !layer.style().showsOn(timeframe)) {
                continue;
            }
            Timeframe origin =
                    layer.higher() == null ? timeframe : layer.higher().timeframe();
            Made kept = made.get(layer.id());
            Map<Found, Drawing> before = kept != null
                            && kept.style().equals(layer.style())
                            && kept.origin().equals(origin)
                    ? kept.drawings()
                    : Map.of();
            Map<Found, Drawing> now = new IdentityHashMap<>();
            for (Found each : data.found(layer)) {
                Drawing drawing = before.get(each);
                drawing = drawing == null ? drawing(each, layer.style(), origin) : drawing;
                now.put(each, drawing);
                all.add(drawing);
                ids.put(each.id(), each);
            }
            made.put(layer.id(), new Made(layer.style(), origin, now));
        }
        made.keySet().retainAll(layers.stream().map(IndicatorLayer::id).toList());
        drawings = all.isEmpty() ? List.of() : List.copyOf(all);
        byId = ids;
    }

    private static Drawing drawing(Found found, LayerStyle style, Timeframe origin) {
        Drawing.Style look = Drawing.Style.of(style.colour())
                .withLine(
                        style.colour(),
                        style.width(),
                        style.opacity() * (found.state().isEnd() ? ENDED : 1))
                .withFill(0.08)
                .withDash(found.isProvisional() ? Drawing.Style.Dash.DOTTED : Drawing.Style.Dash.SOLID);
        return kept(found, origin).withStyle(look).withPlace(Drawing.Place.STANDARD.withLocked(true));
    }

    /** The drawing a finding becomes when it is kept. */
    public static Drawing kept(Found found, Timeframe origin) {
        return new Drawing(
                found.id(),
                found.figured().figure(),
                origin,
                found.figured().anchors(),
                false,
                found.figured().options(),
                Drawing.Style.of(0),
                Drawing.Place.STANDARD);
    }

    /** The finding of an id; empty for a drawing of the trader's, and for what is not there any more. */
    public Optional<Found> find(String id) {
        all();
        return Optional.ofNullable(byId.get(id));
    }
}

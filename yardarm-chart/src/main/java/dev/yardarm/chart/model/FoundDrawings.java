package dev.yardarm.chart.model;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.core.structure.DetectorTerm;
import dev.yardarm.core.structure.Figured;
import java.util.ArrayList;
import java.util.Comparator;
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
    private Map<String, Part> byId = Map.of();

    /** What was made of one layer with one look. */
    private record Made(LayerStyle style, Timeframe origin, Map<Found, List<Drawing>> drawings) {}

    /** A part of a finding that is painted. */
    public record Part(Found found, Figured figured) {}

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
        Map<String, Part> ids = new HashMap<>();
        for (IndicatorLayer layer : layers) {
            if (!(layer.indicator() instanceof DetectorTerm) || !layer.style().showsOn(timeframe)) {
                continue;
            }
            Timeframe origin =
                    layer.higher() == null ? timeframe : layer.higher().timeframe();
            Made kept = made.get(layer.id());
            Map<Found, List<Drawing>> before = kept != null
                            && kept.style().equals(layer.style())
                            && kept.origin().equals(origin)
                    ? kept.drawings()
                    : Map.of();
            Map<Found, List<Drawing>> now = new IdentityHashMap<>();
            for (Found each : shown(layer)) {
                List<Drawing> parts = before.get(each);
                parts = parts == null ? drawings(each, layer.style(), origin) : parts;
                now.put(each, parts);
                all.addAll(parts);
                for (int part = 0; part < parts.size(); part++) {
                    ids.put(parts.get(part).id(), new Part(each, each.parts().get(part)));
                }
            }
            made.put(layer.id(), new Made(layer.style(), origin, now));
        }
        made.keySet().retainAll(layers.stream().map(IndicatorLayer::id).toList());
        drawings = all.isEmpty() ? List.of() : List.copyOf(all);
        byId = ids;
    }

    /** What is painted of a layer: of rival readings one alone where that is chosen. */
    private List<Found> shown(IndicatorLayer layer) {
        String alone = layer.settings().values().getOrDefault(Detector.ALONE, "0");
        int rank = Integer.parseInt(alone);
        if (rank == 0) {
            return data.found(layer);
        }
        List<Found> rivals = rivals(layer);
        return rank <= rivals.size() ? List.of(rivals.get(rank - 1)) : List.of();
    }

    /** The rival readings of a layer that stand, the best first; none of a detector whose findings do not exclude each other. */
    public List<Found> rivals(IndicatorLayer layer) {
        return chart.data().found(layer).stream()
                .filter(each -> !each.reading().isEmpty() && !each.state().isEnd())
                .sorted(Comparator.comparingDouble(each -> -each.finding().score()))
                .toList();
    }

    /** True for a reading that steps back, since a rival of it is chosen. */
    public boolean recedes(Found found) {
        return !found.reading().isEmpty()
                && chart.selection() instanceof Selection.Finding chosen
                && find(chosen.id())
                        .filter(other -> other != found
                                && other.layer().equals(found.layer())
                                && !other.reading().isEmpty())
                        .isPresent();
    }

    private static List<Drawing> drawings(Found found, LayerStyle style, Timeframe origin) {
        List<Drawing> all = new ArrayList<>();
        for (int part = 0; part < found.parts().size(); part++) {
            Figured figured = found.parts().get(part);
            boolean projected = figured.look() != Figured.Look.MAIN;
            Drawing.Style look = Drawing.Style.of(style.colour())
                    .withLine(
                            style.colour(),
                            projected ? 1 : style.width(),
                            style.opacity() * (found.state().isEnd() ? ENDED : 1))
                    .withFill(0.08)
                    .withDash(
                            projected || found.isProvisional() ? Drawing.Style.Dash.DOTTED : Drawing.Style.Dash.SOLID);
            all.add(drawing(part == 0 ? found.id() : found.id() + "+" + part, figured, origin)
                    .withStyle(look)
                    .withPlace(Drawing.Place.STANDARD.withLocked(true)));
        }
        return List.copyOf(all);
    }

    private static Drawing drawing(String id, Figured figured, Timeframe origin) {
        return new Drawing(
                id,
                figured.figure(),
                origin,
                figured.anchors(),
                false,
                figured.options(),
                Drawing.Style.of(0),
                Drawing.Place.STANDARD);
    }

    /** The drawings a finding becomes when it is kept. */
    public static List<Drawing> kept(Found found, Timeframe origin) {
        return found.parts().stream()
                .map(each -> drawing(found.id(), each, origin))
                .toList();
    }

    /** The finding of an id, of it or of one of its parts; empty for a drawing of the trader's, and for what is not there any more. */
    public Optional<Found> find(String id) {
        return part(id).map(Part::found);
    }

    /** The part of a finding that a drawing is of. */
    public Optional<Part> part(String id) {
        all();
        return Optional.ofNullable(byId.get(id));
    }
}

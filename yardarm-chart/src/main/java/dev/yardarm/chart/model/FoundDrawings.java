package dev.yardarm.chart.model;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.core.structure.DetectorTerm;
import dev.yardarm.core.structure.Figured;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The findings of the detector layers of a chart as drawings, in the look of their layer: dotted while they may be taken back, fainter
 * when nothing more can come of them. They are painted, found under the pointer and placed like drawings, but cannot be moved; those of
 * a higher timeframe are inherited like drawings of it.
 *
 * <p>Worked out when it is asked for and kept while data and layers stay; a finding that has not changed keeps its drawing. Used by one thread.
 */
public final class FoundDrawings {
    private final ChartModel chart;
    private final Map<String, FoundLayer> made = new HashMap<>();
    private ChartData data;
    private List<IndicatorLayer> layers;
    private Timeframe timeframe;
    private List<Drawing> drawings = List.of();

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
        Set<String> there = new HashSet<>();
        for (IndicatorLayer layer : layers) {
            if (!(layer.indicator() instanceof DetectorTerm) || !layer.style().showsOn(timeframe)) {
                continue;
            }
            Timeframe origin =
                    layer.higher() == null ? timeframe : layer.higher().timeframe();
            FoundLayer found = made.get(layer.id());
            if (found == null || !found.isIn(layer.style(), origin)) {
                found = new FoundLayer(layer.style(), origin);
                made.put(layer.id(), found);
            }
            found.update(shown(layer));
            all.addAll(found.drawings());
            there.add(layer.id());
        }
        made.keySet().retainAll(there);
        drawings = all.isEmpty() ? List.of() : Collections.unmodifiableList(all);
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

    /** The drawings a finding becomes when it is kept. */
    public static List<Drawing> kept(Found found, Timeframe origin) {
        return found.parts().stream()
                .map(each -> FoundLayer.drawing(found.id(), each, origin))
                .toList();
    }

    /** The finding of an id, of it or of one of its parts; empty for a drawing of the trader's, and for what is not there any more. */
    public Optional<Found> find(String id) {
        return part(id).map(Part::found);
    }

    /** The part of a finding that a drawing is of. */
    public Optional<Part> part(String id) {
        all();
        for (FoundLayer each : made.values()) {
            Optional<Part> part = each.part(id);
            if (part.isPresent()) {
                return part;
            }
        }
        return Optional.empty();
    }
}

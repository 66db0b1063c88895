package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.core.series.Column;
import java.util.ArrayList;
import java.util.List;

/**
 * The colours that indicators give the bars of the price. Of several rules that hold at a bar one counts: that of the layer
 * put on last, as what is put on last lies on top of everything else; within a layer the first. A tint changes the colour alone; hollow stays hollow and filled stays filled.
 *
 * <p>Gathered once a frame; asking costs by the number of tints. Belongs to one renderer.
 */
final class BarTints {
    /** No tint: the bar has its own colour. */
    static final int NONE = -1;

    private final List<Column> columns = new ArrayList<>();
    private final List<Integer> colours = new ArrayList<>();
    private final List<Batch> batches = new ArrayList<>();

    /** Gathers the tints that the layers of a chart show. */
    void gather(ChartModel chart, Palette palette) {
        columns.clear();
        colours.clear();
        List<IndicatorLayer> layers = chart.drawnIndicators();
        for (int at = layers.size() - 1; at >= 0; at--) {
            IndicatorLayer layer = layers.get(at);
            List<ChartData.Line> lines =
                    layer.style().showsOn(chart.timeframe()) ? chart.data().of(layer) : List.of();
            for (int output = 0; output < lines.size(); output++) {
                if (layer.tints(output)) {
                    columns.add(lines.get(output).column());
                    colours.add(Palette.fade(
                            palette.drawn(layer.colourOf(output)), layer.style().opacity()));
                }
            }
        }
        while (batches.size() < columns.size()) {
            batches.add(new Batch());
        }
        batches.forEach(Batch::clear);
    }

    int count() {
        return columns.size();
    }

    boolean isEmpty() {
        return columns.isEmpty();
    }

    /** The number of the tint that holds at a bar. */
    int at(int bar) {
        for (int tint = 0; tint < columns.size(); tint++) {
            if (columns.get(tint).at(bar) == 1) {
                return tint;
            }
        }
        return NONE;
    }

    /** What is drawn in the colour of a tint. */
    Batch batch(int tint) {
        return batches.get(tint);
    }

    /** ARGB of a tint. */
    int colour(int tint) {
        return colours.get(tint);
    }

    /** Fills what was gathered for each tint in its colour. */
    void fill(Surface surface) {
        for (int tint = 0; tint < columns.size(); tint++) {
            batches.get(tint).fill(surface, colours.get(tint));
        }
    }
}

package dev.yardarm.chart.render;

import dev.yardarm.chart.label.Box;
import dev.yardarm.chart.label.Labels;
import dev.yardarm.chart.model.BarsLayer;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.DrawingLayer;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Layer;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.model.PlacedWords;
import dev.yardarm.chart.model.PlanLayer;
import dev.yardarm.chart.model.ScenarioLayer;
import dev.yardarm.chart.model.UnknownLayer;
import dev.yardarm.chart.model.VolumeLayer;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.profile.BarFiguresTerm;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Draws a whole chart: ground, grid, panes with their layers, axes with their tags. What follows the pointer is not
 * drawn here. One painter serves one chart; it keeps its batches from frame to frame.
 */
public final class ChartPainter {
    private final BarRenderer bars = new BarRenderer();
    private final LayerRenderer layers = new LayerRenderer();
    private final VolumeRenderer volume = new VolumeRenderer();
    private final GridRenderer grid = new GridRenderer();
    private final DrawingRenderer drawings = new DrawingRenderer();
    private final BracketRenderer bracket = new BracketRenderer();
    private final CallRenderer calls = new CallRenderer();
    private final ScenarioRenderer scenarios = new ScenarioRenderer();
    private final GapRenderer gap = new GapRenderer();
    private final PointFigureRenderer boxes = new PointFigureRenderer();
    private final AgreementRenderer agreement = new AgreementRenderer();
    private final ProfileRenderer profiles = new ProfileRenderer();
    private final TimeProfileRenderer times = new TimeProfileRenderer();
    private final FootprintRenderer footprints = new FootprintRenderer();
    private final FiguresRenderer figures = new FiguresRenderer();
    private final LargeTradeRenderer largeTrades = new LargeTradeRenderer();
    private final MarkRenderer marks = new MarkRenderer();
    private final TagRenderer tags = new TagRenderer();
    private final Legend legend = new Legend();
    private final Labels labels = new Labels();
    private final Map<Class<? extends Layer>, KindPainter> kinds = kinds();
    private final double[] rectangle = new double[4];

    /**
     * Paints a frame. First all shapes, which say what they would like to write; then every text that found a place
     * ({@link Labels}). The readout and the values of the legends are not among them: they follow the pointer, and only
     * their plates are painted.
     */
    public void paint(ChartModel chart, Palette palette, Surface surface) {
        fill(surface, palette.of(Role.PAPER), 0, 0, chart.width(), chart.height());
        labels.begin(chart.height());
        chart.setWords(List.of());
        if (chart.instrument().isEmpty() || chart.bars().isEmpty()) {
            return;
        }
        legend.build(chart, palette, surface);
        if (!chart.isCompact()) {
            legend.plates().forEach(labels::reserve);
            legend.rests().forEach(rest -> labels.reserve(rest.box()));
            tags.place(chart, palette, surface, labels);
        }
        grid.paint(chart, palette, surface, tags, labels);
        marks.paintBreaks(chart, palette, surface);
        for (Pane pane : chart.panes()) {
            if (pane.folded()) {
                continue;
            }
            surface.beginClip(0, pane.top(), chart.plotRight(), pane.bottom() - pane.top());
            for (KindPainter kind : kinds.values()) {
                kind.paint(chart, pane, palette, surface);
            }
            surface.endClip();
            for (IndicatorLayer layer : pane.indicators()) {
                if (layer.indicator() instanceof BarFiguresTerm && !chart.isCompact()) {
                    figures.paintNames(chart, pane, layer, palette, surface);
                }
            }
        }
        agreement.paint(chart, palette, surface, labels);
        gap.paint(chart, palette, surface, labels);
        marks.paintEvents(chart, palette, surface, labels);
        marks.paintForming(chart, palette, surface);
        if (!chart.isCompact()) {
            legend.paintPlates(palette, surface);
            labels.place(surface);
            labels.paint(surface, palette.of(Role.INK), palette.of(Role.PAPER));
            tags.paint(chart, palette, surface);
            chart.setWords(words());
        }
    }

    /** Where the texts stand, and what those say that were only counted. */
    private List<PlacedWords> words() {
        List<PlacedWords> words = new ArrayList<>();
        for (Labels.Placed each : labels.placed()) {
            words.add(new PlacedWords(each.owner(), List.of(), each.box()));
        }
        for (List<Labels.Count> counts : List.of(labels.counts(), tags.counts())) {
            counts.forEach(each -> words.add(new PlacedWords("", each.texts(), each.box())));
        }
        legend.rests().forEach(each -> words.add(new PlacedWords("", each.texts(), each.box())));
        return words;
    }

    /** The legends of the frame painted last. */
    public Legend legend() {
        return legend;
    }

    /** Writes the legends of the newest bar in view too, for pictures that have no pointer. */
    public void paintLegend(ChartModel chart, Surface surface) {
        if (!chart.bars().isEmpty()) {
            legend.paintWords(chart.time().newestVisible(chart.bars().size()), surface);
        }
    }

    /** Where the texts of a pane may stand. */
    static Box area(ChartModel chart, Pane pane) {
        return new Box(0, pane.top() + 1, chart.plotRight() - 1, pane.bottom() - 1);
    }

    /** Paints all layers of one kind that lie in a pane. */
    private interface KindPainter {
        void paint(ChartModel chart, Pane pane, Palette palette, Surface surface);
    }

    /** How each kind of layer is painted, from the ground up. */
    private Map<Class<? extends Layer>, KindPainter> kinds() {
        Map<Class<? extends Layer>, KindPainter> all = new LinkedHashMap<>();
        all.put(BarsLayer.class, this::paintBars);
        all.put(VolumeLayer.class, (chart, pane, palette, surface) -> {
            if (pane.kind() == Pane.Kind.VOLUME) {
                volume.paint(chart, pane.scale(), palette, surface);
            }
        });
        all.put(IndicatorLayer.class, (chart, pane, palette, surface) -> {
            if (pane.kind() == Pane.Kind.PRICE && !chart.isCompact()) {
                profiles.paint(chart, pane, true, palette, surface, labels);
            }
            for (IndicatorLayer layer : pane.indicators()) {
                if (layer.style().showsOn(chart.timeframe())) {
                    layers.paint(chart, pane, layer, palette, surface);
                    if (layer.indicator() instanceof BarFiguresTerm) {
                        figures.paint(chart, pane, layer, palette, surface);
                    }
                }
            }
        });
        // What cannot be understood is listed, not painted.
        all.put(UnknownLayer.class, (chart, pane, palette, surface) -> {});
        all.put(DrawingLayer.class, (chart, pane, palette, surface) -> {
            if (pane.kind() == Pane.Kind.PRICE) {
                drawings.paint(chart, palette, surface, labels);
            }
        });
        all.put(ScenarioLayer.class, (chart, pane, palette, surface) -> {
            if (pane.kind() == Pane.Kind.PRICE) {
                scenarios.paint(chart, pane, palette, surface, labels);
            }
        });
        all.put(PlanLayer.class, (chart, pane, palette, surface) -> {
            if (pane.kind() == Pane.Kind.PRICE) {
                chart.plan().ifPresent(plan -> bracket.paint(chart, plan, palette, surface, labels));
                calls.paint(chart, pane, palette, surface, labels);
            }
        });
        return all;
    }

    /** True when a kind of layer has its way of being painted. */
    public boolean has(Class<?> kind) {
        return kinds.containsKey(kind);
    }

    private void paintBars(ChartModel chart, Pane pane, Palette palette, Surface surface) {
        if (pane.kind() != Pane.Kind.PRICE) {
            return;
        }
        if (!chart.isCompact()) {
            times.paint(chart, pane, palette, surface);
            profiles.paint(chart, pane, false, palette, surface, labels);
        }
        IndicatorLayer footprint = FootprintRenderer.shown(chart);
        if (footprint != null) {
            footprints.paint(chart, footprint, pane.scale(), palette, surface);
            bars.paintNarrow(chart, pane.scale(), palette, surface, FootprintRenderer.spine(chart));
        } else if (chart.request().rule() instanceof BarRule.PointFigure rule) {
            boxes.paint(chart, rule, pane.scale(), palette, surface, labels);
        } else {
            bars.paint(chart, pane.scale(), palette, surface);
        }
        if (!chart.isCompact()) {
            largeTrades.paint(chart, pane, palette, surface);
        }
    }

    private void fill(Surface surface, int colour, double x, double y, double width, double height) {
        rectangle[0] = x;
        rectangle[1] = y;
        rectangle[2] = width;
        rectangle[3] = height;
        surface.fillRectangles(colour, rectangle, 1);
    }
}

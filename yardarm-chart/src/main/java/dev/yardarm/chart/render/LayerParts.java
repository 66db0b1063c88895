package dev.yardarm.chart.render;

import dev.yardarm.chart.model.BarsLayer;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.DrawingLayer;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.Layer;
import dev.yardarm.chart.model.PlanLayer;
import dev.yardarm.chart.model.ScenarioLayer;
import dev.yardarm.chart.model.UnknownLayer;
import dev.yardarm.chart.model.VolumeLayer;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.series.Bars;
import java.util.Map;

/** The table of what a list says of each kind of layer. */
public final class LayerParts {
    /** The colour of a layer that has none. */
    public static final int NO_COLOUR = Integer.MIN_VALUE;

    private static final Map<Class<? extends Layer>, LayerPart<? extends Layer>> PARTS = Map.of(
            BarsLayer.class, new OfBars(),
            VolumeLayer.class, new OfVolume(),
            IndicatorLayer.class, new OfIndicator(),
            UnknownLayer.class, new OfUnknown(),
            DrawingLayer.class, new OfDrawing(),
            PlanLayer.class, new OfPlan(),
            ScenarioLayer.class, new OfScenarios());

    private LayerParts() {}

    /** True when the table has a kind. */
    public static boolean has(Class<?> kind) {
        return PARTS.containsKey(kind);
    }

    @SuppressWarnings("unchecked")
    private static <L extends Layer> LayerPart<L> of(L layer) {
        return (LayerPart<L>) PARTS.get(layer.getClass());
    }

    /** What a layer is called. */
    public static String title(ChartModel chart, Layer layer) {
        return of(layer).title(chart, layer);
    }

    /** All that a layer is found by. */
    public static String words(ChartModel chart, Layer layer) {
        return of(layer).title(chart, layer) + " " + of(layer).words(chart, layer);
    }

    /** The value of a layer at the last bar, in words; empty when it has none. */
    public static String value(ChartModel chart, Layer layer) {
        return chart.bars().isEmpty() ? "" : of(layer).value(chart, layer);
    }

    /** Number of the colour a layer is known by, as {@code Palette.drawn} takes it; {@link #NO_COLOUR} for none. */
    public static int colour(Layer layer) {
        return of(layer).colour(layer);
    }

    /** True when a layer can be hidden and shown again. */
    public static boolean canHide(Layer layer) {
        return of(layer).canHide();
    }

    /** True when a layer is not hidden. */
    public static boolean isVisible(Layer layer) {
        return of(layer).isVisible(layer);
    }

    private static final class OfBars implements LayerPart<BarsLayer> {
        @Override
        public String title(ChartModel chart, BarsLayer layer) {
            return "price, "
                    + (chart.request().isTime()
                            ? layer.form().title()
                            : chart.request().rule().words());
        }

        @Override
        public String value(ChartModel chart, BarsLayer layer) {
            return chart.instrument().orElseThrow().format().format(chart.data().last());
        }
    }

    private static final class OfVolume implements LayerPart<VolumeLayer> {
        @Override
        public String title(ChartModel chart, VolumeLayer layer) {
            return "volume";
        }

        @Override
        public String value(ChartModel chart, VolumeLayer layer) {
            Bars bars = chart.bars();
            return Readout.quantity(bars.volume(bars.size() - 1));
        }

        @Override
        public boolean canHide() {
            return true;
        }

        @Override
        public boolean isVisible(VolumeLayer layer) {
            return layer.visible();
        }
    }

    private static final class OfIndicator implements LayerPart<IndicatorLayer> {
        @Override
        public String title(ChartModel chart, IndicatorLayer layer) {
            return chart.titleOf(layer);
        }

        @Override
        public String value(ChartModel chart, IndicatorLayer layer) {
            return IndicatorParts.of(layer).value(chart, layer);
        }

        @Override
        public int colour(IndicatorLayer layer) {
            return layer.leadColour();
        }

        @Override
        public boolean canHide() {
            return true;
        }

        @Override
        public boolean isVisible(IndicatorLayer layer) {
            return layer.style().visible();
        }
    }

    private static final class OfUnknown implements LayerPart<UnknownLayer> {
        @Override
        public String title(ChartModel chart, UnknownLayer layer) {
            return layer.title();
        }

        @Override
        public String words(ChartModel chart, UnknownLayer layer) {
            return layer.reason();
        }

        @Override
        public String value(ChartModel chart, UnknownLayer layer) {
            return "cannot be shown";
        }
    }

    private static final class OfDrawing implements LayerPart<DrawingLayer> {
        /** Its name, the timeframe it is of, and what is special about it. */
        @Override
        public String title(ChartModel chart, DrawingLayer layer) {
            Drawing drawing = layer.drawing();
            boolean inherited = drawing.origin().isHigherThan(chart.timeframe());
            return drawing.title().toLowerCase(java.util.Locale.ROOT)
                    + " (" + drawing.origin() + ")"
                    + (inherited ? ", inherited" : "")
                    + (drawing.place().group().isEmpty() ? "" : ", grouped")
                    + (drawing.place().locked() ? ", locked" : "")
                    + (drawing.place().chart().isEmpty() ? "" : ", here alone");
        }

        @Override
        public String words(ChartModel chart, DrawingLayer layer) {
            Drawing drawing = layer.drawing();
            return drawing.figure().title() + " " + drawing.place().tracing() + " "
                    + drawing.options().getOrDefault("text", "");
        }

        @Override
        public String value(ChartModel chart, DrawingLayer layer) {
            Bars bars = chart.bars();
            double now = chart.places().valueOf(layer.drawing(), bars.openTime(bars.size() - 1));
            return Double.isNaN(now)
                    ? ""
                    : chart.instrument().orElseThrow().format().format(now);
        }

        @Override
        public int colour(DrawingLayer layer) {
            return layer.drawing().colour();
        }

        @Override
        public boolean canHide() {
            return true;
        }

        @Override
        public boolean isVisible(DrawingLayer layer) {
            return layer.drawing().visible();
        }
    }

    private static final class OfScenarios implements LayerPart<ScenarioLayer> {
        @Override
        public String title(ChartModel chart, ScenarioLayer layer) {
            return "scenarios";
        }

        @Override
        public String words(ChartModel chart, ScenarioLayer layer) {
            return String.join(
                    " ",
                    layer.marks().stream().map(each -> each.scenario().title()).toList());
        }

        @Override
        public String value(ChartModel chart, ScenarioLayer layer) {
            long standing =
                    layer.marks().stream().filter(each -> !each.struck()).count();
            return standing + " of " + layer.marks().size() + " stand";
        }
    }

    private static final class OfPlan implements LayerPart<PlanLayer> {
        @Override
        public String title(ChartModel chart, PlanLayer layer) {
            return "plan";
        }

        @Override
        public String value(ChartModel chart, PlanLayer layer) {
            return layer.plan().isLong() ? "long" : "short";
        }
    }
}

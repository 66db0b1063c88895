package dev.yardarm.desk.room.chart;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerScale;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.chart.model.OutputStyle;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Other instruments on one chart: each is a layer like an indicator, in a colour not in use and on a scale on which it can
 * be seen; several at once are one step of undo. Used by the interface's thread alone.
 */
public final class ChartComparisons {
    private static final Indicator COMPARE = Catalogue.builtIn().find("compare").orElseThrow();
    private static final Indicator CORRELATION =
            Catalogue.builtIn().find("correlation").orElseThrow();

    private final ChartRoom room;
    private final ChartModel chart;

    ChartComparisons(ChartRoom room) {
        this.room = room;
        chart = room.chart();
    }

    /**
     * How other instruments come up.
     *
     * @param bars true for bars, false for a line through the closes
     * @param ownPane true for one new pane for all of them, false for the price pane
     */
    public record Look(LayerScale scale, boolean bars, boolean ownPane) {
        public static final Look STANDARD = new Look(LayerScale.PERCENT, false, false);
    }

    /** Puts other instruments on the chart; those that are there already, and the chart's own, are left out. */
    public void add(List<Instrument> others, Look look) {
        List<IndicatorLayer> before = chart.indicators();
        List<IndicatorLayer> after = new ArrayList<>(before);
        List<String> added = new ArrayList<>();
        String pane = "";
        for (Instrument other : others) {
            if (chart.instrument().filter(other::equals).isPresent()
                    || of(after, code(other)).isPresent()) {
                continue;
            }
            IndicatorLayer layer = layer(other, look, after);
            pane = look.ownPane() && pane.isEmpty() ? layer.id() : pane;
            after.add(look.ownPane() ? layer.inPane(pane) : layer);
            added.add(other.code());
        }
        if (added.isEmpty()) {
            room.desk().tell("Nothing to add: it is on the chart already.");
            return;
        }
        room.indicators().changeLayers("compare with " + String.join(", ", added), "", before, after);
        room.studies().select(new Selection.Layer(after.get(after.size() - 1).id()));
    }

    private IndicatorLayer layer(Instrument other, Look look, List<IndicatorLayer> among) {
        LayerStyle style = LayerStyle.of(room.indicators().freeColour(among));
        IndicatorLayer layer = new IndicatorLayer(
                room.indicators().newLayerId(),
                COMPARE,
                Settings.of(COMPARE, Map.of("with", code(other))),
                look.bars()
                        ? style.withOutput(
                                "close",
                                new OutputStyle(Indicator.Form.BARS, OutputStyle.OF_LAYER, OutputStyle.Colouring.PLAIN))
                        : style);
        return layer.onScale(look.scale());
    }

    /** The code an instrument has on this chart: with its source when that is another one than the chart's. */
    private String code(Instrument other) {
        boolean same = chart.instrument()
                .filter(own -> own.id().source().equals(other.id().source()))
                .isPresent();
        return same ? other.code() : other.id().toString();
    }

    /** The other instruments on the chart. */
    public List<IndicatorLayer> layers() {
        return chart.indicators().stream()
                .filter(layer -> layer.indicator().isOfBars())
                .toList();
    }

    private static Optional<IndicatorLayer> of(List<IndicatorLayer> layers, String code) {
        return layers.stream()
                .filter(layer -> layer.indicator().isOfBars()
                        && layer.settings().word("with").equalsIgnoreCase(code))
                .findFirst();
    }

    /**
     * Puts the rolling correlation of the changes of two instruments on the chart, in a pane of its own. One of the two
     * may be the chart's; an instrument that is to be read beside it comes onto the chart with it.
     *
     * @param length bars of changes; 0 for the usual number
     */
    public void correlate(Instrument one, Instrument other, int length) {
        if (one.equals(other)) {
            room.desk().tell(one.code() + " moves with itself; name two instruments.");
            return;
        }
        boolean ownSecond = chart.instrument().filter(other::equals).isPresent();
        Instrument read = ownSecond ? other : one;
        Instrument against = ownSecond ? one : other;
        List<IndicatorLayer> before = chart.indicators();
        List<IndicatorLayer> after = new ArrayList<>(before);
        Map<String, String> values = new LinkedHashMap<>();
        values.put("against", code(against));
        if (length > 0) {
            values.put("length", String.valueOf(length));
        }
        if (chart.instrument().filter(read::equals).isEmpty()) {
            IndicatorLayer source = of(after, code(read)).orElseGet(() -> {
                IndicatorLayer made = layer(read, Look.STANDARD, after);
                after.add(made);
                return made;
            });
            values.put("source", new Setting.Source.Reference(source.id(), COMPARE.name(), "close").toString());
        }
        IndicatorLayer correlation = new IndicatorLayer(
                room.indicators().newLayerId(),
                CORRELATION,
                Settings.of(CORRELATION, values),
                LayerStyle.of(room.indicators().freeColour(after)));
        after.add(correlation);
        room.indicators().changeLayers("correlation of " + read.code() + " and " + against.code(), "", before, after);
        room.studies().select(new Selection.Layer(correlation.id()));
        room.desk().habits().used(CORRELATION.name());
    }
}

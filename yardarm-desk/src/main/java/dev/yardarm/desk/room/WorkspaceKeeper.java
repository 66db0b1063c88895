package dev.yardarm.desk.room;

import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.data.document.Documents;
import java.util.ArrayList;
import java.util.List;

/** Turns the room into the chart of a workspace document and back. What a document names but is not there is told. */
public final class WorkspaceKeeper {
    private WorkspaceKeeper() {
    }

    /** The chart as it is now; null while there is none. */
    public static Documents.Chart capture(ChartRoom room) {
        ChartModel chart = room.chart();
        Instrument instrument = chart.instrument().orElse(null);
        if (instrument == null) {
            return null;
        }
        List<Documents.IndicatorLayer> layers = chart.indicators().stream().map(layer -> new Documents.IndicatorLayer(
                layer.id(), layer.indicator().name(), layer.settings().values(), layer.style().colour(),
                layer.style().width(), layer.style().opacity(), layer.style().visible())).toList();
        long rightmost = chart.isFollowing() || chart.bars().isEmpty() ? 0
                : chart.axis().openTime((int) Math.ceil(chart.time().edge()) - 1);
        boolean manual = chart.isPriceManual();
        return new Documents.Chart(instrument.id(), chart.timeframe(), chart.form().word(), chart.isLogarithmic(),
                chart.isVolumeShown(), chart.time().barWidth(), rightmost, manual ? chart.price().low() : 0,
                manual ? chart.price().high() : 0, layers);
    }

    /** Puts a saved chart into the room. */
    public static void restore(Documents.Chart saved, ChartRoom room) {
        ChartModel chart = room.chart();
        for (BarForm form : BarForm.values()) {
            if (form.word().equals(saved.bars())) {
                chart.setForm(form);
            }
        }
        chart.setLogarithmic(saved.logarithmic());
        chart.setVolumeShown(saved.volumeShown());
        if (saved.barWidth() > 0) {
            chart.setBarWidth(saved.barWidth());
        }
        List<IndicatorLayer> layers = new ArrayList<>();
        for (Documents.IndicatorLayer layer : saved.indicators()) {
            try {
                var indicator = Catalogue.shared().find(layer.indicator()).orElseThrow(
                        () -> new IllegalArgumentException("there is no indicator '" + layer.indicator() + "'"));
                layers.add(new IndicatorLayer(layer.id(), indicator, Settings.of(indicator, layer.settings()),
                        new LayerStyle(layer.colour(), layer.width(), layer.opacity(), layer.visible())));
            } catch (IllegalArgumentException bad) {
                room.desk().tell("A layer of the saved chart was left out: " + bad.getMessage() + ".");
            }
        }
        room.showLayers(layers);
        Timeframe timeframe = saved.timeframe() == null ? Timeframe.DAY : saved.timeframe();
        room.desk().directory().find(saved.instrument()).ifPresentOrElse(instrument -> {
            room.restore(instrument, timeframe, saved.rightmost());
            if (saved.manualHigh() > saved.manualLow()) {
                chart.setPriceRange(saved.manualLow(), saved.manualHigh());
            }
        }, () -> room.desk().tell("The saved chart showed " + saved.instrument() + ", which is not there any more."));
    }
}

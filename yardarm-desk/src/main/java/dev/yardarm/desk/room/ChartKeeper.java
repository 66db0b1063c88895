package dev.yardarm.desk.room;

import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.PaneChoice;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.session.SessionPart;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.RollRule;
import dev.yardarm.data.document.Documents;
import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;

/** Turns a chart into a document and back: its make-up, with or without what it shows and where it stands. */
final class ChartKeeper {
    private ChartKeeper() {}

    /** A chart with its instrument and place in time. */
    static Documents.Chart capture(ChartRoom room) {
        ChartModel chart = room.chart();
        long rightmost = chart.isFollowing() || chart.bars().isEmpty()
                ? 0
                : chart.axis().openTime((int) Math.ceil(chart.time().edge()) - 1);
        return document(
                room, chart.instrument().map(Instrument::id).orElse(null), rightmost, room.title(), room.link());
    }

    /** The make-up alone. */
    static Documents.Chart makeUp(ChartRoom room) {
        return document(room, null, 0, "", 0);
    }

    private static Documents.Chart document(
            ChartRoom room, InstrumentId instrument, long rightmost, String title, int link) {
        ChartModel chart = room.chart();
        List<Documents.IndicatorLayer> layers =
                chart.indicators().stream().map(LayerKeeper::document).toList();
        BarRequest request = chart.request();
        ScaleChoice scale = chart.scale();
        boolean ranged = instrument != null && scale.hasRange();
        return new Documents.Chart(
                instrument,
                request.timeframe(),
                chart.form().word(),
                chart.isLogarithmic(),
                chart.isVolumeShown(),
                chart.time().barWidth(),
                rightmost,
                ranged ? scale.low() : 0,
                ranged ? scale.high() : 0,
                layers,
                new Documents.Request(
                        request.rule() == null ? null : request.rule().toString(),
                        request.part().toString(),
                        request.splits(),
                        request.dividends(),
                        request.roll().toString(),
                        request.joint().name(),
                        request.days(),
                        request.gapsKept()),
                new Documents.Scale(
                        scale.mode().name(),
                        scale.inverted(),
                        scale.fit().name(),
                        scale.topMargin(),
                        scale.bottomMargin(),
                        scale.baseTime()),
                chart.paneChoices().stream()
                        .map(pane -> new Documents.Pane(pane.id(), pane.share(), pane.folded()))
                        .toList(),
                chart.maximisedPane(),
                chart.areBreaksShown(),
                chart.chosenZone() == null ? null : chart.chosenZone().getId(),
                title,
                link,
                instrument == null ? null : room.id());
    }

    /** Opens a saved chart in a room; what it names but is not there is told. */
    static void restore(Documents.Chart saved, ChartRoom room) {
        putMakeUp(saved, room);
        room.setTitle(saved.title() == null ? "" : saved.title());
        room.setLink(saved.link());
        if (saved.id() != null) {
            room.setId(saved.id());
        }
        if (saved.instrument() == null) {
            return;
        }
        double[] range =
                saved.manualHigh() > saved.manualLow() ? new double[] {saved.manualLow(), saved.manualHigh()} : null;
        boolean held = saved.scale() != null
                && ScaleChoice.Fit.HELD.name().equals(saved.scale().fit());
        room.desk()
                .directory()
                .find(saved.instrument())
                .ifPresentOrElse(
                        instrument -> room.restore(instrument, request(saved, room), saved.rightmost(), range, held),
                        () -> room.desk()
                                .tell("The saved chart showed " + saved.instrument()
                                        + ", which is not there any more."));
    }

    /** Puts a make-up on what a room shows. */
    static void putOn(ChartRoom room, Documents.Chart makeUp) {
        putMakeUp(makeUp, room);
        room.instrument()
                .ifPresent(instrument -> room.open(
                        instrument,
                        request(makeUp, room).withPart(room.desk().habits().session(instrument.id()))));
        room.tell(Aspect.VIEW);
    }

    /** Makes charts like another one, with all its settings. */
    static void copyInto(ChartRoom from, List<ChartRoom> charts) {
        Documents.Chart document = capture(from);
        charts.forEach(chart -> {
            String own = chart.id();
            restore(document, chart);
            chart.setId(own);
        });
    }

    private static void putMakeUp(Documents.Chart saved, ChartRoom room) {
        ChartModel chart = room.chart();
        BarForm.named(saved.bars()).ifPresent(chart::setForm);
        chart.setScale(scale(saved, room));
        chart.setVolumeShown(saved.volumeShown());
        chart.setBreaksShown(saved.breaksShown() == null || saved.breaksShown());
        chart.setPaneChoices(saved.panes().stream()
                .map(pane -> new PaneChoice(pane.id(), pane.share(), pane.folded()))
                .toList());
        chart.setMaximisedPane(saved.maximisedPane() == null ? "" : saved.maximisedPane());
        chart.setZone(zone(saved, room));
        if (saved.barWidth() > 0) {
            chart.setBarWidth(saved.barWidth());
        }
        room.showLayers(layers(saved, room));
    }

    private static ZoneId zone(Documents.Chart saved, ChartRoom room) {
        try {
            return saved.zone() == null ? null : ZoneId.of(saved.zone());
        } catch (DateTimeException unknown) {
            room.desk().tell("The saved chart wrote times of " + saved.zone() + ", which is no zone here.");
            return null;
        }
    }

    private static ScaleChoice scale(Documents.Chart saved, ChartRoom room) {
        Documents.Scale scale = saved.scale();
        if (scale == null) {
            return ScaleChoice.STANDARD.withMode(
                    saved.logarithmic() ? ScaleChoice.Mode.LOGARITHMIC : ScaleChoice.Mode.LINEAR);
        }
        try {
            return new ScaleChoice(
                    ScaleChoice.Mode.valueOf(scale.mode()),
                    scale.inverted(),
                    ScaleChoice.Fit.valueOf(scale.fit()),
                    Double.NaN,
                    Double.NaN,
                    scale.top(),
                    scale.bottom(),
                    scale.base());
        } catch (IllegalArgumentException | NullPointerException unknown) {
            room.desk()
                    .tell("The scale of a saved chart is not known here: " + scale.mode() + ", " + scale.fit()
                            + "; it is straight now.");
            return ScaleChoice.STANDARD;
        }
    }

    private static BarRequest request(Documents.Chart saved, ChartRoom room) {
        Timeframe timeframe = saved.timeframe() == null ? Timeframe.DAY : saved.timeframe();
        Documents.Request request = saved.request();
        if (request == null) {
            return BarRequest.of(timeframe);
        }
        try {
            return new BarRequest(
                    timeframe,
                    request.rule() == null ? null : BarRule.parse(request.rule()),
                    SessionPart.parse(request.session() == null ? "" : request.session()),
                    request.splits(),
                    request.dividends(),
                    request.roll() == null ? null : RollRule.parse(request.roll()),
                    request.joint() == null ? null : BarRequest.Joint.valueOf(request.joint()),
                    request.days(),
                    request.gapsKept());
        } catch (IllegalArgumentException unknown) {
            room.desk()
                    .tell("The bars of a saved chart cannot be made here: " + unknown.getMessage() + "; it shows "
                            + timeframe + ".");
            return BarRequest.of(timeframe);
        }
    }

    private static List<IndicatorLayer> layers(Documents.Chart saved, ChartRoom room) {
        List<IndicatorLayer> layers = new ArrayList<>();
        for (Documents.IndicatorLayer layer : saved.indicators()) {
            try {
                layers.add(LayerKeeper.layer(layer, room.desk().language().now()));
            } catch (IllegalArgumentException bad) {
                room.desk().tell("A layer of the saved chart was left out: " + bad.getMessage() + ".");
            }
        }
        return layers;
    }
}

package dev.yardarm.desk.room.chart;

import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.PaneChoice;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.chart.model.UnknownLayer;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.session.SessionPart;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.RollRule;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.Entries;
import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Turns a chart into a document and back: its make-up, with or without what it shows and where it stands. */
public final class ChartKeeper {
    private ChartKeeper() {}

    /** A chart with its instrument and place in time. */
    public static Documents.Chart capture(ChartRoom room) {
        ChartModel chart = room.chart();
        Optional<ChartRoom.Place> kept = room.keptPlace();
        long rightmost = kept.isPresent()
                ? kept.get().rightmost()
                : chart.isFollowing() || chart.bars().isEmpty()
                        ? 0
                        : chart.axis().openTime((int) Math.ceil(chart.time().edge()) - 1);
        return document(
                room, chart.instrument().map(Instrument::id).orElse(null), rightmost, room.title(), room.link());
    }

    /** The make-up alone. */
    public static Documents.Chart makeUp(ChartRoom room) {
        return document(room, null, 0, "", 0);
    }

    private static Documents.Chart document(
            ChartRoom room, InstrumentId instrument, long rightmost, String title, int link) {
        ChartModel chart = room.chart();
        Entries<Documents.IndicatorLayer> layers = LayerKeeper.entries(chart);
        BarRequest request = chart.request();
        ScaleChoice scale = chart.scale();
        double[] range = instrument == null
                ? null
                : room.keptPlace()
                        .map(ChartRoom.Place::range)
                        .orElse(scale.hasRange() ? new double[] {scale.low(), scale.high()} : null);
        return new Documents.Chart(
                instrument,
                request.timeframe(),
                chart.form().word(),
                chart.isVolumeShown(),
                chart.barWidth(),
                rightmost,
                range == null ? 0 : range[0],
                range == null ? 0 : range[1],
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
    public static void restore(Documents.Chart saved, ChartRoom room) {
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
        Instrument instrument = room.desk().directory().findOrAbsent(saved.instrument());
        if (instrument.kind() == Instrument.Kind.ABSENT) {
            room.keepPlace(new ChartRoom.Place(saved.rightmost(), range, held));
        }
        room.restore(instrument, request(saved, room), saved.rightmost(), range, held);
    }

    /** Shows a saved chart in a room that keeps its own title and link, with a moment at the right edge. */
    public static void restoreAt(Documents.Chart saved, ChartRoom room, Instrument instrument, long until) {
        putMakeUp(saved, room);
        room.restore(instrument, request(saved, room), until, null, false);
    }

    /** Puts a make-up on what a room shows. */
    public static void putOn(ChartRoom room, Documents.Chart makeUp) {
        putMakeUp(makeUp, room);
        room.instrument()
                .ifPresent(instrument -> room.open(
                        instrument,
                        request(makeUp, room).withPart(room.desk().habits().session(instrument.id()))));
        room.tell(Aspect.VIEW);
    }

    /** Makes charts like another one, with all its settings. */
    public static void copyInto(ChartRoom from, List<ChartRoom> charts) {
        Documents.Chart document = capture(from);
        charts.forEach(chart -> {
            String own = chart.id();
            restore(document, chart);
            chart.setId(own);
            // A title names one chart, and how much is loaded is about that one too.
            chart.setTitle("");
            chart.loadAllDays();
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
        showLayers(saved.indicators(), room, true);
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
            return ScaleChoice.STANDARD;
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
                            + "; linear is used instead.");
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

    /** Puts the layers of a document on a chart; those that cannot be understood are kept, and told. */
    private static void showLayers(Entries<Documents.IndicatorLayer> saved, ChartRoom room, boolean tell) {
        List<IndicatorLayer> layers = new ArrayList<>();
        List<UnknownLayer> unknown = new ArrayList<>();
        for (Entries.Entry<Documents.IndicatorLayer> entry : saved.all()) {
            String problem = entry.problem();
            if (entry.value() != null) {
                try {
                    layers.add(LayerKeeper.layer(
                            entry.value(), room.desk().language().now()));
                    continue;
                } catch (IllegalArgumentException | NullPointerException bad) {
                    problem = bad.getMessage() == null ? "something is missing in it" : bad.getMessage();
                }
            }
            unknown.add(LayerKeeper.unknown(entry, problem));
            if (tell) {
                room.desk().tell("A layer of the saved chart cannot be shown: " + problem + ". It is kept.");
            }
        }
        room.chart().setUnknownLayers(unknown);
        room.showLayers(layers);
    }

    /** Tries again to understand what could not be understood, as when an indicator of the trader's own has come. */
    public static void readUnknown(ChartRoom room) {
        int before = room.chart().unknownLayers().size();
        Entries<Documents.IndicatorLayer> all = LayerKeeper.entries(room.chart());
        showLayers(all, room, false);
        if (room.chart().unknownLayers().size() < before) {
            room.desk().tell("Layers that could not be shown are back.");
        }
    }
}

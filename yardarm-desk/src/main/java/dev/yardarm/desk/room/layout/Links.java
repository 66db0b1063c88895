package dev.yardarm.desk.room.layout;

import dev.yardarm.chart.model.Selection;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.room.chart.Aspect;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.chart.LinkedPointer;
import java.util.List;
import java.util.function.Supplier;

/** Lets charts of a link colour follow each other in what that colour shares. */
final class Links {
    private final Supplier<List<ChartRoom>> charts;
    private final LinkRules rules = new LinkRules();
    private boolean spreading;

    /** @param charts all charts there are now */
    Links(Supplier<List<ChartRoom>> charts) {
        this.charts = charts;
    }

    LinkRules rules() {
        return rules;
    }

    /** The first colour no chart has; the first of all when all are in use. */
    int freeColour() {
        for (int colour = 1; colour <= LinkRules.COLOURS; colour++) {
            int candidate = colour;
            if (charts.get().stream().noneMatch(chart -> chart.link() == candidate)) {
                return colour;
            }
        }
        return 1;
    }

    private List<ChartRoom> linkedTo(ChartRoom room) {
        return charts.get().stream()
                .filter(other -> other != room && other.link() == room.link())
                .toList();
    }

    /** Lets linked charts follow what changed on one of them; changes that come of this spread no further. */
    void spread(ChartRoom from, Aspect aspect) {
        if (spreading || from.link() == 0) {
            return;
        }
        spreading = true;
        try {
            for (ChartRoom other : linkedTo(from)) {
                spread(from, other, aspect);
            }
        } finally {
            spreading = false;
        }
    }

    private void spread(ChartRoom from, ChartRoom other, Aspect aspect) {
        int colour = from.link();
        Instrument instrument = from.instrument().orElse(null);
        if (instrument == null) {
            return;
        }
        if (aspect == Aspect.CHART || aspect == Aspect.LINK) {
            boolean sharesInstrument = rules.shares(colour, LinkRules.Shared.INSTRUMENT);
            boolean sharesTime = rules.shares(colour, LinkRules.Shared.TIMEFRAME);
            Instrument shown =
                    sharesInstrument ? instrument : other.instrument().orElse(instrument);
            other.open(
                    shown,
                    sharesTime
                            ? from.chart()
                                    .request()
                                    .withDays(other.chart().request().days())
                            : other.chart().request());
        }
        if ((aspect == Aspect.VIEW || aspect == Aspect.DATA)
                && rules.shares(colour, LinkRules.Shared.VISIBLE_TIME)
                && !from.chart().bars().isEmpty()
                && !other.chart().bars().isEmpty()) {
            sameTime(from, other);
        }
        if (aspect == Aspect.SELECTION
                && rules.shares(colour, LinkRules.Shared.DRAWINGS)
                && other.instrument().equals(from.instrument())
                && !from.chart().selection().drawings().isEmpty()) {
            other.studies()
                    .select(Selection.ofDrawings(from.chart().selection().drawings().stream()
                            .filter(id -> other.chart().drawing(id).isPresent())
                            .toList()));
        }
    }

    /** Shows the same span of time; a chart that follows the market goes on following. */
    private static void sameTime(ChartRoom from, ChartRoom other) {
        var time = from.chart().time();
        long first = from.chart().axis().openTime(time.bar(time.left()));
        long last = from.chart().axis().openTime((int)
                Math.min(from.chart().bars().size() - 1L, Math.ceil(time.edge()) - 1));
        var before = other.chart().time();
        other.chart().showSpan(first, last);
        if (!before.equals(other.chart().time())) {
            other.tell(Aspect.VIEW);
        }
    }

    /** Shows the pointer of one chart on those linked to it. */
    void spread(ChartRoom from, LinkedPointer pointer) {
        if (rules.shares(from.link(), LinkRules.Shared.CROSSHAIR)) {
            linkedTo(from).forEach(other -> other.showPointer(pointer));
        }
    }
}

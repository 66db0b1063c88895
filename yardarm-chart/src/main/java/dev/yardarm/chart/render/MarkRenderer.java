package dev.yardarm.chart.render;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.MarkPlace;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.EventMark;
import java.time.LocalDate;

/** Draws what belongs to moments: lines where sessions begin, and the letters of events above the time axis. */
final class MarkRenderer {
    /** Narrower sessions get no lines. */
    private static final double NARROWEST_SESSION = 36;
    /** The lines begin below the readout, so that it can be read. */
    private static final double BELOW_READOUT = 40;

    private static final double[] DOTS = {3, 3};
    private final Batch lines = new Batch();
    private final Batch boxes = new Batch();
    private final Batch inside = new Batch();

    /** A dotted upright line at the first bar of each session in view. */
    void paintBreaks(ChartModel chart, Palette palette, Surface surface) {
        boolean bySession = chart.request().isTime()
                ? chart.timeframe().isIntraday()
                : chart.request().rule().basis().map(Timeframe::isIntraday).orElse(true);
        if (!chart.areBreaksShown() || !bySession || chart.isCompact()) {
            return;
        }
        TradingCalendar calendar = chart.axis().grid().calendar();
        int first = chart.time().firstVisible();
        int end = chart.time().endVisible(chart.bars().size());
        if (end <= first) {
            return;
        }
        LocalDate session = calendar.sessionAt(chart.bars().openTime(first));
        long sessions =
                calendar.ordinal(calendar.sessionAt(chart.bars().openTime(end - 1))) - calendar.ordinal(session);
        if (sessions < 1 || (end - first) * chart.time().barWidth() < sessions * NARROWEST_SESSION) {
            return;
        }
        session = calendar.next(session);
        double pixel = surface.hairline();
        double lastX = Double.NEGATIVE_INFINITY;
        for (int count = 0; count < 400; count++) {
            long open = calendar.open(session);
            int bar = chart.bars().barAt(open);
            if (bar < 0 || bar < chart.bars().size() && chart.bars().openTime(bar) < open) {
                bar++;
            }
            if (bar >= end) {
                break;
            }
            double x = surface.snap(chart.time().x(bar));
            if (x - lastX >= NARROWEST_SESSION) {
                lines.clear();
                lines.point(x + pixel / 2, BELOW_READOUT);
                lines.point(x + pixel / 2, chart.plotBottom());
                surface.line(Palette.fade(palette.of(Role.SOFT), 0.55), pixel, DOTS, lines.values(), 2);
                lastX = x;
            }
            session = calendar.next(session);
        }
    }

    void paintEvents(ChartModel chart, Palette palette, Surface surface) {
        if (chart.isCompact() || chart.marks().isEmpty()) {
            return;
        }
        boxes.clear();
        inside.clear();
        var places = MarkPlace.of(chart);
        double size = MarkPlace.SIZE;
        for (MarkPlace place : places) {
            double left = surface.snap(place.x() - size / 2);
            double top = surface.snap(place.y());
            boxes.rectangle(left, top, size, size);
            inside.rectangle(left + 1, top + 1, size - 2, size - 2);
        }
        boxes.fill(surface, palette.of(Role.EDGE));
        inside.fill(surface, palette.of(Role.PAPER));
        for (MarkPlace place : places) {
            EventMark mark = place.marks().get(0);
            String letter = place.marks().size() > 1
                    ? String.valueOf(place.marks().size())
                    : String.valueOf(mark.kind().letter());
            surface.text(
                    letter,
                    surface.snap(place.x() - size / 2) + size / 2,
                    place.y() + size / 2,
                    Type.SMALL,
                    Align.CENTRE,
                    palette.of(Role.INK));
        }
    }
}

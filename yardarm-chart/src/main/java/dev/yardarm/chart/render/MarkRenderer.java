package dev.yardarm.chart.render;

import dev.yardarm.chart.label.Box;
import dev.yardarm.chart.label.Labels;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.MarkPlace;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.EventMark;
import java.time.LocalDate;

/**
 * Draws what belongs to moments: lines where sessions begin, the shapes of events above the time
 * axis, and how long the forming bar has still to go.
 */
final class MarkRenderer {
    /** Narrower sessions get no lines. */
    private static final double NARROWEST_SESSION = 36;
    /** The lines begin below the readout, so that it can be read. */
    private static final double BELOW_READOUT = 40;

    private static final double[] DOTS = {3, 3};
    private final Batch lines = new Batch();
    private final Batch plates = new Batch();
    private final Batch shapes = new Batch();

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

    /** The shapes of events above the time axis, as on a chart table; of several at one place a peg with a dot for each. */
    void paintEvents(ChartModel chart, Palette palette, Surface surface, Labels labels) {
        if (chart.isCompact() || chart.marks().isEmpty()) {
            return;
        }
        var places = MarkPlace.of(chart);
        // On paper, so that bars never run through them.
        plates.clear();
        for (MarkPlace place : places) {
            double left = surface.snap(place.x()) - 8;
            double top = surface.snap(place.y() + MarkPlace.SIZE) - 14;
            plates.rectangle(left, top, 16, 14);
            labels.reserve(new Box(left, top, left + 16, top + 14));
        }
        plates.fill(surface, palette.of(Role.PAPER));
        shapes.clear();
        for (MarkPlace place : places) {
            double middle = surface.snap(place.x());
            double foot = surface.snap(place.y() + MarkPlace.SIZE);
            if (place.marks().size() > 1) {
                peg(middle - 2, foot, 11);
                for (int dot = 0; dot < Math.min(3, place.marks().size()); dot++) {
                    shapes.rectangle(middle + 2, foot - 4 - dot * 4, 3, 3);
                }
            } else {
                shape(place.marks().get(0).kind(), middle, foot);
            }
        }
        shapes.fill(surface, palette.of(Role.INK));
    }

    /** One shape of rectangles, 11 pixels high at most, on its foot. */
    private void shape(EventMark.Kind kind, double middle, double foot) {
        switch (kind) {
            case DIVIDEND -> {
                // A half disc, its flat side down.
                double[] half = {2, 4, 5, 5.5, 6};
                for (int row = 0; row < half.length; row++) {
                    shapes.rectangle(middle - half[row], foot - half.length + row, 2 * half[row], 1);
                }
            }
            case SPLIT -> {
                // Two parallel strokes.
                for (int row = 0; row < 9; row++) {
                    shapes.rectangle(middle - 1 - row / 2.0, foot - 9 + row, 1.5, 1);
                    shapes.rectangle(middle + 4 - row / 2.0, foot - 9 + row, 1.5, 1);
                }
            }
            case ROLL -> {
                // A chevron to the right.
                for (int row = 0; row < 9; row++) {
                    shapes.rectangle(middle - 3 + (4 - Math.abs(4 - row)), foot - 9 + row, 2, 1);
                }
            }
            case EXPIRY -> {
                // An end bar.
                shapes.rectangle(middle - 5, foot - 6, 8, 1);
                shapes.rectangle(middle + 3, foot - 10, 2, 9);
            }
            case ENTRY -> peg(middle, foot, 8);
        }
    }

    private void peg(double middle, double foot, double height) {
        shapes.rectangle(middle - 1, foot - height, 2, height);
        shapes.rectangle(middle - 3, foot - height - 1, 6, 3);
    }

    /** A notch below the forming bar that grows narrower as its time runs out. */
    void paintForming(ChartModel chart, Palette palette, Surface surface) {
        long left = Readout.secondsLeft(chart);
        if (left < 0 || chart.isCompact()) {
            return;
        }
        int bar = chart.bars().closed();
        double span = (chart.bars().closeTime(bar) - chart.bars().openTime(bar)) / (double) Times.SECOND;
        double wide = Math.max(6, chart.time().barWidth());
        double width = Math.max(1, wide * Math.min(1, left / Math.max(1, span)));
        double middle = chart.time().middle(bar);
        if (middle < 0 || middle > chart.plotRight()) {
            return;
        }
        shapes.clear();
        shapes.rectangle(surface.snap(middle - wide / 2), surface.snap(chart.plotBottom()), width, 3);
        shapes.fill(surface, palette.of(Role.INK));
    }
}

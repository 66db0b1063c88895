package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Awaited;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.alert.Wait;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.PriceBasis;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.vantage.Vantages;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;

/**
 * What a chart showed when an alert fired: the bars known at that moment, the drawings made by then, and a level at each price the alert waited
 * for.
 *
 * @param drawings in the prices of the bars
 */
public record FiringScene(
        Firing firing,
        Instrument instrument,
        BarRequest request,
        TradingCalendar calendar,
        Bars bars,
        List<Drawing> drawings) {
    /** Calendar days of intraday bars that are loaded for it. */
    private static final int DAYS = 10;

    /**
     * Works it out. May be called on any thread.
     *
     * @param alert that fired; null when it was taken away
     * @throws IOException when the bars cannot be had now
     */
    public static FiringScene of(Desk desk, Firing firing, Alert alert) throws IOException {
        Instrument instrument = desk.directory()
                .find(firing.instrument())
                .orElseThrow(() -> new IOException(firing.instrument() + " is not there"));
        BarRequest request = firing.request().withDays(DAYS);
        Vantages.Moment then = desk.vantages().at(firing.at());
        PriceBasis basis = then.basis(instrument);
        List<Drawing> drawings = new ArrayList<>();
        for (Drawing each : desk.books().drawingsAnywhere(firing.instrument())) {
            if (each.wasKnownAt(firing.at())) {
                drawings.add(basis.shown(each));
            }
        }
        for (Wait wait : alert == null ? List.<Wait>of() : alert.in(basis).waits()) {
            if (wait.on() instanceof Awaited.Price at) {
                drawings.add(new Drawing(
                        "alert " + drawings.size(),
                        Drawing.LEVEL,
                        Timeframe.DAY,
                        List.of(new Anchor(alert.setAt(), at.price())),
                        0));
            }
        }
        return new FiringScene(
                firing, instrument, request, desk.calendar(instrument), then.bars(instrument, request), drawings);
    }

    /** The name of the file its picture is kept in. */
    public static String fileName(Firing firing) {
        return firing.alert().replaceAll("[^A-Za-z0-9_-]", "_") + "-" + firing.at() + ".png";
    }
}

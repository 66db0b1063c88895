package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.AlertWatch;
import dev.yardarm.core.alert.TradeWatch;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.desk.market.Directory;
import java.io.IOException;

/** Watches an alert on a drawing, which is put into prices of now first. */
final class DrawingWatching extends TradesWatching {
    private final Drawing drawing;
    /** What its drawing is worth at moments, in prices of now; null until it is set up. */
    private volatile Drawing.Path worth;

    DrawingWatching(
            Alert alert,
            Drawing drawing,
            Instrument instrument,
            Directory directory,
            AlertRunner.Around around,
            Teller teller) {
        super(alert, instrument, directory, around, teller);
        this.drawing = drawing;
    }

    boolean isOn(Drawing other) {
        return drawing.equals(other);
    }

    @Override
    public double level(long moment) {
        Drawing.Path there = worth;
        return there == null ? Double.NaN : there.priceAt(moment);
    }

    @Override
    TradeWatch prepare(long now) throws IOException {
        Drawing shown = around().vantages().at(now).inPrices(instrument(), drawing);
        TradingCalendar calendar = directory().calendar(instrument());
        worth = shown.path(calendar);
        return new AlertWatch(alert(), shown, calendar);
    }
}

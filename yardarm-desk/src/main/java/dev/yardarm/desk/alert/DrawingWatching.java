package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.AlertWatch;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.work.Lane;
import java.io.IOException;
import java.util.Optional;

/**
 * Watches an alert on a drawing. Setting up happens in the background: the drawing is put into prices of now, and everything traded
 * since the alert was set is looked through, so nothing is missed over a restart; from there it goes on at the hub, on the
 * hub's own thread, where no chart can keep it waiting.
 */
final class DrawingWatching implements Watching, LiveHub.Listener {
    private final Alert alert;
    private final Drawing drawing;
    private final Instrument instrument;
    private final Directory directory;
    private final AlertRunner.Around around;
    private final Teller teller;
    private AlertWatch watch;
    /** What its drawing is worth at moments, in prices of now; null until it is set up. */
    private volatile Drawing.Path worth;

    private LiveHub.Subscription subscription;
    private volatile boolean done;

    DrawingWatching(
            Alert alert,
            Drawing drawing,
            Instrument instrument,
            Directory directory,
            AlertRunner.Around around,
            Teller teller) {
        this.alert = alert;
        this.drawing = drawing;
        this.instrument = instrument;
        this.directory = directory;
        this.around = around;
        this.teller = teller;
    }

    @Override
    public Alert alert() {
        return alert;
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
    public void begin() {
        around.scheduler()
                .start(
                        Lane.SOON,
                        "alert " + alert.id(),
                        "",
                        job -> {
                            long now = around.now().getAsLong();
                            Drawing shown = around.vantages().at(now).inPrices(instrument, drawing);
                            TradingCalendar calendar = directory.calendar(instrument);
                            worth = shown.path(calendar);
                            watch = new AlertWatch(alert, shown, calendar);
                            long known = Math.max(now, alert.setAt());
                            take(traded(alert.setAt(), known), known);
                            return known;
                        },
                        known -> {
                            if (!done) {
                                subscription = around.hub().subscribe(instrument, known, this);
                            }
                            teller.ready(this);
                        },
                        failed -> teller.cannot(this, String.valueOf(failed.getMessage())));
    }

    private TickSeries traded(long after, long upTo) throws IOException {
        TickSeries trades = new TickSeries(256);
        if (after < upTo && directory.source(instrument).orElse(null) instanceof LiveSource live) {
            live.trades(instrument.id(), after, upTo, trades);
        }
        return trades;
    }

    @Override
    public void take(TickSeries trades, long now) {
        for (int trade = 0; trade < trades.size() && !done; trade++) {
            report(watch.onTrade(trades.time(trade), trades.price(trade)));
        }
        if (!done) {
            report(watch.onTime(now));
        }
    }

    private void report(Optional<Firing> result) {
        result.ifPresent(went -> {
            done = true;
            around.front().execute(() -> teller.fired(this, went));
        });
    }

    @Override
    public void failed(Throwable problem) {
        around.front().execute(() -> teller.cannot(this, problem.toString()));
    }

    @Override
    public void close() {
        done = true;
        around.scheduler().cancel("alert " + alert.id());
        if (subscription != null) {
            subscription.close();
        }
    }
}

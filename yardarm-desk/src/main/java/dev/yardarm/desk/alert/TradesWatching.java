package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.alert.TradeWatch;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.work.Lane;
import java.io.IOException;
import java.util.Optional;

/**
 * Watches an alert trade by trade. Setting up happens in the background, where everything traded since the alert was set is looked through,
 * so that nothing is missed over a restart; from there it goes on at the hub, on the hub's own thread, where no chart can keep it waiting.
 */
abstract class TradesWatching implements Watching, LiveHub.Listener {
    private final Alert alert;
    private final Instrument instrument;
    private final Directory directory;
    private final AlertRunner.Around around;
    private final Teller teller;
    private TradeWatch watch;
    private LiveHub.Subscription subscription;
    private volatile boolean done;

    TradesWatching(Alert alert, Instrument instrument, Directory directory, AlertRunner.Around around, Teller teller) {
        this.alert = alert;
        this.instrument = instrument;
        this.directory = directory;
        this.around = around;
        this.teller = teller;
    }

    /** What looks at the trades; in the background, once. */
    abstract TradeWatch prepare(long now) throws IOException;

    /** From when on it is handed what was traded. */
    long since() {
        return alert.setAt();
    }

    final Instrument instrument() {
        return instrument;
    }

    final Directory directory() {
        return directory;
    }

    final AlertRunner.Around around() {
        return around;
    }

    @Override
    public final Alert alert() {
        return alert;
    }

    @Override
    public final void begin() {
        around.scheduler()
                .start(
                        Lane.SOON,
                        "alert " + alert.id(),
                        "",
                        job -> {
                            long now = around.now().getAsLong();
                            watch = prepare(now);
                            long known = Math.max(now, alert.setAt());
                            take(traded(since(), known), known);
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
    public final void take(TickSeries trades, long now) {
        for (int trade = 0; trade < trades.size() && !done; trade++) {
            report(watch.onTrade(trades.time(trade), trades.price(trade), trades.size(trade), trades.side(trade)));
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
    public final void failed(Throwable problem) {
        around.front().execute(() -> teller.cannot(this, problem.toString()));
    }

    @Override
    public final void close() {
        done = true;
        around.scheduler().cancel("alert " + alert.id());
        if (subscription != null) {
            subscription.close();
        }
    }
}

package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.AlertWatch;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.source.PriceBasis;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.work.Lane;
import java.util.ArrayList;
import java.util.List;

/**
 * Watches an alert that reads no bars, trade by trade. Setting up happens in the background, where everything traded since the alert was set
 * is looked through, so that nothing is missed over a restart; from there it goes on at the hub, on the hub's own thread, where no chart can
 * keep it waiting.
 *
 * <p>With a new session earlier prices may have become others (a split, a roll): what is traded in it waits until that is known, a moment,
 * and the alert is set up anew when they have. Cost of an alert that waits: a comparison a trade; no bars.
 */
final class TradesWatching implements Watching, LiveHub.Listener {
    private final Alert alert;
    private final Instrument instrument;
    private final Drawn drawn;
    private final Directory directory;
    private final AlertRunner.Around around;
    private final Teller teller;
    private AlertWatch watch;
    private PriceBasis basis;
    /** From this moment on the basis has to be asked for again. */
    private long border;

    private final List<TickSeries> pending = new ArrayList<>();
    private long pendingNow;
    private boolean asking;
    private LiveHub.Subscription subscription;
    private volatile AlertWatch shown;
    private volatile boolean done;

    TradesWatching(
            Alert alert,
            Instrument instrument,
            Drawn drawn,
            Directory directory,
            AlertRunner.Around around,
            Teller teller) {
        this.alert = alert;
        this.instrument = instrument;
        this.drawn = drawn;
        this.directory = directory;
        this.around = around;
        this.teller = teller;
    }

    @Override
    public Alert alert() {
        return alert;
    }

    @Override
    public boolean isUpToDate(Drawn now) {
        return drawn.equals(now);
    }

    @Override
    public double level(long moment) {
        AlertWatch there = shown;
        return there == null ? Double.NaN : there.level(moment);
    }

    @Override
    public void begin(long now) {
        around.scheduler()
                .start(
                        Lane.SOON,
                        "alert " + alert.id(),
                        "",
                        job -> {
                            long known = Math.max(now, alert.setAt());
                            basis = around.vantages().at(known).basis(instrument);
                            var calendar = directory.calendar(instrument);
                            watch = AlertWatch.plain(
                                    alert.in(basis),
                                    drawn.lines(basis, calendar),
                                    calendar,
                                    instrument.format().tick());
                            border = Traded.nextOpen(calendar, known);
                            long after = alert.lookBack() == 0 ? alert.setAt() : alert.setAt() - alert.lookBack() - 1;
                            Traded.between(directory, instrument, after, known, basis, trades -> {
                                job.check();
                                feed(trades, true);
                                return !done;
                            });
                            time(known, true);
                            return known;
                        },
                        known -> {
                            shown = watch;
                            if (!done) {
                                subscription = around.hub().subscribe(instrument, known, this);
                            }
                            teller.ready(this);
                        },
                        failed -> teller.cannot(this, reason(failed)));
    }

    static String reason(Throwable failed) {
        return failed.getMessage() == null ? failed.toString() : failed.getMessage();
    }

    @Override
    public void take(TickSeries trades, long now) {
        if (now < border && pending.isEmpty()) {
            feed(trades, false);
            time(now, false);
            return;
        }
        pending.add(trades);
        pendingNow = now;
        if (!asking) {
            asking = true;
            around.scheduler()
                    .start(
                            Lane.SOON,
                            "alert basis " + alert.id(),
                            "",
                            job -> around.vantages().at(now).basis(instrument),
                            asked -> around.hub().execute(() -> answered(asked, now)),
                            failed -> teller.cannot(this, reason(failed)));
        }
    }

    /** On the hub's thread. */
    private void answered(PriceBasis asked, long moment) {
        if (done) {
            return;
        }
        asking = false;
        if (!asked.equals(basis)) {
            done = true;
            long now = pendingNow;
            around.front().execute(() -> teller.stale(this, now));
            return;
        }
        border = Traded.nextOpen(directory.calendar(instrument), moment);
        List<TickSeries> waiting = List.copyOf(pending);
        pending.clear();
        waiting.forEach(trades -> feed(trades, false));
        time(pendingNow, false);
    }

    private void feed(TickSeries trades, boolean away) {
        for (int trade = 0; trade < trades.size() && !done; trade++) {
            report(
                    watch.onTrade(trades.time(trade), trades.price(trade), trades.size(trade), trades.side(trade)),
                    away);
        }
    }

    private void time(long now, boolean away) {
        if (!done) {
            report(watch.onTime(now), away);
        }
    }

    private void report(List<Firing> fired, boolean away) {
        for (Firing each : fired) {
            around.front().execute(() -> teller.fired(this, each, away));
        }
        if (watch.isDone()) {
            done = true;
            if (watch.isExpired()) {
                around.front().execute(() -> teller.expired(this));
            }
        }
    }

    @Override
    public void failed(Throwable problem) {
        around.front().execute(() -> teller.cannot(this, problem.toString()));
    }

    @Override
    public void close() {
        done = true;
        around.scheduler().cancel("alert " + alert.id());
        around.scheduler().cancel("alert basis " + alert.id());
        if (subscription != null) {
            subscription.close();
        }
    }
}

package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.AlertWatch;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.PriceBasis;
import dev.yardarm.desk.follow.TradesFollowing;
import java.util.List;

/** Watches an alert that reads no bars, trade by trade. Cost of an alert that waits: a comparison a trade; no bars. */
final class TradesWatching implements Watching, TradesFollowing.Follower {
    private final Alert alert;
    private final Instrument instrument;
    private final Drawn drawn;
    private final AlertRunner.Around around;
    private final Teller teller;
    private final TradesFollowing following;
    private AlertWatch watch;
    private volatile AlertWatch shown;
    private volatile boolean done;

    TradesWatching(Alert alert, Instrument instrument, Drawn drawn, AlertRunner.Around around, Teller teller) {
        this.alert = alert;
        this.instrument = instrument;
        this.drawn = drawn;
        this.around = around;
        this.teller = teller;
        this.following = new TradesFollowing(instrument, "alert " + alert.id(), around.following(), this);
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
        long after = alert.lookBack() == 0 ? alert.setAt() : alert.setAt() - alert.lookBack() - 1;
        following.begin(after, Math.max(now, alert.setAt()));
    }

    @Override
    public void begin(PriceBasis basis, TradingCalendar calendar) {
        watch = AlertWatch.plain(
                alert.in(basis),
                drawn.lines(basis, calendar),
                calendar,
                instrument.format().tick());
        shown = watch;
    }

    @Override
    public void trade(long time, double price, double size, byte side, boolean away) {
        report(watch.onTrade(time, price, size, side), away);
    }

    @Override
    public void move(long time, long known, double price, double size, boolean away) {
        report(watch.onMove(time, known, price, size), away);
    }

    @Override
    public void time(long now, boolean away) {
        report(watch.onTime(now), away);
    }

    @Override
    public boolean isDone() {
        return done;
    }

    private void report(List<Firing> fired, boolean away) {
        for (Firing each : fired) {
            around.front().execute(() -> teller.fired(this, each, away));
        }
        if (watch.isDone() && !done) {
            done = true;
            if (watch.isExpired()) {
                around.front().execute(() -> teller.expired(this));
            }
        }
    }

    @Override
    public void ready() {
        teller.ready(this);
    }

    @Override
    public void stale(long now) {
        teller.stale(this, now);
    }

    @Override
    public void cannot(String reason) {
        teller.cannot(this, reason);
    }

    @Override
    public void close() {
        done = true;
        following.close();
    }
}

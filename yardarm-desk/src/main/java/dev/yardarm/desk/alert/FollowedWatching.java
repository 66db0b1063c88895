package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.follow.TradesFollowing;

/** Watches an alert that reads no bars along the trades of its instrument: how it comes, goes and is told is the same for all of these. */
abstract class FollowedWatching implements Watching, TradesFollowing.Follower {
    private final Alert alert;
    private final Instrument instrument;
    private final AlertRunner.Around around;
    private final Teller teller;
    private final TradesFollowing following;
    private volatile boolean done;

    FollowedWatching(Alert alert, Instrument instrument, AlertRunner.Around around, Teller teller) {
        this.alert = alert;
        this.instrument = instrument;
        this.around = around;
        this.teller = teller;
        this.following = new TradesFollowing(instrument, "alert " + alert.id(), around.following(), this);
    }

    @Override
    public final Alert alert() {
        return alert;
    }

    final Instrument instrument() {
        return instrument;
    }

    final AlertRunner.Around around() {
        return around;
    }

    /** Goes through what was traded after a moment up to another, and follows on from there. */
    final void follow(long after, long upTo) {
        following.begin(after, upTo);
    }

    final void tell(Firing firing, boolean away) {
        around.front().execute(() -> teller.fired(this, firing, away));
    }

    /** Nothing will come of it any more. */
    final void end(boolean expired) {
        if (!done) {
            done = true;
            if (expired) {
                around.front().execute(() -> teller.expired(this));
            }
        }
    }

    @Override
    public final boolean isDone() {
        return done;
    }

    @Override
    public final void ready() {
        teller.ready(this);
    }

    @Override
    public final void stale(long now) {
        teller.stale(this, now);
    }

    @Override
    public final void cannot(String reason) {
        teller.cannot(this, reason);
    }

    @Override
    public final void close() {
        done = true;
        following.close();
    }
}

package dev.yardarm.desk.follow;

import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.PriceBasis;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.vantage.Vantages;
import dev.yardarm.desk.work.Lane;
import dev.yardarm.desk.work.Scheduler;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Executor;

/**
 * Follows what is traded of an instrument since a moment, in prices of now: first what was missed, in the background, then live, at the hub and
 * on the hub's own thread, where no chart can keep it waiting.
 *
 * <p>With a new session earlier prices may have become others (a split, a roll). What is traded in it waits until that is known, a moment; when
 * they have, the follower is told that it is stale and wants to begin anew. Begun and ended by the interface's thread. Cost of one that waits:
 * what its follower does with a trade.
 */
public final class TradesFollowing implements LiveHub.Listener {
    private final Instrument instrument;
    private final String key;
    private final Around around;
    private final Follower follower;
    private PriceBasis basis;
    /** From this moment on the basis has to be asked for again. */
    private long border;

    private final List<TickSeries> pending = new ArrayList<>();
    private long pendingNow;
    private boolean asking;
    private LiveHub.Subscription subscription;
    private volatile boolean closed;

    /** Where things are followed; {@code front} is the interface's thread. */
    public record Around(Directory directory, Vantages vantages, LiveHub hub, Scheduler scheduler, Executor front) {}

    /** Takes in what is traded. The first calls come from the background, further ones from the hub's thread, never two at a time. */
    public interface Follower {
        /** Begins, with what became of earlier prices. */
        void begin(PriceBasis basis, TradingCalendar calendar);

        /** Takes in a trade, in prices of now; away when it was traded before the following was set up. */
        void trade(long time, double price, double size, byte side, boolean away);

        /**
         * Price moved to a price through all between, in a bar of an instrument that has no trades.
         *
         * @param time on the way through the bar
         * @param known when the bar had closed
         */
        default void move(long time, long known, double price, double size, boolean away) {
            trade(time, price, size, TickSeries.UNKNOWN, away);
        }

        /** Time has come to a moment. */
        void time(long now, boolean away);

        /** True when nothing more is wanted. */
        boolean isDone();

        /** It has been set up; on the interface's thread. */
        void ready();

        /** Earlier prices have become others: it wants to be followed anew, at a moment; on the interface's thread. */
        void stale(long now);

        /** It cannot be followed now; on the interface's thread. */
        void cannot(String reason);
    }

    /** @param key tells its work from that of others */
    public TradesFollowing(Instrument instrument, String key, Around around, Follower follower) {
        this.instrument = instrument;
        this.key = key;
        this.around = around;
        this.follower = follower;
    }

    /**
     * Begins.
     *
     * @param after trades after this moment are followed
     * @param moment what time it is; what was traded up to then, as far as it is there, is handed over first
     */
    public void begin(long after, long moment) {
        // What is missing now comes over the hub when it is there.
        long now = Math.max(Math.min(after, moment), Traded.knownUpTo(around.directory(), instrument, moment));
        around.scheduler()
                .start(
                        Lane.SOON,
                        key,
                        "",
                        job -> {
                            basis = around.vantages().at(now).basis(instrument);
                            TradingCalendar calendar = around.directory().calendar(instrument);
                            follower.begin(basis, calendar);
                            border = Traded.nextOpen(calendar, now);
                            if (Traded.isLive(around.directory(), instrument)) {
                                Traded.between(around.directory(), instrument, after, now, basis, trades -> {
                                    job.check();
                                    feed(trades, true);
                                    return !isOver();
                                });
                            } else {
                                Traded.along(around.directory(), instrument, after, now, this::along);
                            }
                            time(now, true);
                            return now;
                        },
                        known -> {
                            if (!isOver()) {
                                subscription = around.hub().subscribe(instrument, known, this);
                            }
                            follower.ready();
                        },
                        failed -> follower.cannot(reason(failed)));
    }

    /** Why something failed, for people. */
    public static String reason(Throwable failed) {
        return failed.getMessage() == null ? failed.toString() : failed.getMessage();
    }

    private boolean isOver() {
        return closed || follower.isDone();
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
                            key + " basis",
                            "",
                            job -> around.vantages().at(now).basis(instrument),
                            asked -> around.hub().execute(() -> answered(asked, now)),
                            failed -> follower.cannot(reason(failed)));
        }
    }

    /** On the hub's thread. */
    private void answered(PriceBasis asked, long moment) {
        if (isOver()) {
            return;
        }
        asking = false;
        if (!asked.equals(basis)) {
            closed = true;
            long now = pendingNow;
            around.front().execute(() -> follower.stale(now));
            return;
        }
        border = Traded.nextOpen(around.directory().calendar(instrument), moment);
        List<TickSeries> waiting = List.copyOf(pending);
        pending.clear();
        waiting.forEach(trades -> feed(trades, false));
        time(pendingNow, false);
    }

    private void along(long time, long known, double price, double size, boolean moved) {
        if (isOver()) {
            return;
        }
        if (moved) {
            follower.move(time, known, price, size, true);
        } else {
            // What closed before comes first.
            time(time - 1, true);
            follower.trade(time, price, size, TickSeries.UNKNOWN, true);
        }
    }

    private void feed(TickSeries trades, boolean away) {
        for (int trade = 0; trade < trades.size() && !isOver(); trade++) {
            follower.trade(trades.time(trade), trades.price(trade), trades.size(trade), trades.side(trade), away);
        }
    }

    private void time(long now, boolean away) {
        if (!isOver()) {
            follower.time(now, away);
        }
    }

    @Override
    public void failed(Throwable problem) {
        around.front().execute(() -> follower.cannot(problem.toString()));
    }

    /** Ends it; by the interface's thread. */
    public void close() {
        closed = true;
        around.scheduler().cancel(key);
        around.scheduler().cancel(key + " basis");
        if (subscription != null) {
            subscription.close();
        }
    }
}

package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.AlertWatch;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.listening.Listeners;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.vantage.Vantages;
import dev.yardarm.desk.work.Lane;
import dev.yardarm.desk.work.Scheduler;
import java.io.IOException;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import java.util.function.LongSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Keeps a watch on every waiting alert.
 *
 * <p>When alerts or the drawings they hang on change, only what changed is set up anew. Setting up happens in the background: the
 * drawing is put into prices of now, and everything traded since the alert was set is looked through, so nothing is missed over
 * a restart; from there the watch goes on at the hub, on the hub's own thread, where no chart can keep it waiting. What cannot be
 * set up is told, and tried again every few seconds. Used by the interface's thread.
 */
public final class AlertRunner {
    private static final Logger LOG = LoggerFactory.getLogger(AlertRunner.class);
    private static final int BEATS_BETWEEN_TRIES = 50;

    private final Books books;
    private final Directory directory;
    private final Around around;
    private final Consumer<String> tell;
    private final Consumer<Firing> fired;
    private final Map<String, Watched> watched = new HashMap<>();
    private final Listeners<Alert> listeners = new Listeners<>();
    /** Why alerts cannot be watched now, by id; told once for each reason, tried again every few seconds. */
    private final Map<String, String> unwatched = new ConcurrentHashMap<>();

    private final AtomicInteger beats = new AtomicInteger();

    /**
     * Where alerts are watched.
     *
     * @param now what time it is in the market
     * @param front the interface's thread
     */
    public record Around(Vantages vantages, LiveHub hub, LongSupplier now, Scheduler scheduler, Executor front) {}

    /** An alert with the drawing it hangs on, as it is watched. */
    private final class Watched implements LiveHub.Listener {
        private final Alert alert;
        private final Drawing drawing;
        private AlertWatch watch;
        /** What its drawing is worth at moments, in prices of now; null until it is set up. */
        private volatile Drawing.Path worth;

        private LiveHub.Subscription subscription;
        private volatile boolean done;

        Watched(Alert alert, Drawing drawing) {
            this.alert = alert;
            this.drawing = drawing;
        }

        boolean isOf(Alert other, Drawing on) {
            return alert.equals(other) && drawing.equals(on);
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
                around.front().execute(() -> record(went));
            });
        }

        @Override
        public void failed(Throwable problem) {
            around.front().execute(() -> cannot(this, problem.toString()));
        }

        void close() {
            done = true;
            around.scheduler().cancel("alert " + alert.id());
            if (subscription != null) {
                subscription.close();
            }
        }
    }

    /**
     * @param tell takes what cannot be watched
     * @param fired told on the interface's thread
     */
    public AlertRunner(Books books, Directory directory, Around around, Consumer<String> tell, Consumer<Firing> fired) {
        this.books = books;
        this.directory = directory;
        this.around = around;
        this.tell = tell;
        this.fired = fired;
        books.listen(subject -> {
            if (subject == Books.Subject.ALERTS
                    || subject == Books.Subject.FIRINGS
                    || subject == Books.Subject.DRAWINGS) {
                arm();
            }
        });
        directory.listen(source -> around.front().execute(this::arm));
        around.hub().onBeat(now -> {
            if (!unwatched.isEmpty() && beats.incrementAndGet() % BEATS_BETWEEN_TRIES == 0) {
                around.front().execute(this::arm);
            }
        });
        arm();
    }

    /** The price an alert waits for now; missing until it is set up. */
    public double level(Alert alert) {
        Watched there = watched.get(alert.id());
        Drawing.Path worth = there == null ? null : there.worth;
        return worth == null ? Double.NaN : worth.priceAt(around.now().getAsLong());
    }

    /** Tells of each alert that has been set up. */
    public Listening listen(Consumer<Alert> listener) {
        return listeners.add(listener);
    }

    private void arm() {
        Set<String> wanted = new HashSet<>();
        for (Alert alert : books.alerts()) {
            Instrument instrument = directory.find(alert.instrument()).orElse(null);
            Drawing drawing = instrument == null ? null : drawing(alert.instrument(), alert.drawing());
            if (drawing == null || !books.waits(alert)) {
                continue;
            }
            wanted.add(alert.id());
            Watched there = watched.get(alert.id());
            if (there == null || !there.isOf(alert, drawing)) {
                if (there != null) {
                    there.close();
                }
                Watched made = new Watched(alert, drawing);
                watched.put(alert.id(), made);
                begin(made, instrument);
            }
        }
        unwatched.keySet().retainAll(wanted);
        watched.entrySet().removeIf(entry -> {
            boolean gone = !wanted.contains(entry.getKey());
            if (gone) {
                entry.getValue().close();
            }
            return gone;
        });
    }

    private Drawing drawing(InstrumentId instrument, String id) {
        return books.drawings(instrument).stream()
                .filter(each -> each.id().equals(id))
                .findFirst()
                .orElse(null);
    }

    /** Sets a watch up in the background and lets it go on at the hub. */
    private void begin(Watched made, Instrument instrument) {
        around.scheduler()
                .start(
                        Lane.SOON,
                        "alert " + made.alert.id(),
                        "",
                        job -> {
                            long now = around.now().getAsLong();
                            Drawing drawing = around.vantages().at(now).inPrices(instrument, made.drawing);
                            made.worth = drawing.path(directory.calendar(instrument));
                            made.watch = new AlertWatch(made.alert, drawing, directory.calendar(instrument));
                            long known = Math.max(now, made.alert.setAt());
                            made.take(traded(instrument, made.alert.setAt(), known), known);
                            return known;
                        },
                        known -> {
                            if (watched.get(made.alert.id()) == made && !made.done) {
                                made.subscription = around.hub().subscribe(instrument, known, made);
                                unwatched.remove(made.alert.id());
                            }
                            listeners.tell(made.alert);
                        },
                        failed -> cannot(made, String.valueOf(failed.getMessage())));
    }

    private TickSeries traded(Instrument instrument, long after, long upTo) throws IOException {
        TickSeries trades = new TickSeries(256);
        if (after < upTo && directory.source(instrument).orElse(null) instanceof LiveSource live) {
            live.trades(instrument.id(), after, upTo, trades);
        }
        return trades;
    }

    private void cannot(Watched made, String reason) {
        LOG.warn("an alert on {} cannot be watched: {}", made.alert.instrument(), reason);
        if (watched.remove(made.alert.id(), made) && !reason.equals(unwatched.put(made.alert.id(), reason))) {
            tell.accept("The alert on " + made.alert.instrument().code() + " cannot be watched now: " + reason + ".");
        }
    }

    /** Writes a firing down; the alert itself stays as it is. One that was taken away or armed anew meanwhile does not fire. */
    private void record(Firing firing) {
        boolean stillWaits = books.alertShelf()
                .get(firing.alert())
                .filter(alert -> alert.setAt() == firing.setAt() && books.waits(alert))
                .isPresent();
        if (stillWaits) {
            books.firingShelf().put(firing);
            fired.accept(firing);
        }
    }
}

package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.listening.Listeners;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.vantage.Vantages;
import dev.yardarm.desk.work.Scheduler;
import dev.yardarm.desk.work.Schedules;
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
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Keeps a watch on every waiting alert: those on drawings with each trade, those on conditions with each bar that closes.
 *
 * <p>When alerts or the drawings they hang on change, only what changed is set up anew, in the background. What cannot be set up
 * is told, and tried again every few seconds. Used by the interface's thread.
 */
public final class AlertRunner implements Watching.Teller {
    private static final Logger LOG = LoggerFactory.getLogger(AlertRunner.class);
    private static final int BEATS_BETWEEN_TRIES = 50;

    private final Books books;
    private final Directory directory;
    private final Around around;
    private final Consumer<String> tell;
    private final Consumer<Firing> fired;
    private final Map<String, Watching> watched = new HashMap<>();
    private final Listeners<Alert> listeners = new Listeners<>();
    /** Why alerts cannot be watched now, by id; told once for each reason, tried again every few seconds. */
    private final Map<String, String> unwatched = new ConcurrentHashMap<>();

    private final AtomicInteger beats = new AtomicInteger();

    /**
     * Where alerts are watched.
     *
     * @param now what time it is in the market
     * @param schedules of the market's time
     * @param language conditions are written in, as it is now
     * @param front the interface's thread
     */
    public record Around(
            Vantages vantages,
            LiveHub hub,
            LongSupplier now,
            Scheduler scheduler,
            Schedules schedules,
            Supplier<Language> language,
            Executor front) {}

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

    /** The price an alert waits for now; missing until it is set up, and for a condition. */
    public double level(Alert alert) {
        Watching there = watched.get(alert.id());
        return there == null ? Double.NaN : there.level(around.now().getAsLong());
    }

    /** Tells of each alert that has been set up. */
    public Listening listen(Consumer<Alert> listener) {
        return listeners.add(listener);
    }

    private void arm() {
        Set<String> wanted = new HashSet<>();
        for (Alert alert : books.alerts()) {
            Watching there = watched.get(alert.id());
            Watching made = books.waits(alert) ? watching(alert, there).orElse(null) : null;
            if (made == null) {
                continue;
            }
            wanted.add(alert.id());
            if (made != there) {
                if (there != null) {
                    there.close();
                }
                watched.put(alert.id(), made);
                made.begin();
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

    /** The watch an alert wants: the one there when nothing changed; none when what it waits on is gone. */
    private Optional<Watching> watching(Alert alert, Watching there) {
        Instrument instrument = directory.find(alert.instrument()).orElse(null);
        if (instrument == null) {
            return Optional.empty();
        }
        boolean same = there != null && there.alert().equals(alert);
        if (alert.on() instanceof Alert.On.Condition) {
            return Optional.of(
                    same
                            ? there
                            : new ConditionWatching(
                                    alert,
                                    instrument,
                                    new BarGrid(directory.calendar(instrument), alert.timeframe()),
                                    around,
                                    this));
        }
        if (alert.on() instanceof Alert.On.Traded) {
            return Optional.of(same ? there : new LargeTradeWatching(alert, instrument, directory, around, this));
        }
        return books.drawings(alert.instrument()).stream()
                .filter(each -> each.id().equals(alert.drawing()))
                .findFirst()
                .map(drawing -> same && there instanceof DrawingWatching on && on.isOn(drawing)
                        ? there
                        : new DrawingWatching(alert, drawing, instrument, directory, around, this));
    }

    @Override
    public void ready(Watching watching) {
        if (watched.get(watching.alert().id()) == watching) {
            unwatched.remove(watching.alert().id());
        }
        listeners.tell(watching.alert());
    }

    @Override
    public void cannot(Watching watching, String reason) {
        Alert alert = watching.alert();
        LOG.warn("an alert on {} cannot be watched: {}", alert.instrument(), reason);
        if (watched.remove(alert.id(), watching)) {
            watching.close();
            if (!reason.equals(unwatched.put(alert.id(), reason))) {
                tell.accept("The alert on " + alert.instrument().code() + " cannot be watched now: " + reason + ".");
            }
        }
    }

    /** Writes a firing down; the alert itself stays as it is. One that was taken away or armed anew meanwhile does not fire. */
    @Override
    public void fired(Watching watching, Firing firing) {
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

package dev.yardarm.desk.alert;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.alert.AlertWords;
import dev.yardarm.core.alert.Awaited;
import dev.yardarm.core.alert.Firing;
import dev.yardarm.core.alert.Readings;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.desk.book.Books;
import dev.yardarm.desk.follow.Traded;
import dev.yardarm.desk.follow.TradesFollowing;
import dev.yardarm.desk.listening.Listeners;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.vantage.Vantages;
import dev.yardarm.desk.work.Scheduler;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
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
 * Keeps a watch on every waiting alert. When an alert, its firings or the drawings it hangs on change, that one alone is set up anew, in the
 * background: arming one costs that one. What cannot be set up is told, and tried again every few seconds. Used by the interface's thread.
 */
public final class AlertRunner implements Watching.Teller {
    private static final Logger LOG = LoggerFactory.getLogger(AlertRunner.class);
    private static final int BEATS_BETWEEN_TRIES = 50;

    private final Books books;
    private final Directory directory;
    private final Around around;
    private final Consumer<String> tell;
    private final Fired fired;
    private final Map<String, Watching> watched = new HashMap<>();
    private final Listeners<Alert> listeners = new Listeners<>();
    /** Why alerts cannot be watched now, by id; told once for each reason, tried again every few seconds. */
    private final Map<String, String> unwatched = new ConcurrentHashMap<>();

    private final AtomicInteger beats = new AtomicInteger();

    /** Is told what fired. */
    @FunctionalInterface
    public interface Fired {
        /** @param away true when it was while nothing watched */
        void tell(Alert alert, Firing firing, boolean away);
    }

    /**
     * Where alerts are watched.
     *
     * @param following where trades are followed
     * @param now what time it is in the market
     * @param language conditions are written in, as it is now
     */
    public record Around(TradesFollowing.Around following, LongSupplier now, Supplier<Language> language) {
        Vantages vantages() {
            return following.vantages();
        }

        LiveHub hub() {
            return following.hub();
        }

        Scheduler scheduler() {
            return following.scheduler();
        }

        Executor front() {
            return following.front();
        }
    }

    /**
     * @param tell takes what cannot be watched
     * @param fired told on the interface's thread
     */
    public AlertRunner(Books books, Directory directory, Around around, Consumer<String> tell, Fired fired) {
        this.books = books;
        this.directory = directory;
        this.around = around;
        this.tell = tell;
        this.fired = fired;
        books.alertShelf().listen(this::arm);
        books.firingShelf().listen(keys -> {
            Set<String> ids = new HashSet<>();
            keys.forEach(key -> ids.add(key.alert()));
            arm(ids);
        });
        books.listenDrawings(this::drawn);
        directory.listen(source -> around.front().execute(() -> told(source)));
        around.hub().onBeat(now -> {
            if (!unwatched.isEmpty() && beats.incrementAndGet() % BEATS_BETWEEN_TRIES == 0) {
                around.front().execute(() -> arm(Set.copyOf(unwatched.keySet())));
            }
        });
        armAll();
    }

    /** The price an alert waits for now; missing until it is set up, and for a condition. */
    public double level(Alert alert) {
        Watching there = watched.get(alert.id());
        return there == null ? Double.NaN : there.level(around.now().getAsLong());
    }

    /** How many alerts are under watch. */
    public int watched() {
        return watched.size();
    }

    /** Tells of each alert that has been set up, or has ended. */
    public Listening listen(Consumer<Alert> listener) {
        return listeners.add(listener);
    }

    /** A source says something new: of instruments that have the bars of files alone, all that is there now is gone through anew. */
    private void told(String source) {
        for (Watching each : List.copyOf(watched.values())) {
            InstrumentId id = each.alert().instrument();
            boolean files = id.source().equals(source)
                    && directory
                            .find(id)
                            .filter(instrument -> !Traded.isLive(directory, instrument))
                            .isPresent();
            if (files) {
                end(each.alert().id());
            }
        }
        armAll();
    }

    /** Sets alerts up anew that are there now and look at something else than before. */
    private void armAll() {
        Set<String> ids = new HashSet<>(watched.keySet());
        books.alerts().forEach(alert -> ids.add(alert.id()));
        arm(ids);
    }

    /** Formulas may mean something else now, or nothing any more: alerts that read some are set up anew. */
    public void languageChanged() {
        for (Watching each : List.copyOf(watched.values())) {
            if (each.alert().readsBars()) {
                end(each.alert().id());
            }
        }
        armAll();
    }

    private void drawn(InstrumentId instrument) {
        arm(watched.values().stream()
                .map(Watching::alert)
                .filter(alert -> alert.instrument().equals(instrument))
                .map(Alert::id)
                .toList());
        // One whose drawing has come back is not among those.
        arm(books.alerts(instrument).stream()
                .filter(alert -> !alert.drawing().isEmpty() && !watched.containsKey(alert.id()))
                .map(Alert::id)
                .toList());
    }

    private void arm(Collection<String> ids) {
        for (String id : ids) {
            Alert alert = books.alertShelf().get(id).orElse(null);
            Watching there = watched.get(id);
            Watching wanted =
                    alert != null && waits(alert) ? watching(alert, there).orElse(null) : null;
            if (wanted == there && wanted != null) {
                continue;
            }
            end(id);
            if (wanted == null) {
                unwatched.remove(id);
            } else {
                watched.put(id, wanted);
                wanted.begin(around.now().getAsLong());
            }
        }
    }

    /** True when an alert can still fire. */
    private boolean waits(Alert alert) {
        return books.waits(alert);
    }

    private void end(String id) {
        Watching there = watched.remove(id);
        if (there != null) {
            there.close();
        }
    }

    /** The watch an alert wants: the one there when nothing changed; none when what it waits on is gone. */
    private Optional<Watching> watching(Alert alert, Watching there) {
        Instrument instrument = directory.find(alert.instrument()).orElse(null);
        if (instrument == null) {
            return Optional.empty();
        }
        Drawn drawn = drawn(alert);
        if (drawn.misses(alert)) {
            return Optional.empty();
        }
        if (there != null && there.alert().equals(alert) && there.isUpToDate(drawn)) {
            return Optional.of(there);
        }
        return Optional.of(make(alert, instrument, drawn));
    }

    private Watching make(Alert alert, Instrument instrument, Drawn drawn) {
        if (alert.first().on() instanceof Awaited.Due) {
            return new DueWatching(alert, instrument, around, this);
        }
        if (alert.first().on() instanceof Awaited.Member) {
            return new ScanWatching(alert, books, around, this);
        }
        return alert.readsBars()
                ? new BarsWatching(alert, instrument, drawn, directory, around, this)
                : new TradesWatching(alert, instrument, drawn, around, this);
    }

    private Drawn drawn(Alert alert) {
        boolean byName = readsDrawings(alert);
        return alert.drawing().isEmpty() && !byName
                ? Drawn.NOTHING
                : Drawn.of(alert, books.drawings(alert.instrument()), byName);
    }

    private boolean readsDrawings(Alert alert) {
        try {
            return alert.readsBars()
                    && !Readings.needs(alert, around.language().get())
                            .drawings()
                            .isEmpty();
        } catch (FormulaException told) {
            // Setting it up will say what is wrong.
            return false;
        }
    }

    @Override
    public void ready(Watching watching) {
        if (watched.get(watching.alert().id()) == watching) {
            unwatched.remove(watching.alert().id());
        }
        listeners.tell(watching.alert());
    }

    @Override
    public void stale(Watching watching, long now) {
        Alert alert = watching.alert();
        if (watched.get(alert.id()) != watching) {
            return;
        }
        end(alert.id());
        directory.find(alert.instrument()).ifPresent(instrument -> {
            Drawn drawn = drawn(alert);
            if (!drawn.misses(alert)) {
                Watching again = make(alert, instrument, drawn);
                watched.put(alert.id(), again);
                again.begin(Math.max(now, around.now().getAsLong()));
            }
        });
    }

    @Override
    public void expired(Watching watching) {
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

    /**
     * Writes a firing down; the alert itself stays as it is. One that was taken away or armed anew meanwhile does not fire, and one that is
     * written down already is the same one seen again.
     */
    @Override
    public void fired(Watching watching, Firing firing, boolean away) {
        Alert alert = books.alertShelf()
                .get(firing.alert())
                .filter(each -> each.setAt() == firing.setAt() && waits(each))
                .orElse(null);
        if (alert != null && books.firingShelf().get(firing.key()).isEmpty()) {
            Firing said = firing.in(words(alert).condition(alert), note(alert, firing));
            books.firingShelf().put(said);
            fired.tell(alert, said, away);
        }
    }

    private String note(Alert alert, Firing firing) {
        return words(alert)
                .note(
                        firing.note(),
                        firing.instrument().code(),
                        firing.price(),
                        watched.containsKey(alert.id())
                                ? watched.get(alert.id()).level(firing.at())
                                : Double.NaN);
    }

    private AlertWords words(Alert alert) {
        return AlertNames.words(books, directory, alert.instrument());
    }

    /** The watches there are, for tests and measurements. */
    List<Watching> watches() {
        return List.copyOf(watched.values());
    }
}

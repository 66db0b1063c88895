package dev.yardarm.desk.live;

import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.MarketClock;
import dev.yardarm.desk.market.SourceState;
import java.io.IOException;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.LongConsumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The heart of the live market. Ten times a second it asks the clock for the time, fetches what was traded since, once for
 * each instrument and span, and hands it to who subscribed, as a slice of trades with their sides. When all have got theirs,
 * each is told that the beat is done.
 *
 * <p><b>Why one thread</b>: trades and time come to every subscriber in one order. What is done here is short: alerts are
 * evaluated here, at once; charts take their slices and compute on a {@link dev.yardarm.desk.work.SerialLane lane} of their
 * own, so that no alert waits for a chart.
 *
 * <p><b>Failures stay where they happen.</b> A subscriber that fails is closed and told, the others never notice. How far a
 * subscriber knows is moved on before it is handed anything, so nothing is handed out twice. A source that cannot be asked is
 * marked offline in the {@link Directory}, asked again with each beat, and gives the whole span when it answers.
 *
 * <p>Slices are not changed after they were handed out and may be kept by any thread. Cost of a beat: one lookup for each
 * subscriber and the trades there were.
 */
public final class LiveHub implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(LiveHub.class);
    private static final int MILLIS = 100;
    /** What is missing for so long is said, in microseconds of the market: messages that overtake each other are there before. */
    private static final long LATE = 5_000_000;

    private final Directory directory;
    private final MarketClock clock;
    private final ScheduledExecutorService thread;
    private final List<Subscription> subscriptions = new CopyOnWriteArrayList<>();
    private final List<LongConsumer> beats = new CopyOnWriteArrayList<>();

    /** Takes in what happens to an instrument; called on the hub's thread. */
    public interface Listener {
        /**
         * What was traded since the last time, in its order; time has come to {@code now}.
         *
         * @param trades may be empty; is not changed any more
         */
        void take(TickSeries trades, long now);

        /** Everyone has got what was traded up to {@code now}. */
        default void beatDone(long now) {}

        /** Something of this listener failed; it has been closed and hears nothing more. */
        default void failed(Throwable problem) {}
    }

    /** A listener's place at the hub. May be closed on any thread. */
    public final class Subscription implements AutoCloseable {
        private final Instrument instrument;
        private final Listener listener;
        /** Belongs to the hub's thread once it is subscribed. */
        private long knownUpTo;

        private volatile boolean closed;

        private Subscription(Instrument instrument, long knownUpTo, Listener listener) {
            this.instrument = instrument;
            this.knownUpTo = knownUpTo;
            this.listener = listener;
        }

        @Override
        public void close() {
            closed = true;
            subscriptions.remove(this);
        }
    }

    /** What is fetched once in a beat. */
    private record Span(InstrumentId id, long after) {}

    /** @param clock tells what time it is in the market, and is moved on with each beat */
    public LiveHub(Directory directory, MarketClock clock) {
        this.directory = directory;
        this.clock = clock;
        this.thread = Executors.newSingleThreadScheduledExecutor(task -> {
            Thread made = new Thread(task, "market");
            made.setDaemon(true);
            return made;
        });
    }

    /** Begins to beat by itself. */
    public void start() {
        thread.scheduleAtFixedRate(
                () -> guarded("the market's heartbeat", () -> beat(clock.advance(System.nanoTime()))),
                MILLIS,
                MILLIS,
                TimeUnit.MILLISECONDS);
    }

    /** One beat by hand on the hub's thread, as if time had come to {@code now}; returns when it is done. */
    public void beatAt(long now) {
        try {
            thread.submit(() -> beat(now)).get();
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
        } catch (ExecutionException failed) {
            throw new IllegalStateException(failed.getCause());
        }
    }

    /**
     * Reports everything of an instrument that is traded after {@code knownUpTo}.
     *
     * @return closes it
     */
    public Subscription subscribe(Instrument instrument, long knownUpTo, Listener listener) {
        Subscription subscription = new Subscription(instrument, knownUpTo, listener);
        subscriptions.add(subscription);
        return subscription;
    }

    /** How many subscriptions there are. */
    public int subscriptions() {
        return subscriptions.size();
    }

    /** Is told the time after each beat, on the hub's thread. */
    public void onBeat(LongConsumer listener) {
        beats.add(listener);
    }

    /** Runs something on the hub's thread, between two beats. */
    public void execute(Runnable task) {
        if (!thread.isShutdown()) {
            thread.execute(() -> guarded("work on the market's thread", task));
        }
    }

    private static boolean guarded(String what, Runnable task) {
        try {
            task.run();
            return true;
        } catch (RuntimeException | Error failed) {
            // An Error would end the schedule without a word.
            LOG.error("{} failed", what, failed);
            return false;
        }
    }

    private void beat(long now) {
        Map<Span, TickSeries> fetched = new HashMap<>();
        Set<String> silent = new HashSet<>();
        Set<String> answered = new HashSet<>();
        Map<InstrumentId, Long> known = new HashMap<>();
        for (Subscription each : subscriptions) {
            if (each.closed || each.knownUpTo >= now) {
                continue;
            }
            long upTo = known.computeIfAbsent(each.instrument.id(), id -> knownUpTo(each.instrument, now, silent));
            if (upTo <= each.knownUpTo) {
                continue;
            }
            TickSeries trades = fetched.computeIfAbsent(
                    new Span(each.instrument.id(), each.knownUpTo),
                    span -> fetch(each.instrument, span.after(), upTo, silent, answered));
            if (trades != null) {
                each.knownUpTo = upTo;
                hand(each, () -> each.listener.take(trades, upTo));
            }
        }
        answered.removeAll(lateSources(known, now));
        for (Subscription each : subscriptions) {
            hand(each, () -> each.listener.beatDone(now));
        }
        answered.removeAll(silent);
        answered.forEach(source -> directory.setState(source, SourceState.READY));
        beats.forEach(each -> guarded("work after a beat", () -> each.accept(now)));
    }

    /** Up to which moment an instrument has all its trades; the earliest of all when its source has no connection. */
    private long knownUpTo(Instrument instrument, long now, Set<String> silent) {
        if (!(directory.source(instrument).orElse(null) instanceof LiveSource live)) {
            return now;
        }
        try {
            live.check(now);
        } catch (IOException | RuntimeException cut) {
            offline(instrument.id().source(), now, cut, silent);
        }
        try {
            return live.knownUpTo(instrument.id(), now);
        } catch (RuntimeException | Error failed) {
            offline(instrument.id().source(), now, failed, silent);
            return Long.MIN_VALUE;
        }
    }

    /** The sources of which something is missing for longer than a moment; each is marked as behind since when it began. */
    private Set<String> lateSources(Map<InstrumentId, Long> known, long now) {
        Map<String, Long> earliest = new HashMap<>();
        known.forEach((id, upTo) -> earliest.merge(id.source(), upTo, Math::min));
        Set<String> late = new HashSet<>();
        earliest.forEach((source, upTo) -> {
            SourceState state = directory.state(source);
            boolean is = upTo != Long.MIN_VALUE && now - upTo > (state.kind() == SourceState.Kind.BEHIND ? 0 : LATE);
            if (is) {
                late.add(source);
                if (state.isReady()) {
                    directory.setState(source, SourceState.behind(upTo, "trades are missing"));
                }
            }
        });
        return late;
    }

    private void offline(String source, long now, Throwable failed, Set<String> silent) {
        if (silent.add(source) && directory.state(source).kind() != SourceState.Kind.OFFLINE) {
            LOG.warn("the source {} does not answer", source, failed);
            directory.setState(source, SourceState.offline(now, failed.getMessage()));
        }
    }

    /** The trades of a span; null when the source cannot be asked now. */
    private TickSeries fetch(Instrument instrument, long after, long now, Set<String> silent, Set<String> answered) {
        String source = instrument.id().source();
        if (!(directory.source(instrument).orElse(null) instanceof LiveSource live)) {
            return TickSeries.EMPTY;
        }
        TickSeries trades = new TickSeries(16);
        try {
            live.trades(instrument.id(), after, now, trades);
            answered.add(source);
            return trades;
        } catch (Exception | Error failed) {
            offline(source, now, failed, silent);
            return null;
        }
    }

    private void hand(Subscription to, Runnable call) {
        if (to.closed) {
            return;
        }
        try {
            call.run();
        } catch (RuntimeException | Error failed) {
            to.close();
            LOG.error("a listener of {} failed and hears nothing more", to.instrument.code(), failed);
            guarded("telling a listener that it failed", () -> to.listener.failed(failed));
        }
    }

    @Override
    public void close() {
        thread.shutdownNow();
    }
}

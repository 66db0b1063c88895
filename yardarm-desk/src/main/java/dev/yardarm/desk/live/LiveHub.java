package dev.yardarm.desk.live;

import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.MarketClock;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The heart of the live market. Ten times a second it asks the clock for the time, fetches what was traded since, once
 * for each instrument, and hands every trade to the instrument's listeners, followed by one beat to each. Everything
 * happens on one thread of its own, so listeners need no locks against each other; {@link #execute} runs other work on
 * that thread.
 */
public final class LiveHub implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(LiveHub.class);
    private static final int MILLIS = 100;

    private final Directory directory;
    private final MarketClock clock;
    private final ScheduledExecutorService thread;
    private final List<Subscription> subscriptions = new CopyOnWriteArrayList<>();
    private final Buffer buffer = new Buffer();

    /** Takes in what happens to an instrument; called on the hub's thread. */
    public interface Listener {
        void trade(long time, double price, double size);

        /** Time has come to {@code now}; all trades up to then have been reported. */
        void beat(long now);
    }

    /** A listener's place at the hub. */
    public final class Subscription implements AutoCloseable {
        private final Instrument instrument;
        private final Listener listener;
        private long knownUpTo;

        private Subscription(Instrument instrument, long knownUpTo, Listener listener) {
            this.instrument = instrument;
            this.knownUpTo = knownUpTo;
            this.listener = listener;
        }

        @Override
        public void close() {
            subscriptions.remove(this);
        }
    }

    /** Trades fetched for several listeners. */
    private static final class Buffer {
        private long[] times = new long[64];
        private double[] prices = new double[64];
        private double[] sizes = new double[64];
        private int count;

        void add(long time, double price, double size) {
            if (count == times.length) {
                times = Arrays.copyOf(times, count * 2);
                prices = Arrays.copyOf(prices, count * 2);
                sizes = Arrays.copyOf(sizes, count * 2);
            }
            times[count] = time;
            prices[count] = price;
            sizes[count++] = size;
        }
    }

    public LiveHub(Directory directory, MarketClock clock) {
        this.directory = directory;
        this.clock = clock;
        this.thread = Executors.newSingleThreadScheduledExecutor(task -> {
            Thread made = new Thread(task, "market");
            made.setDaemon(true);
            return made;
        });
    }

    /** Begins to beat. */
    public void start() {
        thread.scheduleAtFixedRate(
                () -> {
                    try {
                        beat(clock.advance(System.nanoTime()));
                    } catch (RuntimeException failed) {
                        LOG.error("the market's heartbeat failed", failed);
                    }
                },
                MILLIS,
                MILLIS,
                TimeUnit.MILLISECONDS);
    }

    /** Reports everything of an instrument that is traded after {@code knownUpTo}. */
    public Subscription subscribe(Instrument instrument, long knownUpTo, Listener listener) {
        Subscription subscription = new Subscription(instrument, knownUpTo, listener);
        subscriptions.add(subscription);
        return subscription;
    }

    /** Runs something on the hub's thread. */
    public void execute(Runnable task) {
        if (!thread.isShutdown()) {
            thread.execute(() -> {
                try {
                    task.run();
                } catch (RuntimeException failed) {
                    LOG.error("work on the market's thread failed", failed);
                }
            });
        }
    }

    /** One beat: everything up to {@code now} is handed out. */
    void beat(long now) {
        Instrument fetched = null;
        long fetchedFrom = 0;
        List<Subscription> ordered = subscriptions.stream()
                .sorted((one, other) -> one.instrument.code().compareTo(other.instrument.code()))
                .toList();
        for (Subscription each : ordered) {
            if (each.knownUpTo < now) {
                if (!each.instrument.equals(fetched) || fetchedFrom != each.knownUpTo) {
                    buffer.count = 0;
                    if (directory.source(each.instrument) instanceof LiveSource live) {
                        live.trades(each.instrument.id(), each.knownUpTo, now, buffer::add);
                    }
                    fetched = each.instrument;
                    fetchedFrom = each.knownUpTo;
                }
                for (int trade = 0; trade < buffer.count; trade++) {
                    each.listener.trade(buffer.times[trade], buffer.prices[trade], buffer.sizes[trade]);
                }
                each.knownUpTo = now;
            }
            each.listener.beat(now);
        }
    }

    @Override
    public void close() {
        thread.shutdownNow();
    }
}

package dev.yardarm.desk.live;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Bars;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.market.MarketClock;
import dev.yardarm.desk.work.Scheduler;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executor;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The last price and the day's change of the instruments of a list, kept current. */
public final class QuoteBoard implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(QuoteBoard.class);

    /** @param before close of the day before, NaN when there is none */
    public record Quote(double last, double before) {
        /** Change from the day before, as a part. */
        public double change() {
            return last / before - 1;
        }
    }

    private final ChartFeed.Services services;
    private final Runnable changed;
    private final Map<InstrumentId, Quote> quotes = new ConcurrentHashMap<>();
    private final List<LiveHub.Subscription> subscriptions = new ArrayList<>();
    private volatile boolean dirty;
    private long lastTold;

    /** @param changed told on the interface's thread, at most once a second */
    public QuoteBoard(ChartFeed.Services services, Runnable changed) {
        this.services = services;
        this.changed = changed;
    }

    public Optional<Quote> quote(InstrumentId id) {
        return Optional.ofNullable(quotes.get(id));
    }

    /** Quotes these instruments from now on. */
    public void watch(List<Instrument> instruments) {
        close();
        Histories histories = services.histories();
        MarketClock clock = services.clock();
        Scheduler scheduler = services.scheduler();
        Executor front = services.front();
        scheduler.start(
                "quotes",
                "",
                job -> {
                    int count = 0;
                    for (Instrument instrument : instruments) {
                        job.check();
                        try {
                            Histories.Loaded loaded = histories.load(instrument, Timeframe.DAY, clock.now());
                            begin(instrument, loaded);
                        } catch (IOException missing) {
                            LOG.debug("no quote of {}: {}", instrument.code(), missing.getMessage());
                        }
                        if (++count % 12 == 0) {
                            front.execute(changed);
                        }
                    }
                    return count;
                },
                count -> changed.run(),
                failed -> LOG.warn("the quotes cannot be made", failed));
    }

    private void begin(Instrument instrument, Histories.Loaded loaded) {
        Bars bars = loaded.series().snapshot();
        if (bars.isEmpty()) {
            return;
        }
        int last = bars.size() - 1;
        InstrumentId id = instrument.id();
        quotes.put(id, new Quote(bars.close(last), last > 0 ? bars.close(last - 1) : Double.NaN));
        LiveHub.Subscription subscription = services.hub()
                .subscribe(
                        instrument,
                        loaded.knownUpTo(),
                        new Follow(id, bars.hasForming() ? bars.closeTime(last) : Long.MIN_VALUE));
        synchronized (subscriptions) {
            subscriptions.add(subscription);
        }
    }

    /** Keeps one quote current; a trade after the day's close starts a new day. */
    private final class Follow implements LiveHub.Listener {
        private final InstrumentId id;
        private long dayEnd;

        Follow(InstrumentId id, long dayEnd) {
            this.id = id;
            this.dayEnd = dayEnd;
        }

        @Override
        public void trade(long time, double price, double size) {
            Quote quote = quotes.get(id);
            if (time > dayEnd) {
                quotes.put(id, new Quote(price, quote.last()));
                dayEnd = time + 16 * 3600_000_000L;
            } else {
                quotes.put(id, new Quote(price, quote.before()));
            }
            dirty = true;
        }

        @Override
        public void beat(long now) {
            long real = System.nanoTime();
            if (dirty && real - lastTold > 1_000_000_000L) {
                dirty = false;
                lastTold = real;
                services.front().execute(changed);
            }
        }
    }

    @Override
    public void close() {
        services.scheduler().cancel("quotes");
        synchronized (subscriptions) {
            subscriptions.forEach(LiveHub.Subscription::close);
            subscriptions.clear();
        }
    }
}

package dev.yardarm.desk.feed;

import com.google.errorprone.annotations.concurrent.GuardedBy;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.work.Lane;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executor;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The last price and the day's change of the instruments of a list, kept current. A day is a session of the instrument's own
 * calendar, so what trades round the clock begins a new one at midnight of its zone and not some hours after the last trade.
 * Loading runs in the background, trades come on the hub's thread; quotes may be read on any.
 */
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
    private final String key = "quotes " + UUID.randomUUID();
    private final Map<InstrumentId, Quote> quotes = new ConcurrentHashMap<>();

    @GuardedBy("subscriptions")
    private final List<LiveHub.Subscription> subscriptions = new ArrayList<>();

    private volatile boolean dirty;
    /** Grows with each list watched; what was begun for an earlier one comes to nothing. */
    @GuardedBy("subscriptions")
    private int watched;

    private long lastTold;

    /** @param changed told on the interface's thread, at most once a second */
    public QuoteBoard(ChartFeed.Services services, Runnable changed) {
        this.services = services;
        this.changed = changed;
    }

    /** The quote of an instrument; empty until it is loaded, and for what has no days. */
    public Optional<Quote> quote(InstrumentId id) {
        return Optional.ofNullable(quotes.get(id));
    }

    /** Quotes these instruments from now on, and no others. */
    public void watch(List<Instrument> instruments) {
        close();
        int number;
        synchronized (subscriptions) {
            number = watched;
        }
        quotes.keySet().retainAll(instruments.stream().map(Instrument::id).toList());
        Histories histories = services.histories();
        Executor front = services.front();
        services.scheduler()
                .start(
                        Lane.SOON,
                        key,
                        "",
                        job -> {
                            int count = 0;
                            for (Instrument instrument : instruments) {
                                job.check();
                                try {
                                    long now = services.now().getAsLong();
                                    begin(instrument, histories.load(instrument, Timeframe.DAY, now), number);
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

    private void begin(Instrument instrument, Histories.Loaded loaded, int number) {
        Bars bars = loaded.series().snapshot();
        if (bars.isEmpty()) {
            return;
        }
        int last = bars.size() - 1;
        InstrumentId id = instrument.id();
        quotes.put(id, new Quote(bars.close(last), last > 0 ? bars.close(last - 1) : Double.NaN));
        TradingCalendar calendar = services.histories().calendar(instrument);
        synchronized (subscriptions) {
            if (number == watched) {
                subscriptions.add(services.hub()
                        .subscribe(
                                loaded.traded(),
                                loaded.knownUpTo(),
                                new Follow(id, calendar, calendar.close(calendar.sessionAt(bars.openTime(last))))));
            }
        }
    }

    /** Keeps one quote current; a trade behind the close of its session begins a new one. */
    private final class Follow implements LiveHub.Listener {
        private final InstrumentId id;
        private final TradingCalendar calendar;
        private long dayEnd;

        Follow(InstrumentId id, TradingCalendar calendar, long dayEnd) {
            this.id = id;
            this.calendar = calendar;
            this.dayEnd = dayEnd;
        }

        @Override
        public void take(TickSeries trades, long now) {
            if (trades.size() == 0) {
                return;
            }
            Quote quote = quotes.get(id);
            for (int trade = 0; trade < trades.size(); trade++) {
                double price = trades.price(trade);
                if (trades.time(trade) >= dayEnd) {
                    quote = new Quote(price, quote.last());
                    dayEnd = calendar.close(calendar.sessionAt(trades.time(trade)));
                } else {
                    quote = new Quote(price, quote.before());
                }
            }
            quotes.put(id, quote);
            dirty = true;
        }

        @Override
        public void beatDone(long now) {
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
        services.scheduler().cancel(key);
        synchronized (subscriptions) {
            watched++;
            subscriptions.forEach(LiveHub.Subscription::close);
            subscriptions.clear();
        }
    }
}

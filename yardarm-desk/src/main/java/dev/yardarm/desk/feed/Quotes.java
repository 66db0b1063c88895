package dev.yardarm.desk.feed;

import com.google.errorprone.annotations.concurrent.GuardedBy;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.desk.listening.Listening;
import dev.yardarm.desk.live.LiveHub;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.work.Job;
import dev.yardarm.desk.work.Lane;
import java.io.IOException;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executor;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The quotes of instruments, kept current: last price, the day so far, the day before, and the closes of the sessions before. A day is a session
 * of the instrument's own calendar, so what trades round the clock begins a new one at midnight of its zone and not some hours after the last
 * trade. With a new session the days before are read again, for a split or a roll may have moved them.
 *
 * <p>Loading runs in the background, trades come on the hub's thread; quotes may be read on any. A quote is a value of its own for each slice of
 * trades: whoever reads one sees it whole. Memory: one quote and a course of {@value #COURSE} closes for each instrument, however long it runs.
 */
public final class Quotes implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Quotes.class);

    /** Sessions before the present one whose closes are kept, and over which the usual volume is taken. */
    public static final int COURSE = 30;

    private static final int USUAL = 20;
    /** So many are read at once and then shown. */
    private static final int TOGETHER = 100;
    /** More than the sessions of a course need. */
    private static final long RECENT = 70 * Times.DAY;

    private static final long SECOND = 1_000_000_000L;

    /**
     * What is known of an instrument now.
     *
     * @param before close of the day before, NaN when there is none
     * @param open of the day, as are high, low and volume
     * @param usual mean volume of the {@value #USUAL} days before, NaN when there are none
     * @param tick 1 when price changed upward last, -1 downward, 0 when it has not changed since it is watched
     * @param side of the last trade, as in {@link TickSeries}; 0 when that is not known
     * @param course closes of the days before, the newest last; not changed any more
     */
    public record Quote(
            double last,
            double before,
            double open,
            double high,
            double low,
            double volume,
            double usual,
            int tick,
            byte side,
            double[] course) {
        /** Change from the day before, as a part. */
        public double change() {
            return last / before - 1;
        }

        /** The day's volume as a part of that of a usual whole day. */
        public double volumeOfUsual() {
            return volume / usual;
        }

        private Quote traded(double price, double size, byte side) {
            int way = price > last ? 1 : price < last ? -1 : tick;
            return new Quote(
                    price,
                    before,
                    open,
                    Math.max(high, price),
                    Math.min(low, price),
                    volume + size,
                    usual,
                    way,
                    side,
                    course);
        }

        /** The first trade of another day. */
        private Quote begun(double price, double size, byte side) {
            int way = price > last ? 1 : price < last ? -1 : tick;
            return new Quote(price, last, price, price, price, size, usual, way, side, course);
        }

        /** The same with the days before as they were read again. */
        private Quote over(Quote read) {
            return new Quote(last, read.before, open, high, low, volume, read.usual, tick, side, read.course);
        }

        private static Quote of(Bars bars) {
            int last = bars.size() - 1;
            int from = Math.max(0, last - COURSE);
            double[] course = new double[last - from];
            for (int bar = from; bar < last; bar++) {
                course[bar - from] = bars.close(bar);
            }
            double sum = 0;
            int days = Math.min(USUAL, last);
            for (int bar = last - days; bar < last; bar++) {
                sum += bars.volume(bar);
            }
            return new Quote(
                    bars.close(last),
                    last > 0 ? bars.close(last - 1) : Double.NaN,
                    bars.open(last),
                    bars.high(last),
                    bars.low(last),
                    bars.volume(last),
                    sum > 0 ? sum / days : Double.NaN,
                    0,
                    (byte) 0,
                    course);
        }
    }

    private final ChartFeed.Services services;
    private final Runnable changed;
    private final String key = "quotes " + UUID.randomUUID();
    private final Map<InstrumentId, Quote> quotes = new ConcurrentHashMap<>();

    @GuardedBy("subscriptions")
    private final Map<InstrumentId, LiveHub.Subscription> subscriptions = new HashMap<>();

    /** Those whose days could not be had when they were asked for. */
    @GuardedBy("subscriptions")
    private final Set<Instrument> missing = new LinkedHashSet<>();

    private volatile boolean dirty;
    /** Grows with each list watched; what was begun for an earlier one comes to nothing. */
    @GuardedBy("subscriptions")
    private int watched;

    /** Whose session has begun in this beat; belongs to the hub's thread. */
    private final Map<InstrumentId, Follow> begun = new HashMap<>();

    private final long pause;
    private long lastTold;
    /** Null when it quotes nothing. */
    private Set<InstrumentId> watching;

    private Listening heard = () -> {};

    /** @param changed told on the interface's thread, at most once a second */
    public Quotes(ChartFeed.Services services, Runnable changed) {
        this(services, changed, SECOND);
    }

    /**
     * Quotes nothing yet.
     *
     * @param changed told on the interface's thread; once a second when nothing is traded
     * @param pause at least so many nanoseconds from one telling to the next; 0 for with each beat
     */
    public Quotes(ChartFeed.Services services, Runnable changed, long pause) {
        this.services = services;
        this.pause = pause;
        this.changed = changed;
    }

    /** The quote of an instrument; empty until it is loaded, and for what has no days. */
    public Optional<Quote> quote(InstrumentId id) {
        return Optional.ofNullable(quotes.get(id));
    }

    /**
     * Quotes these instruments from now on, and no others; those whose source is away come when it answers.
     *
     * @return false when they are those it quotes already: nothing is read again
     */
    public boolean watch(List<Instrument> instruments) {
        Set<InstrumentId> ids = instruments.stream().map(Instrument::id).collect(Collectors.toSet());
        if (ids.equals(watching)) {
            return false;
        }
        close();
        watching = ids;
        heard = services.histories().listen(source -> services.front().execute(() -> tryAgain(source)));
        quotes.keySet().retainAll(ids);
        load(instruments, key);
        return true;
    }

    private void tryAgain(String source) {
        List<Instrument> again;
        synchronized (subscriptions) {
            again = missing.stream()
                    .filter(each -> each.id().source().equals(source))
                    .toList();
        }
        if (!again.isEmpty()) {
            load(again, key + " again");
        }
    }

    private void load(List<Instrument> instruments, String name) {
        int number = number();
        Executor front = services.front();
        services.scheduler()
                .start(
                        Lane.SOON,
                        name,
                        "",
                        job -> {
                            for (int from = 0; from < instruments.size(); from += TOGETHER) {
                                List<Instrument> some =
                                        instruments.subList(from, Math.min(instruments.size(), from + TOGETHER));
                                job.check();
                                read(
                                        some,
                                        services.now().getAsLong(),
                                        number,
                                        job,
                                        (instrument, days) -> begin(instrument, days, number));
                                if (from + TOGETHER < instruments.size()) {
                                    front.execute(changed);
                                }
                            }
                            return instruments.size();
                        },
                        count -> changed.run(),
                        failed -> LOG.warn("the quotes cannot be made", failed));
    }

    /** The days of an instrument up to a moment, and what is traded for it from there. */
    private record Days(Bars bars, Instrument traded, long knownUpTo) {}

    /** Takes the days of an instrument. */
    @FunctionalInterface
    private interface Taker {
        void take(Instrument instrument, Days days);
    }

    /** Quotes need the last sessions alone, which are read at once where that can be had; what cannot be had is missing from now on. */
    private void read(List<Instrument> some, long moment, int number, Job job, Taker taker) {
        Map<InstrumentId, Histories.Recent> recent =
                services.histories().recent(some, Timeframe.DAY, moment - RECENT, moment);
        for (Instrument instrument : some) {
            job.check();
            Histories.Recent read = recent.get(instrument.id());
            if (read != null && read.bars().size() > COURSE) {
                taker.take(instrument, new Days(read.bars(), instrument, read.knownUpTo()));
                continue;
            }
            try {
                Histories.Loaded loaded = services.histories().load(instrument, Timeframe.DAY, moment);
                taker.take(instrument, new Days(loaded.series().snapshot(), loaded.traded(), loaded.knownUpTo()));
            } catch (CancellationException given) {
                throw given;
            } catch (IOException | RuntimeException away) {
                // One that cannot be had leaves the others alone.
                LOG.debug("no quote of {}: {}", instrument.code(), away.getMessage());
                synchronized (subscriptions) {
                    if (number == watched) {
                        missing.add(instrument);
                    }
                }
            }
        }
    }

    /** Nothing of an earlier list is put over what is quoted since. */
    private void begin(Instrument instrument, Days days, int number) {
        TradingCalendar calendar = services.histories().calendar(instrument);
        synchronized (subscriptions) {
            if (number != watched) {
                return;
            }
            missing.remove(instrument);
            if (days.bars.isEmpty()) {
                return;
            }
            quotes.put(instrument.id(), Quote.of(days.bars));
            Follow follow = new Follow(instrument, calendar, days, number);
            LiveHub.Subscription older =
                    subscriptions.put(instrument.id(), services.hub().subscribe(days.traded, days.knownUpTo, follow));
            if (older != null) {
                older.close();
            }
        }
    }

    /**
     * Keeps one quote current; a trade behind the close of its session begins a new one. A continuous future is looked at with each session, traded
     * or not: what is traded for it may be another contract now.
     */
    private final class Follow implements LiveHub.Listener {
        private final Instrument instrument;
        private final InstrumentId id;
        private final TradingCalendar calendar;
        private final Instrument traded;
        private final int number;
        private long dayEnd;
        private long border;

        Follow(Instrument instrument, TradingCalendar calendar, Days days, int number) {
            this.instrument = instrument;
            this.id = instrument.id();
            this.calendar = calendar;
            this.traded = days.traded;
            this.number = number;
            this.dayEnd = end(days);
            this.border = instrument.kind() == Instrument.Kind.CONTINUOUS ? nextOpen(days.knownUpTo) : Long.MAX_VALUE;
        }

        /** When the newest of some days ends. */
        private long end(Days days) {
            return calendar.close(calendar.sessionAt(days.bars.openTime(days.bars.size() - 1)));
        }

        private long nextOpen(long time) {
            return calendar.open(calendar.next(calendar.sessionAt(time)));
        }

        @Override
        public void take(TickSeries trades, long now) {
            if (trades.size() == 0) {
                return;
            }
            Quote quote = quotes.get(id);
            if (quote == null) {
                // Other instruments are watched since.
                return;
            }
            Quote was = quote;
            boolean anew = false;
            for (int trade = 0; trade < trades.size(); trade++) {
                double price = trades.price(trade);
                if (trades.time(trade) >= dayEnd) {
                    quote = quote.begun(price, trades.size(trade), trades.side(trade));
                    dayEnd = calendar.close(calendar.sessionAt(trades.time(trade)));
                    anew = true;
                } else {
                    quote = quote.traded(price, trades.size(trade), trades.side(trade));
                }
            }
            if (!quotes.replace(id, was, quote)) {
                return;
            }
            dirty = true;
            if (anew) {
                begun.put(id, this);
            }
        }

        @Override
        public void failed(Throwable problem) {
            LOG.warn("the quote of {} stopped and is begun anew", instrument.code(), problem);
            services.front().execute(() -> {
                if (number == number()) {
                    load(List.of(instrument), key + " anew " + id);
                }
            });
        }

        /** The days as they are now: those before the day that has begun in its prices, or all of another contract. */
        private void again(Days days) {
            if (!days.traded.equals(traded)) {
                begin(instrument, days, number);
            } else if (!days.bars.isEmpty()) {
                Quote read = Quote.of(days.bars);
                long end = end(days);
                services.hub().execute(() -> {
                    // Its day may have begun since: then those days are on their way.
                    if (number == number() && end == dayEnd) {
                        quotes.computeIfPresent(id, (same, quote) -> quote.over(read));
                    }
                });
            }
        }

        @Override
        public void beatDone(long now) {
            if (now >= border) {
                border = nextOpen(now);
                begun.put(id, this);
            }
            readAgain(now);
            long real = System.nanoTime();
            boolean due = dirty ? real - lastTold >= pause : real - lastTold >= Math.max(pause, SECOND);
            if (due) {
                dirty = false;
                lastTold = real;
                services.front().execute(changed);
            }
        }
    }

    /** Those whose session has begun with this beat, together. On the hub's thread. */
    private void readAgain(long now) {
        if (begun.isEmpty()) {
            return;
        }
        int number = number();
        Map<InstrumentId, Follow> all = begun.values().stream()
                .filter(each -> each.number == number)
                .collect(Collectors.toMap(each -> each.id, each -> each));
        begun.clear();
        services.scheduler()
                .start(
                        Lane.SOON,
                        key + " from " + now,
                        "",
                        job -> {
                            read(
                                    all.values().stream()
                                            .map(each -> each.instrument)
                                            .toList(),
                                    now,
                                    number,
                                    job,
                                    (instrument, days) ->
                                            all.get(instrument.id()).again(days));
                            return all.size();
                        },
                        count -> {},
                        failed -> LOG.warn("the days before cannot be read again", failed));
    }

    private int number() {
        synchronized (subscriptions) {
            return watched;
        }
    }

    @Override
    public void close() {
        watching = null;
        heard.close();
        services.scheduler().cancel(key);
        services.scheduler().cancel(key + " again");
        synchronized (subscriptions) {
            watched++;
            missing.clear();
            subscriptions.values().forEach(LiveHub.Subscription::close);
            subscriptions.clear();
        }
    }
}

package dev.yardarm.desk.market;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.core.source.ContinuousFuture;
import dev.yardarm.core.source.CorporateActions;
import dev.yardarm.core.source.DividendAdjustment;
import dev.yardarm.core.source.KnownThen;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.core.source.ManyHistories;
import dev.yardarm.core.source.PriceBasis;
import dev.yardarm.core.source.SplitAdjustment;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Supplier;

/**
 * The bars a source keeps, adjusted as of a moment, and the price basis that goes with them; those looked at last stay in
 * memory.
 *
 * <p><b>What a key depends on</b> is all that the answer depends on, the moment included: a live source is asked once for each hour
 * and session of the market, and what was traded since is added by whoever goes on with the bars, so a replay and the present never see
 * each other's. A source that is not live keeps finished bars; its whole history is read once, and each moment sees the part
 * that was known then.
 *
 * <p><b>Loading</b>: several threads that ask for the same wait for one reading. What is kept is weighed in bytes
 * ({@value #BYTES_A_BAR} a bar), never more than a sixth of the memory there is. May be used by any thread.
 */
final class StoredBars {
    private static final int BYTES_A_BAR = 56;
    private static final long WHOLE = Long.MIN_VALUE;
    /** What is shorter is read alone. */
    private static final long SHORT = 45 * Times.DAY;

    private final Futures futures;
    private final Cache<Key, Base> bars = Caffeine.newBuilder()
            .maximumWeight(Runtime.getRuntime().maxMemory() / 6)
            .weigher((Key key, Base base) -> base.bars().size() * BYTES_A_BAR + 256)
            .build();
    /** The newest of the keys that differ in their time alone: when the present moves on, what was loaded for the hour before goes. */
    private final Map<Key, Key> newest = new ConcurrentHashMap<>();

    private final Cache<Key, PriceBasis> bases =
            Caffeine.newBuilder().maximumSize(4096).build();

    /** How often a history was forgotten: what was being read meanwhile is not kept. */
    private final AtomicLong forgotten = new AtomicLong();

    private final Map<Making, CompletableFuture<Object>> underWay = new ConcurrentHashMap<>();

    /** What stored bars depend on. */
    private record Key(
            InstrumentId id,
            Timeframe timeframe,
            boolean splits,
            boolean dividends,
            String roll,
            BarRequest.Joint joint,
            long since) {
        Key at(long other) {
            return new Key(id, timeframe, splits, dividends, roll, joint, other);
        }

        static Key of(Instrument instrument, Timeframe timeframe, BarRequest request, long since) {
            boolean joined = Futures.isJoined(instrument);
            return new Key(
                    instrument.id(),
                    timeframe,
                    request.splits(),
                    request.dividends(),
                    joined ? request.roll().toString() : "",
                    joined ? request.joint() : null,
                    since);
        }
    }

    /**
     * Bars as known at a moment.
     *
     * @param knownUpTo trades after it are not in them
     */
    record Base(Bars bars, long knownUpTo) {}

    StoredBars(Futures futures) {
        this.futures = futures;
    }

    /**
     * The bars as known at a moment, or up to an hour earlier where trades go on with them.
     *
     * @param from bars before it are not needed. A short span of bars within the day is read alone and not kept: an alert on a condition rests
     *     on some days, and a year of minutes for each of hundreds would fill the memory
     */
    Base bars(BarSource source, Instrument instrument, Timeframe timeframe, BarRequest request, long from, long moment)
            throws IOException {
        if (!(source instanceof LiveSource)) {
            return whole(source, instrument, timeframe, request, moment);
        }
        Key key = Key.of(instrument, timeframe, request, since(source, instrument, moment));
        if (timeframe.isIntraday()
                && moment - from < SHORT
                && from > Long.MIN_VALUE + SHORT
                && !Futures.isJoined(instrument)
                && bars.getIfPresent(key) == null) {
            BarSeries raw = source.history(instrument.id(), timeframe, from, moment);
            return new Base(adjusted(source, instrument, raw, request, moment).snapshot(), moment);
        }
        Base kept = once(bars, key, () -> load(source, instrument, timeframe, request, moment));
        dropOlder(key);
        // A moment in the same hour but before the one the bars were loaded at sees no more than it may.
        return kept.knownUpTo() <= moment
                ? kept
                : new Base(read(source, instrument, timeframe, request, moment).snapshot(), moment);
    }

    /** The last time before a moment at which anything but trades can have changed: the hour, or the open of its session. */
    private static long since(BarSource source, Instrument instrument, long moment) {
        TradingCalendar calendar = source.calendar(instrument);
        LocalDate session = calendar.sessionAt(moment);
        long open = calendar.open(session);
        long opened = open <= moment ? open : calendar.open(calendar.previous(session));
        return Math.max(Math.floorDiv(moment, Times.HOUR) * Times.HOUR, opened);
    }

    /** A replay asks for the past: what it loads is older than the newest and stays until room is needed. */
    private void dropOlder(Key key) {
        Key any = key.at(WHOLE);
        Key before = newest.get(any);
        if (before == null || before.since() < key.since()) {
            newest.put(any, key);
            if (before != null) {
                bars.invalidate(before);
            }
        }
    }

    private Base load(BarSource source, Instrument instrument, Timeframe timeframe, BarRequest request, long moment) {
        return unchecked(() ->
                new Base(read(source, instrument, timeframe, request, moment).snapshot(), moment));
    }

    private Base whole(BarSource source, Instrument instrument, Timeframe timeframe, BarRequest request, long moment)
            throws IOException {
        Key key = whole(instrument, timeframe);
        Base all = once(
                bars,
                key,
                () -> unchecked(() -> new Base(
                        source.history(instrument.id(), timeframe, Long.MIN_VALUE, Long.MAX_VALUE)
                                .snapshot(),
                        Long.MAX_VALUE)));
        BarSeries known = KnownThen.of(all.bars(), Long.MIN_VALUE, moment);
        return new Base(adjusted(source, instrument, known, request, moment).snapshot(), moment);
    }

    /**
     * Reads the histories of many instruments of one source at once, where it offers that; what is kept already is not read again.
     *
     * @param moment they will be looked at from
     */
    void readMany(BarSource source, List<Instrument> instruments, Timeframe timeframe, long moment) throws IOException {
        ManyHistories many = source.offers(ManyHistories.class).orElse(null);
        if (many == null) {
            return;
        }
        boolean live = source instanceof LiveSource;
        BarRequest request = BarRequest.of(timeframe);
        Map<Instrument, Key> wanted = new LinkedHashMap<>();
        for (Instrument each : instruments) {
            Key key = live ? Key.of(each, timeframe, request, since(source, each, moment)) : whole(each, timeframe);
            if (!Futures.isJoined(each) && bars.getIfPresent(key) == null) {
                wanted.put(each, key);
            }
        }
        if (wanted.size() < 2) {
            return;
        }
        long before = forgotten.get();
        Map<InstrumentId, BarSeries> read = many.histories(
                wanted.keySet().stream().map(Instrument::id).toList(),
                timeframe,
                Long.MIN_VALUE,
                live ? moment : Long.MAX_VALUE);
        wanted.forEach((instrument, key) -> {
            BarSeries series = read.get(instrument.id());
            if (series != null && forgotten.get() == before) {
                bars.put(
                        key,
                        live
                                ? new Base(
                                        adjusted(source, instrument, series, request, moment)
                                                .snapshot(),
                                        moment)
                                : new Base(series.snapshot(), Long.MAX_VALUE));
                if (live) {
                    dropOlder(key);
                }
            }
        });
    }

    /**
     * The bars of many instruments of one source from a moment to another, adjusted as of the later one, where the source offers to read
     * them at once. They are not kept. Left out is what it leaves out.
     */
    Map<Instrument, Bars> recent(
            BarSource source, List<Instrument> instruments, Timeframe timeframe, long from, long moment)
            throws IOException {
        ManyHistories many = source.offers(ManyHistories.class).orElse(null);
        List<Instrument> wanted =
                instruments.stream().filter(each -> !Futures.isJoined(each)).toList();
        if (many == null || wanted.isEmpty()) {
            return Map.of();
        }
        Map<InstrumentId, BarSeries> read =
                many.histories(wanted.stream().map(Instrument::id).toList(), timeframe, from, moment);
        BarRequest request = BarRequest.of(timeframe);
        Map<Instrument, Bars> recent = new HashMap<>();
        for (Instrument each : wanted) {
            BarSeries series = read.get(each.id());
            if (series != null) {
                recent.put(each, adjusted(source, each, series, request, moment).snapshot());
            }
        }
        return recent;
    }

    private static Key whole(Instrument instrument, Timeframe timeframe) {
        return Key.of(instrument, timeframe, BarRequest.of(timeframe).withAdjustments(false, false), WHOLE);
    }

    private BarSeries read(
            BarSource source, Instrument instrument, Timeframe timeframe, BarRequest request, long moment)
            throws IOException {
        if (Futures.isJoined(instrument)) {
            return ContinuousFuture.join(
                    futures.turns(source, instrument, request, moment),
                    request.joint(),
                    Long.MIN_VALUE,
                    (contract, from) -> source.history(contract.id(), timeframe, from, moment)
                            .snapshot());
        }
        BarSeries raw = source.history(instrument.id(), timeframe, Long.MIN_VALUE, moment);
        return adjusted(source, instrument, raw, request, moment);
    }

    private static BarSeries adjusted(
            BarSource source, Instrument instrument, BarSeries raw, BarRequest request, long moment) {
        CorporateActions actions = source.offers(CorporateActions.class).orElse(null);
        if (actions == null) {
            return raw;
        }
        BarSeries bars =
                request.dividends() ? DividendAdjustment.adjust(raw, actions.dividends(instrument.id()), moment) : raw;
        return request.splits() ? SplitAdjustment.adjust(bars, actions.splits(instrument.id()), moment) : bars;
    }

    /**
     * How prices as they were traded become those of a request, as of a moment.
     *
     * @throws IOException when what it depends on cannot be read
     */
    PriceBasis basis(BarSource source, Instrument instrument, BarRequest request, long moment) throws IOException {
        Key key = Key.of(instrument, Timeframe.DAY, request, since(source, instrument, moment));
        return once(bases, key, () -> unchecked(() -> makeBasis(source, instrument, request, moment)));
    }

    private PriceBasis makeBasis(BarSource source, Instrument instrument, BarRequest request, long moment)
            throws IOException {
        if (Futures.isJoined(instrument)) {
            return ContinuousFuture.basis(futures.turns(source, instrument, request, moment), request.joint());
        }
        CorporateActions actions = source.offers(CorporateActions.class).orElse(null);
        if (actions == null) {
            return PriceBasis.AS_TRADED;
        }
        PriceBasis splits = request.splits()
                ? SplitAdjustment.basis(actions.splits(instrument.id()), moment)
                : PriceBasis.AS_TRADED;
        List<CorporateActions.Dividend> paid = request.dividends() ? actions.dividends(instrument.id()) : List.of();
        return paid.isEmpty()
                ? splits
                : DividendAdjustment.basis(
                                source.history(instrument.id(), Timeframe.DAY, Long.MIN_VALUE, moment)
                                        .snapshot(),
                                paid,
                                moment)
                        .then(splits);
    }

    /** Forgets what is kept of an instrument, after its history has changed. */
    void forget(InstrumentId id) {
        forgotten.incrementAndGet();
        bars.asMap().keySet().removeIf(key -> key.id().equals(id));
        bases.asMap().keySet().removeIf(key -> key.id().equals(id));
    }

    /**
     * What is kept for a key, made by one thread while others wait. What is made may ask for other keys meanwhile, as a blend does
     * for its parts.
     */
    @SuppressWarnings("unchecked")
    private <V> V once(Cache<Key, V> cache, Key key, Supplier<V> make) throws IOException {
        V kept = cache.getIfPresent(key);
        if (kept != null) {
            return kept;
        }
        Making making = new Making(cache, key);
        CompletableFuture<Object> own = new CompletableFuture<>();
        CompletableFuture<Object> before = underWay.putIfAbsent(making, own);
        try {
            if (before != null) {
                return (V) before.join();
            }
            long asked = forgotten.get();
            V made = make.get();
            cache.put(key, made);
            if (forgotten.get() != asked) {
                // Something changed while it was read: whoever waits has what was there, the next one reads anew.
                cache.invalidate(key);
            }
            own.complete(made);
            return made;
        } catch (RuntimeException | Error failed) {
            // Whoever waits is told in any case: one that was itself told of another's failure would else keep others
            // waiting for good.
            own.completeExceptionally(failed);
            Throwable reason = failed instanceof CompletionException ? failed.getCause() : failed;
            if (reason instanceof UncheckedIOException unread) {
                throw unread.getCause();
            }
            throw failed;
        } finally {
            if (before == null) {
                underWay.remove(making, own);
            }
        }
    }

    /** What is being made: the same key of one cache. */
    private record Making(Cache<?, ?> cache, Key key) {
        @Override
        public boolean equals(Object other) {
            return other instanceof Making making && cache == making.cache && key.equals(making.key);
        }

        @Override
        public int hashCode() {
            return key.hashCode();
        }
    }

    private interface Reading<V> {
        V read() throws IOException;
    }

    private static <V> V unchecked(Reading<V> reading) {
        try {
            return reading.read();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}

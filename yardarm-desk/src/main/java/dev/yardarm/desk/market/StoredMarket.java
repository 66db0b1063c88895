package dev.yardarm.desk.market;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.Contracts;
import dev.yardarm.core.source.CorporateActions;
import dev.yardarm.core.source.Diary;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.core.source.ManyHistories;
import dev.yardarm.core.source.Members;
import dev.yardarm.core.source.Rates;
import dev.yardarm.core.source.Trades;
import dev.yardarm.data.history.BarStore;
import dev.yardarm.data.history.TickStore;
import dev.yardarm.desk.work.Job;
import dev.yardarm.market.feed.SimulatedFeed;
import dev.yardarm.market.live.SimulatedMarket;
import java.io.IOException;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executor;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The simulated market with its made history kept in the store: what is there is read, what is missing is made. Kept are
 * the daily bars of all instruments and the minutes of indices, which take a second to work out from their members; the
 * minutes of a company are made anew each time, because that takes less than reading them; and trades one by one of days that are over. Until the store is ready
 * everything is made; so the first chart waits for nothing it does not show.
 */
public final class StoredMarket
        implements LiveSource, ManyHistories, CorporateActions, Contracts, Members, Diary, Trades, Rates {
    private static final Logger LOG = LoggerFactory.getLogger(StoredMarket.class);
    /** Where nothing is kept for longer a day may be missing, or the market was closed: the market is asked. */
    private static final long LONGEST_KEPT_GAP = 6 * Times.HOUR;

    private final SimulatedMarket market;
    private final SimulatedFeed feed;
    private final TickRecorder recorder;
    private final Supplier<Optional<BarStore>> store;
    private final Executor behind;
    private final String folder;
    private final Set<InstrumentId> kept;
    private final Set<String> keeping = ConcurrentHashMap.newKeySet();
    private volatile boolean packed;

    /** Keeps what is made at once, on the thread that asked for it. */
    public StoredMarket(SimulatedMarket market, Supplier<Optional<BarStore>> store) {
        this(market, store, Runnable::run);
    }

    /**
     * @param store the store once it is open, empty before and when it cannot be opened
     * @param behind runs what can wait: the keeping of what was made
     */
    public StoredMarket(SimulatedMarket market, Supplier<Optional<BarStore>> store, Executor behind) {
        this.market = market;
        this.feed = new SimulatedFeed(market::trades, market.history().seed());
        this.store = store;
        this.behind = behind;
        this.kept = kept().stream().map(Instrument::id).collect(Collectors.toSet());
        int histories = market.world().histories();
        this.recorder = new TickRecorder(market, this::ticksKept, this::inStore, behind);
        this.folder = market.name() + "-" + market.history().seed() + (histories == 0 ? "" : "-" + histories);
    }

    public SimulatedMarket market() {
        return market;
    }

    @Override
    public String name() {
        return market.name();
    }

    @Override
    public List<Instrument> instruments() {
        return market.instruments();
    }

    @Override
    public TradingCalendar calendar(Instrument instrument) {
        return market.calendar(instrument);
    }

    @Override
    public String accountCurrency() {
        return market.accountCurrency();
    }

    @Override
    public OptionalDouble rate(String currency, long moment) {
        return market.rate(currency, moment);
    }

    @Override
    public List<Timeframe> stored(InstrumentId id) {
        return market.stored(id);
    }

    @Override
    public List<Split> splits(InstrumentId id) {
        return market.splits(id);
    }

    @Override
    public void trades(InstrumentId id, long after, long upTo, TickSeries into) throws IOException {
        feed.trades(id, after, upTo, into);
        recorder.hears(market.traded(id, upTo), upTo);
    }

    /** The line over which trades come, whose faults are made by hand and by script. */
    public SimulatedFeed feed() {
        return feed;
    }

    @Override
    public long knownUpTo(InstrumentId id, long now) {
        return feed.knownUpTo(id, now);
    }

    @Override
    public void check(long now) throws IOException {
        feed.check(now);
    }

    /** Records what was traded since the last time, once that is long enough ago; called with every beat of the market. */
    public void beat(long now) {
        recorder.beat(now);
    }

    @Override
    public List<Dividend> dividends(InstrumentId id) {
        return market.dividends(id);
    }

    @Override
    public List<Contract> contracts(InstrumentId id) {
        return market.contracts(id);
    }

    @Override
    public List<Member> members(InstrumentId index, long now) {
        return market.members(index, now);
    }

    @Override
    public List<Entry> entries(InstrumentId id, long from, long upTo) {
        return market.entries(id, from, upTo);
    }

    @Override
    public long ticksFrom(InstrumentId id, long upTo) {
        return market.ticksFrom(id, upTo);
    }

    /**
     * Those of days that are over are kept when they were made once, a file for each day, those of the day in progress as they are recorded;
     * what is kept is read from then on.
     */
    @Override
    public TickSeries ticks(InstrumentId id, long from, long upTo) throws IOException {
        TickStore open = ticksKept().orElse(null);
        if (open == null) {
            return market.ticks(id, from, upTo);
        }
        TickSeries known = open.ticks(inStore(id), from, upTo == Long.MAX_VALUE ? upTo : upTo + 1);
        TickSeries all = new TickSeries(known.size() + 1024);
        long next = from;
        // What is kept begins with whole days and ends with one or with what was recorded of it; only of the first day
        // asked for a part may be wanted.
        long whole = Math.floorDiv(from + Times.DAY - 1, Times.DAY) * Times.DAY;
        for (int tick = 0; tick < known.size(); tick++) {
            long time = known.time(tick);
            if (tick == 0 || time - next > LONGEST_KEPT_GAP) {
                make(open, id, next, time - 1, whole, all);
            }
            all.append(time, known.price(tick), known.size(tick), known.side(tick));
            next = time + 1;
            whole = next;
        }
        make(open, id, next, upTo, whole, all);
        return all;
    }

    private Optional<TickStore> ticksKept() {
        return store.get().filter(TickStore.class::isInstance).map(TickStore.class::cast);
    }

    /** Makes the trades of a span, keeps those of its days that are over, and appends them. */
    private void make(TickStore open, InstrumentId id, long from, long upTo, long whole, TickSeries to) {
        if (from > upTo) {
            return;
        }
        TickSeries made = market.ticks(id, from, upTo);
        keepDays(open, id, made, whole, upTo);
        to.append(made, 0, made.size());
    }

    /**
     * Keeps the days of UTC that are over.
     *
     * @param whole from this moment on none is missing among those that were made
     */
    private void keepDays(TickStore open, InstrumentId id, TickSeries made, long whole, long upTo) {
        long over = Math.floorDiv(upTo, Times.DAY) * Times.DAY;
        int first = 0;
        while (first < made.size() && made.time(first) < whole) {
            first++;
        }
        int end = first;
        while (end < made.size() && made.time(end) < over) {
            end++;
        }
        if (end == first || !keeping.add(id.code() + " ticks " + over)) {
            return;
        }
        TickSeries days = new TickSeries(end - first);
        days.append(made, first, end);
        behind.execute(() -> {
            try {
                open.mergeTicks(inStore(id), days);
            } catch (IOException failed) {
                LOG.warn("the trades of {} cannot be kept: {}", id.code(), failed.getMessage());
            }
        });
    }

    /** Shares and indices; of the others the making takes no longer than the reading. */
    private List<Instrument> kept() {
        return market.instruments().stream()
                .filter(each -> each.kind() == Instrument.Kind.SHARE || each.kind() == Instrument.Kind.INDEX)
                .toList();
    }

    private boolean isKept(InstrumentId id) {
        return kept.contains(id);
    }

    private InstrumentId inStore(InstrumentId id) {
        return new InstrumentId(folder, id.code());
    }

    @Override
    public BarSeries history(InstrumentId id, Timeframe timeframe, long from, long upTo) throws IOException {
        BarStore open = store.get().orElse(null);
        if (open == null || !isKept(id)) {
            return market.history(id, timeframe, from, upTo);
        }
        if (timeframe.equals(Timeframe.DAY)) {
            return joined(open.read(inStore(id), timeframe, from, upTo), id, timeframe, from, upTo);
        }
        if (!isIndex(id)) {
            return market.history(id, timeframe, from, upTo);
        }
        BarSeries kept = open.read(inStore(id), timeframe, from, upTo);
        BarSeries all = joined(kept, id, timeframe, from, upTo);
        Bars known = kept.snapshot();
        Bars whole = all.snapshot();
        if (keeping.add(id.code())) {
            behind.execute(() -> keep(open, id, known, whole, upTo));
        }
        return all;
    }

    /** The daily bars that are kept, in one reading; all others are left out. */
    @Override
    public Map<InstrumentId, BarSeries> histories(
            Collection<InstrumentId> ids, Timeframe timeframe, long from, long upTo) throws IOException {
        BarStore open = store.get().orElse(null);
        if (open == null || !timeframe.equals(Timeframe.DAY)) {
            return Map.of();
        }
        Map<String, InstrumentId> wanted = new HashMap<>();
        ids.stream().filter(this::isKept).forEach(id -> wanted.put(id.code(), id));
        Map<InstrumentId, BarSeries> all = new HashMap<>();
        open.readAll(folder, timeframe, wanted.keySet(), from, upTo).forEach((code, read) -> {
            InstrumentId id = wanted.get(code);
            all.put(id, joined(read, id, timeframe, from, upTo));
        });
        return all;
    }

    private boolean isIndex(InstrumentId id) {
        return instruments().stream().anyMatch(each -> each.id().equals(id) && each.kind() == Instrument.Kind.INDEX);
    }

    private void keep(BarStore open, InstrumentId id, Bars known, Bars whole, long upTo) {
        try {
            keepFinishedMonths(open, id, known, whole, upTo);
        } catch (IOException failed) {
            LOG.warn("the minutes of {} cannot be kept: {}", id.code(), failed.getMessage());
        }
    }

    /** What is kept, up to the time asked for, and behind it what has to be made. */
    private BarSeries joined(BarSeries kept, InstrumentId id, Timeframe timeframe, long from, long upTo) {
        Bars bars = kept.snapshot();
        int known = bars.closed();
        while (known > 0 && bars.closeTime(known - 1) > upTo) {
            known--;
        }
        if (known == 0) {
            return market.history(id, timeframe, from, upTo);
        }
        BarSeries made = market.history(id, timeframe, bars.closeTime(known - 1), upTo);
        BarSeries all = new BarSeries(known + made.closed() + 64);
        append(bars, known, all);
        Bars tail = made.snapshot();
        append(tail, tail.closed(), all);
        if (tail.hasForming()) {
            int last = tail.closed();
            all.form(tail, last);
        }
        return all;
    }

    private static void append(Bars bars, int count, BarSeries to) {
        for (int bar = 0; bar < count; bar++) {
            to.append(bars, bar);
        }
    }

    /** Keeps minutes of months that are over, unless they are kept already. */
    private void keepFinishedMonths(BarStore open, InstrumentId id, Bars kept, Bars all, long upTo) throws IOException {
        LocalDate month = Times.date(upTo, ZoneOffset.UTC).withDayOfMonth(1);
        long finished = Times.micros(month.atStartOfDay(ZoneOffset.UTC));
        int end = 0;
        while (end < all.closed() && all.openTime(end) < finished) {
            end++;
        }
        int had = kept.closed();
        boolean isWhole =
                all.closed() > 0 && Times.date(all.openTime(0), ZoneOffset.UTC).isBefore(month.minusMonths(10));
        if (end <= had || !isWhole) {
            return;
        }
        BarSeries more = new BarSeries(end - had);
        for (int bar = had; bar < end; bar++) {
            more.append(all, bar);
        }
        open.merge(inStore(id), Timeframe.MINUTE, more.snapshot());
    }

    /** True when the daily history of all instruments is kept. */
    public boolean isPacked() throws IOException {
        BarStore open = store.get().orElse(null);
        if (!packed && open != null) {
            List<Instrument> wanted = kept();
            Instrument last = wanted.get(wanted.size() - 1);
            packed = open.timeframes(inStore(last.id())).contains(Timeframe.DAY);
        }
        return packed;
    }

    /** Makes the daily history of all instruments up to a moment and keeps it; reports progress to the job. */
    public void pack(Job job, long upTo) throws IOException {
        Map<String, Bars> all = new LinkedHashMap<>();
        int done = 0;
        List<Instrument> wanted = kept();
        for (Instrument instrument : wanted) {
            job.check();
            all.put(
                    instrument.code(),
                    market.history(instrument.id(), Timeframe.DAY, Long.MIN_VALUE, upTo)
                            .snapshot());
            job.setProgress(0.9 * ++done / wanted.size());
        }
        BarStore open =
                store.get().orElseThrow(() -> new IOException("the history store is not open; try again in a moment"));
        open.replaceAll(folder, Timeframe.DAY, all);
        packed = true;
        job.setProgress(1);
    }
}

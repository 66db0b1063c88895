package dev.yardarm.desk.market;

import dev.yardarm.core.bars.BarBuilder;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.bars.BarMakers;
import dev.yardarm.core.bars.MadeFromFiner;
import dev.yardarm.core.bars.SessionFilter;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.Needs;
import dev.yardarm.core.calculation.TradeTape;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.profile.RecordedTrades;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.SessionPart;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.core.source.ClosesOnly;
import dev.yardarm.core.source.ContinuousFuture;
import dev.yardarm.core.source.CorporateActions;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.core.source.ManyHistories;
import dev.yardarm.core.source.PriceBasis;
import dev.yardarm.core.source.Trades;
import dev.yardarm.desk.listening.Listening;
import java.io.IOException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The bars of any instrument as a request asks for them: built from the coarsest stored ones that will do, or from
 * trades where there are trades, in the wanted part of the session, adjusted as of a moment: what is loaded holds nothing
 * that was not known then. Charts that are opened together share one reading ({@link StoredBars}). May be used by any thread.
 */
public final class Histories {
    private static final Logger LOG = LoggerFactory.getLogger(Histories.class);

    private final Directory directory;
    private final Tapes tapes = new Tapes();
    private final Futures futures;
    private final StoredBars stored;

    /**
     * Bars under construction: the maker goes on with trades after {@code knownUpTo}.
     *
     * @param traded the instrument whose trades go on with them: the current contract of a continuous future
     * @param madeFrom what bars that are not of time are made from; empty for bars of time
     * @param basis how traded prices became those of the bars
     * @param recorded what was bought and sold in each bar, where it was written down while bars were made of trades; goes on with the maker
     */
    public record Loaded(
            BarMaker maker,
            long knownUpTo,
            Instrument traded,
            String madeFrom,
            PriceBasis basis,
            Optional<RecordedTrades> recorded) {
        Loaded(BarMaker maker, long knownUpTo, Instrument traded, String madeFrom, PriceBasis basis) {
            this(maker, knownUpTo, traded, madeFrom, basis, Optional.empty());
        }

        public BarSeries series() {
            return maker.series();
        }
    }

    public Histories(Directory directory) {
        this.directory = directory;
        this.futures = new Futures(directory);
        this.stored = new StoredBars(futures);
    }

    /** Tells the name of each source whose instruments or state have changed. */
    public Listening listen(Consumer<String> listener) {
        return directory.listen(listener);
    }

    /**
     * The source of an instrument.
     *
     * @throws IOException when it is not connected, with its name
     */
    public BarSource source(Instrument instrument) throws IOException {
        if (instrument.kind() == Instrument.Kind.ABSENT
                || directory.source(instrument).isEmpty()) {
            String source = instrument.id().source();
            throw new IOException(
                    directory.sources().contains(source)
                            ? "the source '" + source + "' has no " + instrument.code() + " now"
                            : instrument.code() + " cannot be shown: its source '" + source + "' is not connected");
        }
        return directory.source(instrument).orElseThrow();
    }

    /**
     * The instrument a comparison means by a code: of the same source when that has it. {@code benchmark} means the first
     * index of the source, {@code sector} the index of the sector the instrument belongs to.
     */
    public Optional<Instrument> comparable(Instrument instrument, String code) {
        String source = instrument.id().source();
        if (code.equals(Setting.Other.BENCHMARK)) {
            return directory.all().stream()
                    .filter(each -> each.id().source().equals(source) && each.kind() == Instrument.Kind.INDEX)
                    .findFirst();
        }
        if (code.equals(Setting.Other.SECTOR)) {
            return directory.all().stream()
                    .filter(each -> each.id().source().equals(source)
                            && each.kind() == Instrument.Kind.INDEX
                            && !instrument.sector().isEmpty()
                            && each.sector().equals(instrument.sector())
                            && !each.id().equals(instrument.id()))
                    .findFirst();
        }
        int colon = code.indexOf(':');
        if (colon > 0) {
            return directory.find(
                    new InstrumentId(code.substring(0, colon).toLowerCase(Locale.ROOT), code.substring(colon + 1)));
        }
        return directory.find(new InstrumentId(source, code)).or(() -> directory.byCode(code));
    }

    /**
     * Reads what is kept of many instruments at once, before they are looked at one after the other. What cannot be read is left for
     * whoever looks, who is told why.
     *
     * @param timeframe that is wanted; what it is built from is read
     * @param moment they will be looked at from
     */
    public void readMany(List<Instrument> instruments, Timeframe timeframe, long moment) {
        together(instruments, timeframe, moment).forEach((group, some) -> {
            try {
                stored.readMany(group.source(), some, group.base(), group.known());
            } catch (IOException | RuntimeException unread) {
                LOG.debug("{} instruments are left for later: {}", some.size(), unread.getMessage());
            }
        });
    }

    /** Bars as known at a moment: trades after it are not in them. */
    public record Recent(Bars bars, long knownUpTo) {}

    /**
     * The last bars of many instruments, read at once and not kept. They are those {@link #load} gives; what it takes to have them may be
     * more for some instruments, which are left out, as are those that cannot be read.
     *
     * @param from bars that opened before are left out
     * @param moment they are known at
     */
    public Map<InstrumentId, Recent> recent(List<Instrument> instruments, Timeframe timeframe, long from, long moment) {
        Map<InstrumentId, Recent> all = new HashMap<>();
        together(instruments, timeframe, moment).forEach((group, some) -> {
            try {
                if (group.base().equals(timeframe)) {
                    stored.recent(group.source(), some, timeframe, from, group.known())
                            .forEach((instrument, bars) -> all.put(instrument.id(), new Recent(bars, group.known())));
                }
            } catch (IOException | RuntimeException unread) {
                LOG.debug("{} instruments are left out: {}", some.size(), unread.getMessage());
            }
        });
        return all;
    }

    /** Those that can be read together; what cannot be read at all is left out. */
    private Map<Together, List<Instrument>> together(List<Instrument> instruments, Timeframe timeframe, long moment) {
        Map<Together, List<Instrument>> groups = new LinkedHashMap<>();
        for (Instrument each : instruments) {
            try {
                BarSource source = source(each);
                if (source.offers(ManyHistories.class).isPresent()) {
                    Timeframe base = base(source, each, timeframe, false);
                    long known = source instanceof LiveSource live
                            ? Math.min(moment, live.knownUpTo(each.id(), moment))
                            : moment;
                    groups.computeIfAbsent(new Together(source, base, known), none -> new ArrayList<>())
                            .add(each);
                }
            } catch (IOException | RuntimeException unread) {
                LOG.debug("{} is left for later: {}", each.code(), unread.getMessage());
            }
        }
        return groups;
    }

    /** What is read together: bars of a timeframe, known up to a moment. */
    private record Together(BarSource source, Timeframe base, long known) {}

    /** The calendar of an instrument, with its whole session. */
    public TradingCalendar calendar(Instrument instrument) {
        return directory.calendar(instrument);
    }

    /** Loads all bars of a timeframe as known at a moment. */
    public Loaded load(Instrument instrument, Timeframe timeframe, long now) throws IOException {
        return load(instrument, BarRequest.of(timeframe), now);
    }

    /**
     * Loads the bars of an instrument as known at a moment.
     *
     * @throws IOException when there are none, cannot be built or read, with what to do
     */
    public Loaded load(Instrument instrument, BarRequest request, long now) throws IOException {
        return load(instrument, request, Needs.NONE, now);
    }

    /**
     * The same with what comes before the days that were asked for, as far as something rests on it.
     *
     * @param needs the bars before the first one of interest, and the higher timeframes they may be of
     */
    public Loaded load(Instrument instrument, BarRequest request, Needs needs, long moment) throws IOException {
        long now = knownUpTo(instrument, request, moment);
        try {
            return request.isTime() ? byTime(instrument, request, needs, now) : byRule(instrument, request, needs, now);
        } catch (IllegalArgumentException impossible) {
            throw new IOException(
                    instrument.code() + ", " + request.shortText() + ": " + impossible.getMessage(), impossible);
        }
    }

    /** Up to which moment nothing of an instrument, and of what is traded for it, is missing: what is loaded ends there. */
    private long knownUpTo(Instrument instrument, BarRequest request, long now) throws IOException {
        BarSource source = source(instrument);
        if (!(source instanceof LiveSource live)) {
            return now;
        }
        long known = Math.min(now, live.knownUpTo(instrument.id(), now));
        return known == now
                ? now
                : Math.min(
                        known,
                        live.knownUpTo(
                                futures.traded(source, instrument, request, now).id(), now));
    }

    private long from(BarRequest request, Needs needs, TradingCalendar calendar, long now) {
        if (request.daysToLoad() == 0) {
            return Long.MIN_VALUE;
        }
        LocalDate first = Times.date(now, calendar.zone()).minusDays(request.daysToLoad() - 1L);
        return calendar.open(calendar.sameOrPrevious(first.minusDays(daysBefore(request, needs, calendar))));
    }

    /** Calendar days that hold so many bars: sessions of the usual length, seven days for every five of them. */
    private static long daysBefore(BarRequest request, Needs needs, TradingCalendar calendar) {
        if (needs.bars() == 0) {
            return 0;
        }
        long span = request.isTime() ? request.timeframe().span() : Times.MINUTE;
        for (Timeframe higher : needs.timeframes()) {
            span = Math.max(
                    span, higher.isIntraday() ? higher.span() : higher.span() / Times.DAY * calendar.usualLength());
        }
        double sessions = needs.bars() * (double) span / Math.max(Times.HOUR, calendar.usualLength());
        return (long) Math.min(20_000, Math.ceil(sessions * 1.5) + 4);
    }

    private Loaded byTime(Instrument instrument, BarRequest request, Needs needs, long now) throws IOException {
        BarSource source = source(instrument);
        TradingCalendar whole = source.calendar(instrument);
        TradingCalendar part = whole.part(request.part());
        boolean isPart = !part.hours().equals(whole.hours())
                && request.part() != SessionPart.WHOLE
                && (part.usualLength() != whole.usualLength());
        Timeframe base = base(source, instrument, request.timeframe(), isPart);
        long from = from(request, needs, part, now);
        StoredBars.Base kept = stored.bars(source, instrument, base, request, from, now);
        BarGrid grid = new BarGrid(part, request.timeframe());
        BarBuilder builder = new BarBuilder(
                grid,
                new BarSeries(expected(kept.bars(), from, base, request.timeframe())),
                request.gapsKept(),
                isOfCloses(source, instrument));
        BarMaker maker = isPart ? new SessionFilter(whole, part, builder) : builder;
        if (base.equals(request.timeframe()) && !isPart && !request.gapsKept() && from == Long.MIN_VALUE) {
            copy(kept.bars(), builder.series());
        } else {
            feed(kept.bars(), from, maker);
        }
        Instrument traded = futures.traded(source, instrument, request, now);
        goOn(source, traded, kept.knownUpTo(), now, maker);
        if (maker.series().snapshot().isEmpty()) {
            throw new IOException("nothing of " + instrument.code() + " was traded in the "
                    + request.part().words()
                    + (request.daysToLoad() > 0 ? " of the last " + request.daysToLoad() + " days" : ""));
        }
        return new Loaded(maker, Math.max(now, kept.knownUpTo()), traded, "", basis(instrument, request, now));
    }

    /** About how many bars of a timeframe those from a moment on come to: room for many more would be most of what is held. */
    private static int expected(Bars kept, long from, Timeframe base, Timeframe wanted) {
        int first = from == Long.MIN_VALUE ? 0 : Math.max(0, kept.barAt(from));
        double ratio = Math.max(1, wanted.span() / (double) Math.max(1, base.span()));
        return (int) ((kept.size() - first) / ratio * 1.05) + 64;
    }

    private static boolean isOfCloses(BarSource source, Instrument instrument) {
        return source.offers(ClosesOnly.class)
                .filter(each -> each.isOfCloses(instrument.id()))
                .isPresent();
    }

    private static void goOn(BarSource source, Instrument traded, long knownUpTo, long now, BarMaker maker)
            throws IOException {
        if (source instanceof LiveSource live && knownUpTo < now) {
            TickSeries trades = new TickSeries(64);
            live.trades(traded.id(), knownUpTo, now, trades);
            maker.addTicks(trades, 0, trades.size());
        }
        maker.advanceTo(now);
    }

    /** A drawing as it is kept, in the prices a chart shows when nothing else is asked for; as it is when that cannot be told. */
    public Drawing inPricesOfNow(Instrument instrument, Drawing kept, long now) {
        try {
            return basis(instrument, BarRequest.of(Timeframe.DAY), now).shown(kept);
        } catch (IOException unread) {
            LOG.warn("the price basis of {} cannot be told: {}", instrument.code(), unread.getMessage());
            return kept;
        }
    }

    /** Bars that are not of time: from trades where there are any, else from bars of their basis. */
    private Loaded byRule(Instrument instrument, BarRequest request, Needs needs, long now) throws IOException {
        BarSource source = source(instrument);
        TradingCalendar whole = source.calendar(instrument);
        TradingCalendar part = whole.part(request.part());
        Instrument traded = futures.traded(source, instrument, request, now);
        BarMaker maker = BarMakers.of(request.rule(), part, instrument.format().tick(), new BarSeries(1024));
        Trades ticked = source.offers(Trades.class).orElse(null);
        long ticksFrom = ticked == null ? Long.MAX_VALUE : ticked.ticksFrom(traded.id(), now);
        if (request.rule().basis().isEmpty() && ticksFrom != Long.MAX_VALUE) {
            long from = Math.max(ticksFrom, from(request, needs, part, now));
            TradeTape tape = tapes.of(ticked, traded.id(), from, now);
            TickSeries ticks = tape.between(from, now);
            // Written down only where someone asks for it.
            RecordedTrades recorded = needs.sides() ? new RecordedTrades(maker, tape, from, now) : null;
            BarMaker inner = recorded == null ? maker : recorded;
            BarMaker filtered = part.equals(whole) ? inner : new SessionFilter(whole, part, inner);
            filtered.addTicks(ticks, 0, ticks.size());
            filtered.advanceTo(now);
            return new Loaded(
                    filtered,
                    now,
                    traded,
                    "from ticks since " + Times.date(from, whole.zone()),
                    PriceBasis.AS_TRADED,
                    Optional.ofNullable(recorded));
        }
        Timeframe basis = request.rule().basis().orElseGet(() -> finest(source, instrument));
        Loaded finer =
                byTime(instrument, request.withRule(null).withTimeframe(basis).withGapsKept(false), needs, now);
        BarMaker made = new MadeFromFiner(new BarGrid(part, basis), isOfCloses(source, instrument), maker);
        feed(finer.series().snapshot(), Long.MIN_VALUE, made);
        return new Loaded(
                part.equals(whole) ? made : new SessionFilter(whole, part, made),
                finer.knownUpTo(),
                traded,
                "from bars of " + basis,
                finer.basis());
    }

    /** The trades that charts look at, read once for all of them. */
    public Tapes tapes() {
        return tapes;
    }

    /**
     * How prices as they were traded become those of a request, as of a moment.
     *
     * @throws IOException when what it depends on cannot be read
     */
    public PriceBasis basis(Instrument instrument, BarRequest request, long now) throws IOException {
        return stored.basis(source(instrument), instrument, request, now);
    }

    private static Timeframe finest(BarSource source, Instrument instrument) {
        List<Timeframe> stored = source.stored(instrument.id());
        return stored.isEmpty() ? Timeframe.DAY : stored.get(0);
    }

    /** The instrument that is traded for another: the current contract of a continuous future, else itself. */
    public Instrument traded(Instrument instrument, long now) throws IOException {
        return futures.traded(source(instrument), instrument, BarRequest.of(Timeframe.DAY), now);
    }

    /** The turns of the contracts of a continuous future up to now. */
    public List<ContinuousFuture.Turn> turns(Instrument instrument, BarRequest request, long now) throws IOException {
        return futures.turns(source(instrument), instrument, request, now);
    }

    /** The moments up to now at which earlier prices of a request were moved: splits, dividends, rolls; in their order. */
    public List<Long> adjustments(Instrument instrument, BarRequest request, long now) throws IOException {
        if (Futures.isJoined(instrument)) {
            return turns(instrument, request, now).stream()
                    .map(ContinuousFuture.Turn::until)
                    .filter(until -> until <= now)
                    .toList();
        }
        CorporateActions actions =
                source(instrument).offers(CorporateActions.class).orElse(null);
        if (actions == null) {
            return List.of();
        }
        List<Long> moments = new ArrayList<>();
        if (request.splits()) {
            actions.splits(instrument.id()).forEach(each -> moments.add(each.time()));
        }
        if (request.dividends()) {
            actions.dividends(instrument.id()).forEach(each -> moments.add(each.time()));
        }
        return moments.stream().filter(each -> each <= now).distinct().sorted().toList();
    }

    /** Bars that are stored as they are wanted lie on their grid already. */
    private static void copy(Bars from, BarSeries to) {
        to.appendAll(from);
        if (from.hasForming()) {
            int last = from.closed();
            to.form(from, last);
        }
    }

    private static void feed(Bars bars, long from, BarMaker maker) {
        for (int bar = from == Long.MIN_VALUE ? 0 : Math.max(0, bars.barAt(from)); bar < bars.size(); bar++) {
            if (bars.openTime(bar) >= from) {
                maker.addBar(
                        bars.openTime(bar),
                        bars.closeTime(bar),
                        bars.open(bar),
                        bars.high(bar),
                        bars.low(bar),
                        bars.close(bar),
                        bars.volume(bar));
            }
        }
    }

    private static Timeframe base(BarSource source, Instrument instrument, Timeframe wanted, boolean isPart)
            throws IOException {
        List<Timeframe> stored = source.stored(instrument.id());
        Timeframe best = null;
        for (Timeframe candidate : stored) {
            boolean fits = candidate.compareTo(wanted) <= 0
                    && (candidate.isIntraday() || !wanted.isIntraday() && !isPart)
                    && (!candidate.isIntraday() || wanted.span() % candidate.span() == 0 || !wanted.isIntraday());
            if (fits && (best == null || candidate.isHigherThan(best))) {
                best = candidate;
            }
        }
        String problem = best == null ? source.problem(instrument.id()).orElse("") : "";
        if (!problem.isEmpty()) {
            throw new IOException(problem);
        }
        if (best == null) {
            String kept =
                    String.join(", ", stored.stream().map(Timeframe::toString).toList());
            throw new IOException(
                    stored.isEmpty()
                            ? "there are no bars of " + instrument.code()
                                    + " yet; import some with: yardarm import --code " + instrument.code()
                            : isPart
                                    ? instrument.code() + " has bars of " + kept
                                            + "; a part of the session needs intraday bars. " + "Select the whole day."
                                    : instrument.code() + " has bars of " + kept + "; " + wanted
                                            + " cannot be built from them. Select a longer timeframe or import finer bars.");
        }
        return best;
    }

    /** Forgets what is kept of an instrument, after its history has changed. */
    public void forget(InstrumentId id) {
        stored.forget(id);
        tapes.forget(id);
    }
}

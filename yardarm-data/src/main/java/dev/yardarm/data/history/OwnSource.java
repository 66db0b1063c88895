package dev.yardarm.data.history;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.core.source.KnownThen;
import dev.yardarm.core.source.ManyHistories;
import dev.yardarm.core.source.Trades;
import dev.yardarm.data.document.Documents;
import java.io.IOException;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;

/**
 * The user's own instruments, imported from files. They trade round the clock in the zone of their file.
 *
 * <p>Files hold finished bars. As of a moment, the bars that had closed are given and, of the one that was open then, its opening
 * price ({@link KnownThen}); the newest bar of all, when it was not over when it was imported, is forming as it stands.
 */
public final class OwnSource implements BarSource, Trades, ManyHistories {
    /** The source part of the identity of its instruments. */
    public static final String NAME = "own";

    private volatile Map<String, Documents.Imported> imported;
    private final Supplier<Optional<BarStore>> store;

    /** @param store the history store; empty when it cannot be opened */
    public OwnSource(List<Documents.Imported> imported, Supplier<Optional<BarStore>> store) {
        this.imported = byCode(imported);
        this.store = store;
    }

    /** Takes in an instrument that was imported, in the place of the one of its code. */
    public synchronized void put(Documents.Imported one) {
        List<Documents.Imported> all = new ArrayList<>(imported.values());
        all.removeIf(each -> each.code().equals(one.code()));
        all.add(one);
        imported = byCode(all);
    }

    private static Map<String, Documents.Imported> byCode(List<Documents.Imported> all) {
        Map<String, Documents.Imported> byCode = new LinkedHashMap<>();
        all.forEach(each -> byCode.putIfAbsent(each.code(), each));
        return byCode;
    }

    @Override
    public String name() {
        return NAME;
    }

    @Override
    public List<Instrument> instruments() {
        return imported.values().stream()
                .map(each -> new Instrument(
                        new InstrumentId(NAME, each.code()),
                        each.name(),
                        "",
                        Instrument.Kind.IMPORTED,
                        "",
                        "",
                        PriceFormat.ofDecimals(each.decimals()),
                        1,
                        each.pointValue() > 0 ? each.pointValue() : 1,
                        "",
                        each.margin()))
                .toList();
    }

    private Optional<Documents.Imported> of(String code) {
        return Optional.ofNullable(imported.get(code));
    }

    @Override
    public TradingCalendar calendar(Instrument instrument) {
        return calendar(of(instrument.code()).map(Documents.Imported::zone).orElse("UTC"));
    }

    /** The calendar of imported bars: every day, midnight to midnight of the zone. */
    public static TradingCalendar calendar(String zone) {
        return TradingCalendar.roundTheClock(ZoneId.of(zone));
    }

    @Override
    public List<Timeframe> stored(InstrumentId id) {
        return store.get().map(open -> open.timeframes(id)).orElse(List.of());
    }

    @Override
    public BarSeries history(InstrumentId id, Timeframe timeframe, long from, long upTo) throws IOException {
        BarStore open = store.get()
                .orElseThrow(() -> new IOException("the history store is not open yet; try again in a moment"));
        return known(id, open.read(id, timeframe, from, end(upTo)).snapshot(), from, upTo);
    }

    /** The bar that was open at the moment is among those that opened before it. */
    private static long end(long upTo) {
        return upTo == Long.MAX_VALUE ? Long.MAX_VALUE : upTo + 1;
    }

    @Override
    public Map<InstrumentId, BarSeries> histories(
            Collection<InstrumentId> ids, Timeframe timeframe, long from, long upTo) throws IOException {
        BarStore open = store.get()
                .orElseThrow(() -> new IOException("the history store is not open yet; try again in a moment"));
        Set<String> codes = new HashSet<>();
        ids.forEach(id -> codes.add(id.code()));
        Map<InstrumentId, BarSeries> all = new HashMap<>();
        open.readAll(NAME, timeframe, codes, from, end(upTo)).forEach((code, kept) -> {
            InstrumentId id = new InstrumentId(NAME, code);
            all.put(id, known(id, kept.snapshot(), from, upTo));
        });
        return all;
    }

    private BarSeries known(InstrumentId id, Bars kept, long from, long upTo) {
        long importedAt = of(id.code()).map(Documents.Imported::importedAt).orElse(0L);
        int last = kept.closed() - 1;
        boolean unfinished = last >= 0 && importedAt > 0 && kept.closeTime(last) > importedAt;
        return unfinished ? lastForming(kept, upTo) : KnownThen.of(kept, from, upTo);
    }

    private Optional<TickStore> tickStore() {
        return store.get().filter(TickStore.class::isInstance).map(TickStore.class::cast);
    }

    @Override
    public long ticksFrom(InstrumentId id, long upTo) {
        try {
            long first = tickStore().isPresent() ? tickStore().get().firstTick(id) : Long.MAX_VALUE;
            return first <= upTo ? first : Long.MAX_VALUE;
        } catch (IOException unread) {
            return Long.MAX_VALUE;
        }
    }

    @Override
    public TickSeries ticks(InstrumentId id, long from, long upTo) throws IOException {
        long end = upTo == Long.MAX_VALUE ? upTo : upTo + 1;
        return tickStore().isPresent() ? tickStore().get().ticks(id, from, end) : TickSeries.EMPTY;
    }

    /** The last bar was not over when it was imported: it goes on as it stands. */
    private static BarSeries lastForming(Bars kept, long upTo) {
        int last = kept.closed() - 1;
        BarSeries bars = new BarSeries(kept.closed() + 8);
        bars.appendAll(kept.first(last));
        if (kept.openTime(last) <= upTo) {
            bars.form(kept, last);
        }
        return bars;
    }
}

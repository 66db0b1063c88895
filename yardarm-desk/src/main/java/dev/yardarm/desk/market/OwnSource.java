package dev.yardarm.desk.market;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.history.BarStore;
import java.io.IOException;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;

/** The user's own instruments, imported from files. They trade round the clock in the zone of their file. */
public final class OwnSource implements BarSource {
    /** The source part of the identity of its instruments. */
    public static final String NAME = "own";

    private final List<Documents.Imported> imported;
    private final Supplier<Optional<BarStore>> store;

    public OwnSource(List<Documents.Imported> imported, Supplier<Optional<BarStore>> store) {
        this.imported = List.copyOf(imported);
        this.store = store;
    }

    @Override
    public String name() {
        return NAME;
    }

    @Override
    public List<Instrument> instruments() {
        return imported.stream()
                .map(each -> new Instrument(
                        new InstrumentId(NAME, each.code()),
                        each.name(),
                        "",
                        Instrument.Kind.IMPORTED,
                        "",
                        "",
                        PriceFormat.ofDecimals(each.decimals()),
                        1))
                .toList();
    }

    @Override
    public TradingCalendar calendar(Instrument instrument) {
        return calendar(imported.stream()
                .filter(each -> each.code().equals(instrument.code()))
                .map(Documents.Imported::zone)
                .findFirst()
                .orElse("UTC"));
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
        BarStore open = store.get().orElseThrow(() -> new IOException("the history store is not open yet"));
        return open.read(id, timeframe, from, Long.MAX_VALUE);
    }
}

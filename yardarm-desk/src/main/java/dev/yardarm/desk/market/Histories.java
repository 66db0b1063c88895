package dev.yardarm.desk.market;

import dev.yardarm.core.bars.BarBuilder;
import dev.yardarm.core.bars.BarGrid;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.core.source.SplitAdjustment;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The bars of any instrument on any timeframe, built from the coarsest stored ones that will do and adjusted for splits
 * as of now. The stored bars of the instruments looked at last are kept in memory, so the charts of a timeframe strip
 * share one reading.
 */
public final class Histories {
    private static final int KEPT = 24;

    private final Directory directory;
    private final Map<Key, Base> recent = new LinkedHashMap<>(32, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Key, Base> eldest) {
            return size() > KEPT;
        }
    };

    private record Key(InstrumentId id, Timeframe timeframe) {
    }

    private record Base(Bars bars, long knownUpTo) {
    }

    /** Bars under construction: the builder goes on with trades after {@code knownUpTo}. */
    public record Loaded(BarBuilder builder, long knownUpTo) {
    }

    public Histories(Directory directory) {
        this.directory = directory;
    }

    /**
     * Loads the bars of an instrument as known at a moment.
     *
     * @throws IOException when there are none or they cannot be read, with what to do
     */
    public Loaded load(Instrument instrument, Timeframe timeframe, long now) throws IOException {
        BarSource source = directory.source(instrument);
        Timeframe base = base(source, instrument, timeframe);
        Base stored = base(source, instrument, base, now);
        BarGrid grid = new BarGrid(source.calendar(instrument), timeframe);
        BarBuilder builder = new BarBuilder(grid, new BarSeries(stored.bars().size() / 3 + 64));
        if (base.equals(timeframe)) {
            copy(stored.bars(), builder.series());
        } else {
            builder.addAll(stored.bars());
        }
        if (source instanceof LiveSource live && stored.knownUpTo() < now) {
            live.trades(instrument.id(), stored.knownUpTo(), now, builder::addTick);
        }
        builder.advanceTo(now);
        return new Loaded(builder, Math.max(now, stored.knownUpTo()));
    }

    /** Bars that are stored as they are wanted lie on their grid already. */
    private static void copy(Bars from, BarSeries to) {
        to.appendAll(from);
        if (from.hasForming()) {
            int last = from.closed();
            to.form(from.openTime(last), from.closeTime(last), from.open(last), from.high(last), from.low(last),
                    from.close(last), from.volume(last));
        }
    }

    private static Timeframe base(BarSource source, Instrument instrument, Timeframe wanted) throws IOException {
        List<Timeframe> stored = source.stored(instrument.id());
        Timeframe best = null;
        for (Timeframe candidate : stored) {
            boolean fits = candidate.compareTo(wanted) <= 0
                    && (candidate.isIntraday() || !wanted.isIntraday())
                    && (!candidate.isIntraday() || wanted.span() % candidate.span() == 0 || !wanted.isIntraday());
            if (fits && (best == null || candidate.isHigherThan(best))) {
                best = candidate;
            }
        }
        if (best == null) {
            throw new IOException(stored.isEmpty() ? "there are no bars of " + instrument.code()
                    + " yet; import some with: yardarm import --symbol " + instrument.code()
                    : instrument.code() + " has bars of " + String.join(", ", stored.stream()
                    .map(Timeframe::toString).toList()) + "; " + wanted
                    + " cannot be built from them. Choose a longer timeframe or import finer bars.");
        }
        return best;
    }

    private Base base(BarSource source, Instrument instrument, Timeframe timeframe, long now) throws IOException {
        Key key = new Key(instrument.id(), timeframe);
        synchronized (recent) {
            Base kept = recent.get(key);
            boolean live = source instanceof LiveSource;
            if (kept != null && (!live || kept.knownUpTo() <= now && now - kept.knownUpTo() < 3600_000_000L)) {
                return kept;
            }
        }
        BarSeries raw = source.history(instrument.id(), timeframe, Long.MIN_VALUE, now);
        Base made = new Base(SplitAdjustment.adjust(raw, source.splits(instrument.id()), now).snapshot(), now);
        synchronized (recent) {
            recent.put(key, made);
        }
        return made;
    }

    /** Forgets what is kept of an instrument, after its history has changed. */
    public void forget(InstrumentId id) {
        synchronized (recent) {
            recent.keySet().removeIf(key -> key.id().equals(id));
        }
    }
}

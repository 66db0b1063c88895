package dev.yardarm.desk.vantage;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.Needs;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.calculation.TradedSides;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.NamedDrawings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.ContinuousFuture;
import dev.yardarm.core.source.PriceBasis;
import dev.yardarm.core.source.Trades;
import dev.yardarm.core.vantage.Vantage;
import dev.yardarm.desk.market.Histories;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import java.util.function.Function;

/**
 * Opens vantages: an instrument in the bars of a request, as known at a moment, with all that a term needs.
 *
 * <pre>{@code
 * Vantages.Moment then = vantages.at(moment);
 * Vantage one = then.open(instrument, BarRequest.of(Timeframe.DAY), formula.needs(), problem -> ...);
 * ColumnGraph graph = one.graph();
 * }</pre>
 *
 * <p>Nothing here asks what time it is: the moment comes in, so a replay looks through the same door as the present. May be used
 * by any thread. Cost of opening: the reading of the bars (kept by {@link Histories}) and of what is needed beside them.
 */
public final class Vantages {
    private final Histories histories;
    private final Function<InstrumentId, List<Drawing>> drawings;

    /** @param drawings of an instrument as they are kept, in prices as they were traded; asked by any thread */
    public Vantages(Histories histories, Function<InstrumentId, List<Drawing>> drawings) {
        this.histories = histories;
        this.drawings = drawings;
    }

    /** Reads what is kept of many instruments at once, before each is looked at from a moment. */
    public void readMany(List<Instrument> instruments, Timeframe timeframe, long moment) {
        histories.readMany(instruments, timeframe, moment);
    }

    /** Looks from a moment, microseconds UTC. What is looked at several times from there is read once. */
    public Moment at(long moment) {
        return new Moment(moment);
    }

    /** Looks from one moment. May be used by several threads. */
    public final class Moment {
        private final long moment;
        private final Map<Looked, Optional<Bars>> others = new ConcurrentHashMap<>();

        private record Looked(InstrumentId id, BarRequest request) {}

        private Moment(long moment) {
            this.moment = moment;
        }

        /** The moment. */
        public long moment() {
            return moment;
        }

        /**
         * The bars of an instrument alone.
         *
         * @throws IOException when there are none, with what to do
         */
        public Bars bars(Instrument instrument, BarRequest request) throws IOException {
            return histories.load(instrument, request, moment).series().snapshot();
        }

        /** The moments up to this one at which earlier prices of a request were moved: splits, dividends, rolls. */
        public List<Long> adjustments(Instrument instrument, BarRequest request) throws IOException {
            return histories.adjustments(instrument, request, moment);
        }

        /**
         * An instrument with all that is needed beside it.
         *
         * @param missing is told of what is needed but cannot be had, whose values are missing then
         * @throws IOException when it has no bars, with what to do
         */
        public Vantage open(Instrument instrument, BarRequest request, Needs needs, Consumer<String> missing)
                throws IOException {
            Histories.Loaded loaded = histories.load(instrument, request, needs, moment);
            TradingCalendar calendar = histories.calendar(instrument);
            Surroundings.Others known = code -> comparable(instrument, code, request)
                    .flatMap(each -> others.computeIfAbsent(
                            new Looked(each.id(), request), looked -> other(each, request, missing)))
                    .map(bars -> () -> bars);
            Surroundings surroundings = new Surroundings(
                            calendar,
                            known,
                            loaded.recorded()
                                    .map(Surroundings.Sides.class::cast)
                                    .orElseGet(() -> sides(instrument, request, needs, moment, missing)
                                            .surroundings()))
                    .withTick(instrument.format().tick());
            return new Vantage(
                    moment,
                    loaded.series().snapshot(),
                    needs.drawings().isEmpty()
                            ? surroundings
                            : surroundings.with(new NamedDrawings(calendar, shown(instrument, loaded))));
        }

        private Optional<Bars> other(Instrument other, BarRequest request, Consumer<String> missing) {
            try {
                return Optional.of(bars(other, request));
            } catch (IOException unread) {
                missing.accept(other.code() + " cannot be compared with: " + unread.getMessage());
                return Optional.empty();
            }
        }

        private List<Drawing> shown(Instrument instrument, Histories.Loaded loaded) {
            return drawings.apply(instrument.id()).stream()
                    .filter(each -> each.wasKnownAt(moment))
                    .map(loaded.basis()::shown)
                    .toList();
        }

        /** How prices as they were traded become those a chart of the moment shows when nothing else is asked for. */
        public PriceBasis basis(Instrument instrument) throws IOException {
            return histories.basis(instrument, BarRequest.of(Timeframe.DAY), moment);
        }

        /** A drawing as it is kept, in the prices a chart of the moment shows when nothing else is asked for. */
        public Drawing inPrices(Instrument instrument, Drawing kept) throws IOException {
            return basis(instrument).shown(kept);
        }

        /**
         * An instrument that goes on from the moment, when that is now.
         *
         * @param missing is told of what is needed but cannot be had, whose values are missing then
         * @throws IOException when it has no bars, with what to do
         */
        public LiveVantage openLive(Instrument instrument, BarRequest request, Needs needs, Consumer<String> missing)
                throws IOException {
            Histories.Loaded loaded = histories.load(instrument, request, needs, moment);
            OtherInstruments companions = OtherInstruments.load(histories, instrument, request, needs, moment, missing);
            return new LiveVantage(
                    moment,
                    loaded,
                    histories.calendar(instrument),
                    needs,
                    companions,
                    sides(instrument, request, needs, moment, missing).live());
        }
    }

    private Optional<Instrument> comparable(Instrument instrument, String code, BarRequest request) {
        return request.isTime() ? histories.comparable(instrument, code) : Optional.empty();
    }

    /** The sides of trades, and whether they go on. */
    private record Sided(TradedSides live) {
        static final Sided NONE = new Sided(null);

        Surroundings.Sides surroundings() {
            return live == null ? Surroundings.NONE.sides() : live;
        }
    }

    /** The sides of single trades where those are kept and wanted; none for bars that are not of time. */
    private Sided sides(Instrument instrument, BarRequest request, Needs needs, long moment, Consumer<String> missing) {
        if (!needs.sides() || !request.isTime()) {
            return Sided.NONE;
        }
        try {
            Instrument traded = histories.traded(instrument, moment);
            Trades source = histories.source(traded).offers(Trades.class).orElse(null);
            long from = source == null ? Long.MAX_VALUE : source.ticksFrom(traded.id(), moment);
            if (from == Long.MAX_VALUE) {
                return Sided.NONE;
            }
            if (instrument.kind() == Instrument.Kind.CONTINUOUS) {
                // Before its turn another contract was the one that counts.
                List<ContinuousFuture.Turn> turns = histories.turns(instrument, request, moment);
                from = Math.max(from, turns.get(turns.size() - 1).from());
            }
            return new Sided(new TradedSides(histories.tapes().of(source, traded.id(), from, moment), from, moment));
        } catch (IOException failed) {
            missing.accept("The trades of " + instrument.code() + " cannot be read: " + failed.getMessage());
            return Sided.NONE;
        }
    }
}

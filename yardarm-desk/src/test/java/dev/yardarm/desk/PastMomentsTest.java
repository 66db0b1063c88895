package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Field;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.core.source.CorporateActions;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.core.source.Trades;
import dev.yardarm.core.vantage.Vantage;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.vantage.Vantages;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * A vantage of a past moment shows what was known then: the same as where the data ends at that moment, whoever asks and for
 * when.
 */
class PastMomentsTest {
    private static final SimulatedMarket MARKET = new SimulatedMarket(World.halcyon(), 3);
    private static final Instrument KTRL = instrument("KTRL");
    /** One whose trades are kept one by one. */
    private static final Instrument TICKED = MARKET.world().ticksOf().stream()
            .map(PastMomentsTest::instrument)
            .filter(each -> each.kind() != Instrument.Kind.CONTINUOUS)
            .findFirst()
            .orElseThrow();

    private static final TradingCalendar CALENDAR = MARKET.calendar(KTRL);
    private static final LocalDate DAY = CALENDAR.sameOrPrevious(
            CALENDAR.sessionAt(MARKET.world().presentTime()).minusDays(40));
    /** On the minute within a session, where hours, days, weeks and months are unfinished. */
    private static final long WITHIN = CALENDAR.open(DAY) + 137 * Times.MINUTE;

    private static final long AFTER_THE_CLOSE = CALENDAR.close(DAY);
    private static final Vantages ALL = vantages(MARKET);

    /** Data that ends at a moment: minutes and trades written down much later, cut there; it answers alike for any time. */
    private record Ended(long end) implements LiveSource, Trades, CorporateActions {
        @Override
        public String name() {
            return MARKET.name();
        }

        @Override
        public List<Instrument> instruments() {
            return MARKET.instruments();
        }

        @Override
        public TradingCalendar calendar(Instrument instrument) {
            return MARKET.calendar(instrument);
        }

        @Override
        public List<Timeframe> stored(InstrumentId id) {
            return List.of(Timeframe.MINUTE);
        }

        @Override
        public BarSeries history(InstrumentId id, Timeframe timeframe, long from, long upTo) {
            Bars later =
                    MARKET.history(id, timeframe, from, end + 3 * Times.DAY).snapshot();
            BarSeries ended = new BarSeries(later.size());
            for (int bar = 0; bar < later.closed() && later.closeTime(bar) <= end; bar++) {
                ended.append(later, bar);
            }
            return ended;
        }

        @Override
        public void trades(InstrumentId id, long after, long upTo, TickSeries into) throws IOException {
            MARKET.trades(id, after, Math.min(upTo, end), into);
        }

        @Override
        public long ticksFrom(InstrumentId id, long upTo) {
            return MARKET.offers(Trades.class).orElseThrow().ticksFrom(id, end);
        }

        @Override
        public TickSeries ticks(InstrumentId id, long from, long upTo) throws IOException {
            TickSeries later = MARKET.offers(Trades.class).orElseThrow().ticks(id, from, end + Times.HOUR);
            TickSeries ended = new TickSeries(later.size());
            for (int tick = 0; tick < later.size() && later.time(tick) <= end; tick++) {
                ended.append(later.time(tick), later.price(tick), later.size(tick), later.side(tick));
            }
            return ended;
        }

        @Override
        public List<Split> splits(InstrumentId id) {
            return MARKET.splits(id).stream().filter(each -> each.time() <= end).toList();
        }

        @Override
        public List<Dividend> dividends(InstrumentId id) {
            return MARKET.dividends(id).stream()
                    .filter(each -> each.time() <= end)
                    .toList();
        }
    }

    private static Instrument instrument(String code) {
        return MARKET.instruments().stream()
                .filter(each -> each.code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    private static Instrument of(BarRequest request) {
        return request.byRule().filter(rule -> rule instanceof BarRule.Ticks).isPresent() ? TICKED : KTRL;
    }

    private static Vantages vantages(BarSource source) {
        return new Vantages(new Histories(new Directory(List.of(source))), id -> List.of());
    }

    static Stream<BarRequest> requests() {
        Stream<BarRequest> times = Stream.of("1m", "5m", "7m", "15m", "1h", "4h", "D", "W", "M")
                .map(text -> BarRequest.of(Timeframe.parse(text).orElseThrow()));
        Stream<BarRequest> rules = Stream.of(
                        "ticks:300",
                        "volume:40000",
                        "range:12",
                        "reversal:12",
                        "brick:8@5m",
                        "line-break:3@1h",
                        "point-figure:6x3@5m",
                        "heikin-ashi:@15m")
                .map(text -> BarRequest.of(Timeframe.MINUTES_5).withRule(BarRule.parse(text)));
        return Stream.concat(times, rules).map(request -> request.withDays(25));
    }

    @ParameterizedTest
    @MethodSource("requests")
    void barsOfAPastMomentAreThoseOfDataThatEndsThere(BarRequest request) throws IOException {
        for (long moment : new long[] {WITHIN, AFTER_THE_CLOSE}) {
            Bars ended = vantages(new Ended(moment)).at(moment).bars(of(request), request);
            Bars past = ALL.at(moment).bars(of(request), request);
            long from = first(request, ended);
            assertSame(since(past, from), since(ended, from), request + " at " + moment);
            assertThat(past.isEmpty()).isFalse();
        }
    }

    @ParameterizedTest
    @MethodSource("requests")
    void whatIsComputedThereIsWhatCouldHaveBeenComputed(BarRequest request) throws IOException {
        Formula average = Formula.parse("ema(close, 9) - sma(close, 20)", Language.builtIn());
        long from = first(request, vantages(new Ended(WITHIN)).at(WITHIN).bars(of(request), request));
        double[] past = values(ALL, average, request, from);
        double[] ended = values(vantages(new Ended(WITHIN)), average, request, from);
        assertThat(past).isEqualTo(ended);
    }

    /** Days and longer reach further back in the whole world than in the minutes that are cut: they are compared from there on. */
    private static long first(BarRequest request, Bars ended) {
        return request.daysToLoad() > 0 ? Long.MIN_VALUE : ended.openTime(2);
    }

    private static Bars since(Bars bars, long from) {
        BarSeries cut = new BarSeries(bars.size());
        for (int bar = 0; bar < bars.size(); bar++) {
            if (bars.openTime(bar) < from) {
                continue;
            }
            if (bar < bars.closed()) {
                cut.append(bars, bar);
            } else {
                cut.form(bars, bar);
            }
        }
        return cut.snapshot();
    }

    private static double[] values(Vantages vantages, Formula formula, BarRequest request, long from)
            throws IOException {
        Vantage then = vantages.at(WITHIN).open(of(request), request, formula.needs(), missing -> {
            throw new AssertionError(missing);
        });
        ColumnGraph graph = then.graph();
        Column column = formula.in(graph).output();
        Bars bars = since(then.bars(), from);
        graph.update(bars);
        double[] values = new double[bars.size()];
        for (int bar = 0; bar < values.length; bar++) {
            values[bar] = column.at(bar);
        }
        return values;
    }

    @Test
    void whoAsksForThePastAfterThePresentIsToldThePast() throws IOException {
        BarRequest request = BarRequest.of(Timeframe.HOUR).withDays(25);
        Vantages vantages = vantages(MARKET);
        Bars first = vantages.at(WITHIN).bars(of(request), request);
        vantages.at(WITHIN + 30 * Times.DAY).bars(of(request), request);
        assertSame(vantages.at(WITHIN).bars(of(request), request), first, "asked again");
    }

    private static void assertSame(Bars past, Bars ended, String what) {
        assertThat(past.size()).as("bars of " + what).isEqualTo(ended.size());
        assertThat(past.closed()).as("closed bars of " + what).isEqualTo(ended.closed());
        for (int bar = 0; bar < past.size(); bar++) {
            String where = "bar " + bar + " of " + past.size() + ", " + what;
            assertThat(past.openTime(bar)).as(where).isEqualTo(ended.openTime(bar));
            assertThat(past.closeTime(bar)).as(where).isEqualTo(ended.closeTime(bar));
            for (Field field : List.of(Field.OPEN, Field.HIGH, Field.LOW, Field.CLOSE, Field.VOLUME)) {
                assertThat(past.value(field, bar)).as(field + " of " + where).isEqualTo(ended.value(field, bar));
            }
        }
    }
}

package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.core.source.ClosesOnly;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.core.source.ManyHistories;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;

/**
 * What every source of history keeps to: as of a moment it answers with what was known then. A new source extends this with
 * a few instruments and moments of its own.
 */
abstract class SourceContract {
    /** The source. */
    abstract BarSource source() throws IOException;

    /** A few of its instruments, of each kind one. */
    abstract List<Instrument> instruments() throws IOException;

    /** Moments in ascending order: within and between sessions, at opens and closes, with bars before the first. */
    abstract List<Long> moments();

    private interface Check {
        void of(Instrument instrument, Timeframe timeframe) throws IOException;
    }

    private void each(Check check) throws IOException {
        int checked = 0;
        for (Instrument instrument : instruments()) {
            for (Timeframe timeframe : source().stored(instrument.id())) {
                check.of(instrument, timeframe);
                checked++;
            }
        }
        assertThat(checked).as("instruments and timeframes").isPositive();
    }

    /** Where to begin: some days before the first moment, so that minutes stay few, and a year for longer bars. */
    private long from(Timeframe timeframe) {
        return moments().get(0) - (timeframe.isIntraday() ? 12 : 330) * Times.DAY;
    }

    private Bars asOf(Instrument instrument, Timeframe timeframe, long moment) throws IOException {
        return source().history(instrument.id(), timeframe, from(timeframe), moment)
                .snapshot();
    }

    @Test
    void nothingOpensAfterTheMomentAndOnlyTheLastMayCloseLater() throws IOException {
        each((instrument, timeframe) -> {
            for (long moment : moments()) {
                Bars bars = asOf(instrument, timeframe, moment);
                String what = instrument.code() + " " + timeframe + " at " + moment;
                assertThat(bars.isEmpty()).as(what).isFalse();
                for (int bar = 0; bar < bars.size(); bar++) {
                    assertThat(bars.openTime(bar)).as(what).isBetween(from(timeframe), moment);
                    assertThat(bars.closeTime(bar)).as(what).isGreaterThan(bars.openTime(bar));
                    if (bar > 0) {
                        assertThat(bars.openTime(bar)).as("order of " + what).isGreaterThan(bars.openTime(bar - 1));
                    }
                }
                for (int bar = 0; bar < bars.closed(); bar++) {
                    assertThat(bars.closeTime(bar)).as("closed, " + what).isLessThanOrEqualTo(moment);
                }
                if (bars.hasForming()) {
                    assertThat(bars.closeTime(bars.closed()))
                            .as("forming, " + what)
                            .isGreaterThan(moment);
                }
            }
        });
    }

    @Test
    void whatIsKnownIsWhatEveryLaterAnswerBeginsWith() throws IOException {
        each((instrument, timeframe) -> {
            Bars last = asOf(instrument, timeframe, moments().get(moments().size() - 1));
            for (long moment : moments()) {
                Bars bars = asOf(instrument, timeframe, moment);
                for (int bar = 0; bar < bars.closed(); bar++) {
                    assertThat(words(bars, bar))
                            .as("%s %s, bar %d as of %d", instrument.code(), timeframe, bar, moment)
                            .isEqualTo(words(last, bar));
                }
                if (bars.hasForming()) {
                    int forming = bars.closed();
                    assertThat(bars.openTime(forming)).isEqualTo(last.openTime(forming));
                    if (source() instanceof ClosesOnly closes && closes.isOfCloses(instrument.id())) {
                        // The one price of the bar moves until it closes.
                        continue;
                    }
                    assertThat(bars.open(forming)).isEqualTo(last.open(forming));
                    assertThat(bars.high(forming)).isLessThanOrEqualTo(last.high(forming));
                    assertThat(bars.low(forming)).isGreaterThanOrEqualTo(last.low(forming));
                    assertThat(bars.volume(forming) > last.volume(forming)).isFalse();
                }
            }
        });
    }

    private static List<Object> words(Bars bars, int bar) {
        return List.of(
                bars.openTime(bar),
                bars.closeTime(bar),
                bars.open(bar),
                bars.high(bar),
                bars.low(bar),
                bars.close(bar),
                bars.volume(bar));
    }

    @Test
    void itBeginsWhereItIsToldTo() throws IOException {
        long moment = moments().get(moments().size() - 1);
        each((instrument, timeframe) -> {
            Bars all = asOf(instrument, timeframe, moment);
            int middle = all.size() / 2;
            Bars half = source().history(instrument.id(), timeframe, all.openTime(middle), moment)
                    .snapshot();
            assertThat(half.size()).as(instrument.code() + " " + timeframe).isEqualTo(all.size() - middle);
            assertThat(words(half, 0)).isEqualTo(words(all, middle));
        });
    }

    /** Where many are read at once, each is what it is alone, from its beginning and of late. */
    @Test
    void whatIsReadTogetherIsWhatIsReadAlone() throws IOException {
        ManyHistories many = source().offers(ManyHistories.class).orElse(null);
        if (many == null) {
            return;
        }
        List<InstrumentId> ids = instruments().stream().map(Instrument::id).toList();
        int compared = 0;
        for (long moment : moments()) {
            for (long from : new long[] {Long.MIN_VALUE, moment - 70 * Times.DAY, moment + Times.DAY}) {
                for (Map.Entry<InstrumentId, BarSeries> each :
                        many.histories(ids, Timeframe.DAY, from, moment).entrySet()) {
                    Bars together = each.getValue().snapshot();
                    Bars alone = source().history(each.getKey(), Timeframe.DAY, from, moment)
                            .snapshot();
                    String what = each.getKey() + " from " + from + " at " + moment;
                    assertThat(together.size()).as(what).isEqualTo(alone.size());
                    assertThat(together.closed()).as(what).isEqualTo(alone.closed());
                    for (int bar = 0; bar < together.size(); bar++) {
                        assertThat(words(together, bar)).as(what).isEqualTo(words(alone, bar));
                    }
                    compared++;
                }
            }
        }
        assertThat(compared).as("instruments and moments").isPositive();
    }

    @Test
    void severalThreadsGetTheSameAnswer() throws Exception {
        Instrument instrument = instruments().get(0);
        Timeframe timeframe = source().stored(instrument.id()).get(0);
        long moment = moments().get(0);
        List<Object> alone = words(asOf(instrument, timeframe, moment));
        ExecutorService pool = Executors.newFixedThreadPool(4);
        try {
            List<Callable<List<Object>>> asking = new ArrayList<>();
            for (int thread = 0; thread < 8; thread++) {
                asking.add(() -> words(asOf(instrument, timeframe, moment)));
            }
            for (Future<List<Object>> answer : pool.invokeAll(asking)) {
                assertThat(answer.get()).isEqualTo(alone);
            }
        } finally {
            pool.shutdownNow();
        }
    }

    private static List<Object> words(Bars bars) {
        List<Object> all = new ArrayList<>();
        for (int bar = 0; bar < bars.size(); bar++) {
            all.addAll(words(bars, bar));
        }
        return all;
    }

    /** A live source gives the same trades, with the same sides, however a span is cut; and nothing outside of it. */
    @Test
    void tradesOfASpanAreThoseOfItsParts() throws IOException {
        if (!(source() instanceof LiveSource live)) {
            return;
        }
        long begin = moments().get(0);
        for (Instrument instrument : instruments()) {
            TickSeries whole = new TickSeries(0);
            live.trades(instrument.id(), begin, begin + 20 * Times.MINUTE, whole);
            TickSeries parts = new TickSeries(0);
            for (int part = 0; part < 20; part++) {
                live.trades(
                        instrument.id(),
                        begin + part * Times.MINUTE - (part % 3 == 0 || part == 0 ? 0 : 7 * Times.SECOND),
                        begin + (part + 1) * Times.MINUTE - ((part + 1) % 3 == 0 || part == 19 ? 0 : 7 * Times.SECOND),
                        parts);
            }
            assertThat(parts.size()).as(instrument.code()).isEqualTo(whole.size());
            for (int trade = 0; trade < whole.size(); trade++) {
                assertThat(whole.time(trade)).isBetween(begin + 1, begin + 20 * Times.MINUTE);
                assertThat(parts.time(trade)).isEqualTo(whole.time(trade));
                assertThat(parts.price(trade)).isEqualTo(whole.price(trade));
                assertThat(parts.side(trade)).isEqualTo(whole.side(trade));
            }
        }
    }
}

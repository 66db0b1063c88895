package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.core.source.LiveSource;
import dev.yardarm.core.source.ManyHistories;
import dev.yardarm.data.history.BarStore;
import dev.yardarm.data.history.ParquetBarStore;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.market.StoredMarket;
import dev.yardarm.desk.work.Job;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletionException;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class HistoriesTest {
    private static final InstrumentId ID = new InstrumentId("made", "X");
    private static final Instrument X =
            new Instrument(ID, "Ex", "", Instrument.Kind.IMPORTED, "", "", PriceFormat.ofDecimals(2), 1);

    private static BarSource source(Timeframe... stored) throws IOException {
        BarSource source = mock(BarSource.class);
        when(source.name()).thenReturn("made");
        when(source.instruments()).thenReturn(List.of(X));
        when(source.calendar(any())).thenReturn(TradingCalendar.roundTheClock(ZoneOffset.UTC));
        when(source.stored(ID)).thenReturn(List.of(stored));
        when(source.history(eq(ID), any(), anyLong(), anyLong())).thenAnswer(call -> {
            Timeframe timeframe = call.getArgument(1);
            BarSeries series = new BarSeries(600);
            for (int bar = 0; bar < 600; bar++) {
                series.append(bar * timeframe.span(), (bar + 1) * timeframe.span(), bar, bar + 1, bar, bar, 1);
            }
            return series;
        });
        return source;
    }

    private static Bars load(BarSource source, Timeframe timeframe) throws IOException {
        return new Histories(new Directory(List.of(source)))
                .load(X, timeframe, 600 * Times.DAY)
                .series()
                .snapshot();
    }

    @Test
    void theCoarsestStoredBarsThatWillDoAreTaken() throws IOException {
        BarSource source = source(Timeframe.MINUTE, Timeframe.HOUR, Timeframe.DAY);
        load(source, Timeframe.WEEK);
        verify(source).history(eq(ID), eq(Timeframe.DAY), anyLong(), anyLong());
        load(source, Timeframe.HOURS_4);
        verify(source).history(eq(ID), eq(Timeframe.HOUR), anyLong(), anyLong());
        load(source, Timeframe.MINUTES_15);
        verify(source).history(eq(ID), eq(Timeframe.MINUTE), anyLong(), anyLong());
        assertThat(load(source, Timeframe.HOURS_4).volume(1)).isEqualTo(4);
    }

    @Test
    void whatCannotBeBuiltIsToldWithWhatThereIs() throws IOException {
        BarSource source = source(Timeframe.DAY);
        assertThatThrownBy(() -> load(source, Timeframe.HOUR))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("X has bars of D")
                .hasMessageContaining("1h cannot be built");
        BarSource none = source();
        assertThatThrownBy(() -> load(none, Timeframe.DAY))
                .hasMessageContaining("no bars of X")
                .hasMessageContaining("import");
    }

    @Test
    void theChartsOfAStripShareOneReading() throws IOException {
        BarSource source = source(Timeframe.DAY);
        Histories histories = new Histories(new Directory(List.of(source)));
        for (Timeframe timeframe : List.of(Timeframe.DAY, Timeframe.WEEK, Timeframe.MONTH)) {
            histories.load(X, timeframe, 600 * Times.DAY);
        }
        verify(source, times(1)).history(eq(ID), any(), anyLong(), anyLong());
        histories.forget(ID);
        histories.load(X, Timeframe.DAY, 600 * Times.DAY);
        verify(source, times(2)).history(eq(ID), any(), anyLong(), anyLong());
    }

    /** What is read may rest on another reading that failed: then the failure comes as that one's, wrapped. */
    @Test
    void whoWaitsForAReadingThatFailsIsToldWhateverTheFailure() throws Exception {
        for (RuntimeException failure : List.of(
                new IllegalStateException("broken"),
                new CompletionException(new IllegalStateException("broken")),
                new CompletionException(new UncheckedIOException(new IOException("broken"))))) {
            CountDownLatch asked = new CountDownLatch(1);
            BarSource failing = source(Timeframe.DAY);
            when(failing.history(eq(ID), any(), anyLong(), anyLong())).thenAnswer(call -> {
                asked.await();
                Thread.sleep(100);
                throw failure;
            });
            Histories histories = new Histories(new Directory(List.of(failing)));
            ExecutorService pool = Executors.newFixedThreadPool(2);
            List<Future<Object>> both = new ArrayList<>();
            for (int asker = 0; asker < 2; asker++) {
                both.add(pool.submit(() -> histories.load(X, Timeframe.DAY, 600 * Times.DAY)));
            }
            asked.countDown();
            for (Future<Object> each : both) {
                assertThatThrownBy(() -> each.get(20, TimeUnit.SECONDS))
                        .isInstanceOf(ExecutionException.class)
                        .rootCause()
                        .hasMessage("broken");
            }
            pool.shutdownNow();
        }
    }

    @Test
    void chartsOpenedTogetherShareOneReadingToo() throws Exception {
        AtomicInteger reads = new AtomicInteger();
        BarSource slow = source(Timeframe.DAY);
        when(slow.history(eq(ID), any(), anyLong(), anyLong())).thenAnswer(call -> {
            reads.incrementAndGet();
            Thread.sleep(150);
            BarSeries series = new BarSeries(100);
            for (int day = 0; day < 100; day++) {
                series.append(day * Times.DAY, (day + 1) * Times.DAY, 1, 1, 1, 1, 1);
            }
            return series;
        });
        Histories histories = new Histories(new Directory(List.of(slow)));
        ExecutorService pool = Executors.newFixedThreadPool(6);
        List<Callable<Object>> tasks = new ArrayList<>();
        for (Timeframe timeframe : List.of(
                Timeframe.DAY, Timeframe.WEEK, Timeframe.MONTH, Timeframe.DAY, Timeframe.WEEK, Timeframe.MONTH)) {
            tasks.add(() -> histories.load(X, timeframe, 200 * Times.DAY));
        }
        for (Future<Object> each : pool.invokeAll(tasks)) {
            each.get();
        }
        pool.shutdown();
        assertThat(reads).hasValue(1);
    }

    @Test
    void aReadingThatFailsIsToldAndTriedAgain() throws IOException {
        BarSource source = source(Timeframe.DAY);
        when(source.history(eq(ID), any(), anyLong(), anyLong()))
                .thenThrow(new IOException("the disk is gone"))
                .thenAnswer(call -> {
                    BarSeries series = new BarSeries(1);
                    series.append(0, Times.DAY, 1, 1, 1, 1, 1);
                    return series;
                });
        Histories histories = new Histories(new Directory(List.of(source)));
        assertThatThrownBy(() -> histories.load(X, Timeframe.DAY, 200 * Times.DAY))
                .hasMessageContaining("the disk is gone");
        assertThat(histories.load(X, Timeframe.DAY, 200 * Times.DAY).series().closed())
                .isEqualTo(1);
    }

    @Test
    void thePresentAndAReplayDoNotSeeEachOthersBars() throws IOException {
        SimulatedMarket market = new SimulatedMarket(World.halcyon(), 1);
        Histories histories = new Histories(new Directory(List.of(market)));
        Instrument ktrl = market.instruments().stream()
                .filter(each -> each.code().equals("KTRL"))
                .findFirst()
                .orElseThrow();
        long now = market.world().presentTime();
        for (long moment : new long[] {now, now - 7 * Times.MINUTE, now - 3 * Times.DAY, now - 2 * Times.MINUTE, now}) {
            for (Timeframe timeframe : List.of(Timeframe.DAY, Timeframe.MINUTES_5)) {
                Bars kept = histories.load(ktrl, timeframe, moment).series().snapshot();
                Bars fresh = new Histories(new Directory(List.of(market)))
                        .load(ktrl, timeframe, moment)
                        .series()
                        .snapshot();
                int last = fresh.size() - 1;
                assertThat(kept.size()).isEqualTo(fresh.size());
                assertThat(kept.close(last)).as("%s at %d", timeframe, moment).isEqualTo(fresh.close(last));
                assertThat(kept.volume(last)).isEqualTo(fresh.volume(last));
            }
        }
    }

    @Test
    void tradesSinceAnEarlierReadingAreAdded() throws IOException {
        SimulatedMarket market = new SimulatedMarket(World.halcyon(), 1);
        LiveSource live = market;
        Histories histories = new Histories(new Directory(List.of(live)));
        Instrument ktrl = market.instruments().stream()
                .filter(each -> each.code().equals("KTRL"))
                .findFirst()
                .orElseThrow();
        long early = market.world().presentTime() - 3 * Times.HOUR;
        long late = early + 40 * Times.MINUTE + 13 * Times.SECOND;
        histories.load(ktrl, Timeframe.MINUTES_5, early);
        Bars grown = histories.load(ktrl, Timeframe.MINUTES_5, late).series().snapshot();
        Bars fresh = new Histories(new Directory(List.of(live)))
                .load(ktrl, Timeframe.MINUTES_5, late)
                .series()
                .snapshot();
        assertThat(grown.size()).isEqualTo(fresh.size());
        for (int bar = grown.size() - 20; bar < grown.size(); bar++) {
            assertThat(grown.high(bar)).isEqualTo(fresh.high(bar));
            assertThat(grown.low(bar)).isEqualTo(fresh.low(bar));
            assertThat(grown.close(bar)).isEqualTo(fresh.close(bar));
            assertThat(grown.volume(bar)).isEqualTo(fresh.volume(bar));
        }
    }

    @Test
    void keptHistoryIsTheSameAsMadeHistory(@TempDir Path folder) throws IOException {
        SimulatedMarket market = new SimulatedMarket(World.halcyon(), 1);
        long now = market.world().presentTime();
        try (BarStore store = new ParquetBarStore(folder)) {
            StoredMarket stored = new StoredMarket(market, () -> Optional.of(store));
            assertThat(stored.isPacked()).isFalse();
            stored.pack(Job.unattended(), now - 9 * Times.DAY);
            assertThat(stored.isPacked()).isTrue();
            for (String code : List.of("KTRL", "PXFIS")) {
                InstrumentId id = new InstrumentId(SimulatedMarket.NAME, code);
                Bars kept =
                        stored.history(id, Timeframe.DAY, Long.MIN_VALUE, now).snapshot();
                Bars made =
                        market.history(id, Timeframe.DAY, Long.MIN_VALUE, now).snapshot();
                assertThat(kept.size()).isEqualTo(made.size());
                assertThat(kept.hasForming()).isTrue();
                for (int bar = 0; bar < made.size(); bar++) {
                    assertThat(kept.openTime(bar)).isEqualTo(made.openTime(bar));
                    assertThat(kept.close(bar)).isEqualTo(made.close(bar));
                    assertThat(kept.volume(bar)).isEqualTo(made.volume(bar));
                }
            }
        }
    }

    private static final Instrument Y = new Instrument(
            new InstrumentId("made", "Y"), "Why", "", Instrument.Kind.IMPORTED, "", "", PriceFormat.ofDecimals(2), 1);

    private static BarSeries days(double price) {
        BarSeries series = new BarSeries(50);
        for (int bar = 0; bar < 50; bar++) {
            series.append(bar * Times.DAY, (bar + 1) * Times.DAY, price, price + 1, price - 1, price, 1);
        }
        return series;
    }

    /** A source of two instruments that reads both at once. */
    private static BarSource together(Callable<Map<InstrumentId, BarSeries>> reading) throws IOException {
        BarSource source = mock(BarSource.class);
        when(source.name()).thenReturn("made");
        when(source.instruments()).thenReturn(List.of(X, Y));
        when(source.calendar(any())).thenReturn(TradingCalendar.roundTheClock(ZoneOffset.UTC));
        when(source.stored(any())).thenReturn(List.of(Timeframe.DAY));
        when(source.history(any(), any(), anyLong(), anyLong())).thenAnswer(call -> days(7));
        ManyHistories many = (ids, timeframe, from, upTo) -> {
            try {
                return reading.call();
            } catch (Exception failed) {
                throw new IOException(failed);
            }
        };
        when(source.offers(ManyHistories.class)).thenReturn(Optional.of(many));
        return source;
    }

    @Test
    void whatWasReadTogetherIsNotReadAgainAndIsBuiltUponLikeTheRest() throws IOException {
        BarSource source = together(() -> Map.of(ID, days(1), Y.id(), days(2)));
        Histories histories = new Histories(new Directory(List.of(source)));
        histories.readMany(List.of(X, Y), Timeframe.WEEK, 50 * Times.DAY);
        Bars weeks = histories.load(Y, Timeframe.WEEK, 50 * Times.DAY).series().snapshot();
        assertThat(weeks.close(0)).isEqualTo(2);
        assertThat(histories
                        .load(X, Timeframe.DAY, 20 * Times.DAY)
                        .series()
                        .snapshot()
                        .closed())
                .isEqualTo(20);
        verify(source, times(0)).history(any(), any(), anyLong(), anyLong());
    }

    @Test
    void whatChangedWhileItWasReadTogetherIsReadAnew() throws IOException {
        Histories[] made = new Histories[1];
        BarSource source = together(() -> {
            made[0].forget(ID);
            return Map.of(ID, days(1), Y.id(), days(2));
        });
        made[0] = new Histories(new Directory(List.of(source)));
        made[0].readMany(List.of(X, Y), Timeframe.DAY, 50 * Times.DAY);
        assertThat(made[0].load(X, Timeframe.DAY, 50 * Times.DAY)
                        .series()
                        .snapshot()
                        .close(0))
                .isEqualTo(7);
    }

    @Test
    void whatCannotBeReadTogetherIsLeftForWhoeverLooks() throws IOException {
        BarSource source = together(() -> {
            throw new IOException("the disk is gone");
        });
        Histories histories = new Histories(new Directory(List.of(source)));
        histories.readMany(List.of(X, Y), Timeframe.DAY, 50 * Times.DAY);
        assertThat(histories
                        .load(X, Timeframe.DAY, 50 * Times.DAY)
                        .series()
                        .snapshot()
                        .close(0))
                .isEqualTo(7);
    }
}

package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.history.OwnSource;
import dev.yardarm.data.history.ParquetBarStore;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.Histories;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Imported history, of which everything is there at once: as of a moment it tells no more than was known then. */
class OwnSourceTest extends SourceContract {
    private static final int DAYS = 400;
    private static ParquetBarStore store;
    private static OwnSource own;

    @BeforeAll
    static void fill(@TempDir Path folder) throws IOException {
        store = new ParquetBarStore(folder);
        store.merge(new InstrumentId("own", "MINE"), Timeframe.DAY, bars(DAYS, Times.DAY, 0));
        store.merge(new InstrumentId("own", "MINE"), Timeframe.HOUR, bars(40 * 24, Times.HOUR, 330 * Times.DAY));
        store.merge(new InstrumentId("own", "TODAY"), Timeframe.DAY, bars(DAYS, Times.DAY, 0));
        own = new OwnSource(
                List.of(
                        new Documents.Imported("MINE", "Mine", 2, "UTC", 0),
                        new Documents.Imported(
                                "TODAY", "Imported on its last day", 2, "UTC", DAYS * Times.DAY - 5 * Times.HOUR)),
                () -> Optional.of(store));
    }

    private static Bars bars(int count, long span, long begin) {
        BarSeries series = new BarSeries(count);
        for (int bar = 0; bar < count; bar++) {
            long open = begin + bar * span;
            series.append(open, open + span, 100 + bar % 17, 120 + bar % 5, 90, 101 + bar % 13, 1 + bar);
        }
        return series.snapshot();
    }

    @AfterAll
    static void close() {
        store.close();
    }

    @Override
    BarSource source() {
        return own;
    }

    @Override
    List<Instrument> instruments() {
        return own.instruments();
    }

    @Override
    List<Long> moments() {
        return List.of(
                340 * Times.DAY,
                340 * Times.DAY + 1,
                350 * Times.DAY + 7 * Times.HOUR + 12 * Times.MINUTE,
                351 * Times.DAY - 1,
                369 * Times.DAY,
                399 * Times.DAY + 3 * Times.HOUR);
    }

    @Test
    void chartsScansAndReplaysSeeNoBarOfTheFuture() throws IOException {
        Histories histories = new Histories(new Directory(List.of(own)));
        Instrument mine = own.instruments().get(0);
        // The present first, so that everything is in memory when the past is asked for.
        assertThat(histories
                        .load(mine, Timeframe.DAY, DAYS * Times.DAY)
                        .series()
                        .closed())
                .isEqualTo(DAYS);
        for (long moment : moments()) {
            for (Timeframe timeframe : List.of(Timeframe.HOUR, Timeframe.HOURS_4, Timeframe.DAY, Timeframe.WEEK)) {
                Bars bars = histories.load(mine, timeframe, moment).series().snapshot();
                int last = bars.size() - 1;
                assertThat(bars.openTime(last))
                        .as("%s at %d", timeframe, moment)
                        .isLessThanOrEqualTo(moment);
                Bars fresh = new Histories(new Directory(List.of(own)))
                        .load(mine, timeframe, moment)
                        .series()
                        .snapshot();
                assertThat(bars.size()).isEqualTo(fresh.size());
                assertThat(bars.close(last)).isEqualTo(fresh.close(last));
            }
        }
        Bars half = histories
                .load(mine, BarRequest.of(Timeframe.DAY), 50 * Times.DAY + 9 * Times.HOUR)
                .series()
                .snapshot();
        assertThat(half.closed()).isEqualTo(50);
        assertThat(half.hasForming()).isTrue();
        assertThat(half.high(50)).as("the day had only begun").isEqualTo(half.open(50));
    }

    @Test
    void aDayImportedBeforeItWasOverIsForming() throws IOException {
        Bars today = own.history(new InstrumentId("own", "TODAY"), Timeframe.DAY, Long.MIN_VALUE, DAYS * Times.DAY - 1)
                .snapshot();
        assertThat(today.hasForming()).isTrue();
        assertThat(today.closed()).isEqualTo(DAYS - 1);
        assertThat(today.high(DAYS - 1)).isGreaterThan(today.open(DAYS - 1));
    }
}

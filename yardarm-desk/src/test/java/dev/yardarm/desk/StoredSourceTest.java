package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.source.BarSource;
import dev.yardarm.data.history.ParquetBarStore;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.market.Histories;
import dev.yardarm.desk.market.StoredMarket;
import dev.yardarm.desk.work.Job;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The simulated market with its history kept: what is kept was made later than some moments it is asked about. */
class StoredSourceTest extends SourceContract {
    private static final SimulatedMarket MARKET = new SimulatedMarket(World.halcyon(), 1);
    private static ParquetBarStore store;
    private static StoredMarket stored;

    @BeforeAll
    static void pack(@TempDir Path folder) throws IOException {
        store = new ParquetBarStore(folder);
        stored = new StoredMarket(MARKET, () -> Optional.of(store));
        stored.pack(Job.unattended(), MARKET.world().presentTime() - 2 * Times.DAY);
    }

    @AfterAll
    static void close() {
        store.close();
    }

    /** Trades of days that are over are kept once they were made; whatever is asked then, and of whenever, is what the market makes. */
    @Test
    void tradesAreKeptByDayAndAreThoseThatWereMade(@TempDir Path folder) throws IOException {
        long now = MARKET.world().presentTime();
        InstrumentId id = id("VRTQ-U26");
        try (ParquetBarStore own = new ParquetBarStore(folder)) {
            StoredMarket keeping = new StoredMarket(MARKET, () -> Optional.of(own));
            long from = keeping.ticksFrom(id, now);
            long[][] asked = {
                {now - 9 * Times.DAY, now - 4 * Times.DAY - 3 * Times.HOUR},
                {now - 9 * Times.DAY, now - 4 * Times.DAY - 3 * Times.HOUR},
                {from, now},
                {from, now},
                {now - 6 * Times.DAY, now},
                {from, now - 12 * Times.DAY},
                {now - 2 * Times.HOUR, now}
            };
            for (long[] each : asked) {
                assertSame(keeping.ticks(id, each[0], each[1]), MARKET.ticks(id, each[0], each[1]));
            }
        }
        try (var files = Files.walk(folder)) {
            List<String> days = files.map(Path::getFileName)
                    .map(Path::toString)
                    .filter(each -> each.startsWith("2026-"))
                    .sorted()
                    .toList();
            assertThat(days)
                    .hasSizeGreaterThan(12)
                    .contains("2026-06-18.parquet")
                    .doesNotContain("2026-06-19.parquet");
        }
    }

    private static InstrumentId id(String code) {
        return MARKET.instruments().stream()
                .map(Instrument::id)
                .filter(each -> each.code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    private static void assertSame(TickSeries told, TickSeries made) {
        assertThat(told.size()).isEqualTo(made.size()).isPositive();
        for (int tick = 0; tick < made.size(); tick++) {
            boolean same = told.time(tick) == made.time(tick)
                    && told.price(tick) == made.price(tick)
                    && told.size(tick) == made.size(tick)
                    && told.side(tick) == made.side(tick);
            assertThat(same).as("trade " + tick).isTrue();
        }
    }

    /** A market that is listened to for a while. */
    private static StoredMarket run(ParquetBarStore own, InstrumentId id, long from, long to) throws IOException {
        StoredMarket running = new StoredMarket(MARKET, () -> Optional.of(own));
        for (long now = from; now <= to; now += Times.MINUTE) {
            running.trades(id, now - Times.MINUTE, now, new TickSeries(16));
            running.beat(now);
        }
        return running;
    }

    /** What is traded while somebody listens is in the file of the day within ten minutes, and a session broken off leaves no hole. */
    @Test
    void tradesAreRecordedWhileTheMarketRuns(@TempDir Path folder) throws IOException {
        InstrumentId id = id("EMBRA");
        InstrumentId kept =
                new InstrumentId(MARKET.name() + "-1-" + MARKET.world().histories(), id.code());
        long day = Math.floorDiv(MARKET.world().presentTime(), Times.DAY) * Times.DAY - 3 * Times.DAY;
        long begun = day + 14 * Times.HOUR + 7 * Times.MINUTE;
        long brokenOff = day + 20 * Times.HOUR + 25 * Times.MINUTE;
        try (ParquetBarStore own = new ParquetBarStore(folder)) {
            run(own, id, begun, brokenOff);
            long last = own.lastTick(kept);
            assertThat(last).isBetween(brokenOff - 11 * Times.MINUTE, brokenOff);
            assertSame(own.ticks(kept, day, Long.MAX_VALUE), MARKET.ticks(id, day, last));

            // On again in the night, less than six hours later: a gap that might be a quiet market is filled.
            long again = day + Times.DAY + 90 * Times.MINUTE;
            StoredMarket running = run(own, id, again, again + 25 * Times.MINUTE);
            last = own.lastTick(kept);
            assertThat(last).isGreaterThan(again);
            assertSame(own.ticks(kept, day, Long.MAX_VALUE), MARKET.ticks(id, day, last));

            // And after days, of which nothing was heard.
            long now = MARKET.world().presentTime();
            assertSame(running.ticks(id, day, now), MARKET.ticks(id, day, now));
            assertSame(running.ticks(id, day, again), MARKET.ticks(id, day, again));
        }
    }

    /** Who listens to a continuous future hears its contract, which is what is recorded. */
    @Test
    void ofAContinuousFutureItsContractIsRecorded(@TempDir Path folder) throws IOException {
        long now = MARKET.world().presentTime();
        TickSeries heard = new TickSeries(16);
        try (ParquetBarStore own = new ParquetBarStore(folder)) {
            StoredMarket running = run(own, id("VRTQ"), now - 30 * Times.MINUTE, now);
            running.trades(id("VRTQ"), now - 30 * Times.MINUTE, now, heard);
            assertThat(own.lastTick(new InstrumentId(
                            MARKET.name() + "-1-" + MARKET.world().histories(), "VRTQ-U26")))
                    .isGreaterThan(now - 20 * Times.MINUTE);
        }
        TickSeries traded = new TickSeries(16);
        MARKET.trades(id("VRTQ-U26"), now - 30 * Times.MINUTE, now, traded);
        assertSame(heard, traded);
    }

    @Test
    void whatNobodyListensToAndWhatHasNoTradesKeptIsNotRecorded(@TempDir Path folder) throws IOException {
        long now = MARKET.world().presentTime();
        try (ParquetBarStore own = new ParquetBarStore(folder)) {
            run(own, id("KTRL"), now - 30 * Times.MINUTE, now);
        }
        try (var files = Files.walk(folder)) {
            assertThat(files.filter(each -> each.toString().endsWith(".parquet")))
                    .isEmpty();
        }
    }

    /** The last sessions of many, read at once and adjusted, end as what is loaded of each alone ends. */
    @Test
    void theLastBarsOfManyAreThoseOfEach() throws IOException {
        Histories histories = new Histories(new Directory(List.of(stored)));
        List<Instrument> some = stored.instruments().stream()
                .filter(each ->
                        List.of("KTRL", "EBSP", "PV60", "VRTQ", "AULBRN").contains(each.code()))
                .toList();
        List<Instrument> twice = Stream.concat(some.stream(), some.stream()).toList();
        for (long moment : moments()) {
            Map<InstrumentId, Histories.Recent> recent =
                    histories.recent(twice, Timeframe.DAY, moment - 70 * Times.DAY, moment);
            assertThat(recent.keySet())
                    .extracting(InstrumentId::code)
                    .containsExactlyInAnyOrder("KTRL", "EBSP", "PV60");
            for (Instrument each : some) {
                if (recent.containsKey(each.id())) {
                    Bars last = recent.get(each.id()).bars();
                    Bars all =
                            histories.load(each, Timeframe.DAY, moment).series().snapshot();
                    assertThat(recent.get(each.id()).knownUpTo()).isEqualTo(moment);
                    assertThat(last.size()).isBetween(40, 52);
                    int before = all.size() - last.size();
                    for (int bar = 0; bar < last.size(); bar++) {
                        assertThat(last.openTime(bar)).isEqualTo(all.openTime(before + bar));
                        assertThat(last.close(bar)).isEqualTo(all.close(before + bar));
                        assertThat(last.volume(bar)).isEqualTo(all.volume(before + bar));
                    }
                }
            }
        }
        assertThat(histories.recent(
                        some, Timeframe.MINUTE, Long.MIN_VALUE, moments().get(0)))
                .isEmpty();
    }

    @Override
    BarSource source() {
        return stored;
    }

    @Override
    List<Instrument> instruments() {
        return SimulatedSourceTest.oneOfEach(stored);
    }

    @Override
    List<Long> moments() {
        return SimulatedSourceTest.moments(MARKET.world().presentTime());
    }
}

package dev.yardarm.data;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.data.history.ParquetBarStore;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ParquetBarStoreTest {
    private static final InstrumentId ONE = new InstrumentId("own", "O'NE.X");
    private static final InstrumentId TWO = new InstrumentId("own", "TWO");
    private static final long START = Times.micros(Instant.parse("2025-12-30T00:00:00Z"));

    @TempDir
    private Path folder;

    private static Bars bars(long from, long step, int count, double price) {
        BarSeries series = new BarSeries(count);
        for (int bar = 0; bar < count; bar++) {
            series.append(
                    from + bar * step,
                    from + (bar + 1) * step,
                    price,
                    price + 2.25,
                    price - 1.125,
                    price + bar,
                    bar % 2 == 0 ? Double.NaN : bar);
        }
        return series.snapshot();
    }

    private static void assertSame(Bars one, Bars other) {
        assertThat(one.closed()).isEqualTo(other.closed());
        for (int bar = 0; bar < one.closed(); bar++) {
            assertThat(one.openTime(bar)).isEqualTo(other.openTime(bar));
            assertThat(one.closeTime(bar)).isEqualTo(other.closeTime(bar));
            assertThat(one.high(bar)).isEqualTo(other.high(bar));
            assertThat(one.close(bar)).isEqualTo(other.close(bar));
            assertThat(one.volume(bar)).isEqualTo(Double.valueOf(other.volume(bar)));
        }
    }

    @Test
    void whatGoesInComesOutAlsoFromASecondStore() throws IOException {
        Bars days = bars(START, Times.DAY, 500, 100);
        Bars minutes = bars(START, Times.MINUTE, 5000, 50);
        try (ParquetBarStore store = new ParquetBarStore(folder)) {
            store.merge(ONE, Timeframe.DAY, days);
            store.merge(TWO, Timeframe.DAY, bars(START, Times.DAY, 20, 7));
            store.merge(ONE, Timeframe.MINUTE, minutes);
        }
        try (ParquetBarStore store = new ParquetBarStore(folder)) {
            assertSame(
                    store.read(ONE, Timeframe.DAY, Long.MIN_VALUE, Long.MAX_VALUE)
                            .snapshot(),
                    days);
            assertSame(
                    store.read(ONE, Timeframe.MINUTE, Long.MIN_VALUE, Long.MAX_VALUE)
                            .snapshot(),
                    minutes);
            assertThat(store.read(TWO, Timeframe.DAY, Long.MIN_VALUE, Long.MAX_VALUE)
                            .closed())
                    .isEqualTo(20);
            assertThat(store.timeframes(ONE)).containsExactly(Timeframe.MINUTE, Timeframe.DAY);
            assertThat(store.timeframes(TWO)).containsExactly(Timeframe.DAY);
            assertThat(store.timeframes(new InstrumentId("other", "X"))).isEmpty();
            Bars part = store.read(ONE, Timeframe.MINUTE, START + 100 * Times.MINUTE, START + 200 * Times.MINUTE)
                    .snapshot();
            assertThat(part.closed()).isEqualTo(100);
            assertThat(part.openTime(0)).isEqualTo(START + 100 * Times.MINUTE);
        }
    }

    @Test
    void laterBarsTakeThePlaceOfEarlierOnesAndTheRestStays() throws IOException {
        try (ParquetBarStore store = new ParquetBarStore(folder)) {
            store.merge(ONE, Timeframe.DAY, bars(START, Times.DAY, 10, 100));
            store.merge(ONE, Timeframe.DAY, bars(START + 8 * Times.DAY, Times.DAY, 5, 200));
            Bars merged = store.read(ONE, Timeframe.DAY, Long.MIN_VALUE, Long.MAX_VALUE)
                    .snapshot();
            assertThat(merged.closed()).isEqualTo(13);
            assertThat(merged.open(7)).isEqualTo(100);
            assertThat(merged.open(8)).isEqualTo(200);
        }
    }

    @Test
    void aWholeSourceIsReplacedAtOnceAndMonthsAreNoMinutes() throws IOException {
        try (ParquetBarStore store = new ParquetBarStore(folder)) {
            store.replaceAll(
                    "own",
                    Timeframe.MONTH,
                    Map.of("B", bars(START, 30 * Times.DAY, 3, 1), "A", bars(START, 30 * Times.DAY, 4, 2)));
            assertThat(store.read(new InstrumentId("own", "A"), Timeframe.MONTH, Long.MIN_VALUE, Long.MAX_VALUE)
                            .closed())
                    .isEqualTo(4);
            assertThat(store.timeframes(new InstrumentId("own", "A"))).containsExactly(Timeframe.MONTH);
            assertThat(store.timeframes(ONE)).isEmpty();
        }
    }

    @Test
    void manyAreReadTogetherAsTheyAreReadApart() throws IOException {
        try (ParquetBarStore store = new ParquetBarStore(folder)) {
            store.merge(ONE, Timeframe.DAY, bars(START, Times.DAY, 500, 100));
            store.merge(TWO, Timeframe.DAY, bars(START, Times.DAY, 20, 7));
            store.merge(TWO, Timeframe.MINUTE, bars(START, Times.MINUTE, 3000, 9));
            InstrumentId three = new InstrumentId("own", "THREE");
            assertThat(store.timeframes(three)).isEmpty();
            for (Timeframe timeframe : List.of(Timeframe.DAY, Timeframe.MINUTE)) {
                Map<String, BarSeries> all = store.readAll(
                        "own",
                        timeframe,
                        Set.of(ONE.code(), TWO.code(), "THREE", "NOBODY"),
                        Long.MIN_VALUE,
                        Long.MAX_VALUE);
                assertThat(all.keySet())
                        .containsExactlyInAnyOrderElementsOf(
                                timeframe.equals(Timeframe.DAY)
                                        ? List.of(ONE.code(), TWO.code())
                                        : List.of(TWO.code()));
                for (Map.Entry<String, BarSeries> each : all.entrySet()) {
                    assertSame(
                            each.getValue().snapshot(),
                            store.read(
                                            new InstrumentId("own", each.getKey()),
                                            timeframe,
                                            Long.MIN_VALUE,
                                            Long.MAX_VALUE)
                                    .snapshot());
                }
            }
            long from = START + 30 * Times.DAY;
            long to = START + 40 * Times.DAY;
            Map<String, BarSeries> some = store.readAll("own", Timeframe.DAY, Set.of(ONE.code(), "TWO"), from, to);
            assertThat(some).containsOnlyKeys(ONE.code());
            assertThat(some.get(ONE.code()).snapshot().closed()).isEqualTo(10);
            assertSame(
                    some.get(ONE.code()).snapshot(),
                    store.read(ONE, Timeframe.DAY, from, to).snapshot());
            assertThat(store.readAll("nowhere", Timeframe.DAY, Set.of("TWO"), from, to))
                    .isEmpty();
            assertThat(store.readAll("own", Timeframe.DAY, Set.of(), from, to)).isEmpty();
            // What a pack holds is looked up anew when it has changed.
            store.merge(three, Timeframe.DAY, bars(START, Times.DAY, 3, 1));
            assertThat(store.timeframes(three)).containsExactly(Timeframe.DAY);
        }
    }

    @Test
    void aDamagedFileIsSetAsideAndTheRestIsReadAsEver() throws IOException {
        List<String> told = new CopyOnWriteArrayList<>();
        try (ParquetBarStore store = new ParquetBarStore(folder, told::add)) {
            store.merge(ONE, Timeframe.DAY, bars(START, Times.DAY, 10, 100));
            store.merge(ONE, Timeframe.MINUTE, bars(START, Times.MINUTE, 5000, 50));
            Path pack = folder.resolve("own").resolve("D.parquet");
            Files.writeString(pack, "this is no parquet file");
            assertThat(store.timeframes(ONE)).as("the minutes are sound").containsExactly(Timeframe.MINUTE);
            assertThat(told).singleElement().asString().contains("D.parquet", "set aside");
            assertThat(store.read(ONE, Timeframe.DAY, Long.MIN_VALUE, Long.MAX_VALUE)
                            .closed())
                    .isZero();
            store.merge(ONE, Timeframe.DAY, bars(START, Times.DAY, 3, 1));
            assertThat(store.read(ONE, Timeframe.DAY, Long.MIN_VALUE, Long.MAX_VALUE)
                            .closed())
                    .isEqualTo(3);
            try (Stream<Path> aside = Files.list(folder.resolve("set-aside"))) {
                assertThat(aside.map(this::text)).containsExactly("this is no parquet file");
            }
        }
    }

    private String text(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /** Cut at any place, zeroed or overwritten anywhere, swapped for a foreign file: reading tells, and goes on. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20})
    void anyDamageCostsThatFileAlone(long seed) throws IOException {
        Random random = new Random(seed);
        List<String> told = new CopyOnWriteArrayList<>();
        try (ParquetBarStore store = new ParquetBarStore(folder, told::add)) {
            store.merge(ONE, Timeframe.MINUTE, bars(START, Times.MINUTE, 6000, 50));
            Path file = folder.resolve("own").resolve("1m").resolve("O%27NE.X").resolve("2025-12.parquet");
            byte[] bytes = Files.readAllBytes(file);
            switch ((int) (seed % 5)) {
                case 0 -> Files.write(file, Arrays.copyOf(bytes, random.nextInt(bytes.length)));
                case 1 -> {
                    Arrays.fill(bytes, bytes.length - 1 - random.nextInt(bytes.length / 2), bytes.length, (byte) 0);
                    Files.write(file, bytes);
                }
                case 2 -> {
                    random.nextBytes(bytes);
                    Files.write(file, bytes);
                }
                case 3 -> Files.write(file, new byte[0]);
                default -> {
                    for (int hit = 0; hit < 200; hit++) {
                        bytes[random.nextInt(bytes.length)] ^= (byte) (1 + random.nextInt(255));
                    }
                    Files.write(file, bytes);
                }
            }
            Bars rest = store.read(ONE, Timeframe.MINUTE, Long.MIN_VALUE, Long.MAX_VALUE)
                    .snapshot();
            assertThat(rest.closed()).as("the month that is sound").isBetween(6000 - 2 * 1440, 6000);
            assertThat(told).singleElement().asString().contains("2025-12.parquet");
            store.merge(ONE, Timeframe.MINUTE, bars(START, Times.MINUTE, 6000, 50));
            assertThat(store.read(ONE, Timeframe.MINUTE, Long.MIN_VALUE, Long.MAX_VALUE)
                            .closed())
                    .isEqualTo(6000);
        }
    }
}

package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Times;
import dev.yardarm.data.csv.ReadingOptions;
import dev.yardarm.data.intake.Intake;
import dev.yardarm.desk.room.chart.ChartRoom;
import dev.yardarm.desk.room.layout.Layouts;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Files are taken in while the application runs, and are there at once and after a restart. */
class IntakeWorkTest {
    @TempDir
    private Path folder;

    private static <T> T soon(CompletableFuture<T> coming) throws Exception {
        return coming.get(20, TimeUnit.SECONDS);
    }

    private static Intake.Look look(Desk desk, Front front, Path file) throws Exception {
        CompletableFuture<Intake.Look> seen = new CompletableFuture<>();
        front.run(() -> desk.intake()
                .look(
                        file,
                        ReadingOptions.NONE,
                        seen::complete,
                        failed -> seen.completeExceptionally(new IllegalStateException(failed))));
        return soon(seen);
    }

    private static String take(Desk desk, Front front, Intake.Look look, String code, Timeframe of, boolean without)
            throws Exception {
        CompletableFuture<String> done = new CompletableFuture<>();
        front.run(() -> desk.intake()
                .take(look, code, "Mine", of, without, taken -> done.complete("taken " + taken.id()), done::complete));
        return soon(done);
    }

    private Path days(int count, String last) throws Exception {
        StringBuilder text = new StringBuilder("Date,Open,High,Low,Close,Volume\n");
        for (int day = 0; day < count; day++) {
            text.append(java.time.LocalDate.of(2026, 1, 5).plusDays(day)).append(",10,12,9,11,100\n");
        }
        return Files.writeString(folder.resolve("my days.csv"), text + last);
    }

    @Test
    void barsAreOnAChartAtOnceAndAfterARestart() throws Exception {
        Path home = folder.resolve("home");
        try (Front front = new Front()) {
            try (Desk desk = new Desk(new Desk.Options(home, true, 1, true), front)) {
                Layouts layouts = front.get(() -> new Layouts(desk));
                Intake.Look look = look(desk, front, days(120, ""));
                assertThat(look.code()).isEqualTo("MY_DAYS");
                assertThat(look.timeframe()).contains(Timeframe.DAY);
                assertThat(take(desk, front, look, "abc", Timeframe.DAY, false)).isEqualTo("taken own:ABC");
                Instrument taken = desk.directory().byCode("ABC").orElseThrow();
                assertThat(taken.name()).isEqualTo("Mine");
                ChartRoom chart = front.get(layouts::active);
                front.run(() -> chart.open(taken, Timeframe.DAY));
                front.await("bars", () -> chart.chart().bars().size() == 120);
                assertThat(take(desk, front, look(desk, front, days(130, "")), "ABC", Timeframe.DAY, false))
                        .isEqualTo("taken own:ABC");
                front.run(() -> chart.open(taken, Timeframe.WEEK));
                front.run(() -> chart.open(taken, Timeframe.DAY));
                front.await("the new bars too", () -> chart.chart().bars().size() == 130);
                front.run(layouts::close);
            }
            try (Desk desk = new Desk(new Desk.Options(home, true, 1, true), front)) {
                assertThat(desk.directory().byCode("ABC")).isPresent();
            }
        }
    }

    @Test
    void badRowsAndWrongTimeframesAreToldAndNothingIsWritten() throws Exception {
        try (Front front = new Front();
                Desk desk = new Desk(new Desk.Options(folder.resolve("home"), true, 1, true), front)) {
            Intake.Look look = look(desk, front, days(20, "2026-03-01,10,9,8,11,5\n"));
            assertThat(look.badRows()).hasSize(1);
            assertThat(take(desk, front, look, "BAD", Timeframe.DAY, false))
                    .contains("line 22")
                    .contains("high");
            assertThat(take(desk, front, look, "BAD", Timeframe.MINUTE, true)).contains("bars of D");
            assertThat(desk.directory().byCode("BAD")).isEmpty();
            assertThat(take(desk, front, look, "BAD", Timeframe.DAY, true)).isEqualTo("taken own:BAD");
        }
    }

    @Test
    void tradesMakeBarsOfEveryKind() throws Exception {
        StringBuilder text = new StringBuilder("time,price,size,side\n");
        long start = Times.micros(Instant.parse("2026-06-19T10:00:00Z"));
        for (int tick = 0; tick < 5000; tick++) {
            text.append(Times.instant(start + tick * 500_000L))
                    .append(',')
                    .append(100 + (tick % 40) * 0.25)
                    .append(",2,")
                    .append(tick % 2 == 0 ? "bid" : "ask")
                    .append('\n');
        }
        Path file = Files.writeString(folder.resolve("ticks.csv"), text);
        try (Front front = new Front();
                Desk desk = new Desk(new Desk.Options(folder.resolve("home"), true, 1, true), front)) {
            Layouts layouts = front.get(() -> new Layouts(desk));
            assertThat(take(desk, front, look(desk, front, file), "TT", Timeframe.MINUTE, false))
                    .isEqualTo("taken own:TT");
            Instrument taken = desk.directory().byCode("TT").orElseThrow();
            ChartRoom chart = front.get(layouts::active);
            front.run(() -> chart.open(
                    taken,
                    dev.yardarm.core.source.BarRequest.of(Timeframe.MINUTE)
                            .withRule(dev.yardarm.core.bars.BarRule.parse("ticks:100"))));
            front.await("bars of 100 trades", () -> chart.chart().bars().closed() >= 49);
            assertThat(front.get(() -> chart.chart().madeFrom())).contains("ticks");
            front.run(layouts::close);
        }
    }
}

package dev.yardarm.cli;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.series.Bars;
import dev.yardarm.desk.Desk;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is imported can be opened at the desk, on the timeframes that can be built from it. */
class ImportedDataTest {
    @TempDir
    private Path folder;

    private void run(Object... words) {
        String[] arguments = new String[words.length];
        for (int at = 0; at < words.length; at++) {
            arguments[at] = words[at].toString();
        }
        StringWriter errors = new StringWriter();
        assertThat(Main.run(arguments, new PrintWriter(new StringWriter()), new PrintWriter(errors, true)))
                .as(errors.toString())
                .isZero();
    }

    private Bars load(Desk desk, String code, String timeframe) throws Exception {
        Instrument instrument = desk.directory().byCode(code).orElseThrow();
        return desk.histories()
                .load(
                        instrument,
                        Timeframe.parse(timeframe).orElseThrow(),
                        desk.clock().now())
                .series()
                .snapshot();
    }

    @Test
    void daysBecomeWeeksAndMonths() throws Exception {
        Path csv = folder.resolve("days.csv");
        run("synth", "--seed", 5, "--bars", 520, "--out", csv);
        run("import", "--home", folder.resolve("home"), "--symbol", "gull", "--timeframe", "D", csv);
        try (Desk desk = new Desk(new Desk.Options(folder.resolve("home"), false, 0, true), Runnable::run)) {
            Bars days = load(desk, "GULL", "D");
            Bars weeks = load(desk, "GULL", "W");
            assertThat(days.size()).isEqualTo(520);
            assertThat(weeks.size()).isEqualTo(104);
            assertThat(weeks.close(103)).isEqualTo(days.close(519));
            double volume = 0;
            for (int bar = 0; bar < 520; bar++) {
                volume += days.volume(bar);
            }
            double ofWeeks = 0;
            for (int bar = 0; bar < 104; bar++) {
                ofWeeks += weeks.volume(bar);
            }
            assertThat(ofWeeks).isEqualTo(volume);
            assertThat(load(desk, "GULL", "M").size()).isEqualTo(24);
            assertThat(desk.isDemo()).isFalse();
            assertThat(desk.members("All")).hasSize(1);
        }
    }

    @Test
    void besideARunningApplicationNothingIsImportedAndItIsSaidWhatToDo() throws Exception {
        Path csv = folder.resolve("days.csv");
        run("synth", "--seed", 5, "--bars", 20, "--out", csv);
        Path home = folder.resolve("home");
        StringWriter errors = new StringWriter();
        String[] line = {"import", "--home", home.toString(), "--code", "gull", "--timeframe", "D", csv.toString()};
        try (Desk desk = new Desk(new Desk.Options(home, false, 0, true), Runnable::run)) {
            assertThat(Main.run(line, new PrintWriter(new StringWriter()), new PrintWriter(errors, true)))
                    .isEqualTo(1);
            assertThat(desk.directory().byCode("GULL")).isEmpty();
        }
        assertThat(errors.toString())
                .contains("another Yardarm is running with the home folder " + home)
                .contains("Close it first");
        assertThat(home.resolve("documents/instruments.json")).doesNotExist();
        run((Object[]) line);
        try (Desk desk = new Desk(new Desk.Options(home, false, 0, true), Runnable::run)) {
            assertThat(load(desk, "GULL", "D").size()).isEqualTo(20);
        }
    }

    /** Imports started side by side wait for each other; each finds its instrument registered. */
    @Test
    void importsSideBySideLoseNothing() throws Exception {
        Path csv = folder.resolve("days.csv");
        run("synth", "--seed", 5, "--bars", 20, "--out", csv);
        Path home = folder.resolve("home");
        ExecutorService both = Executors.newFixedThreadPool(3);
        List<Future<?>> imports = new ArrayList<>();
        for (String code : List.of("gull", "tern", "skua")) {
            imports.add(both.submit(() -> run("import", "--home", home, "--code", code, "--timeframe", "D", csv)));
        }
        for (Future<?> each : imports) {
            each.get(60, TimeUnit.SECONDS);
        }
        both.shutdown();
        try (Desk desk = new Desk(new Desk.Options(home, false, 0, true), Runnable::run)) {
            for (String code : List.of("GULL", "TERN", "SKUA")) {
                assertThat(load(desk, code, "D").size()).as(code).isEqualTo(20);
            }
        }
    }

    @Test
    void hoursAcrossDaylightSavingBecomeDaysOfTheirZone() throws Exception {
        StringBuilder csv = new StringBuilder("time,open,high,low,close,volume\n");
        java.time.ZonedDateTime time = java.time.ZonedDateTime.parse("2026-03-27T00:00-01:00[Atlantic/Azores]");
        for (int hour = 0; hour < 24 * 5; hour++) {
            csv.append(time.plusHours(hour).toOffsetDateTime())
                    .append(",1,2,1,")
                    .append(1 + hour % 2)
                    .append(",1\n");
        }
        Path file = Files.writeString(folder.resolve("hours.csv"), csv);
        run(
                "import",
                "--home",
                folder.resolve("home"),
                "--symbol",
                "TERN",
                "--timeframe",
                "1h",
                "--zone",
                "Atlantic/Azores",
                file);
        try (Desk desk = new Desk(new Desk.Options(folder.resolve("home"), false, 0, true), Runnable::run)) {
            Bars days = load(desk, "TERN", "D");
            assertThat(days.volume(0)).isEqualTo(24);
            assertThat(days.volume(2))
                    .as("the day on which the clocks go forward")
                    .isEqualTo(23);
            assertThat(days.volume(3)).isEqualTo(24);
            assertThat(load(desk, "TERN", "4h").size()).isGreaterThanOrEqualTo(30);
        }
    }
}

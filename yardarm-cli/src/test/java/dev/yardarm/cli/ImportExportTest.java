package dev.yardarm.cli;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.series.Times;
import dev.yardarm.data.history.OwnSource;
import dev.yardarm.data.history.ParquetBarStore;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is taken in comes out again; what does not fit is refused before anything is written. */
class ImportExportTest {
    @TempDir
    private Path folder;

    private Path home;
    private String out;
    private String errors;

    @BeforeEach
    void home() {
        home = folder.resolve("home");
    }

    private int run(Object... arguments) {
        StringWriter written = new StringWriter();
        StringWriter told = new StringWriter();
        String[] words = new String[arguments.length];
        for (int at = 0; at < words.length; at++) {
            words[at] = arguments[at].toString();
        }
        int code = Main.run(words, new PrintWriter(written, true), new PrintWriter(told, true));
        out = written.toString();
        errors = told.toString();
        return code;
    }

    private Path file(String name, String text) throws IOException {
        return Files.writeString(folder.resolve(name), text);
    }

    private Path minutes(int count) throws IOException {
        StringBuilder text = new StringBuilder("time,open,high,low,close,volume\n");
        long start = Times.micros(java.time.Instant.parse("2026-01-30T22:00:00Z"));
        for (int bar = 0; bar < count; bar++) {
            double price = 100 + bar % 7 * 0.25;
            text.append(Times.instant(start + bar * Times.MINUTE))
                    .append(',')
                    .append(price)
                    .append(',')
                    .append(price + 0.5)
                    .append(',')
                    .append(price - 0.5)
                    .append(',')
                    .append(price + 0.25)
                    .append(',')
                    .append(bar % 5 == 0 ? "" : String.valueOf(bar))
                    .append('\n');
        }
        return file("minutes.csv", text.toString());
    }

    @Test
    void barsComeBackAsTheyWentInAlsoThroughParquet() throws IOException {
        Path file = minutes(3000);
        assertThat(run("import", "--home", home, "--code", "ab", "--timeframe", "1m", file))
                .as(() -> errors)
                .isZero();
        assertThat(run("export", "--home", home, "--code", "AB", "--timeframe", "1m"))
                .as(() -> errors)
                .isZero();
        List<String> given = Files.readAllLines(file);
        List<String> back = out.lines().toList();
        assertThat(back).hasSameSizeAs(given);
        for (int line = 1; line < given.size(); line++) {
            assertThat(normal(back.get(line))).isEqualTo(normal(given.get(line)));
        }
        Path parquet = folder.resolve("ab.parquet");
        assertThat(run("export", "--home", home, "--code", "AB", "--out", parquet))
                .as(() -> errors)
                .isZero();
        assertThat(run("import", "--home", home, "--code", "CD", parquet))
                .as(() -> errors)
                .isZero();
        assertThat(errors).contains("3000 bars of 1m as CD");
        assertThat(run("export", "--home", home, "--code", "CD")).isZero();
        assertThat(out.lines().toList()).isEqualTo(back);
    }

    private static List<Object> normal(String row) {
        List<Object> values = new ArrayList<>();
        String[] fields = row.split(",", -1);
        values.add(java.time.OffsetDateTime.parse(fields[0]).toInstant());
        for (int field = 1; field < fields.length; field++) {
            values.add(fields[field].isEmpty() ? "" : Double.valueOf(fields[field]));
        }
        return values;
    }

    @Test
    void datesComeBackAsDatesOfTheirZone() throws IOException {
        Path file = file(
                "days.csv",
                "Date;Open;High;Low;Close\n24.10.2026;1,5;2;1;1,75\n25.10.2026;1,5;2;1;1,75\n26.10.2026;1,5;2;1;1,75\n");
        assertThat(run("import", "--home", home, "--code", "D", "--zone", "Europe/Berlin", file))
                .as(() -> errors)
                .isZero();
        assertThat(errors).contains("semicolons").contains("day first").contains("decimal comma");
        assertThat(run("export", "--home", home, "--code", "D")).isZero();
        assertThat(out.lines().skip(1))
                .containsExactly("2026-10-24,1.5,2,1,1.75,", "2026-10-25,1.5,2,1,1.75,", "2026-10-26,1.5,2,1,1.75,");
    }

    @Test
    void tradesAreKeptWithTheMinutesTheyMake() throws IOException {
        Path file = file(
                "ticks.csv",
                """
                time,price,size,side
                2026-06-18T23:59:59.5Z,100.25,3,ask
                2026-06-19T10:00:00Z,100.5,2,bid
                2026-06-19T10:00:00Z,100.5,2,bid
                2026-06-19T10:00:30.123456Z,100.75,1,
                2026-06-19T10:02:00Z,100,4,ask
                """);
        assertThat(run("import", "--home", home, "--code", "T", file))
                .as(() -> errors)
                .isZero();
        assertThat(errors).contains("5 trades and the 3 bars of 1m");
        assertThat(run("export", "--home", home, "--code", "T", "--timeframe", "ticks"))
                .isZero();
        assertThat(out.lines().skip(1))
                .containsExactly(
                        "2026-06-18T23:59:59.5Z,100.25,3,ask",
                        "2026-06-19T10:00:00Z,100.5,2,bid",
                        "2026-06-19T10:00:00Z,100.5,2,bid",
                        "2026-06-19T10:00:30.123456Z,100.75,1,",
                        "2026-06-19T10:02:00Z,100,4,ask");
        assertThat(run("export", "--home", home, "--code", "T", "--timeframe", "1m"))
                .isZero();
        assertThat(out.lines().skip(2).findFirst().orElseThrow())
                .isEqualTo("2026-06-19T10:00:00Z,100.5,100.75,100.5,100.75,5");
        Path parquet = folder.resolve("t.parquet");
        assertThat(run("export", "--home", home, "--code", "T", "--timeframe", "ticks", "--out", parquet))
                .isZero();
        assertThat(run("import", "--home", home, "--code", "U", parquet))
                .as(() -> errors)
                .isZero();
        assertThat(run("export", "--home", home, "--code", "U", "--timeframe", "ticks"))
                .isZero();
        assertThat(out.lines()).hasSize(6);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"D | bars of 1m", "5m | bars of 1m", "1h | mostly 1 minute apart", "W | bars of 1m"})
    void rowsThatAreNoBarsOfTheTimeframeAreRefused(String timeframe, String words) throws IOException {
        assertThat(run("import", "--home", home, "--code", "X", "--timeframe", timeframe, minutes(500)))
                .isEqualTo(1);
        assertThat(errors).contains("minutes.csv").contains(words);
        try (ParquetBarStore store = new ParquetBarStore(home.resolve("history"))) {
            assertThat(store.timeframes(new InstrumentId(OwnSource.NAME, "X"))).isEmpty();
        }
    }

    @Test
    void daysAreNoMinutesAndWeeksNoDaysButHolidaysDoNotMatter() throws IOException {
        StringBuilder days = new StringBuilder("time,open,high,low,close\n");
        StringBuilder weeks = new StringBuilder("time,open,high,low,close\n");
        for (int day = 0; day < 60; day++) {
            java.time.LocalDate date = java.time.LocalDate.of(2026, 1, 5).plusDays(day);
            if (date.getDayOfWeek().getValue() < 6 && day % 9 != 4) {
                days.append(date).append(",1,1,1,1\n");
            }
            weeks.append(date.minusWeeks(day)).append(",1,1,1,1\n");
        }
        Path daily = file("daily.csv", days.toString());
        assertThat(run("import", "--home", home, "--code", "X", "--timeframe", "1m", daily))
                .isEqualTo(1);
        assertThat(errors).contains("bars of D");
        assertThat(run("import", "--home", home, "--code", "X", "--timeframe", "D", daily))
                .as(() -> errors)
                .isZero();
        StringBuilder monthly = new StringBuilder("time,value\n");
        for (int month = 1; month <= 12; month++) {
            monthly.append("2025-").append(month < 10 ? "0" : "").append(month).append("-01,3.5\n");
        }
        Path months = file("months.csv", monthly.toString());
        assertThat(run("import", "--home", home, "--code", "M", "--timeframe", "D", months))
                .isEqualTo(1);
        assertThat(errors).contains("bars of M");
        assertThat(run("import", "--home", home, "--code", "M", months))
                .as(() -> errors)
                .isZero();
        assertThat(errors).contains("12 bars of M");
    }

    @Test
    void eightImportsAtOnceIntoOneHomeAllCount() throws Exception {
        Path file = minutes(200);
        ExecutorService threads = Executors.newFixedThreadPool(8);
        try {
            List<Callable<Integer>> imports = new ArrayList<>();
            for (int number = 0; number < 8; number++) {
                String code = "I" + number;
                imports.add(() -> Main.run(
                        new String[] {
                            "import", "--home", home.toString(), "--code", code, "--timeframe", "1m", file.toString()
                        },
                        new PrintWriter(new StringWriter()),
                        new PrintWriter(new StringWriter())));
            }
            for (var done : threads.invokeAll(imports)) {
                assertThat(done.get()).isZero();
            }
        } finally {
            threads.shutdownNow();
        }
        for (int number = 0; number < 8; number++) {
            assertThat(run("export", "--home", home, "--code", "I" + number))
                    .as(() -> errors)
                    .isZero();
            assertThat(out.lines()).hasSize(201);
        }
    }

    @Test
    void withoutAGoodRowTheBadOnesAreSetAsideAndTold() throws IOException {
        Path file = file(
                "local.csv", "time,open,high,low,close\n2026-01-05T10:00:00,1,1,1,1\n2026-01-05T10:01:00,1,1,1,1\n");
        Path bad = folder.resolve("bad.csv");
        for (String command : List.of("bars", "compute")) {
            int code = command.equals("bars")
                    ? run("bars", "--csv", file, "--kind", "time:5m", "--skip-bad", bad)
                    : run("compute", "--csv", file, "--formula", "close", "--skip-bad", bad);
            assertThat(code).isEqualTo(1);
            assertThat(errors).contains("no row of").contains("--zone").contains("bad.csv");
            assertThat(Files.readAllLines(bad)).hasSize(3);
            Files.delete(bad);
        }
    }

    @Test
    void outputKeepsToTheMaskAndRefusesFolders() throws IOException {
        Path file = minutes(3);
        Path written = folder.resolve("o.csv");
        assertThat(run("compute", "--csv", file, "--formula", "close", "--out", written))
                .isZero();
        Path plain = Files.createFile(folder.resolve("plain"));
        assertThat(Files.getPosixFilePermissions(written)).isEqualTo(Files.getPosixFilePermissions(plain));
        assertThat(run("compute", "--csv", file, "--formula", "close", "--out", "/"))
                .isEqualTo(1);
        assertThat(errors).contains("is a folder");
        assertThat(run("synth", "--seed", 1, "--bars", 2147483647)).isEqualTo(2);
    }

    @Test
    void comparisonsAndTimeframesAreNamedOnceAndAsMeant() throws IOException {
        Path file = minutes(300);
        assertThat(run("compute", "--csv", file, "--formula", "ratio(#TYPO)")).isEqualTo(2);
        assertThat(errors).contains("--with TYPO=FILE");
        assertThat(run(
                        "compute",
                        "--csv",
                        file,
                        "--formula",
                        "ratio(#X)",
                        "--with",
                        "X=" + file,
                        "--with",
                        "x=" + file))
                .isEqualTo(2);
        assertThat(errors).contains("twice");
        assertThat(run("compute", "--csv", file, "--formula", "close on W", "--higher", "w"))
                .isZero();
        assertThat(run("compute", "--csv", file, "--formula", "close on W", "--higher", "1W"))
                .isZero();
        assertThat(run("compute", "--csv", file, "--formula", "close on 1h", "--higher", "60m"))
                .isZero();
        assertThat(run("compute", "--csv", file, "--formula", "close on D", "--higher", "W"))
                .isEqualTo(2);
        assertThat(run("--version")).isZero();
        assertThat(out).contains("Yardarm");
        assertThat(run("compute", "-V")).isZero();
        assertThat(out).contains("Yardarm");
    }

    @Test
    void aContractIsImportedWithItsPointAndMargin() throws IOException {
        assertThat(run("import", "--home", home, "--code", "F", "--point-value", "50", "--margin", "1400", minutes(10)))
                .as(() -> errors)
                .isZero();
        assertThat(Files.readString(home.resolve("documents/instruments.json")))
                .contains("\"pointValue\" : 50.0")
                .contains("\"margin\" : 1400.0");
        assertThat(Timeframe.MINUTE).isNotNull();
    }
}

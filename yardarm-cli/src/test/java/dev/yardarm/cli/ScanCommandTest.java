package dev.yardarm.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A scan without a window over imported instruments. */
class ScanCommandTest {
    private static final List<String> CODES = List.of("ALDER", "BRINE", "COBLE", "DULSE", "EDDY");

    @TempDir
    private Path folder;

    private Path home;
    private String out;
    private String errors;

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

    @BeforeEach
    void imported() throws IOException {
        home = folder.resolve("home");
        for (String code : CODES) {
            assertThat(run("import", "--home", home, "--code", code, "--timeframe", "D", bars(code, 300)))
                    .as(errors)
                    .isZero();
        }
    }

    /** The same walk for the same code, cut after so many bars. */
    private Path bars(String code, int count) throws IOException {
        SplittableRandom random = new SplittableRandom(code.hashCode());
        StringBuilder text = new StringBuilder("time,open,high,low,close,volume\n");
        LocalDate day = LocalDate.of(2024, 1, 1);
        double price = 50 + random.nextInt(50);
        for (int bar = 0; bar < count; day = day.plusDays(1)) {
            if (day.getDayOfWeek() == DayOfWeek.SATURDAY || day.getDayOfWeek() == DayOfWeek.SUNDAY) {
                continue;
            }
            double open = price;
            price = open * (1 + (random.nextDouble() - 0.5) / 20);
            text.append(String.format(
                    Locale.ROOT,
                    "%s,%.4f,%.4f,%.4f,%.4f,%d%n",
                    day,
                    open,
                    Math.max(open, price) * 1.01,
                    Math.min(open, price) * 0.99,
                    price,
                    1000 + random.nextInt(1000)));
            bar++;
        }
        return Files.writeString(folder.resolve(code + "-" + count + ".csv"), text);
    }

    private List<String> codes() {
        return out.lines().skip(1).map(line -> line.substring(0, line.indexOf(','))).toList();
    }

    @Test
    void itFindsWhatFormulasComputedOneByOneSay() throws IOException {
        for (String condition : List.of(
                "close > sma(close, 20)",
                "rsi(14) > 50 and close on W > sma(close, 5) on W",
                "close > close of #ALDER",
                "close crosses above ema(close, 5) seen in 4 or volume > 1.4 * sma(volume, 10)")) {
            List<String> wanted = new ArrayList<>();
            for (String code : CODES) {
                assertThat(run(
                                "compute",
                                "--csv",
                                bars(code, 300),
                                "--with",
                                "ALDER=" + bars("ALDER", 300),
                                "--formula",
                                condition,
                                "--formula",
                                "rsi(14)"))
                        .as(errors)
                        .isZero();
                String[] last = out.strip().substring(out.strip().lastIndexOf('\n') + 1).split(",");
                if (last[1].equals("1")) {
                    wanted.add(code + ",closed," + last[2]);
                }
            }
            assertThat(run("scan", "--home", home, "--formula", condition, "--column", "rsi(14)"))
                    .as(errors)
                    .isZero();
            assertThat(out.lines().skip(1).collect(Collectors.toSet()))
                    .as(condition)
                    .containsExactlyInAnyOrderElementsOf(wanted);
        }
    }

    @Test
    void aScanOfThePastIsAScanOnDataThatEndsThere() throws IOException {
        Path cut = folder.resolve("cut");
        for (String code : CODES) {
            assertThat(run("import", "--home", cut, "--code", code, "--timeframe", "D", bars(code, 180)))
                    .isZero();
        }
        String asof = LocalDate.of(2024, 1, 1).plusDays(7 * 36).toString();
        for (String timeframe : List.of("D", "W")) {
            Object[] wanted = {
                "scan", "--home", cut, "--formula", "close > sma(close, 10)", "--timeframe", timeframe, "--column",
                "close / sma(close, 10)", "--column", "volume", "--rank", "close / sma(close, 10)"
            };
            assertThat(run(wanted)).as(errors).isZero();
            String ends = out;
            List<Object> past = new ArrayList<>(List.of(wanted));
            past.set(2, home);
            past.addAll(List.of("--asof", asof));
            assertThat(run(past.toArray())).as(errors).isZero();
            assertThat(out).isEqualTo(ends);
            assertThat(codes()).isNotEmpty();
        }
    }

    @Test
    void resultsStandInTheirOrderAndTheNearestMissesAreTold() {
        assertThat(run("scan", "--home", home, "--formula", "close > 0", "--rank", "close", "--column", "close"))
                .isZero();
        List<Double> closes = out.lines()
                .skip(1)
                .map(line -> Double.parseDouble(line.substring(line.lastIndexOf(',') + 1)))
                .toList();
        assertThat(closes).hasSize(5).isSortedAccordingTo((a, b) -> Double.compare(b, a));
        assertThat(errors).contains("5 of 5 match");
        assertThat(run("scan", "--home", home, "--formula", "close > 100000", "--codes", "ALDER,EDDY"))
                .isZero();
        assertThat(out).isEqualTo("code,state\n");
        assertThat(errors).contains("0 of 2 match", "nearest miss: ", "close > 100000");
    }

    @Test
    void scansComeFromTheLibraryAndFromFiles() throws IOException {
        assertThat(run("scan", "--home", home, "--scan", "averages in order")).as(errors).isZero();
        Path file = Files.writeString(
                folder.resolve("mine.txt"),
                "scan \"Mine\"\non W\nwhen close > 0\nshow close\norder volume\n");
        assertThat(run("scan", "--home", home, "--scan", file)).as(errors).isZero();
        assertThat(out).startsWith("code,state,close\n");
        assertThat(codes()).hasSize(5);
    }

    @Test
    void whatIsWrongIsToldAndNothingIsWritten() throws IOException {
        Path written = folder.resolve("out.csv");
        assertThat(run("scan", "--home", home, "--formula", "clsoe > 1", "--out", written)).isEqualTo(1);
        assertThat(errors).contains("position 1", "did you mean 'close'");
        assertThat(run("scan", "--home", home, "--formula", "close", "--out", written)).isEqualTo(1);
        assertThat(run("scan", "--home", home, "--scan", "no such", "--out", written)).isEqualTo(2);
        assertThat(run("scan", "--home", home, "--formula", "close > 1", "--list", "no such")).isEqualTo(2);
        assertThat(errors).contains("there is no list 'no such'");
        assertThat(run("scan", "--home", home, "--formula", "close > 1", "--codes", "NOBODY")).isEqualTo(2);
        assertThat(run("scan", "--home", home)).isEqualTo(2);
        assertThat(run("scan", "--home", folder.resolve("nowhere"), "--formula", "close > 1")).isEqualTo(1);
        assertThat(written).doesNotExist();
        assertThat(run("scan", "--home", home, "--formula", "close > 1", "--timeframe", "5m")).isZero();
        assertThat(errors).contains("skipped: ALDER");
    }
}

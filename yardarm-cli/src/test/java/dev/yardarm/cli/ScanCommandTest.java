package dev.yardarm.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A scan without a window over imported instruments. */
class ScanCommandTest {
    private static final List<String> CODES = WalkHome.CODES;

    @TempDir
    private Path folder;

    private Path home;
    private WalkHome walks;

    private int run(Object... arguments) {
        return walks.run(arguments);
    }

    @BeforeEach
    void imported() throws IOException {
        walks = new WalkHome(folder, "home", 300);
        home = walks.home();
    }

    private List<String> codes() {
        return walks.out()
                .lines()
                .skip(1)
                .map(line -> line.substring(0, line.indexOf(',')))
                .toList();
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
                                walks.bars(code, 300),
                                "--with",
                                "ALDER=" + walks.bars("ALDER", 300),
                                "--formula",
                                condition,
                                "--formula",
                                "rsi(14)"))
                        .as(walks.errors())
                        .isZero();
                String[] last = walks.out()
                        .strip()
                        .substring(walks.out().strip().lastIndexOf('\n') + 1)
                        .split(",");
                if (last[1].equals("1")) {
                    wanted.add(code + ",closed," + last[2]);
                }
            }
            assertThat(run("scan", "--home", home, "--formula", condition, "--column", "rsi(14)"))
                    .as(walks.errors())
                    .isZero();
            assertThat(walks.out().lines().skip(1).collect(Collectors.toSet()))
                    .as(condition)
                    .containsExactlyInAnyOrderElementsOf(wanted);
        }
    }

    @Test
    void aScanOfThePastIsAScanOnDataThatEndsThere() throws IOException {
        WalkHome cut = new WalkHome(folder, "cut", 180);
        String asof = LocalDate.of(2024, 1, 1).plusDays(7 * 36).toString();
        for (String timeframe : List.of("D", "W")) {
            Object[] wanted = {
                "scan",
                "--home",
                cut.home(),
                "--formula",
                "close > sma(close, 10)",
                "--timeframe",
                timeframe,
                "--column",
                "close / sma(close, 10)",
                "--column",
                "volume",
                "--rank",
                "close / sma(close, 10)"
            };
            assertThat(cut.run(wanted)).as(cut.errors()).isZero();
            String ends = cut.out();
            List<Object> past = new ArrayList<>(List.of(wanted));
            past.set(2, home);
            past.addAll(List.of("--asof", asof));
            assertThat(run(past.toArray())).as(walks.errors()).isZero();
            assertThat(walks.out()).isEqualTo(ends);
            assertThat(codes()).isNotEmpty();
        }
    }

    @Test
    void resultsStandInTheirOrderAndTheNearestMissesAreTold() {
        assertThat(run("scan", "--home", home, "--formula", "close > 0", "--rank", "close", "--column", "close"))
                .isZero();
        List<Double> closes = walks.out()
                .lines()
                .skip(1)
                .map(line -> Double.parseDouble(line.substring(line.lastIndexOf(',') + 1)))
                .toList();
        assertThat(closes).hasSize(5).isSortedAccordingTo((a, b) -> Double.compare(b, a));
        assertThat(walks.errors()).contains("5 of 5 match");
        assertThat(run("scan", "--home", home, "--formula", "close > 100000", "--codes", "ALDER,EDDY"))
                .isZero();
        assertThat(walks.out()).isEqualTo("code,state\n");
        assertThat(walks.errors()).contains("0 of 2 match", "nearest miss: ", "close > 100000");
    }

    @Test
    void scansComeFromTheLibraryAndFromFiles() throws IOException {
        assertThat(run("scan", "--home", home, "--scan", "averages in order"))
                .as(walks.errors())
                .isZero();
        Path file = Files.writeString(
                folder.resolve("mine.txt"), "scan \"Mine\"\non W\nwhen close > 0\nshow close\norder volume\n");
        assertThat(run("scan", "--home", home, "--scan", file))
                .as(walks.errors())
                .isZero();
        assertThat(walks.out()).startsWith("code,state,close\n");
        assertThat(codes()).hasSize(5);
    }

    @Test
    void whatIsWrongIsToldAndNothingIsWritten() throws IOException {
        Path written = folder.resolve("out.csv");
        assertThat(run("scan", "--home", home, "--formula", "clsoe > 1", "--out", written))
                .isEqualTo(1);
        assertThat(walks.errors()).contains("position 1", "did you mean 'close'");
        assertThat(run("scan", "--home", home, "--formula", "close", "--out", written))
                .isEqualTo(1);
        assertThat(run("scan", "--home", home, "--scan", "no such", "--out", written))
                .isEqualTo(2);
        assertThat(run("scan", "--home", home, "--formula", "close > 1", "--list", "no such"))
                .isEqualTo(2);
        assertThat(walks.errors()).contains("there is no list 'no such'");
        assertThat(run("scan", "--home", home, "--formula", "close > 1", "--codes", "NOBODY"))
                .isEqualTo(2);
        assertThat(run("scan", "--home", home)).isEqualTo(2);
        assertThat(run("scan", "--home", folder.resolve("nowhere"), "--formula", "close > 1"))
                .isEqualTo(1);
        assertThat(written).doesNotExist();
        assertThat(run("scan", "--home", home, "--formula", "close > 1", "--timeframe", "5m"))
                .isZero();
        assertThat(walks.errors()).contains("skipped: ALDER");
    }

    /** A scan is scheduled, its runs are missed, and a command makes the last one up as of when it was due. */
    @Test
    void whatIsDueRunsAsOfItsMoment() throws IOException {
        Path text = folder.resolve("up.txt");
        Files.writeString(text, "scan \"Up\"\non D\nwhen close > sma(close, 5)\n");
        assertThat(run("scan", "--home", home, "--due")).isZero();
        assertThat(walks.errors()).contains("nothing is due");
        assertThat(run("scan", "--home", home, "--scan", text, "--schedule", "evenings"))
                .isZero();
        assertThat(walks.errors()).contains("'Up' runs each evening, ten minutes after the close");
        assertThat(run("scan", "--home", home, "--due")).isZero();
        assertThat(codes()).isEmpty();
        // As if it had run last in the middle of May 2024, when the walks went on.
        Path kept = home.resolve("documents").resolve("scan-schedules.json");
        String schedules = Files.readString(kept);
        long since = LocalDate.of(2024, 5, 14).atStartOfDay(ZoneOffset.UTC).toEpochSecond() * 1_000_000;
        Files.writeString(kept, schedules.replaceAll("\"since\" ?: ?[0-9]+", "\"since\" : " + since));
        assertThat(run("scan", "--home", home, "--due")).isZero();
        assertThat(walks.errors()).contains("has been made up").contains("were missed and left out");
        List<String> rows = walks.out().lines().toList();
        assertThat(rows.get(0)).isEqualTo("scan,due,code,state,new");
        assertThat(rows.subList(1, rows.size())).isNotEmpty().allMatch(each -> each.startsWith("Up,2"));
        // It is done: nothing more is due.
        assertThat(run("scan", "--home", home, "--due")).isZero();
        assertThat(walks.errors()).contains("nothing is due");
        assertThat(run("scan", "--home", home, "--due", "--formula", "close > 0"))
                .isEqualTo(2);
        assertThat(run("scan", "--home", home, "--formula", "close > 0", "--schedule", "evenings"))
                .isEqualTo(2);
        assertThat(run("scan", "--home", home, "--scan", "Up", "--schedule", "sometimes"))
                .isEqualTo(2);
    }

    @Test
    void aHomeWithoutBarsSaysWhyNothingWasFound() throws IOException {
        Path empty = Files.createDirectory(folder.resolve("empty"));
        assertThat(run("scan", "--home", empty, "--formula", "close > 0")).isZero();
        assertThat(walks.errors()).contains("0 of 0 match", "the home holds no bars of its own yet");
    }
}

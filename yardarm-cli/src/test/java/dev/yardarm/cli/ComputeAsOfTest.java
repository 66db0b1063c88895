package dev.yardarm.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** {@code compute --asof} gives what it gives on files that end there. */
class ComputeAsOfTest extends AtTheCommandLine {
    @BeforeEach
    void files() {
        assertThat(run("synth", "--seed", 5, "--bars", 300, "--out", folder.resolve("one.csv")))
                .isZero();
        assertThat(run("synth", "--seed", 6, "--bars", 300, "--out", folder.resolve("other.csv")))
                .isZero();
    }

    /** The header and the rows before a time. */
    private Path ending(String name, String before) throws IOException {
        List<String> kept = new ArrayList<>();
        for (String row : Files.readAllLines(folder.resolve(name + ".csv"))) {
            if (kept.isEmpty() || row.compareTo(before) < 0) {
                kept.add(row);
            }
        }
        return Files.write(folder.resolve(name + "-ending.csv"), kept);
    }

    private String compute(Path one, Path other, String... more) {
        List<Object> words = new ArrayList<>(List.of("compute", "--csv", one, "--with", "OTHER=" + other));
        for (String formula : List.of(
                "sma(close, 20)",
                "rsi(14)",
                "correlation(30, #OTHER)",
                "(sma(close, 3) on W)",
                "(high on forming M)",
                "close crosses above ema(close, 10)")) {
            words.add("--formula");
            words.add(formula);
        }
        words.addAll(List.of(more));
        assertThat(run(words.toArray())).as(errors.toString()).isZero();
        return out.toString();
    }

    @Test
    void theResultIsThatOfFilesThatEndThere() throws IOException {
        List<String> rows = Files.readAllLines(folder.resolve("one.csv"));
        for (int row : new int[] {2, 40, 121, 257}) {
            String date = rows.get(row).substring(0, 10);
            String cut = compute(folder.resolve("one.csv"), folder.resolve("other.csv"), "--asof", date);
            String ends = compute(ending("one", date), ending("other", date));
            assertThat(cut).as("as of " + date).isEqualTo(ends);
            assertThat(cut.lines().count()).isEqualTo(row);
        }
        String all = compute(folder.resolve("one.csv"), folder.resolve("other.csv"));
        assertThat(compute(folder.resolve("one.csv"), folder.resolve("other.csv"), "--asof", "2999-01-01"))
                .isEqualTo(all);
    }

    @Test
    void timesAreReadWithAndWithoutOffsetAndBadOnesToldWithTheirOption() {
        String date = "2999-01-01";
        Path one = folder.resolve("one.csv");
        for (String time :
                List.of(date, date + "T10:00", date + " 10:00", date + "T10:00:00Z", date + "T10:00+02:00")) {
            assertThat(run("compute", "--csv", one, "--formula", "close", "--asof", time))
                    .as(time)
                    .isZero();
        }
        assertThat(run("compute", "--csv", one, "--formula", "close", "--asof", "yesterday"))
                .isEqualTo(2);
        assertThat(errors.toString()).contains("--asof", "'yesterday' is no time", "2026-03-02T14:30");
        assertThat(run("compute", "--csv", one, "--formula", "close", "--asof", "1900-01-01"))
                .isZero();
        assertThat(out.toString().lines().count()).as("nothing was known then").isEqualTo(1);
    }

    @Test
    void sidesOfTradesAreThoseKnownThen() throws IOException {
        StringBuilder bars = new StringBuilder("time,open,high,low,close,volume\n");
        StringBuilder ticks = new StringBuilder("time,price,size,side\n");
        for (int hour = 0; hour < 60; hour++) {
            String time = "2026-03-0" + (2 + hour / 24) + "T" + String.format("%02d", hour % 24);
            bars.append(time).append(":00:00Z,10,11,9,10,5\n");
            if (hour < 50) {
                ticks.append(time).append(":15:00Z,10,").append(hour + 1).append(hour % 3 == 0 ? ",bid\n" : ",ask\n");
            }
        }
        Files.writeString(folder.resolve("h.csv"), bars);
        Files.writeString(folder.resolve("t.csv"), ticks);
        String end = "2026-03-03T07";
        for (String name : List.of("h", "t")) {
            ending(name, end);
        }
        assertThat(run(
                        "compute",
                        "--csv",
                        folder.resolve("h.csv"),
                        "--ticks",
                        folder.resolve("t.csv"),
                        "--formula",
                        "delta.bar",
                        "--asof",
                        end + ":00:00Z"))
                .isZero();
        String cut = out.toString();
        assertThat(run(
                        "compute",
                        "--csv",
                        folder.resolve("h-ending.csv"),
                        "--ticks",
                        folder.resolve("t-ending.csv"),
                        "--formula",
                        "delta.bar"))
                .isZero();
        assertThat(cut).isEqualTo(out.toString()).contains(",-1", ",2");
    }
}

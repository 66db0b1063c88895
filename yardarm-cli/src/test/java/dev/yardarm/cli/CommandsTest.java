package dev.yardarm.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.data.history.ParquetBarStore;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class CommandsTest {
    @TempDir
    private Path folder;

    private final StringWriter out = new StringWriter();
    private final StringWriter errors = new StringWriter();

    private int run(Object... arguments) {
        out.getBuffer().setLength(0);
        errors.getBuffer().setLength(0);
        String[] words = new String[arguments.length];
        for (int at = 0; at < words.length; at++) {
            words[at] = arguments[at].toString();
        }
        return Main.run(words, new PrintWriter(out, true), new PrintWriter(errors, true));
    }

    private Path bars() throws IOException {
        return Files.writeString(
                folder.resolve("bars.csv"),
                """
                time,open,high,low,close,volume
                2026-01-05,10,11,9,10.5,100
                2026-01-06,10.5,12,10,11.5,200
                2026-01-07,11.5,13,11,12.25,
                2026-01-08,12,12.5,10,10.25,150
                """);
    }

    @Test
    void computesColumnsWithFullPrecisionAndEmptyWhereUnknown() throws IOException {
        assertThat(run(
                        "compute",
                        "--csv",
                        bars(),
                        "--formula",
                        "sma(close, 3)",
                        "--formula",
                        "close crosses above 11",
                        "--formula",
                        "volume"))
                .isZero();
        List<String> lines = out.toString().lines().toList();
        assertThat(lines.get(0)).isEqualTo("time,\"sma(close, 3)\",close crosses above 11,volume");
        assertThat(lines.get(1)).isEqualTo("2026-01-05,,,100");
        assertThat(lines.get(2)).isEqualTo("2026-01-06,,1,200");
        assertThat(lines.get(3)).startsWith("2026-01-07,11.41666666666666").endsWith(",0,");
        assertThat(Double.parseDouble(lines.get(4).split(",")[1])).isCloseTo(34.0 / 3, within(1e-12));
        assertThat(errors.toString()).isEmpty();
    }

    @Test
    void formulasReadDrawingsOfAFileByTheirNames() throws IOException {
        Path friday = Files.writeString(
                folder.resolve("week.csv"),
                """
                time,open,high,low,close,volume
                2026-01-08,10,11,9,10.5,100
                2026-01-09,10.5,12,10,11.5,200
                2026-01-12,11.5,13,11,12.25,10
                2026-01-13,12,12.5,10,10.25,150
                """);
        Path drawings = Files.writeString(
                folder.resolve("drawings.json"),
                """
                {"format": "yardarm/tracing", "version": 1, "instrument": "own:X", "drawings": [
                  {"id": "a", "kind": "line", "origin": "D", "colour": 0, "width": 1, "opacity": 1, "visible": true,
                   "name": "neckline", "anchors": [{"time": 1767830400000000, "price": 10}, {"time": 1767916800000000, "price": 11}]}
                ]}
                """);
        assertThat(run(
                        "compute",
                        "--csv",
                        friday,
                        "--drawings",
                        drawings,
                        "--formula",
                        "drawing \"neckline\"",
                        "--formula",
                        "close > drawing \"Neckline\""))
                .isZero();
        assertThat(out.toString().lines().skip(1))
                .as("straight from bar to bar, over the days without one")
                .containsExactly("2026-01-08,10,1", "2026-01-09,11,1", "2026-01-12,12,1", "2026-01-13,13,0");
        assertThat(run("compute", "--csv", friday, "--formula", "drawing \"neckline\""))
                .isEqualTo(2);
        assertThat(errors.toString()).contains("--drawings");
        assertThat(run("compute", "--csv", friday, "--drawings", drawings, "--formula", "drawing \"floor\""))
                .isEqualTo(1);
        assertThat(errors.toString()).contains("no drawing named \"floor\"");
        Path foreign = Files.writeString(folder.resolve("foreign.json"), "{\n  \"shapes\": [}");
        assertThat(run("compute", "--csv", friday, "--drawings", foreign, "--formula", "drawing \"floor\""))
                .isEqualTo(1);
        assertThat(errors.toString()).contains("line 2");
    }

    @Test
    void outputsHigherTimeframesAndOtherInstrumentsAreComputed() throws IOException {
        Path other = Files.writeString(
                folder.resolve("other.csv"),
                """
                time,open,high,low,close,volume
                2026-01-05,2,2,2,2,1
                2026-01-06,4,4,4,4,1
                2026-01-08,5,5,5,5,1
                """);
        assertThat(run(
                        "compute",
                        "--csv",
                        bars(),
                        "--with",
                        "MARN=" + other,
                        "--with",
                        "benchmark=" + other,
                        "--formula",
                        "bollinger(close, 2, 2).upper",
                        "--formula",
                        "ratio(#MARN)",
                        "--formula",
                        "ratio",
                        "--formula",
                        "open on forming W",
                        "--formula",
                        "close on W",
                        "--higher",
                        "M,W"))
                .isZero();
        List<String> lines = out.toString().lines().toList();
        assertThat(lines.get(1)).isEqualTo("2026-01-05,,5.25,5.25,10,");
        // The mean of 10.5 and 11.5 is 11, their deviation 0.5.
        assertThat(lines.get(2)).isEqualTo("2026-01-06,12,2.875,2.875,10,");
        assertThat(lines.get(3).split(",", -1)[2])
                .as("the other has no bar on that day")
                .isEmpty();
        assertThat(lines.get(4)).endsWith(",2.05,2.05,10,");
    }

    @Test
    void deltaIsOfTheTradesInATickFileAndEstimatedElsewhere() throws IOException {
        Path ticks = Files.writeString(
                folder.resolve("ticks.csv"),
                """
                time,price,size,side
                2026-01-06T09:00:00Z,11,30,ask
                2026-01-06T09:00:00Z,11,12,bid
                2026-01-07T15:00:00Z,12,5,bid
                """);
        assertThat(run(
                        "compute",
                        "--csv",
                        bars(),
                        "--zone",
                        "UTC",
                        "--ticks",
                        ticks,
                        "--formula",
                        "delta.bar",
                        "--formula",
                        "delta.estimated"))
                .isZero();
        List<String> lines = out.toString().lines().toList();
        assertThat(lines.get(1)).as("before the trades").endsWith(",1");
        assertThat(lines.get(2)).endsWith(",18,0");
        assertThat(lines.get(3)).endsWith(",-5,0");
        assertThat(lines.get(4)).as("behind them").endsWith(",1");
    }

    @Test
    void theReferenceInTheDocumentsIsThatOfTheCatalogue() throws IOException {
        Path file = folder.resolve("indicators.md");
        assertThat(run("reference", "--out", file)).isZero();
        assertThat(Files.readString(Path.of("..", "docs", "indicators.md")))
                .as("made by ./yardarm reference --out " + "docs/indicators.md")
                .isEqualTo(Files.readString(file));
    }

    @Test
    void theReferenceOfFormulasInTheDocumentsIsThatOfTheCode() throws IOException {
        Path file = folder.resolve("formulas.md");
        assertThat(run("reference", "--formulas", "--out", file)).isZero();
        assertThat(Files.readString(Path.of("..", "docs", "formulas.md")))
                .as("made by ./yardarm reference --formulas --out docs/formulas.md")
                .isEqualTo(Files.readString(file))
                .contains("comparison\n    : left=choice");
    }

    @Test
    void writesToAFile() throws IOException {
        Path result = folder.resolve("result.csv");
        assertThat(run("compute", "--csv", bars(), "--formula", "close", "--out", result))
                .isZero();
        assertThat(out.toString()).isEmpty();
        assertThat(result)
                .content()
                .isEqualTo("time,close\n2026-01-05,10.5\n2026-01-06,11.5\n2026-01-07,12.25\n" + "2026-01-08,10.25\n");
        assertThat(run("compute", "--csv", bars(), "--formula", "close", "--out", folder.resolve("no/such/x.csv")))
                .isEqualTo(1);
        assertThat(errors.toString()).contains("does not exist");
    }

    @Test
    void aWrongFormulaIsToldWithItsPlace() throws IOException {
        assertThat(run("compute", "--csv", bars(), "--formula", "clsoe + 1")).isEqualTo(1);
        assertThat(errors.toString()).contains("position 1", "did you mean 'close'", "^^^^^");
        assertThat(out.toString()).isEmpty();
    }

    @Test
    void wrongUsageIsExitCodeTwo() throws IOException {
        assertThat(run("compute", "--formula", "close")).isEqualTo(2);
        assertThat(run("nonsense")).isEqualTo(2);
        assertThat(run()).isEqualTo(2);
        assertThat(run("compute", "--csv", bars(), "--formula", "close", "--zone", "Nowhere/Land"))
                .isEqualTo(2);
        assertThat(run("compute", "--csv", bars(), "--formula", "close on M", "--higher", "W"))
                .isEqualTo(2);
        assertThat(errors.toString()).contains("reads M, which is not among --higher W");
        assertThat(run("compute", "--csv", bars(), "--formula", "close", "--higher", "X"))
                .isEqualTo(2);
        assertThat(run("synth", "--seed", "1", "--bars", "0")).isEqualTo(2);
        assertThat(run("synth", "--seed", "1", "--bars", "5", "--kind", "zigzag"))
                .isEqualTo(2);
        assertThat(run("import", "--home", folder, "--symbol", "X", "--timeframe", "q7", bars()))
                .isEqualTo(2);
    }

    @Test
    void badRowsAreAnErrorOrSetAside() throws IOException {
        Path bad = Files.writeString(
                folder.resolve("bad.csv"),
                "time,open,high,low,close\n2026-01-05,1,2,1,x\n" + "2026-01-06,1,2,1,2\n2026-01-07,3,2,1,2\n");
        assertThat(run("compute", "--csv", bad, "--formula", "close")).isEqualTo(1);
        assertThat(errors.toString()).contains("bad.csv, line 2, column 5 (close)", "1 more bad row");
        Path aside = folder.resolve("aside.csv");
        assertThat(run("compute", "--csv", bad, "--formula", "close", "--skip-bad", aside))
                .isZero();
        assertThat(out.toString()).isEqualTo("time,close\n2026-01-06,2\n");
        assertThat(errors.toString()).contains("2 bad rows were set aside");
        assertThat(aside).content().contains("2026-01-05,1,2,1,x").contains("not a number");
    }

    @Test
    void synthMakesTheSameBarsForTheSameSeedThatComputeReads() throws IOException {
        Path one = folder.resolve("one.csv");
        assertThat(run("synth", "--seed", "7", "--bars", "300", "--kind", "trend", "--out", one))
                .isZero();
        run("synth", "--seed", "7", "--bars", "300", "--kind", "trend");
        assertThat(out.toString()).isEqualTo(Files.readString(one));
        assertThat(run("compute", "--csv", one, "--formula", "rsi(14)")).isZero();
        assertThat(out.toString().lines()).hasSize(301);
    }

    @Test
    void importsBarsAndAddsToThem() throws Exception {
        Path home = folder.resolve("home");
        assertThat(run("import", "--home", home, "--symbol", "abc", "--timeframe", "D", "--name", "A test", bars()))
                .isZero();
        assertThat(errors.toString()).contains("imported 4 bars of D as ABC");
        Path more = Files.writeString(
                folder.resolve("more.csv"),
                "time,open,high,low,close,volume\n" + "2026-01-08,12,12.5,10,10.75,150\n2026-01-09,11,11,11,11,1\n");
        assertThat(run("import", "--home", home, "--symbol", "ABC", "--timeframe", "D", more))
                .isZero();
        try (ParquetBarStore store = new ParquetBarStore(home.resolve("history"))) {
            var bars = store.read(new InstrumentId("own", "ABC"), Timeframe.DAY, Long.MIN_VALUE, Long.MAX_VALUE)
                    .snapshot();
            assertThat(bars.closed()).isEqualTo(5);
            assertThat(bars.close(3)).isEqualTo(10.75);
        }
        assertThat(home.resolve("documents/instruments.json")).content().contains("\"A test\"");
        assertThat(run("import", "--home", home, "--symbol", "a/b", "--timeframe", "D", more))
                .isEqualTo(2);
        assertThat(run("import", "--home", home, "--symbol", "ABC", "--timeframe", "D", folder.resolve("none.csv")))
                .isEqualTo(1);
    }
}

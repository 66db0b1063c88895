package dev.yardarm.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** {@code detect}: findings of a bar file as JSON lines. */
class DetectCommandTest extends AtTheCommandLine {
    private List<JsonNode> found() throws IOException {
        List<JsonNode> all = new ArrayList<>();
        for (String line : out.toString().lines().toList()) {
            all.add(new ObjectMapper().readTree(line));
        }
        return all;
    }

    private Path closes(double... closes) throws IOException {
        List<String> rows = new ArrayList<>(List.of("time,open,high,low,close,volume"));
        for (int bar = 0; bar < closes.length; bar++) {
            String price = String.valueOf(closes[bar]);
            rows.add(String.format("2024-03-%02d,%s,%s,%s,%s,1", bar + 1, price, price, price, price));
        }
        return Files.write(folder.resolve("closes.csv"), rows);
    }

    @Test
    void aFindingSaysWhatWhereFromWhenAndWhatBecameOfIt() throws IOException {
        Path file = closes(100, 110, 105, 99, 95, 104, 112);
        assertThat(run("detect", "--csv", file, "--detector", "pivots", "--set", "reversal=10%"))
                .isZero();
        assertThat(found()).hasSize(4);
        JsonNode high = found().get(1);
        assertThat(high.toString())
                .isEqualTo(
                        "{\"detector\":\"pivots\",\"kind\":\"swing_high\",\"id\":\"pivots-1\",\"from\":\"2024-03-02\","
                                + "\"to\":\"2024-03-02\",\"points\":[{\"role\":\"high\",\"time\":\"2024-03-02\",\"price\":110}],"
                                + "\"states\":[{\"state\":\"provisional\",\"knownAt\":\"2024-03-02\"},"
                                + "{\"state\":\"confirmed\",\"knownAt\":\"2024-03-04\"},"
                                + "{\"state\":\"broken\",\"knownAt\":\"2024-03-07\"}],\"score\":1,\"invalidation\":110}");
        assertThat(errors.toString()).contains("4 findings in 7 bars");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "pivots",
                "levels",
                "trend-lines",
                "gaps",
                "order-blocks",
                "patterns",
                "candles",
                "divergences",
                "waves",
                "targets"
            })
    void asOfIsTheFileThatEndsThere(String detector) throws IOException {
        Path whole = folder.resolve("whole.csv");
        assertThat(run("synth", "--seed", 5, "--bars", 500, "--out", whole)).isZero();
        List<String> rows = new ArrayList<>(Files.readAllLines(whole));
        // The walk goes on where it closed; without some of its bars it has gaps.
        for (int row = 500; row > 0; row -= 4) {
            rows.remove(row);
        }
        Files.write(whole, rows);
        for (int count : new int[] {2, 40, 333, 370}) {
            String before = rows.get(count + 1).split(",")[0];
            Path ending = Files.write(folder.resolve("ending.csv"), rows.subList(0, count + 1));
            assertThat(run("detect", "--csv", ending, "--detector", detector)).isZero();
            String wanted = out.toString();
            assertThat(run("detect", "--csv", whole, "--detector", detector, "--asof", before))
                    .isZero();
            assertThat(out.toString()).isEqualTo(wanted);
        }
        Path json = folder.resolve("found.json");
        assertThat(run("detect", "--csv", whole, "--detector", detector, "--out", json))
                .isZero();
        List<String> known = new ArrayList<>();
        for (String line : Files.readAllLines(json)) {
            known.add(new ObjectMapper()
                    .readTree(line)
                    .get("states")
                    .get(0)
                    .get("knownAt")
                    .asText());
        }
        assertThat(known).isNotEmpty().isSorted();
    }

    @Test
    void whatIsWrongIsSaid() throws IOException {
        Path file = closes(1, 2, 3);
        assertThat(run("detect", "--csv", file, "--detector", "zigzag")).isEqualTo(2);
        assertThat(errors.toString()).contains("there is no detector 'zigzag'; there are pivots, levels");
        assertThat(run("detect", "--csv", file, "--detector", "pivots", "--set", "reversal"))
                .isEqualTo(2);
        assertThat(errors.toString()).contains("--set is NAME=VALUE");
        assertThat(run("detect", "--csv", file, "--detector", "pivots", "--set", "bars=-1"))
                .isEqualTo(2);
        assertThat(errors.toString()).contains("bars must be from 0 to 500");
        assertThat(run("detect", "--csv", file, "--detector", "pivots", "--set", "bars=2", "--set", "atr=2"))
                .isEqualTo(2);
        assertThat(errors.toString()).contains("give one of them");
        assertThat(run("detect", "--csv", folder.resolve("none.csv"), "--detector", "gaps"))
                .isEqualTo(1);
        assertThat(run("detect", "--csv", closes(2, 2, 2), "--detector", "gaps"))
                .isZero();
        assertThat(out.toString()).isEmpty();
        assertThat(errors.toString()).contains("0 findings in 3 bars");
    }

    /** What is planted is found, as of when it could be known, and the truth says where to look. */
    @Test
    void whatIsPlantedStandsInTheTruthAndIsFound() throws IOException {
        Path bars = folder.resolve("planted.csv");
        Path truth = folder.resolve("truth.jsonl");
        assertThat(run(
                        "synth",
                        "--seed",
                        "12",
                        "--bars",
                        "900",
                        "--plant",
                        "double_top",
                        "--plant",
                        "rectangle",
                        "--truth",
                        truth,
                        "--out",
                        bars))
                .isZero();
        List<JsonNode> planted = new ArrayList<>();
        for (String line : Files.readAllLines(truth)) {
            planted.add(new ObjectMapper().readTree(line));
        }
        assertThat(planted).hasSizeGreaterThan(2);
        assertThat(planted.get(0).get("kind").asText()).isEqualTo("double_top");
        assertThat(planted.get(1).get("kind").asText()).isEqualTo("rectangle");
        assertThat(run("detect", "--csv", bars, "--detector", "patterns", "--set", "kind=double_top"))
                .isZero();
        List<JsonNode> found = found();
        for (JsonNode each : planted) {
            if (each.get("kind").asText().equals("double_top")) {
                String first = each.get("points").get(0).get("time").asText();
                assertThat(found)
                        .as(first)
                        .anyMatch(finding -> finding.get("points")
                                        .get(0)
                                        .get("time")
                                        .asText()
                                        .equals(first)
                                && finding.get("states")
                                        .get(1)
                                        .get("state")
                                        .asText()
                                        .equals("confirmed"));
            }
        }
        assertThat(run("synth", "--seed", "1", "--bars", "300", "--truth", truth))
                .isEqualTo(2);
        assertThat(errors.toString()).contains("--plant", "double_top");
        assertThat(run("synth", "--seed", "1", "--bars", "300", "--plant", "castle"))
                .isEqualTo(2);
        assertThat(run("synth", "--seed", "1", "--bars", "300", "--kind", "ticks", "--plant", "rectangle"))
                .isEqualTo(2);
    }

    @Test
    void divergencesReadAnyFormula() throws IOException {
        Path bars = folder.resolve("walk.csv");
        assertThat(run("synth", "--seed", "3", "--bars", "1500", "--out", bars)).isZero();
        assertThat(run("detect", "--csv", bars, "--detector", "divergences")).isZero();
        String usual = out.toString();
        assertThat(run("detect", "--csv", bars, "--detector", "divergences", "--set", "source=rsi(14)"))
                .isZero();
        assertThat(out.toString()).isEqualTo(usual).isNotEmpty();
        assertThat(run("detect", "--csv", bars, "--detector", "divergences", "--set", "source=rsi(5)"))
                .isZero();
        assertThat(out.toString()).isNotEqualTo(usual);
        assertThat(run("detect", "--csv", bars, "--detector", "divergences", "--set", "source=rsy(5)"))
                .isEqualTo(2);
        assertThat(errors.toString()).contains("rsi");
        assertThat(run("detect", "--csv", bars, "--detector", "levels", "--set", "source=close"))
                .isEqualTo(2);
        assertThat(errors.toString()).contains("levels reads bars alone");
    }
}

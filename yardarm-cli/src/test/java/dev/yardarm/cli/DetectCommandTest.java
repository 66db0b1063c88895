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
    @ValueSource(strings = {"pivots", "levels", "gaps", "order-blocks"})
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
        assertThat(errors.toString()).contains("there is no detector 'zigzag'; there are pivots, levels, gaps");
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
}

package dev.yardarm.core.structure;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.structure.catalogue.Detectors;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What the application says of a detector's reliability is what was measured and written down. */
class ReliabilityTest {
    @Test
    void theFiguresAreThoseOfTheTable() throws IOException {
        List<String> rows = Files.readAllLines(Path.of("..", "docs", "detectors.md")).stream()
                .filter(line -> line.matches("\\| [a-z_]+ \\|( -?[0-9.]+ \\|){10}"))
                .toList();
        assertThat(rows).hasSizeGreaterThan(15);
        for (String row : rows) {
            String[] cells =
                    Stream.of(row.split("\\|")).map(String::strip).skip(1).toArray(String[]::new);
            Reliability told = Reliability.of(cells[0]).orElseThrow();
            assertThat(told.clear()).isEqualTo(rate(cells, 1));
            assertThat(told.middling()).isEqualTo(rate(cells, 4));
            assertThat(told.faint()).isEqualTo(rate(cells, 7));
            assertThat(told.onWalks()).isEqualTo(Double.parseDouble(cells[10]));
            assertThat(told.words()).contains(Math.round(100 * told.clear().recall()) + " %");
        }
    }

    private static Reliability.Rate rate(String[] cells, int at) {
        return new Reliability.Rate(
                Double.parseDouble(cells[at]), Double.parseDouble(cells[at + 1]), Double.parseDouble(cells[at + 2]));
    }

    @Test
    void everyKindThatWasPlantedIsOneSomeDetectorFinds() {
        List<String> kinds = Detectors.all().stream()
                .flatMap(each -> each.kinds().stream())
                .map(Detector.Kind::name)
                .toList();
        assertThat(kinds.stream()
                        .filter(each -> Reliability.of(each).isPresent())
                        .map(each -> each.replaceFirst("_\\d$", ""))
                        .distinct())
                .hasSize(18);
        assertThat(Reliability.of("swing_high")).isEmpty();
        assertThat(Reliability.wordsOf("swing_high")).contains("whenever its rule holds");
        assertThat(Reliability.wordsOf("impulse_2")).isEqualTo(Reliability.wordsOf("impulse"));
        assertThat(Reliability.table(Detectors.named("patterns").orElseThrow()))
                .contains("Double top: found 99 % of clear")
                .contains("Pennant: ");
        assertThat(Reliability.table(Detectors.named("gaps").orElseThrow())).isEmpty();
    }
}

package dev.yardarm.core.structure;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.catalogue.Detectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class WhyNothingTest {
    private static String why(String detector, Bars bars) {
        return WhyNothing.of(Detectors.named(detector).orElseThrow(), bars);
    }

    private static Bars closes(int count, java.util.function.IntToDoubleFunction close) {
        return TestBars.ofCloses(IntStream.range(0, count).mapToDouble(close).toArray());
    }

    @Test
    void theLikeliestReasonIsTold() {
        assertThat(why("levels", Bars.EMPTY)).isEqualTo("There are no bars.");
        assertThat(why("levels", closes(80, bar -> Double.NaN))).isEqualTo("None of the bars has a price.");
        assertThat(why("levels", StructureBars.moved(closes(80, bar -> 50), price -> 50)))
                .isEqualTo("Prices do not move.");
        assertThat(why("levels", closes(12, bar -> 50 + bar % 3))).isEqualTo("There are only 12 bars with a price.");
        assertThat(why("levels", closes(80, bar -> 50 + bar))).contains("nothing turns");
        assertThat(why("levels", closes(80, bar -> 500 - bar))).contains("nothing turns");
        assertThat(why("levels", StructureBars.walk(1, 100)))
                .contains("100 bars")
                .contains("Smaller swings");
        assertThat(why("gaps", closes(80, bar -> 50 + bar)))
                .contains("keeps its rule")
                .doesNotContain("swings");
    }
}

package dev.yardarm.market;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Detecting;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import dev.yardarm.core.structure.catalogue.Detectors;
import dev.yardarm.market.planted.Planted;
import dev.yardarm.market.synthetic.PlantedBars;
import dev.yardarm.market.synthetic.SyntheticBars;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Planted structure: its truth is true of the bars, and the clear ones are found. */
class PlantedBarsTest {
    static Stream<String> kinds() {
        return PlantedBars.kinds().stream();
    }

    @Test
    void theSameSeedGivesTheSameBarsAndAnotherOthers() {
        PlantedBars.Made one = PlantedBars.make(7, 400, SyntheticBars.Kind.WALK, List.of("rectangle", "pennant"), 0.5);
        PlantedBars.Made same = PlantedBars.make(7, 400, SyntheticBars.Kind.WALK, List.of("rectangle", "pennant"), 0.5);
        PlantedBars.Made other =
                PlantedBars.make(8, 400, SyntheticBars.Kind.WALK, List.of("rectangle", "pennant"), 0.5);
        assertThat(same.truth()).isEqualTo(one.truth()).isNotEqualTo(other.truth());
        for (int bar = 0; bar < 400; bar++) {
            assertThat(same.series().snapshot().close(bar))
                    .isEqualTo(one.series().snapshot().close(bar));
        }
        assertThat(one.truth()).extracting(Planted::kind).startsWith("rectangle");
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void theTruthIsTrueOfTheBars(String kind) {
        for (long seed = 1; seed <= 20; seed++) {
            PlantedBars.Made made = PlantedBars.make(
                    seed, 500, seed % 2 == 0 ? SyntheticBars.Kind.WALK : SyntheticBars.Kind.TREND, List.of(kind), 1);
            Bars bars = made.series().snapshot();
            assertThat(bars.closed()).isEqualTo(500);
            assertThat(made.truth()).isNotEmpty().allMatch(each -> each.kind().equals(kind));
            for (Planted each : made.truth()) {
                assertThat(each.from()).isLessThan(each.to());
                assertThat(each.knowable()).isGreaterThan(each.to()).isLessThan(500);
                for (Planted.Point point : each.points()) {
                    assertThat(point.bar()).isBetween(each.from(), each.to());
                    // Prices of the file have cents.
                    assertThat(Math.min(
                                    Math.abs(bars.high(point.bar()) - point.price()),
                                    Math.abs(bars.low(point.bar()) - point.price())))
                            .isLessThan(0.011);
                }
            }
            for (int bar = 0; bar < 500; bar++) {
                assertThat(bars.low(bar)).isLessThanOrEqualTo(Math.min(bars.open(bar), bars.close(bar)));
                assertThat(bars.high(bar)).isGreaterThanOrEqualTo(Math.max(bars.open(bar), bars.close(bar)));
            }
        }
    }

    /** Most of what is drawn clearly is found, in time; what the table of the detectors says more exactly. */
    @ParameterizedTest
    @MethodSource("kinds")
    void clearOnesAreFound(String kind) {
        int planted = 0;
        int found = 0;
        Detector detector = Detectors.all().stream()
                .filter(each -> each.kinds().stream().anyMatch(own -> own.name().equals(kind)))
                .findFirst()
                .orElseThrow();
        for (long seed = 501; seed <= 530; seed++) {
            PlantedBars.Made made = PlantedBars.make(seed, 320, SyntheticBars.Kind.WALK, List.of(kind), 1);
            Bars bars = made.series().snapshot();
            Detecting detecting = new Detecting(detector, detector.settings(Map.of()));
            detecting.update(bars);
            FindingLog log = detecting.log();
            for (Planted each : made.truth()) {
                planted++;
                for (int place = 0; place < log.size(); place++) {
                    FindingLog.Standing entry = log.entry(place);
                    if (entry.state() == Finding.State.CONFIRMED
                            && entry.finding().kind().equals(kind)
                            && Math.abs(entry.knownAt() - each.knowable()) <= 15) {
                        found++;
                        break;
                    }
                }
            }
        }
        assertThat(found).as(found + " of " + planted).isGreaterThan((int) (0.65 * planted));
    }

    @Test
    void whatCannotBePlantedIsToldWithWhatCan() {
        assertThatThrownBy(() -> PlantedBars.make(1, 400, SyntheticBars.Kind.WALK, List.of("castle"), 1))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("'castle'")
                .hasMessageContaining("double_top");
        assertThatThrownBy(() -> PlantedBars.make(1, 40, SyntheticBars.Kind.WALK, List.of("rectangle"), 1))
                .hasMessageContaining("nothing has room in 40 bars");
        assertThatThrownBy(() -> PlantedBars.make(1, 400, SyntheticBars.Kind.WALK, List.of("rectangle"), 2))
                .hasMessageContaining("clarity");
    }
}

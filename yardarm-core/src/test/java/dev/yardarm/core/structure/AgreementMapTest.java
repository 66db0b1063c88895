package dev.yardarm.core.structure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

/** Where several sources agree on a price. */
class AgreementMapTest {
    private static AgreementMap.Mark mark(String source, double price) {
        return new AgreementMap.Mark(source, source + " at " + price, price);
    }

    @Test
    void sourcesWithinReachOfEachOtherAgreeAndOneCountsOnce() {
        AgreementMap map = AgreementMap.of(
                List.of(
                        mark("levels W", 104),
                        mark("levels W", 104.25),
                        mark("retracement", 104.125),
                        mark("targets", 104.5),
                        mark("trend lines", 98),
                        mark("levels D", 98.375),
                        mark("targets", Double.NaN)),
                0.5);
        List<AgreementMap.Zone> zones = map.zones(2);
        assertThat(zones).hasSize(2);
        assertThat(zones.get(0).words())
                .isEqualTo("3 agree: retracement at 104.125, levels W at 104.25, targets at 104.5");
        assertThat(zones.get(0).low()).as("the narrowest").isEqualTo(104.125);
        assertThat(zones.get(0).high()).isEqualTo(104.5);
        assertThat(zones.get(1).sources()).containsExactly("trend lines", "levels D");
        assertThat(map.zones(4)).isEmpty();
        assertThat(map.marks()).hasSize(6);
        assertThat(map.density(98.1875)).isEqualTo(2);
        assertThat(map.density(100)).isZero();
        assertThat(map.density(104.25)).as("two of one source count once").isEqualTo(3);
        assertThat(map.near(104)).extracting(AgreementMap.Mark::price).containsExactly(104.0, 104.125, 104.25);
    }

    @Test
    void zonesNeverOverlapAndNoneIsWiderThanAskedFor() {
        SplittableRandom chance = new SplittableRandom(4);
        for (int round = 0; round < 200; round++) {
            List<AgreementMap.Mark> marks = new ArrayList<>();
            for (int each = 0; each < 60; each++) {
                marks.add(mark("s" + chance.nextInt(9), chance.nextDouble(90, 110)));
            }
            double near = chance.nextDouble(0.1, 3);
            List<AgreementMap.Zone> zones = AgreementMap.of(marks, near).zones(2);
            for (AgreementMap.Zone zone : zones) {
                assertThat(zone.high() - zone.low()).isLessThanOrEqualTo(near);
                assertThat(zone.sources()).hasSizeGreaterThanOrEqualTo(2);
                assertThat(zones.stream().filter(other -> other.low() <= zone.high() && other.high() >= zone.low()))
                        .containsExactly(zone);
            }
            for (int at = 1; at < zones.size(); at++) {
                assertThat(zones.get(at).sources().size())
                        .isLessThanOrEqualTo(zones.get(at - 1).sources().size());
            }
        }
    }

    @Test
    void nothingAgreesWithoutReach() {
        assertThatThrownBy(() -> AgreementMap.of(List.of(), 0)).hasMessageContaining("above 0");
        assertThat(AgreementMap.of(List.of(), 1).zones(1)).isEmpty();
    }
}

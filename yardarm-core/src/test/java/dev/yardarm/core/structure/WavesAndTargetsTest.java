package dev.yardarm.core.structure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.drawing.WaveRules;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.structure.catalogue.Detectors;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Wave counts against their rules and guidelines, and targets from what is there, by hand. */
class WavesAndTargetsTest {
    private static FindingLog found(String name, Map<String, String> settings, Bars bars) {
        Detector detector = Detectors.named(name).orElseThrow();
        Detecting detecting = new Detecting(detector, detector.settings(settings));
        detecting.update(bars);
        return detecting.log();
    }

    private static final Map<String, String> ALL_COUNTS = Map.of("degrees", "1", "counts", "8");

    /** 1 from 90 to 100, 2 back to 94, 3 to 112, 4 back to 106, 5 to 115; then down. */
    @Test
    void fiveWavesThatKeepTheRulesAreAnImpulseWhoseLastWaveIsSettledByTheTurn() {
        Bars bars = StructureBars.course(97, 90, 100, 94, 112, 106, 115, 104);
        FindingLog log = found("waves", ALL_COUNTS, bars);
        FindingLog.Standing impulse = log.asOf(bars.size() - 1).stream()
                .filter(each -> each.finding().kind().equals("impulse")
                        && each.finding().points().size() == 6)
                .findFirst()
                .orElseThrow();
        assertThat(impulse.finding().points())
                .extracting(Finding.Point::role)
                .containsExactly("start", "1", "2", "3", "4", "5");
        assertThat(impulse.finding().points())
                .extracting(Finding.Point::price)
                .containsExactly(89.75, 100.25, 93.75, 112.25, 105.75, 115.25);
        // All guidelines: 2 gives back 0.62, 3 is 1.76, 4 gives back 0.35, they differ by a quarter, 5 is 0.9 of 1.
        assertThat(impulse.finding().score()).isEqualTo(1);
        // What follows: to the end of 4, or 0.382 of the whole.
        assertThat(impulse.finding().lines().get("target_to")).isCloseTo(115.25 - 0.382 * 25.5, within(1e-9));
        List<String> states = log.history(impulse.number(), 1000).stream()
                .map(each -> each.state().name())
                .distinct()
                .toList();
        assertThat(states).startsWith("PROVISIONAL", "CONFIRMED").contains("REACHED");
    }

    /** At every bar every count that stands keeps the rules, and there are never more than asked for that may be taken back. */
    @Test
    void noCountThatStandsBreaksARule() {
        for (long seed = 1; seed <= 5; seed++) {
            Bars bars = StructureBars.walk(seed, 500);
            FindingLog log = found("waves", Map.of("swing", "2"), bars);
            for (int bar = 0; bar < bars.size(); bar += 3) {
                List<FindingLog.Standing> standing = log.asOf(bar);
                // Beside the rivals whole impulses may wait for the close that leaves them.
                assertThat(standing.stream()
                                .filter(each -> each.state() == Finding.State.PROVISIONAL
                                        && !(each.finding().kind().startsWith("impulse")
                                                && each.finding().points().size() == 6))
                                .count())
                        .isLessThanOrEqualTo(3);
                for (FindingLog.Standing each : standing) {
                    double[] prices = each.finding().points().stream()
                            .mapToDouble(Finding.Point::price)
                            .toArray();
                    List<String> broken =
                            switch (each.finding().kind().replaceFirst("_\\d$", "")) {
                                case "impulse" -> WaveRules.impulse(prices);
                                case "zigzag" -> WaveRules.zigzag(prices);
                                case "flat" -> WaveRules.flat(prices);
                                case "triangle" -> WaveRules.triangle(prices);
                                default -> WaveRules.combination(prices);
                            };
                    assertThat(broken).as(each.toString()).isEmpty();
                }
            }
        }
    }

    /** The fourth wave enters the first: no impulse, whatever else it is. */
    @Test
    void wavesThatBreakARuleAreNoImpulse() {
        Bars bars = StructureBars.course(97, 90, 100, 94, 112, 98, 118, 104);
        assertThat(found("waves", ALL_COUNTS, bars).asOf(bars.size() - 1))
                .noneMatch(each -> each.finding().kind().equals("impulse")
                        && each.finding().points().size() > 4
                        && each.finding().points().get(0).price() == 89.75);
    }

    @Test
    void aCountThatIsUnderWaySaysWhereItMayEndAndWhereItIsNone() {
        Bars bars = StructureBars.course(97, 90, 100, 94, 103);
        FindingLog log = found("waves", ALL_COUNTS, bars);
        Finding begun = log.asOf(bars.size() - 1).stream()
                .map(FindingLog.Standing::finding)
                .filter(each -> each.kind().equals("impulse") && each.points().size() == 4)
                .findFirst()
                .orElseThrow();
        // Wave 3 is under way from 93.75: it ends the count to fall below.
        assertThat(begun.invalidation()).isEqualTo(93.75);
        Bars fallen = StructureBars.course(97, 90, 100, 94, 103, 85);
        FindingLog after = found("waves", ALL_COUNTS, fallen);
        assertThat(after.asOf(fallen.size() - 1))
                .noneMatch(each -> each.finding().kind().equals("impulse")
                        && each.finding().points().get(0).price() == 89.75
                        && each.state() == Finding.State.PROVISIONAL);
    }

    /** A leg from 90 to 104, back to 97: as far again is 111. */
    @Test
    void aMeasuredLegIsATargetUntilItIsReachedOrVoid() {
        Bars bars = StructureBars.course(97, 90, 104, 97, 104);
        FindingLog log = found("targets", Map.of(), bars);
        Finding leg = log.asOf(bars.size() - 1).stream()
                .map(FindingLog.Standing::finding)
                .filter(each -> each.kind().equals("measured_leg"))
                .findFirst()
                .orElseThrow();
        assertThat(leg.target()).isCloseTo(96.75 + (104.25 - 89.75), within(1e-9));
        assertThat(leg.invalidation()).isEqualTo(96.75);
        Column nearest = Formula.parse("targets.nearest_up", Language.builtIn()).evaluate(bars);
        assertThat(nearest.at(bars.size() - 1)).isEqualTo(leg.target());
        Bars reached = StructureBars.course(97, 90, 104, 97, 112);
        assertThat(found("targets", Map.of(), reached).asOf(reached.size() - 1))
                .anyMatch(
                        each -> each.finding().kind().equals("measured_leg") && each.state() == Finding.State.REACHED);
        Bars failed = StructureBars.course(97, 90, 104, 97, 104, 92);
        assertThat(found("targets", Map.of(), failed).asOf(failed.size() - 1))
                .anyMatch(each -> each.finding().kind().equals("measured_leg") && each.state() == Finding.State.FAILED);
    }

    @Test
    void aCompletedPatternHasItsTargetAmongThem() {
        Bars bars = StructureBars.course(80, 110, 100, 110, 97);
        FindingLog log = found("targets", Map.of(), bars);
        assertThat(log.asOf(bars.size() - 1)).anySatisfy(each -> {
            assertThat(each.finding().kind()).isEqualTo("pattern_target");
            assertThat(each.finding().points().get(1).role()).isEqualTo("double_top");
            assertThat(each.finding().target()).isCloseTo(89.25, within(1e-9));
        });
        Column room = Formula.parse("targets.nearest_down / close - 1", Language.builtIn())
                .evaluate(bars);
        assertThat(room.at(bars.size() - 1)).isNegative();
    }

    /** Counts of larger swings are of a larger degree: their kind says so, and their labels are those of that degree. */
    @Test
    void eachDegreeHasLabelsOfItsOwn() {
        Bars bars = StructureBars.walk(2, 900);
        Detector waves = Detectors.named("waves").orElseThrow();
        FindingLog log = found("waves", Map.of("swing", "1.5"), bars);
        Map<String, String> degrees = new java.util.TreeMap<>();
        for (int place = 0; place < log.size(); place++) {
            FindingLog.Standing entry = log.entry(place);
            String number = entry.finding().kind().replaceFirst("^[a-z]+_?", "");
            Figured figured = waves.figures(new Sight(entry.finding(), null, entry.state(), 0, Long.MAX_VALUE))
                    .get(0);
            String before = degrees.put(number, figured.options().get("degree"));
            assertThat(before).isIn(null, figured.options().get("degree"));
        }
        assertThat(degrees).isEqualTo(Map.of("", "minute", "2", "minor", "3", "intermediate"));
    }
}

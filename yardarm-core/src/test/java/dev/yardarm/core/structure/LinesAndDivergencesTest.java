package dev.yardarm.core.structure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.structure.catalogue.Detectors;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Trend lines, channels, divergences and candles, by hand. */
class LinesAndDivergencesTest {
    private static FindingLog found(String name, Map<String, String> settings, Bars bars) {
        Detector detector = Detectors.named(name).orElseThrow();
        Detecting detecting = new Detecting(detector, detector.settings(settings));
        detecting.update(bars);
        return detecting.log();
    }

    private static List<FindingLog.Standing> of(String kind, FindingLog log, Bars bars) {
        return log.asOf(bars.size() - 1).stream()
                .filter(each -> each.finding().kind().equals(kind))
                .toList();
    }

    private static List<String> states(FindingLog log, FindingLog.Standing of) {
        return log.history(of.number(), Integer.MAX_VALUE).stream()
                .map(each -> each.state() + " " + each.knownAt())
                .toList();
    }

    /** Lows at 100, 105, 110 and 115, twenty bars apart; then through the line, back to it from below, and away. */
    @Test
    void aLineThroughThreeLowsIsTouchedBrokenAndRetestedFromBelow() {
        Bars bars = StructureBars.course(120, 100, 112, 105, 118, 110, 122, 115, 126, 108, 121.9, 105);
        FindingLog log = found("trend-lines", Map.of(), bars);
        FindingLog.Standing line = of("support_line", log, bars).get(0);
        assertThat(line.finding().points()).extracting(Finding.Point::price).startsWith(99.75, 104.75, 109.75, 114.75);
        assertThat(line.finding().lines().get("line")).isEqualTo(109.75);
        List<String> states = states(log, line);
        assertThat(states.get(1)).startsWith("CONFIRMED");
        // The fourth low is a touch; the fall to 108 closes below the line; the rise to 121.9 comes back to it.
        assertThat(states.stream().map(each -> each.split(" ")[0]).toList())
                .containsSubsequence("PROVISIONAL", "CONFIRMED", "RETESTED", "BROKEN", "RETESTED");
        int broken = Integer.parseInt(states.stream()
                .filter(each -> each.startsWith("BROKEN"))
                .findFirst()
                .orElseThrow()
                .split(" ")[1]);
        double there = 99.75 + (broken - 9) * 0.25;
        assertThat(bars.close(broken)).isLessThan(there);
        assertThat(bars.close(broken - 2)).isGreaterThan(there - 0.5);
    }

    @Test
    void threeLowsThatLieOnNoLineMakeNone() {
        Bars bars = StructureBars.course(120, 100, 112, 109, 118, 110, 122);
        assertThat(of("support_line", found("trend-lines", Map.of(), bars), bars))
                .isEmpty();
    }

    @Test
    void whereTheOtherSideRunsBesideItIsAChannel() {
        Bars bars = StructureBars.course(95, 113, 100, 118, 105, 123, 110, 125);
        FindingLog log = found("trend-lines", Map.of(), bars);
        FindingLog.Standing channel = of("rising_channel", log, bars).get(0);
        double wide = channel.finding().lines().get("across")
                - channel.finding().lines().get("line");
        assertThat(wide).isCloseTo(118.25 - 99.75 - 2.5, within(0.3));
    }

    /** The second high is higher in price and lower in strength: half of the rise was given back before. */
    @Test
    void aHigherHighOfPriceWithALowerOneOfItsMeasureIsABearishDivergence() {
        Bars bars = StructureBars.course(100, 100.5, 100, 120, 110, 121, 105);
        FindingLog log = found("divergences", Map.of(), bars);
        FindingLog.Standing bearish = of("bearish", log, bars).stream()
                .filter(each -> each.finding().points().get(2).price() == 121.25)
                .findFirst()
                .orElseThrow();
        Indicator rsi = Catalogue.builtIn().find("rsi").orElseThrow();
        ColumnGraph graph = new ColumnGraph();
        ColumnGraph.Node node = rsi.in(graph, Settings.standard(rsi)).get(0);
        graph.update(bars);
        int first = bars.barAt(bearish.finding().points().get(0).time());
        int second = bars.barAt(bearish.finding().points().get(2).time());
        assertThat(bars.high(second)).isGreaterThan(bars.high(first));
        assertThat(node.output().at(second)).isLessThan(node.output().at(first));
        assertThat(bearish.finding().invalidation()).isEqualTo(121.25);
        assertThat(bearish.finding().target())
                .isEqualTo(bearish.finding().points().get(1).price());
        List<String> states = states(log, bearish);
        assertThat(states.get(0)).startsWith("PROVISIONAL");
        assertThat(states.stream().map(each -> each.split(" ")[0]).toList())
                .containsSubsequence("CONFIRMED", "REACHED");
        int played = Integer.parseInt(states.get(states.size() - 1).split(" ")[1]);
        assertThat(bars.close(played)).isLessThan(bearish.finding().target());
        assertThat(bars.close(played - 1))
                .isGreaterThanOrEqualTo(bearish.finding().target());
    }

    @Test
    void theMeasureMayBeAnyFormulaAndAgreementIsNoDivergence() {
        Bars bars = StructureBars.course(new double[] {1, 9, 1, 3, 1, 9}, 100, 120, 112, 122, 105, 130, 100);
        Column volume =
                Formula.parse("divergence(volume).bearish", Language.builtIn()).evaluate(bars);
        Column price =
                Formula.parse("divergence(close).bearish", Language.builtIn()).evaluate(bars);
        int told = 0;
        int agreed = 0;
        for (int bar = 0; bar < bars.size(); bar++) {
            told += volume.at(bar) == 1 ? 1 : 0;
            agreed += price.at(bar) == 1 ? 1 : 0;
        }
        assertThat(told)
                .as("price rises from 120 to 122 on a third of the volume")
                .isEqualTo(1);
        assertThat(agreed).as("price agrees with itself").isZero();
    }

    @Test
    void candlePatternsAreToldWhereTheirCuesHold() {
        Bars bars = StructureBars.walk(21, 600);
        FindingLog log = found("candles", Map.of(), bars);
        Column cue = Formula.parse("engulfing.bullish", Language.builtIn()).evaluate(bars);
        List<Integer> held = new java.util.ArrayList<>();
        for (int bar = 0; bar < bars.size(); bar++) {
            if (cue.at(bar) == 1) {
                held.add(bar);
            }
        }
        assertThat(of("engulfing_bullish", log, bars).stream()
                        .map(FindingLog.Standing::knownAt)
                        .toList())
                .isEqualTo(held)
                .isNotEmpty();
        assertThat(found("candles", Map.of("kind", "engulfing_bullish"), bars).count())
                .isEqualTo(held.size());
    }

    /** Climax at 110, reaction to 100, test at 109, weakness to 98, a false break to 113, back inside, and out through 98. */
    @Test
    void aRangeWithAnUpthrustIsACandidateOnceBackInsideAndConfirmedBelowItsBorder() {
        Bars bars = StructureBars.course(80, 110, 100, 109, 98, 113, 90, 84);
        FindingLog log = found("ranges", Map.of(), bars);
        FindingLog.Standing range = of("distribution", log, bars).get(0);
        assertThat(range.finding().points())
                .extracting(Finding.Point::role)
                .containsExactly(
                        "buying_climax", "automatic_reaction", "secondary_test", "sign_of_weakness", "upthrust");
        assertThat(range.finding().invalidation()).isEqualTo(113.25);
        assertThat(range.finding().target()).isCloseTo(97.75 - (110.25 - 97.75), within(1e-9));
        List<String> states = states(log, range);
        // From 113 it falls 2.3 a bar: 108.4 at bar 51 is the first close below 110.25, 96.9 at bar 56 the first below
        // 97.75.
        assertThat(states.get(0)).isEqualTo("PROVISIONAL 51");
        assertThat(states).contains("CONFIRMED 56");
        assertThat(states.get(states.size() - 1)).startsWith("REACHED");
    }

    @Test
    void whatBreaksTheRelationOfTheSwingsIsNoRange() {
        for (double[] turns : new double[][] {
            // The test too far from the climax, the second low above the first, no false break, and a close too far
            // inside at once.
            {80, 110, 100, 105, 98, 113, 90},
            {80, 110, 100, 109, 102, 113, 90},
            {80, 110, 100, 109, 98, 108, 90},
        }) {
            assertThat(of(
                            "distribution",
                            found("ranges", Map.of(), StructureBars.course(turns)),
                            StructureBars.course(turns)))
                    .isEmpty();
        }
        Bars held = StructureBars.course(80, 110, 100, 109, 98, 113, 106, 118);
        FindingLog log = found("ranges", Map.of(), held);
        assertThat(of("distribution", log, held)).as("beyond the upthrust").isEmpty();
        assertThat(log.count()).isPositive();
    }

    @Test
    void theClimaxMayBeAskedForItsVolume() {
        double[] volumes = {1000, 1000, 1000, 1000, 1000, 1000, 1000};
        double[] turns = {80, 110, 100, 109, 98, 113, 90, 84};
        Map<String, String> asked = Map.of("climax", "1.5", "off", "0");
        assertThat(found("ranges", asked, StructureBars.course(volumes, turns)).count())
                .isZero();
        volumes[0] = 3000;
        // All of the rise had three times the volume, so its mean before the climax had too.
        assertThat(found("ranges", asked, StructureBars.course(volumes, turns)).count())
                .isZero();
        assertThat(found("ranges", Map.of("climax", "0.5", "off", "0"), StructureBars.course(volumes, turns))
                        .count())
                .isPositive();
    }
}

package dev.yardarm.core.structure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.structure.catalogue.Detectors;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Chart patterns drawn by hand against their published rules: legal ones are told with all they say, broken ones are not. */
class PatternsTest {
    private static List<FindingLog.Standing> found(Bars bars, String kind, Map<String, String> more) {
        Map<String, String> settings = new HashMap<>(more);
        settings.put("kind", kind);
        Detector patterns = Detectors.named("patterns").orElseThrow();
        Detecting detecting = new Detecting(patterns, patterns.settings(settings));
        detecting.update(bars);
        return detecting.log().asOf(bars.size() - 1);
    }

    private static List<FindingLog.Standing> found(Bars bars, String kind) {
        return found(bars, kind, Map.of());
    }

    /** 80, up to 110, back to 100, up to 110 again, and through 100. */
    @Test
    void aDoubleTopIsCompletedByTheFirstCloseBelowItsValleyAndPointsAsFarDownAsItIsHigh() {
        Bars bars = StructureBars.course(80, 110, 100, 110, 85, 84);
        List<FindingLog.Standing> found = found(bars, "double_top");
        assertThat(found).hasSize(1);
        FindingLog.Standing top = found.get(0);
        Finding finding = top.finding();
        assertThat(finding.points())
                .extracting(Finding.Point::role)
                .containsExactly("first_high", "valley", "second_high");
        assertThat(finding.points()).extracting(Finding.Point::price).containsExactly(110.25, 99.75, 110.25);
        assertThat(finding.points())
                .extracting(point -> point.time() / Times.DAY)
                .containsExactly(9L, 19L, 29L);
        assertThat(finding.lines()).containsEntry("neckline", 99.75);
        assertThat(finding.target()).isCloseTo(99.75 - 10.5, within(1e-9));
        assertThat(finding.invalidation()).isEqualTo(110.25);
        // It falls 2.5 a bar from 110: the close of bar 34 is 97.5, the first below 99.75.
        Detector patterns = Detectors.named("patterns").orElseThrow();
        Detecting detecting = new Detecting(patterns, patterns.settings(Map.of("kind", "double_top")));
        detecting.update(bars);
        List<String> states = detecting.log().history(top.number(), 100).stream()
                .map(each -> each.state() + " " + each.knownAt())
                .toList();
        assertThat(states.get(0)).startsWith("PROVISIONAL");
        assertThat(states).contains("CONFIRMED 34", "REACHED 38");
        assertThat(top.state()).isEqualTo(Finding.State.REACHED);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "tops too far apart in price|80, 110, 100, 106, 85",
                "nothing came before that it could turn|108, 110, 100, 110, 85",
                "no close below the valley|80, 110, 100, 110, 104",
                "a close above the tops first|80, 110, 100, 110, 106, 114, 85",
            })
    void whatIsNoDoubleTopIsNotTold(String why, String turns) {
        Bars bars = StructureBars.course(numbers(turns));
        assertThat(found(bars, "double_top")).as(why).noneMatch(each -> each.state() != Finding.State.PROVISIONAL);
    }

    @Test
    void oneThatFormsSaysWhatWouldCompleteItAndWhatWouldVoidIt() {
        List<FindingLog.Standing> found = found(StructureBars.course(80, 110, 100, 110, 104), "double_top");
        assertThat(found).singleElement().satisfies(each -> {
            assertThat(each.state()).isEqualTo(Finding.State.PROVISIONAL);
            assertThat(each.finding().lines()).containsEntry("neckline", 99.75).containsEntry("extreme", 110.25);
            assertThat(each.finding().target()).isCloseTo(89.25, within(1e-9));
            assertThat(each.finding().invalidation()).isEqualTo(110.25);
        });
    }

    @Test
    void oneThatWasCompletedFailsByACloseBeyondItsTops() {
        List<FindingLog.Standing> found = found(StructureBars.course(80, 110, 100, 110, 96, 116), "double_top");
        assertThat(found).singleElement().satisfies(each -> assertThat(each.state())
                .isEqualTo(Finding.State.FAILED));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "double_bottom|120, 90, 100, 90, 115",
                "triple_top|80, 110, 100, 110, 100, 110, 90",
                "triple_bottom|120, 90, 100, 90, 100, 90, 110",
                "head_shoulders|80, 106, 100, 112, 100, 106, 92",
                "inverse_head_shoulders|120, 94, 100, 88, 100, 94, 108",
                "ascending_triangle|80, 110, 98, 110, 102, 110, 106, 118",
                "descending_triangle|120, 90, 102, 90, 98, 90, 94, 82",
                "symmetrical_triangle|80, 112, 96, 109, 99, 106, 102, 116",
                "rising_wedge|80, 100, 94.2, 103, 98.6, 106, 103, 109, 90",
                "falling_wedge|120, 100, 105.8, 97, 101.4, 94, 97, 91, 110",
                "rectangle|80, 110, 100, 110, 100, 110, 100, 122",
            })
    void eachKindIsFoundWhereItIsDrawn(String kind, String turns) {
        List<FindingLog.Standing> found = found(StructureBars.course(numbers(turns)), kind);
        assertThat(found)
                .anySatisfy(each -> assertThat(each.state()).isIn(Finding.State.CONFIRMED, Finding.State.REACHED));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "head_shoulders|a head no higher than the shoulders|80, 106, 100, 106.5, 100, 106, 92",
                "head_shoulders|shoulders of different height|80, 101.5, 100, 112, 100, 108, 92",
                "head_shoulders|no advance before|103, 106, 100, 112, 100, 106, 92",
                "triple_top|the third too low|80, 110, 100, 110, 100, 105, 90",
                "ascending_triangle|highs that fall|80, 110, 98, 106, 100, 102, 100.5, 110",
                "ascending_triangle|left downwards|80, 110, 98, 110, 102, 110, 106, 109, 80",
                "rectangle|a middle touch outside|80, 110, 100, 104, 100, 110, 100, 122",
            })
    void whatBreaksARuleIsNotTold(String kind, String why, String turns) {
        assertThat(found(StructureBars.course(numbers(turns)), kind))
                .as(why)
                .noneMatch(each -> each.state() != Finding.State.PROVISIONAL);
    }

    /** A pole of 30 in six bars, and a rest that gives a third of it back. */
    @Test
    void aFlagRestsOnASteepPoleAndPointsAsFarAgain() {
        List<double[]> legs = List.of(
                new double[] {100, 110},
                new double[] {104, 8},
                new double[] {134, 6},
                new double[] {127, 4},
                new double[] {131, 4},
                new double[] {124, 4},
                new double[] {150, 10});
        Bars bars = legs(100, legs);
        List<FindingLog.Standing> found = found(bars, "bull_flag");
        assertThat(found).anySatisfy(each -> {
            assertThat(each.state()).isIn(Finding.State.CONFIRMED, Finding.State.REACHED);
            assertThat(each.finding().points()).extracting(Finding.Point::role).startsWith("pole_start", "pole_end");
            assertThat(each.finding().target()).isGreaterThan(150);
        });
        // The same move in thirty bars is no pole.
        List<double[]> slow = new ArrayList<>(legs);
        slow.set(2, new double[] {134, 60});
        assertThat(found(legs(100, slow), "bull_flag")).isEmpty();
    }

    /** Goes to each price in so many bars. */
    private static Bars legs(double start, List<double[]> legs) {
        BarSeries series = new BarSeries(400);
        double before = start;
        int bar = 0;
        for (double[] leg : legs) {
            for (int step = 1; step <= leg[1]; step++) {
                // Without a pole price swings by one and a half.
                double sway = leg[1] > 100 ? (bar % 8 < 4 ? 0.4 : -0.4) : 0;
                double open = before + (leg[0] - before) * (step - 1) / leg[1];
                double close = before + (leg[0] - before) * step / leg[1] + sway;
                long time = bar++ * Times.DAY;
                series.append(
                        time,
                        time + Times.DAY,
                        open,
                        Math.max(open, close) + 0.5,
                        Math.min(open, close) - 0.5,
                        close,
                        1000);
            }
            before = leg[0];
        }
        return series.snapshot();
    }

    @Test
    void completedByReachNeedsNoClose() {
        Bars bars = StructureBars.course(80, 110, 100, 110, 100.2, 106);
        assertThat(found(bars, "double_top")).noneMatch(each -> each.state() != Finding.State.PROVISIONAL);
        // The low of the fall is 99.95 and does not pass 99.75; a fall to 99.9 does with its shadow alone.
        Bars reached = StructureBars.course(80, 110, 100, 110, 99.9, 106);
        assertThat(found(reached, "double_top")).noneMatch(each -> each.state() != Finding.State.PROVISIONAL);
        assertThat(found(reached, "double_top", Map.of("by", "reach")))
                .anyMatch(each -> each.state() == Finding.State.CONFIRMED);
    }

    private static double[] numbers(String text) {
        return java.util.Arrays.stream(text.split(","))
                .mapToDouble(each -> Double.parseDouble(each.strip()))
                .toArray();
    }
}

package dev.yardarm.core.structure;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.catalogue.Detectors;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Swings, gaps and opposite bars by hand. */
class SwingsTest {
    private static FindingLog found(String detector, Map<String, String> settings, Bars bars) {
        Detector named = Detectors.named(detector).orElseThrow();
        Detecting detecting = new Detecting(named, named.settings(settings));
        detecting.update(bars);
        return detecting.log();
    }

    /** Each as {@code bar kind role price state@bar state@bar}. */
    private static List<String> told(FindingLog log, Bars bars) {
        return log.asOf(bars.closed() - 1).stream()
                .map(each -> {
                    Finding.Point point = each.finding().points().get(0);
                    StringBuilder text = new StringBuilder(bars.barAt(point.time()) + " "
                            + each.finding().kind() + " " + point.role() + " " + point.price());
                    Finding.State before = null;
                    for (FindingLog.Standing entry : log.history(each.number(), bars.closed() - 1)) {
                        if (entry.state() != before) {
                            text.append(' ').append(entry.state()).append('@').append(entry.knownAt());
                        }
                        before = entry.state();
                    }
                    return text.toString();
                })
                .toList();
    }

    @Test
    void aTenthBackSettlesASwing() {
        Bars bars = TestBars.ofCloses(100, 110, 105, 99, 95, 104, 112, 118, 107, 120, 108);
        assertThat(told(found("pivots", Map.of("reversal", "10%"), bars), bars))
                .containsExactly(
                        // The rise from 100 settles the low before the fall from 110 settles the high.
                        "0 swing_low low 100.0 PROVISIONAL@1 CONFIRMED@1 BROKEN@3",
                        "1 swing_high high 110.0 PROVISIONAL@1 CONFIRMED@3 BROKEN@6",
                        "4 swing_low lower_low 95.0 PROVISIONAL@3 CONFIRMED@6",
                        // 107 is less than a tenth below 118, so 120 is the same high; 108 is just a tenth below that.
                        "9 swing_high higher_high 120.0 PROVISIONAL@6 CONFIRMED@10",
                        "10 swing_low higher_low 108.0 PROVISIONAL@10");
    }

    @Test
    void twoBarsOnBothSidesSettleASwing() {
        Bars bars = TestBars.ofCloses(5, 6, 9, 8, 7, 9, 10, 11, 9, 8, 8, 12);
        assertThat(told(found("pivots", Map.of("bars", "2"), bars), bars))
                .containsExactly(
                        "2 swing_high high 9.0 PROVISIONAL@2 CONFIRMED@4 BROKEN@6",
                        "4 swing_low low 7.0 PROVISIONAL@4 CONFIRMED@6",
                        "7 swing_high higher_high 11.0 PROVISIONAL@5 CONFIRMED@9 BROKEN@11",
                        // It was 9 at first and moved; the equal bar after it does not pass it.
                        "9 swing_low higher_low 8.0 PROVISIONAL@8 CONFIRMED@11",
                        "11 swing_high higher_high 12.0 PROVISIONAL@11");
    }

    @Test
    void aCloseBelowTheLastLowOfAnAdvanceChangesItsStructure() {
        Bars bars = TestBars.ofCloses(100, 112, 104, 120, 110, 130, 118, 109, 100);
        List<String> all = told(found("pivots", Map.of("reversal", "5%"), bars), bars);
        assertThat(all)
                .filteredOn(each -> each.contains("change"))
                .containsExactly(
                        // 118 is still above the last low, 110; 109 is below it.
                        "4 change_down low 110.0 PROVISIONAL@7 CONFIRMED@7");
        FindingLog log = found("pivots", Map.of("reversal", "5%"), bars);
        assertThat(log.asOf(7))
                .filteredOn(each -> each.finding().kind().equals("change_down"))
                .singleElement()
                .satisfies(each -> {
                    assertThat(each.finding().invalidation())
                            .as("the last high")
                            .isEqualTo(130);
                    assertThat(each.finding().points().get(1).price()).isEqualTo(109);
                });
    }

    @Test
    void degreesAskForTwiceAsMuchEach() {
        Bars bars = TestBars.walk(3, 600).snapshot();
        FindingLog log = found("pivots", Map.of("reversal", "2%", "degrees", "2"), bars);
        List<FindingLog.Standing> coarse =
                found("pivots", Map.of("reversal", "4%"), bars).asOf(599);
        assertThat(log.asOf(599).stream()
                        .filter(each -> each.finding().kind().endsWith("_2"))
                        .map(each -> each.finding().points()))
                .containsExactlyElementsOf(coarse.stream()
                        .filter(each -> each.finding().kind().startsWith("swing"))
                        .map(each -> each.finding().points())
                        .toList());
        assertThat(log.asOf(599)).hasSizeGreaterThan(2 * coarse.size());
    }

    private static Bars bars(double[]... prices) {
        BarSeries series = new BarSeries(prices.length);
        for (int bar = 0; bar < prices.length; bar++) {
            double[] each = prices[bar];
            series.append(TestBars.day(bar), TestBars.day(bar + 1), each[0], each[1], each[2], each[3], 1);
        }
        return series.snapshot();
    }

    @Test
    void aGapIsOpenThenPartlyThenWhollyFilled() {
        Bars bars = bars(
                new double[] {10, 11, 9, 10},
                new double[] {10, 11, 9, 10.5},
                // From 11 to 12: half of the usual range.
                new double[] {12.5, 13, 12, 12.5},
                // At the near edge is not inside yet.
                new double[] {12.5, 13, 12, 12.2},
                new double[] {12.2, 12.4, 11.5, 12},
                // At the far edge is filled.
                new double[] {12, 12.1, 11, 11.4});
        assertThat(told(found("gaps", Map.of("size", "0.5"), bars), bars))
                .containsExactly("1 gap_up before 11.0 PROVISIONAL@2 CONFIRMED@2 RETESTED@4 FILLED@5");
        assertThat(found("gaps", Map.of("size", "0.6"), bars).count())
                .as("too narrow")
                .isZero();
        Finding gap = found("gaps", Map.of("size", "0.5"), bars).standing(0).finding();
        assertThat(gap.lines()).containsEntry("near", 12.0).containsEntry("far", 11.0);
    }

    @Test
    void theLastFallingBarBeforeARiseIsRetestedAndFails() {
        Bars bars = bars(
                new double[] {10, 11, 9, 10},
                new double[] {10, 10.5, 9.5, 10.2},
                new double[] {10.2, 10.4, 9.6, 9.8},
                new double[] {9.8, 11, 9.7, 10.9},
                // 12.7 is 2.3 above the high of the falling bar; 1.5 of the mean range before it is less.
                new double[] {10.9, 12.8, 10.8, 12.7},
                new double[] {12.7, 12.9, 10.3, 11},
                new double[] {11, 11.2, 9.5, 9.7},
                new double[] {9.7, 9.8, 9.3, 9.5});
        assertThat(told(found("order-blocks", Map.of(), bars), bars))
                .startsWith("2 bullish_order_block opposite 10.4 PROVISIONAL@4 CONFIRMED@4 RETESTED@5 FAILED@7");
        assertThat(found("order-blocks", Map.of("within", "1"), bars).asOf(4))
                .as("the move took two bars")
                .isEmpty();
    }

    @Test
    void aLevelChangesItsRoleWhenACloseBreaksIt() {
        // The means of the true ranges, the first of them 0, go from 2 to 3: half of that turns a swing, a tenth is
        // near.
        Bars bars = TestBars.ofCloses(10, 14, 10.2, 14.1, 12, 15, 14.05, 17, 14, 16, 9);
        FindingLog log = found("levels", Map.of("swing", "0.5", "width", "0.1", "extremes", "no"), bars);
        assertThat(told(log, bars))
                .containsExactly(
                        "0 support low 10.0 PROVISIONAL@3 CONFIRMED@3 BROKEN@10",
                        // Broken upwards, held from above by the low of 14, broken again.
                        "1 resistance high 14.0 PROVISIONAL@4 CONFIRMED@4 BROKEN@5 RETESTED@9 BROKEN@10");
        assertThat(log.standing(1).finding().lines())
                .containsEntry("lower", 14.0)
                .containsEntry("upper", 14.1);
        assertThat(told(
                        found("levels", Map.of("swing", "0.5", "width", "0.1", "touches", "3", "extremes", "no"), bars),
                        bars))
                .as("settled by the third touch, which comes from above")
                .containsExactly(
                        "0 support low 10.0 PROVISIONAL@3", "1 support high 14.0 PROVISIONAL@4 CONFIRMED@9 BROKEN@10");
    }

    @Test
    void aLevelThatIsNotTouchedForLongExpires() {
        double[] closes = new double[80];
        for (int bar = 0; bar < closes.length; bar++) {
            closes[bar] = bar < 8 ? (bar % 2 == 0 ? 10 : 14) : 20 + (bar % 2 == 0 ? 0 : 3) + bar;
        }
        Bars bars = TestBars.ofCloses(closes);
        FindingLog log = found("levels", Map.of("swing", "0.5", "width", "0.1", "age", "30"), bars);
        assertThat(told(log, bars))
                .contains(
                        // Touched last at 7 and at 6: over thirty bars later, told with the swing settled then.
                        "0 support low 10.0 PROVISIONAL@3 CONFIRMED@3 RETESTED@5 EXPIRED@38",
                        "1 resistance high 14.0 PROVISIONAL@4 CONFIRMED@4 RETESTED@6 BROKEN@8 EXPIRED@37");
    }
}

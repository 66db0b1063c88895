package dev.yardarm.core.structure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.structure.catalogue.Detectors;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Extremes of all time and of a year, round prices, the weight of turns of higher timeframes; column counts and ranges of periods. */
class LevelsAndCountsTest {
    private static FindingLog found(String name, Map<String, String> settings, Bars bars) {
        Detector detector = Detectors.named(name).orElseThrow();
        Detecting detecting = new Detecting(detector, detector.settings(settings));
        detecting.update(bars);
        return detecting.log();
    }

    private static List<FindingLog.Standing> standing(FindingLog log, Bars bars, String kind) {
        return log.asOf(bars.size() - 1).stream()
                .filter(each ->
                        each.finding().kind().equals(kind) && !each.state().isEnd())
                .toList();
    }

    @Test
    void theHighestSettledHighOfAllIsALevelUntilAHigherOneIsSettled() {
        Bars bars = StructureBars.course(90, 120, 100, 110, 95);
        FindingLog log = found("levels", Map.of(), bars);
        List<FindingLog.Standing> highs = standing(log, bars, "all_time_high");
        assertThat(highs).hasSize(1);
        assertThat(highs.get(0).finding().lines().get("price")).isEqualTo(120.25);
        assertThat(highs.get(0).state()).isEqualTo(Finding.State.CONFIRMED);
        assertThat(standing(log, bars, "year_high")).as("the year has no other").isEmpty();

        Bars beyond = StructureBars.course(90, 120, 100, 130, 115);
        FindingLog after = found("levels", Map.of(), beyond);
        assertThat(after.asOf(beyond.size() - 1).stream()
                        .filter(each -> each.finding().kind().equals("all_time_high"))
                        .map(FindingLog.Standing::state))
                .containsExactly(Finding.State.EXPIRED, Finding.State.CONFIRMED);
        assertThat(after.history(standing(after, beyond, "all_time_high").get(0).number() - 1, 1000))
                .isNotEmpty();
        assertThat(after.asOf(29).stream()
                        .filter(each -> each.finding().kind().equals("all_time_high"))
                        .map(FindingLog.Standing::state))
                .as("broken by the close beyond it, before the new one has turned")
                .containsExactly(Finding.State.BROKEN);
    }

    /** 120 at the beginning, then lower for more than a year: the year has a high of its own, and another when that is too old. */
    @Test
    void theYearHasItsOwnHighOnceTheHighestIsOlder() {
        double[] turns = new double[80];
        turns[0] = 90;
        turns[1] = 120;
        for (int at = 2; at < turns.length; at++) {
            turns[at] = at % 2 == 0 ? 95 : at == 5 ? 115 : at == 61 ? 110 : 105;
        }
        Bars bars = StructureBars.course(turns);
        FindingLog log = found("levels", Map.of(), bars);
        List<Double> asTheYearWent = log.asOf(bars.size() - 1).stream()
                .filter(each -> each.finding().kind().equals("year_high"))
                .map(each -> each.finding().lines().get("price"))
                .distinct()
                .toList();
        assertThat(asTheYearWent).startsWith(115.25).endsWith(110.25);
        FindingLog.Standing now = standing(log, bars, "year_high").get(0);
        assertThat(now.finding().lines().get("price")).isEqualTo(110.25);
        assertThat(standing(log, bars, "all_time_high")).hasSize(1);
        assertThat(found("levels", Map.of("extremes", "no"), bars).asOf(bars.size() - 1))
                .noneMatch(each -> each.finding().kind().endsWith("_high"));
    }

    @Test
    void roundPricesAreThoseNextToTheCloseWhenTheyAreAskedFor() {
        Bars bars = StructureBars.course(90, 104, 98);
        assertThat(standing(found("levels", Map.of(), bars), bars, "round_price"))
                .isEmpty();
        assertThat(standing(found("levels", Map.of("round", "yes"), bars), bars, "round_price"))
                .extracting(each -> each.finding().lines().get("price"))
                .containsExactlyInAnyOrder(95.0, 100.0);
        Bars small = StructureBars.moved(bars, price -> price / 1000);
        assertThat(standing(found("levels", Map.of("round", "yes"), small), small, "round_price"))
                .extracting(each -> each.finding().lines().get("price"))
                .containsExactlyInAnyOrder(0.095, 0.1);
    }

    /** Two levels of two touches each, as old and as much traded: where a longer move ended the level is stronger. */
    @Test
    void aTurnAfterALongMoveCountsAsOneOfAHigherTimeframe() {
        double afterShort = strength(StructureBars.course(112, 100, 112, 100, 112), "support", 99.75);
        double afterLong = strength(StructureBars.course(112, 100, 124, 100, 112), "support", 99.75);
        assertThat(afterLong).isGreaterThan(afterShort);
    }

    private static double strength(Bars bars, String kind, double price) {
        return found("levels", Map.of(), bars).asOf(bars.size() - 1).stream()
                .map(FindingLog.Standing::finding)
                .filter(each -> each.kind().equals(kind) && each.lines().get("lower") == price)
                .mapToDouble(Finding::score)
                .findFirst()
                .orElseThrow();
    }

    /**
     * Every bar is 2 wide, so a box of 0.5 is 1 and columns turn by 3: five columns between 100 and 106 after a fall from 130, then out
     * at the top.
     */
    private static Bars base(double last) {
        BarSeries series = new BarSeries(300);
        double[] turns = {130, 130, 100, 106, 100, 106, 100, last};
        int bar = 0;
        for (int turn = 1; turn < turns.length; turn++) {
            double step = turns[turn] > turns[turn - 1] ? 1 : -1;
            int steps = turn == 1 ? 120 : (int) Math.abs(turns[turn] - turns[turn - 1]);
            for (int at = 1; at <= steps; at++) {
                double close = turn == 1 ? 130 : turns[turn - 1] + step * at;
                long time = bar++ * Times.DAY;
                series.append(time, time + Times.DAY, close, close + 1, close - 1, close, 1);
            }
        }
        return series.snapshot();
    }

    @Test
    void aBaseIsCountedAcrossAndByItsFirstColumn() {
        Bars bars = base(109);
        FindingLog log = found("targets", Map.of("box", "0.5"), bars);
        Finding across = standing(log, bars, "horizontal_count").get(0).finding();
        // The fall, up, down, up, down and the one that leaves: six columns of three boxes of 1, from the low at 99.
        assertThat(across.target()).isCloseTo(99 + 6 * 3, within(0.2));
        assertThat(across.invalidation()).isEqualTo(99);
        assertThat(across.points()).extracting(Finding.Point::role).containsExactly("bottom", "breakout");
        Finding up = standing(log, bars, "vertical_count").get(0).finding();
        // The first column from 99 to 107 has eight boxes.
        assertThat(up.target()).isCloseTo(99 + 8 * 3, within(0.2));
        assertThat(found("targets", Map.of("box", "0.5"), base(106)).asOf(bars.size() - 1))
                .as("nothing has been left")
                .noneMatch(each -> each.finding().kind().equals("horizontal_count"));
    }

    @Test
    void theRangeOfThePeriodIsMeasuredFromItsLowAndHighAndProvisional() {
        // Months of which each goes from 100 to 110 and back.
        BarSeries series = new BarSeries(400);
        for (int bar = 0; bar < 372; bar++) {
            double close = 100 + 10 * Math.abs(Math.sin(bar * Math.PI / 31));
            long time = bar * Times.DAY;
            series.append(time, time + Times.DAY, close, close, close, close, 1);
        }
        Bars bars = series.snapshot();
        FindingLog log = found("targets", Map.of(), bars);
        List<FindingLog.Standing> first = log.asOf(180).stream()
                .filter(each -> each.finding().kind().equals("period_range"))
                .toList();
        // Before July there are four whole months behind the first, which nobody knows to be whole.
        assertThat(first).isEmpty();
        List<FindingLog.Standing> later = log.asOf(225).stream()
                .filter(each -> each.finding().kind().equals("period_range"))
                .toList();
        assertThat(later).isNotEmpty().allSatisfy(each -> {
            boolean up = each.finding().target() > 105;
            assertThat(each.state()).isIn(Finding.State.PROVISIONAL, Finding.State.REACHED);
            assertThat(each.finding().points().get(0).role()).isEqualTo(up ? "period_low" : "period_high");
        });
        Finding up = later.stream()
                .filter(each -> each.state() == Finding.State.PROVISIONAL)
                .map(FindingLog.Standing::finding)
                .filter(each -> each.points().get(0).role().equals("period_low"))
                .findFirst()
                .orElseThrow();
        assertThat(at("provisional targets.nearest_up", bars, 225))
                .as("reached by what says it is provisional alone")
                .isCloseTo(up.target(), within(1e-9));
        assertThat(at("targets.nearest_up", bars, 225)).isNotEqualTo(up.target());
    }

    @Test
    void theFarthestTargetIsAColumnOfItsOwn() {
        Bars bars = base(109);
        double nearest = last("targets.nearest_up", bars);
        double farthest = last("targets.largest_up", bars);
        assertThat(nearest).isGreaterThan(109);
        assertThat(farthest).isGreaterThan(nearest);
    }

    private static double last(String formula, Bars bars) {
        return at(formula, bars, bars.size() - 1);
    }

    private static double at(String formula, Bars bars, int bar) {
        return Formula.parse(formula, Language.builtIn()).evaluate(bars).at(bar);
    }

    /** Two highs at the very same price make a level without width: one price, said twice, that comes and goes once. */
    @Test
    void aLevelWithoutWidthIsNearestAndIsGoneWhenItExpires() {
        double[] turns = new double[40];
        turns[0] = 90;
        turns[1] = 110;
        turns[2] = 100;
        turns[3] = 110;
        for (int at = 4; at < turns.length; at++) {
            turns[at] = at % 2 == 0 ? 92 : 98 + at % 3;
        }
        Bars bars = StructureBars.course(turns);
        assertThat(standing(found("levels", Map.of(), bars.first(45)), bars.first(45), "resistance"))
                .anySatisfy(each -> assertThat(each.finding().lines().get("lower"))
                        .isEqualTo(each.finding().lines().get("upper"))
                        .isEqualTo(110.25));
        assertThat(at("levels(extremes: no).above", bars, 45)).isEqualTo(110.25);
        assertThat(at("levels(extremes: no, age: 100).above", bars, bars.size() - 1))
                .as("expired long ago")
                .isNotEqualTo(110.25);
        assertThat(at("levels(extremes: no, age: 100).strength_above", bars, bars.size() - 1))
                .isNotNaN();
    }
}

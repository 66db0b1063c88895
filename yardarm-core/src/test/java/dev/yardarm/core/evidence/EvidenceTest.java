package dev.yardarm.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Times;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.IntUnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What came after, and how sure it is. */
class EvidenceTest {
    private static final int DAYS = 600;
    private static final int INSTRUMENTS = 12;

    private static int day(long time) {
        return (int) Math.floorDiv(time, Times.DAY);
    }

    private static Study study(String code, Bars bars, String condition, Regimes regimes, Question question) {
        ColumnGraph graph = new ColumnGraph();
        Column holds = Formula.parse(condition, Language.builtIn()).in(graph).output();
        Column range = Formula.parse("atr(14)", Language.builtIn()).in(graph).output();
        graph.update(bars);
        return Study.of(code, "", bars, holds, range, regimes, question);
    }

    private static Evidence evidence(List<Bars> all, String condition, Question question) {
        Regimes regimes = new Regimes(ZoneOffset.UTC);
        all.forEach(regimes::add);
        List<Study> studies = new ArrayList<>();
        for (int number = 0; number < all.size(); number++) {
            studies.add(study("I" + number, all.get(number), condition, regimes, question));
        }
        return Evidence.of(studies, question);
    }

    /**
     * Walks of several instruments with a part of their changes in common.
     *
     * @param after by how much the mean of a day's change is raised, in tenths of a per cent, so many days after a fall of two days
     */
    private static List<Bars> market(long seed, IntUnaryOperator after) {
        return market(seed, INSTRUMENTS, DAYS, after);
    }

    private static List<Bars> market(long seed, int instruments, int days, IntUnaryOperator after) {
        SplittableRandom random = new SplittableRandom(seed);
        double[] common = new double[days];
        for (int day = 0; day < days; day++) {
            common[day] = random.nextGaussian() * 0.008;
        }
        List<Bars> all = new ArrayList<>();
        for (int number = 0; number < instruments; number++) {
            BarSeries series = new BarSeries(days);
            double price = 100;
            double before = 100;
            int since = 100;
            for (int day = 0; day < days; day++) {
                double open = price;
                double change = common[day] + random.nextGaussian() * 0.012 + after.applyAsInt(since) / 1000.0;
                double close = open * (1 + change);
                long time = 1_600_000_000_000_000L / Times.DAY * Times.DAY + day * Times.DAY;
                series.append(
                        time,
                        time + Times.DAY,
                        open,
                        Math.max(open, close) * 1.002,
                        Math.min(open, close) * 0.998,
                        close,
                        1);
                since = close < open && open < before ? 0 : since + 1;
                before = open;
                price = close;
            }
            all.add(series.snapshot());
        }
        return all;
    }

    @Test
    void returnsAreTakenFromTheNextOpen() {
        Bars bars = TestBars.ofCloses(10, 11, 12, 13, 14, 15);
        Question question = new Question(new int[] {1, 3}, 0.001, Long.MIN_VALUE, Long.MAX_VALUE, false, 1);
        Regimes regimes = new Regimes(ZoneOffset.UTC);
        Study study = study("A", bars, "close = 11 or close >= 14", regimes, question);
        Occurrence first = study.occurrences().get(0);
        assertThat(first.bar()).isEqualTo(1);
        assertThat(first.entry()).isEqualTo(bars.open(2));
        assertThat(first.entryTime()).isEqualTo(bars.openTime(2));
        assertThat(first.returns()).containsExactly(12 / bars.open(2) - 1 - 0.001, 14 / bars.open(2) - 1 - 0.001);
        assertThat(first.worst())
                .isEqualTo(Math.min(bars.low(2), Math.min(bars.low(3), bars.low(4))) / bars.open(2) - 1);
        assertThat(first.best()).isEqualTo(bars.high(4) / bars.open(2) - 1);
        Occurrence late = study.occurrences().get(1);
        assertThat(late.returns()[0]).isEqualTo(15 / bars.open(5) - 1 - 0.001);
        assertThat(late.returns()[1]).isNaN();
        assertThat(late.worst()).isNaN();
        Occurrence last = study.occurrences().get(2);
        assertThat(last.entryTime()).isZero();
        assertThat(last.entry()).isNaN();
        assertThat(last.returns()).containsOnly(Double.NaN);
    }

    @Test
    void slippageIsTakenOffInAverageTrueRangesOfOccurrencesAndOfAllBars() {
        Bars bars = TestBars.walk(7, 120).snapshot();
        Regimes regimes = new Regimes(ZoneOffset.UTC);
        Question without = new Question(new int[] {1, 3}, 0.001, Long.MIN_VALUE, Long.MAX_VALUE, false, 1);
        Question with = new Question(new int[] {1, 3}, 0.001, 0.2, Long.MIN_VALUE, Long.MAX_VALUE, false, 1);
        String rises = "close > open and atr(14) > 0";
        List<Occurrence> plain = study("A", bars, rises, regimes, without).occurrences();
        List<Occurrence> slipped = study("A", bars, rises, regimes, with).occurrences();
        ColumnGraph graph = new ColumnGraph();
        Column ranges = Formula.parse("atr(14)", Language.builtIn()).in(graph).output();
        graph.update(bars);
        assertThat(plain).hasSizeGreaterThan(20);
        for (int each = 0; each < plain.size(); each++) {
            Occurrence one = plain.get(each);
            assertThat(slipped.get(each).returns()[1])
                    .as("a fifth of the range of its bar")
                    .satisfies(came -> assertThat(
                                    Math.abs(came - (one.returns()[1] - 0.2 * ranges.at(one.bar()) / one.entry()))
                                            > 1e-12)
                            .isFalse());
            assertThat(Double.compare(slipped.get(each).worst(), one.worst())).isZero();
        }
        Evidence all = evidence(List.of(bars), "close > 0", with);
        assertThat(all.figures().get(0).mean())
                .as("all bars are reckoned as the occurrences are")
                .isEqualTo(all.figures().get(0).baseMean(), within(1e-12));
        assertThatThrownBy(() -> new Question(new int[] {1}, 0, -0.1, 0, 1, true, 1))
                .hasMessageContaining("slippage");
    }

    @Test
    void aFormingBarIsNoOccurrenceAndNoReturn() {
        Bars bars = TestBars.prefix(TestBars.ofCloses(10, 11, 12, 13), 4, true);
        Question question = new Question(new int[] {1}, 0, Long.MIN_VALUE, Long.MAX_VALUE, false, 1);
        Study study = study("A", bars, "close > 1", new Regimes(ZoneOffset.UTC), question);
        assertThat(study.occurrences()).hasSize(3);
        assertThat(study.occurrences().get(2).entry()).isEqualTo(bars.open(3));
        assertThat(study.occurrences().get(2).returns()[0]).isNaN();
    }

    @Test
    void occurrencesThatOverlapCountOnceUnlessAllAreAskedFor() {
        Bars bars = TestBars.walk(3, 40).snapshot();
        Question apart = new Question(new int[] {1, 5}, 0, Long.MIN_VALUE, Long.MAX_VALUE, true, 1);
        Evidence once = evidence(List.of(bars), "close > 0", apart);
        assertThat(once.figures().get(0).count()).isEqualTo(39);
        assertThat(once.figures().get(1).count()).isEqualTo(7);
        Question all = new Question(new int[] {1, 5}, 0, Long.MIN_VALUE, Long.MAX_VALUE, false, 1);
        assertThat(evidence(List.of(bars), "close > 0", all).figures().get(1).count())
                .isEqualTo(35);
        assertThat(once.found()).isEqualTo(40);
    }

    @Test
    void aConditionThatAlwaysHoldsHasNoContrast() {
        List<Bars> all = market(1, since -> 0);
        assertThat(evidence(all, "close > 0", Question.USUAL).hasContrast()).isFalse();
        assertThat(evidence(all, "close > open", Question.USUAL).hasContrast()).isTrue();
        assertThat(evidence(all, "close > 0", Question.USUAL).figures().get(0).difference())
                .isCloseTo(0, within(1e-12));
    }

    @Test
    void timesOutsideOfWhatWasAskedAreNotLookedAt() {
        List<Bars> all = market(2, since -> 0);
        long from = all.get(0).openTime(200);
        long to = all.get(0).openTime(300);
        Evidence part = evidence(all, "close > open", Question.USUAL.between(from, to));
        assertThat(part.looked()).isEqualTo(100 * INSTRUMENTS);
        assertThat(part.studies()).allSatisfy(study -> assertThat(study.occurrences())
                .allMatch(each -> each.time() >= from && each.time() < to && each.bar() >= 200));
    }

    @Test
    void figuresAreWorkedOutByHand() {
        List<Bars> all = market(4, since -> 0);
        Question question = new Question(new int[] {2}, 0, Long.MIN_VALUE, Long.MAX_VALUE, false, 7);
        Evidence evidence = evidence(all, "close > open and open > open back 1", question);
        double sum = 0;
        int count = 0;
        int gains = 0;
        double base = 0;
        int bases = 0;
        for (Bars bars : all) {
            for (int bar = 0; bar + 2 < bars.size(); bar++) {
                double came = bars.close(bar + 2) / bars.open(bar + 1) - 1;
                base += came;
                bases++;
                if (bar > 0 && bars.close(bar) > bars.open(bar) && bars.open(bar) > bars.open(bar - 1)) {
                    sum += came;
                    count++;
                    gains += came > 0 ? 1 : 0;
                }
            }
        }
        Figures figures = evidence.figures().get(0);
        assertThat(figures.count()).isEqualTo(count);
        assertThat(figures.mean()).isCloseTo(sum / count, within(1e-12));
        assertThat(figures.gains()).isCloseTo((double) gains / count, within(1e-12));
        assertThat(figures.baseMean()).isCloseTo(base / bases, within(1e-12));
        assertThat(figures.difference()).isCloseTo(sum / count - base / bases, within(1e-12));
        assertThat(Arrays.stream(evidence.baseClasses(0)).sum()).isEqualTo(bases);
        assertThat(evidence.came(0)).hasSize(count).isSorted();
        Excursion excursion = evidence.excursion();
        assertThat(excursion.gainFirst() + excursion.lossFirst() + excursion.neither())
                .isCloseTo(1, within(1e-12));
        assertThat(evidence.by(each -> each.regime().words()).stream()
                        .mapToInt(part -> part.counts()[0])
                        .sum())
                .isEqualTo(count);
    }

    @Test
    void theSameQuestionGivesTheSameFiguresAndAnotherSeedOtherIntervals() {
        List<Bars> all = market(5, since -> 0);
        Question question = Question.USUAL;
        String condition = "close > sma(close, 20)";
        assertThat(evidence(all, condition, question).figures())
                .isEqualTo(evidence(all, condition, question).figures());
        Question other = new Question(question.horizons(), 0, question.from(), question.to(), true, 2);
        assertThat(evidence(all, condition, other).figures().get(1).low())
                .isNotEqualTo(
                        evidence(all, condition, question).figures().get(1).low());
        assertThat(evidence(all, condition, other).figures().get(1).mean())
                .isEqualTo(evidence(all, condition, question).figures().get(1).mean());
    }

    /** A fall of two days is followed by five days that rise by two tenths of a per cent more than others. */
    @Test
    void aPlantedEffectIsFoundWithinItsInterval() {
        int within = 0;
        int above = 0;
        for (int seed = 0; seed < 40; seed++) {
            List<Bars> all = market(1000 + seed, since -> since < 5 ? 2 : 0);
            Question question = new Question(new int[] {1}, 0, Long.MIN_VALUE, Long.MAX_VALUE, true, 1);
            Figures figures = evidence(all, "close < open and open < open back 1", question)
                    .figures()
                    .get(0);
            double often = share(all);
            // All days hold those after a fall too.
            double planted = 0.002 * (1 - often);
            within += figures.low() <= planted && planted <= figures.high() ? 1 : 0;
            above += figures.difference() > 0 ? 1 : 0;
        }
        assertThat(above).isGreaterThanOrEqualTo(36);
        assertThat(within).isBetween(32, 40);
    }

    /** Share of days within five of a fall of two days. */
    private static double share(List<Bars> all) {
        int hit = 0;
        int count = 0;
        for (Bars bars : all) {
            int since = 100;
            for (int bar = 1; bar < bars.size(); bar++) {
                hit += since < 5 ? 1 : 0;
                count++;
                since = bars.close(bar) < bars.open(bar) && bars.open(bar) < bars.open(bar - 1) ? 0 : since + 1;
            }
        }
        return (double) hit / count;
    }

    /** Where there is nothing to be found, nine intervals in ten say so. */
    @ParameterizedTest
    @ValueSource(strings = {"close crosses above sma(close, 20)", "rsi(14) < 35", "close > highest(high, 20) back 1"})
    void onWalksNineIntervalsInTenHoldZero(String condition) {
        int[] covers = new int[3];
        for (int seed = 0; seed < 400; seed++) {
            Question question = new Question(new int[] {1, 5, 20}, 0, Long.MIN_VALUE, Long.MAX_VALUE, true, seed);
            Evidence evidence = evidence(market(seed, since -> 0), condition, question);
            for (int at = 0; at < 3; at++) {
                Figures figures = evidence.figures().get(at);
                covers[at] += figures.low() <= 0 && figures.high() >= 0 ? 1 : 0;
            }
        }
        for (int at = 0; at < 3; at++) {
            assertThat(covers[at]).as(condition + " after horizon " + at).isBetween(340, 380);
        }
    }

    /** Where there is nothing to be found, one in twenty is called better than 95 of 100 draws, and one in twenty worse. */
    @ParameterizedTest
    @CsvSource({"1, rsi(14) < 35", "8, 'close > sma(close, 50)'"})
    void onWalksAboveRandomIsCalibratedAndSaysWhatTheIntervalSays(int instruments, String condition) {
        int[] above = new int[2];
        int[] below = new int[2];
        int[] known = new int[2];
        for (int seed = 0; seed < 400; seed++) {
            Question question = new Question(new int[] {5, 20}, 0, Long.MIN_VALUE, Long.MAX_VALUE, true, seed);
            List<Bars> all = market(7000 + seed, instruments, 2000, since -> 0);
            Evidence evidence = evidence(all, condition, question);
            for (int at = 0; at < 2; at++) {
                Figures figures = evidence.figures().get(at);
                if (!Double.isNaN(figures.notAbove())) {
                    known[at]++;
                    above[at] += figures.notAbove() < 0.05 ? 1 : 0;
                    below[at] += figures.notAbove() > 0.95 ? 1 : 0;
                    assertThat(figures.notAbove() < 0.05).isEqualTo(figures.low() > 0);
                }
            }
        }
        for (int at = 0; at < 2; at++) {
            assertThat(known[at]).isGreaterThan(300);
            assertThat(100.0 * above[at] / known[at]).as("above, horizon " + at).isBetween(1.0, 9.5);
            assertThat(100.0 * below[at] / known[at]).as("below, horizon " + at).isBetween(1.0, 9.5);
        }
    }

    @Test
    void regimesAreKnownFromWhatWasBeforeThem() {
        List<Bars> all = market(9, since -> 0);
        Regimes whole = new Regimes(ZoneOffset.UTC);
        all.forEach(whole::add);
        Regimes half = new Regimes(ZoneOffset.UTC);
        all.forEach(bars -> half.add(bars.first(300)));
        int first = day(all.get(0).openTime(0));
        for (int number = 0; number < 300; number++) {
            assertThat(half.at(first + number)).as("day " + number).isEqualTo(whole.at(first + number));
        }
        assertThat(whole.at(first + 50)).isEqualTo(Regime.UNKNOWN);
        assertThat(whole.at(first + 400)).isNotEqualTo(Regime.UNKNOWN);
        assertThat(whole.at(first - 1)).isEqualTo(Regime.UNKNOWN);
    }

    @Test
    void questionsThatMakeNoSenseAreRefused() {
        assertThatThrownBy(() -> new Question(new int[] {}, 0, 0, 1, true, 1)).hasMessageContaining("horizons");
        assertThatThrownBy(() -> new Question(new int[] {5, 5}, 0, 0, 1, true, 1))
                .hasMessageContaining("go up");
        assertThatThrownBy(() -> new Question(new int[] {0}, 0, 0, 1, true, 1)).hasMessageContaining("from 1");
        assertThatThrownBy(() -> new Question(new int[] {1}, 5, 0, 1, true, 1)).hasMessageContaining("0.0005");
    }

    @Test
    void studentsPointsAreThoseOfTheTable() {
        assertThat(Blocks.student(5)).isCloseTo(2.015, within(0.01));
        assertThat(Blocks.student(10)).isCloseTo(1.812, within(0.002));
        assertThat(Blocks.student(1000)).isCloseTo(1.646, within(0.001));
    }
}

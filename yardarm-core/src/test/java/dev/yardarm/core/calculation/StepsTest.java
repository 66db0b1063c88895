package dev.yardarm.core.calculation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.calculation.ColumnGraph.Node;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Field;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** The steps indicators are put together from, against the plain definition over each window. */
class StepsTest {
    private static double[] closes(long seed, int count) {
        Random random = new Random(seed);
        double[] closes = new double[count];
        for (int bar = 0; bar < count; bar++) {
            closes[bar] = 50 + 10 * random.nextGaussian();
        }
        return closes;
    }

    private static Column run(Bars bars, java.util.function.Function<ColumnGraph, Node> recipe) {
        ColumnGraph graph = new ColumnGraph();
        Node node = recipe.apply(graph);
        graph.update(bars);
        return node.output();
    }

    private static double deviation(double[] values) {
        double mean = Arrays.stream(values).average().orElseThrow();
        return Math.sqrt(Arrays.stream(values)
                .map(value -> (value - mean) * (value - mean))
                .average()
                .orElseThrow());
    }

    @Property(tries = 60)
    void deviationsAndWeightedAveragesEqualThoseOfEachWindow(
            @ForAll long seed, @ForAll @IntRange(min = 1, max = 40) int length) {
        double[] closes = closes(seed, 130);
        Bars bars = TestBars.ofCloses(closes);
        Column deviations = run(bars, graph -> Averages.deviation(graph, graph.field(Field.CLOSE), length));
        Column weighted = run(bars, graph -> Averages.weighted(graph, graph.field(Field.CLOSE), length));
        for (int bar = 0; bar < closes.length; bar++) {
            if (bar < length - 1) {
                assertThat(deviations.at(bar)).isNaN();
                assertThat(weighted.at(bar)).isNaN();
                continue;
            }
            double[] window = Arrays.copyOfRange(closes, bar - length + 1, bar + 1);
            double sum = 0;
            for (int place = 0; place < length; place++) {
                sum += (place + 1) * window[place];
            }
            assertThat(deviations.at(bar)).isCloseTo(deviation(window), within(1e-9));
            assertThat(weighted.at(bar)).isCloseTo(sum / (length * (length + 1) / 2.0), within(1e-9));
        }
    }

    @Test
    void oneAbsurdPriceSpoilsOnlyTheWindowsThatHoldIt() {
        double[] closes = new double[80];
        Arrays.fill(closes, 100);
        closes[30] = 1e200;
        Column deviations =
                run(TestBars.ofCloses(closes), graph -> Averages.deviation(graph, graph.field(Field.CLOSE), 10));
        for (int bar = 9; bar < 80; bar++) {
            if (bar < 30 || bar > 39) {
                assertThat(deviations.at(bar)).as("bar " + bar).isZero();
            }
        }
    }

    @Test
    void equalValuesHaveExactlyNoDeviationHoweverLarge() {
        double[] closes = new double[500];
        Arrays.fill(closes, 123456.789);
        Column deviations =
                run(TestBars.ofCloses(closes), graph -> Averages.deviation(graph, graph.field(Field.CLOSE), 37));
        for (int bar = 36; bar < 500; bar++) {
            assertThat(deviations.at(bar)).isZero();
        }
    }

    @Test
    void aMissingValueIsInItsWindowsAndNowhereElse() {
        double[] closes = closes(3, 60);
        closes[25] = Double.NaN;
        Column deviations =
                run(TestBars.ofCloses(closes), graph -> Averages.deviation(graph, graph.field(Field.CLOSE), 7));
        for (int bar = 6; bar < 60; bar++) {
            assertThat(Double.isNaN(deviations.at(bar))).as("bar " + bar).isEqualTo(bar >= 25 && bar < 32);
        }
    }

    /** Closes 1, 2, 4, 8 and others 3, 5, 9, 17: other = 2 * close + 1, so the slope is 2 and nothing is missed. */
    @Test
    void momentsOfTwoColumnsKnowARelation() {
        double[] closes = {1, 2, 4, 8, 3, 7, 5, 6};
        Bars bars = TestBars.ofCloses(closes);
        ColumnGraph graph = new ColumnGraph();
        Node close = graph.field(Field.CLOSE);
        Node other = Operation.apply(graph, "other", value -> 2 * value + 1, close);
        Node[] moments = graph.computed(
                "moments",
                3,
                3,
                () -> new WindowMoments(4, false, 3, (read, out) -> {
                    out[0] = read[WindowMoments.PRODUCTS] / read[WindowMoments.SQUARES_X];
                    out[1] = read[WindowMoments.MEAN_X];
                    out[2] = read[WindowMoments.SQUARES_Y];
                }),
                close,
                other);
        graph.update(bars);
        assertThat(moments[0].output().at(2)).isNaN();
        for (int bar = 3; bar < 8; bar++) {
            assertThat(moments[0].output().at(bar)).isCloseTo(2, within(1e-12));
        }
        assertThat(moments[1].output().at(3)).isEqualTo(3.75);
        // Around their mean 8.5: 5.5, 3.5, 0.5 and 8.5 squared are 30.25 + 12.25 + 0.25 + 72.25 = 115.
        assertThat(moments[2].output().at(3)).isCloseTo(115, within(1e-12));
    }

    @Test
    void trueRangeCountsTheGapAndBeginsWithTheBarItself() {
        BarSeries series = new BarSeries(3);
        series.append(TestBars.day(0), TestBars.day(1), 10, 12, 9, 11, 1);
        series.append(TestBars.day(1), TestBars.day(2), 15, 16, 14, 15, 1);
        series.append(TestBars.day(2), TestBars.day(3), 13, 13, 12, 12.5, 1);
        Column range = run(series.snapshot(), Averages::trueRange);
        assertThat(range.at(0)).isEqualTo(3);
        assertThat(range.at(1)).as("from the close at 11 to the high").isEqualTo(5);
        assertThat(range.at(2)).as("from the close at 15 to the low").isEqualTo(3);
    }

    @Test
    void recursionsBeginAnewBehindAGap() {
        double[] closes = {1, 2, 3, Double.NaN, 5, 6};
        Column sums = run(
                TestBars.ofCloses(closes),
                graph -> graph.computed(
                        "sum",
                        0,
                        () -> new Stepped(new double[1], 1, 1, (in, state, out) -> out[0] = state[0] += in[0]),
                        graph.field(Field.CLOSE)));
        assertThat(new double[] {sums.at(0), sums.at(1), sums.at(2), sums.at(4), sums.at(5)})
                .containsExactly(1, 3, 6, 5, 11);
        assertThat(sums.at(3)).isNaN();
    }

    @Test
    void periodsAreNumberedBySessionWeekMonthAndQuarter() {
        ColumnGraph graph = new ColumnGraph();
        Node week = Period.WEEK.in(graph);
        Node month = Period.MONTH.in(graph);
        Node quarter = Period.QUARTER.in(graph);
        Node year = Period.YEAR.in(graph);
        graph.update(TestBars.walk(1, 400).snapshot());
        // 2024-01-01 is a Monday; 2024 has 366 days.
        assertThat(week.output().at(6))
                .isEqualTo(week.output().at(0))
                .isNotEqualTo(week.output().at(7));
        assertThat(month.output().at(30))
                .isEqualTo(month.output().at(0))
                .isNotEqualTo(month.output().at(31));
        assertThat(quarter.output().at(90))
                .isEqualTo(quarter.output().at(0))
                .isNotEqualTo(quarter.output().at(91));
        assertThat(year.output().at(365))
                .isEqualTo(year.output().at(0))
                .isNotEqualTo(year.output().at(366));
    }

    /** Another instrument is joined by time: its bar that closed within this one, nothing carried over a gap. */
    @Test
    void otherInstrumentsAreJoinedAsTheyWereKnown() {
        BarSeries hours = new BarSeries(0);
        BarSeries other = new BarSeries(0);
        for (int bar = 0; bar < 6; bar++) {
            long open = bar * Times.HOUR;
            hours.append(open, open + Times.HOUR, 1, 1, 1, 1, 1);
            if (bar != 2) {
                other.append(open, open + Times.HOUR, bar, bar, bar, bar, 1);
            }
        }
        ColumnGraph graph = new ColumnGraph(new Surroundings(
                TradingCalendar.roundTheClock(ZoneOffset.UTC),
                code -> code.equals("OTHER") ? Optional.of(other::snapshot) : Optional.empty()));
        Node joined = Operation.other(graph, "OTHER", Field.CLOSE);
        Node nobody = Operation.other(graph, "NOBODY", Field.CLOSE);
        graph.update(hours.snapshot());
        assertThat(joined.output().at(1)).isEqualTo(1);
        assertThat(joined.output().at(2)).isNaN();
        assertThat(joined.output().at(3)).isEqualTo(3);
        assertThat(nobody.output().at(3)).isNaN();
        hours.form(6 * Times.HOUR, 7 * Times.HOUR, 1, 1, 1, 1, 1);
        graph.update(hours.snapshot());
        assertThat(joined.output().forming()).as("the other has not begun").isNaN();
        other.form(6 * Times.HOUR, 7 * Times.HOUR, 9, 9, 9, 9, 1);
        graph.update(hours.snapshot());
        assertThat(joined.output().forming()).isEqualTo(9);
    }
}

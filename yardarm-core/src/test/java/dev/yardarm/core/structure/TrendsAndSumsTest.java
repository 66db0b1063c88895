package dev.yardarm.core.structure;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.formula.Definition;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.profile.LargeTrades;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.TickSeries;
import dev.yardarm.core.session.TradingCalendar;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A trend ends when it breaks, a sum is of one kind of data, a colour is its own, trades keep their order. */
class TrendsAndSumsTest {
    private static Column column(Bars bars, String formula) {
        return Formula.parse(formula, Language.builtIn()).evaluate(bars);
    }

    @Test
    void aRiseEndsWithTheCloseBelowItsLastLow() {
        // Highs 112, 120, 130 and lows 104, 110; 118 is above the last low, 109 below it, and nothing is settled for
        // long after.
        Bars bars = TestBars.ofCloses(100, 112, 104, 120, 110, 130, 118, 109, 100, 90, 80, 70, 60);
        Column trend = column(bars, "pivots(5%).trend");
        assertThat(trend.at(5)).isEqualTo(1);
        assertThat(trend.at(6)).isEqualTo(1);
        for (int bar = 7; bar < bars.size(); bar++) {
            assertThat(trend.at(bar)).as("bar " + bar).isZero();
        }
    }

    @Test
    void aFallEndsWithTheCloseAboveItsLastHighAndANewOneBeginsWithItsSwings() {
        Bars bars = TestBars.ofCloses(
                130, 118, 126, 110, 120, 100, 112, 121, 130, 122, 140, 128, 150, 138, 160, 120, 110, 125, 100, 115, 90,
                105);
        Column trend = column(bars, "pivots(5%).trend");
        assertThat(trend.at(6)).isEqualTo(-1);
        assertThat(trend.at(7)).as("above 120, the last high").isZero();
        assertThat(trend.at(13)).as("higher highs and lows are settled").isEqualTo(1);
        assertThat(trend.at(15)).as("below 138, the last low").isZero();
        assertThat(trend.at(bars.size() - 1)).isEqualTo(-1);
    }

    /** Sides are known from the tenth day on; before, the bars say more was bought. */
    @Test
    void deltaIsComparedWithinOneSum() {
        double[] closes = {100, 104, 108, 112, 116, 120, 116, 112, 108, 112, 116, 120, 124, 120, 116, 112, 108, 104};
        Bars bars = TestBars.ofCloses(closes);
        for (int known : new int[] {9, 0}) {
            Surroundings.Sides sides =
                    (from, until) -> from < TestBars.day(known) ? Double.NaN : from < TestBars.day(7) ? 50 : -20;
            ColumnGraph graph = new ColumnGraph(
                    new Surroundings(TradingCalendar.roundTheClock(ZoneOffset.UTC), code -> Optional.empty(), sides));
            Column found = Formula.parse("divergence(against: delta, swing: 0.5).bearish", Language.builtIn())
                    .in(graph)
                    .output();
            graph.update(bars);
            int told = 0;
            for (int bar = 0; bar < bars.size(); bar++) {
                told += found.at(bar) == 1 ? 1 : 0;
            }
            // 120 and 124: with trades throughout the sum falls between them; where they begin between, two sums are
            // not compared.
            assertThat(told).as("known from " + known).isEqualTo(known == 0 ? 1 : 0);
        }
    }

    @Test
    void aNamedColourHoldsWhereItShows() {
        Bars bars = TestBars.walk(4, 400).snapshot();
        Definition definition = Definition.parse(
                """
                define "Stages" in price
                tint "Strong" rise when close > sma(close, 50)
                tint "Warm" soft when close > sma(close, 10)
                tint "Cold" fall when close < sma(close, 20)
                cue "Just warm" when just Warm
                """,
                Language.builtIn());
        Indicator stages = definition.indicator();
        ColumnGraph graph = new ColumnGraph();
        List<ColumnGraph.Node> outputs = stages.in(graph, Settings.standard(stages));
        ColumnGraph.Node fifty =
                Formula.parse("close > sma(close, 50)", Language.builtIn()).in(graph);
        ColumnGraph.Node ten =
                Formula.parse("close > sma(close, 10)", Language.builtIn()).in(graph);
        ColumnGraph.Node twenty =
                Formula.parse("close < sma(close, 20)", Language.builtIn()).in(graph);
        outputs.forEach(ColumnGraph.Node::keep);
        graph.update(bars);
        int warm = 0;
        for (int bar = 0; bar < bars.closed(); bar++) {
            boolean strong = fifty.output().at(bar) == 1;
            boolean isWarm = !strong && ten.output().at(bar) == 1;
            boolean cold =
                    !strong && ten.output().at(bar) != 1 && twenty.output().at(bar) == 1;
            assertThat(outputs.get(0).output().at(bar) == 1).isEqualTo(strong);
            assertThat(outputs.get(1).output().at(bar) == 1).as("bar " + bar).isEqualTo(isWarm);
            assertThat(outputs.get(2).output().at(bar) == 1).as("bar " + bar).isEqualTo(cold);
            warm += isWarm ? 1 : 0;
        }
        assertThat(warm).isPositive();
        // Before the average of fifty is known the second colour shows, and the cue that names it follows it.
        assertThat(outputs.get(1).output().at(12) == 1
                        || outputs.get(2).output().at(30) == 1)
                .isTrue();
        assertThat(definition.canonical()).contains("tint \"Cold\" fall when close < sma(close, 20)");
    }

    @Test
    void largeTradesOfOneMomentAreInTheOrderOfTheirPrints() {
        TickSeries ticks = new TickSeries(8);
        ticks.append(10, 100, 5, TickSeries.ASK);
        ticks.append(10, 101, 60, TickSeries.BID);
        ticks.append(10, 100, 70, TickSeries.ASK);
        ticks.append(20, 100, 80, TickSeries.UNKNOWN);
        ticks.append(20, 100, 90, TickSeries.BID);
        assertThat(LargeTrades.of(ticks, 50, 5))
                .extracting(LargeTrades.Large::size)
                .containsExactly(75.0, 60.0, 80.0, 90.0);
    }
}

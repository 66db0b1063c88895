package dev.yardarm.core.calculation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Values of higher timeframes beside the bars of a lower one: what was known, and nothing else. */
class HigherTimeframeTest {
    /** 2024-01-01 is a Monday: bars 0 to 6 are the first week, round the clock. */
    private static final Bars DAYS = TestBars.walk(17, 200).snapshot();

    private static Column column(String formula, Bars bars) {
        return Formula.parse(formula, Language.builtIn()).evaluate(bars);
    }

    @Test
    void aWeeksCloseIsKnownFromItsLastDayOn() {
        Column weekly = column("close on W", DAYS);
        for (int bar = 0; bar < 200; bar++) {
            int lastOfWeek = (bar + 1) / 7 * 7 - 1;
            assertThat(weekly.at(bar))
                    .as("bar " + bar)
                    .isEqualTo(Double.valueOf(lastOfWeek < 0 ? Double.NaN : DAYS.close(lastOfWeek)));
        }
    }

    @Test
    void theUnfinishedWeekHasWhatWasKnownSoFar() {
        Column high = column("high on forming W", DAYS);
        Column open = column("open on forming W", DAYS);
        for (int bar = 0; bar < 200; bar++) {
            int monday = bar / 7 * 7;
            double most = 0;
            for (int day = monday; day <= bar; day++) {
                most = Math.max(most, DAYS.high(day));
            }
            assertThat(high.at(bar)).as("bar " + bar).isEqualTo(most);
            assertThat(open.at(bar)).isEqualTo(DAYS.open(monday));
        }
    }

    @Test
    void anIndicatorOfWeeksIsComputedOnWeeks() {
        Column average = column("sma(close, 4) on W", DAYS);
        for (int bar = 27; bar < 200; bar++) {
            int week = (bar + 1) / 7;
            double sum = 0;
            for (int back = 0; back < 4; back++) {
                sum += DAYS.close((week - back) * 7 - 1);
            }
            assertThat(average.at(bar)).isEqualTo(sum / 4, org.assertj.core.api.Assertions.within(1e-12));
        }
        assertThat(average.at(26)).isNaN();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "close on W",
                "ema(close, 5) on W",
                "rsi(close, 4) on forming W",
                "atr(3) on M",
                "bollinger(close, 5, 2).upper on forming 3D",
                "macd(3, 6, 2).cross_up on W",
                "close > sma(close, 3) on W",
                "(highest(high, 3) on W) back 2"
            })
    void aPrefixGivesThePrefixAndGrowingBarByBarTheSame(String formula) {
        Column whole = column(formula, DAYS);
        for (int cut : new int[] {1, 6, 7, 8, 30, 31, 100, 153}) {
            Column part = column(formula, TestBars.prefix(DAYS, cut, false));
            for (int bar = 0; bar < cut; bar++) {
                assertThat(part.at(bar))
                        .as(formula + " " + bar + " of " + cut)
                        .isEqualTo(Double.valueOf(whole.at(bar)));
            }
        }
        ColumnGraph graph = new ColumnGraph();
        Column grown = Formula.parse(formula, Language.builtIn()).in(graph).output();
        BarSeries series = new BarSeries(0);
        for (int bar = 0; bar < 200; bar++) {
            series.form(
                    DAYS.openTime(bar),
                    DAYS.closeTime(bar),
                    DAYS.open(bar),
                    DAYS.open(bar),
                    DAYS.open(bar),
                    DAYS.open(bar),
                    1);
            graph.update(series.snapshot());
            series.form(DAYS, bar);
            graph.update(series.snapshot());
            series.closeForming();
            graph.update(series.snapshot());
            assertThat(grown.at(bar)).as(formula + " live at " + bar).isEqualTo(Double.valueOf(whole.at(bar)));
        }
    }

    @Test
    void theFormingDayShowsInTheUnfinishedWeekOnly() {
        Bars forming = TestBars.prefix(DAYS, 10, true);
        assertThat(column("close on forming W", forming).at(9)).isEqualTo(DAYS.close(9));
        assertThat(column("close on W", forming).at(9)).isEqualTo(DAYS.close(6));
        assertThat(column("close on W", TestBars.prefix(DAYS, 7, true)).at(6))
                .as("Sunday has not closed")
                .isNaN();
    }

    @Test
    void timeframesAreReadWithTheirCaseAndWrongOnesRefused() {
        assertThat(Formula.parse("close on M > close on forming 2h", Language.builtIn())
                        .needs()
                        .timeframes())
                .extracting(Timeframe::toString)
                .containsExactlyInAnyOrder("M", "2h");
        assertThat(Formula.parse("close on 5m", Language.builtIn()).needs().timeframes())
                .containsExactly(Timeframe.parse("5m").orElseThrow());
        assertThatThrownBy(() -> Formula.parse("close on X", Language.builtIn()))
                .isInstanceOf(FormulaException.class)
                .hasMessageContaining("'X' is not a timeframe");
        assertThatThrownBy(() -> Formula.parse("close on", Language.builtIn())).isInstanceOf(FormulaException.class);
    }

    @Test
    void whatIsAskedTwiceIsComputedOnce() {
        ColumnGraph graph = new ColumnGraph();
        ColumnGraph.Node one =
                Formula.parse("sma(close, 4) on W", Language.builtIn()).in(graph);
        int size = graph.size();
        assertThat(Formula.parse("sma(close, 4) on W", Language.builtIn()).in(graph))
                .isSameAs(one);
        Formula.parse("ema(close, 4) on W", Language.builtIn()).in(graph);
        assertThat(graph.size()).as("one set of weeks for all").isEqualTo(size);
    }
}

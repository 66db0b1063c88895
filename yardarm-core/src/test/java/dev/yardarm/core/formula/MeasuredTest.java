package dev.yardarm.core.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.series.Bars;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How far a condition is from turning. */
class MeasuredTest {
    private static final Bars BARS = TestBars.ofCloses(10, 12, 11, 13, 16);

    private static Measured measured(String text, Bars bars) {
        ColumnGraph graph = new ColumnGraph();
        Measured measured = Measured.in(graph, Formula.parseCondition(text, Language.builtIn()));
        graph.update(bars);
        return measured;
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                // The last close is 16, before it 13, 11, 12, 10.
                "close > 15 | 1",
                "close < 15 | -1",
                "close = 14 | -2",
                "close <> 14 | 2",
                "close crosses above 14 | 1",
                "close crosses above 12 | -1",
                "close crosses below 14 | -2",
                "close crosses 14 | 1",
                "close is rising | 3",
                "close is falling | -3",
                "close is rising for 2 | 2",
                "close is rising for 4 | -1",
                "close is within 25% of 12 | -1",
                "close is within 1.5 of 15 | 0.5",
                "close is between 10 and 18 | 2",
                "close > 15 and close > 10 | 1",
                "close > 20 or close > 10 | 6",
                "not close > 10 | -6",
                "just (close > 14) | 1",
                "just (close > 12) | -1",
                "close > 10 held for 3 | 1",
                "close > 14 held for 2 | -1",
                "close < 12 seen in 3 | 1",
                "(close > 12) back 1 | 1",
            })
    void marginsAreWorkedOutByHand(String text, double margin) {
        Measured measured = measured(text, BARS);
        assertThat(measured.margin(4)).isCloseTo(margin, within(1e-12));
        assertThat(measured.holds(4)).isEqualTo(margin > 0 ? 1 : 0);
    }

    @Test
    void whatIsComparedIsTold() {
        Measured measured = measured("close > sma(close, 5) held for 1", BARS);
        assertThat(measured.value(4)).isEqualTo(16);
        assertThat(measured.against(4)).isCloseTo(12.4, within(1e-12));
        Measured cue = measured("macd.cross_up", BARS);
        assertThat(cue.value(4)).isNaN();
        assertThat(cue.margin(4)).isNaN();
        assertThat(measured("close > sma(close, 50)", BARS).margin(4)).isNaN();
    }

    @Test
    void theUsualChangeIsTheMeanOfTheLastFifty() {
        // Changes of the margin are those of the close: 2, 1, 2, 3.
        assertThat(measured("close > 15", BARS).usual(4)).isCloseTo(2, within(1e-12));
        assertThat(measured("close > 15", BARS).usual(0)).isNaN();
    }

    /** A margin never says the opposite of the condition. */
    @Property(tries = 60)
    void theSignOfAMarginIsTheAnswer(@ForAll @IntRange(min = 0, max = 5000) int seed) {
        Bars bars = TestBars.walk(seed, 80).snapshot();
        for (String text : new String[] {
            "close crosses above ema(close, 5)",
            "close > sma(close, 10) and rsi(5) < 60 or close is rising for 2",
            "not (close < sma(close, 10) held for 2)",
            "close is within 2% of sma(close, 10) seen in 3",
            "just (close > ema(close, 4))"
        }) {
            Measured measured = measured(text, bars);
            for (int bar = 30; bar < bars.size(); bar++) {
                double margin = measured.margin(bar);
                if (margin != 0) {
                    assertThat(measured.holds(bar)).as(text + " at " + bar).isEqualTo(margin > 0 ? 1 : 0);
                }
            }
        }
    }
}

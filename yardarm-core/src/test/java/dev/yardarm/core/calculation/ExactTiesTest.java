package dev.yardarm.core.calculation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A close that is just its average is neither above nor below it. */
class ExactTiesTest {
    private static Column column(Bars bars, String formula) {
        ColumnGraph graph = new ColumnGraph();
        Column column = Formula.parse(formula, Language.builtIn()).in(graph).output();
        graph.update(bars);
        return column;
    }

    @Test
    void theCloseThatIsItsAverageIsNotBelowIt() {
        Bars bars = TestBars.ofCloses(100, 100.05, 100, 100.15, 100.05);
        assertThat(column(bars, "close < sma(close, 5)").at(4)).isZero();
        assertThat(column(bars, "close = sma(close, 5)").at(4)).isEqualTo(1);
    }

    /** On a grid, against exact decimals: at every tie equal, and what is no tie is told as the decimals tell it. */
    @ParameterizedTest
    @CsvSource({"0.05, 5, 100", "0.01, 7, 13", "0.00005, 20, 1.1", "0.25, 50, 4000", "0.1, 200, 80", "0.001, 3, 2"})
    void onAGridTiesAreTies(String grid, int length, double around) {
        BigDecimal tick = new BigDecimal(grid);
        SplittableRandom random = new SplittableRandom(length);
        int count = 4000;
        BigDecimal[] prices = new BigDecimal[count];
        double[] closes = new double[count];
        long place = Math.round(around / tick.doubleValue());
        for (int bar = 0; bar < count; bar++) {
            place += random.nextInt(-2, 3);
            prices[bar] = tick.multiply(BigDecimal.valueOf(place));
            closes[bar] = prices[bar].doubleValue();
        }
        Bars bars = TestBars.ofCloses(closes);
        Column mean = column(bars, "sma(close, " + length + ")");
        int ties = 0;
        for (int bar = length - 1; bar < count; bar++) {
            BigDecimal sum = BigDecimal.ZERO;
            for (int back = 0; back < length; back++) {
                sum = sum.add(prices[bar - back]);
            }
            int exact = prices[bar].multiply(BigDecimal.valueOf(length)).compareTo(sum);
            assertThat(Double.compare(closes[bar], mean.at(bar)))
                    .as("bar " + bar)
                    .isEqualTo(exact);
            ties += exact == 0 ? 1 : 0;
            assertThat(mean.at(bar))
                    .isCloseTo(
                            sum.divide(BigDecimal.valueOf(length), 20, RoundingMode.HALF_EVEN)
                                    .doubleValue(),
                            within(1e-12 * around));
        }
        assertThat(ties).isPositive();
    }

    @Test
    void whatIsNoPriceStaysAsItIs() {
        for (double value :
                new double[] {Math.PI, 1 / 3.0, 2e7 / 3, 1e-9 / 3, Double.NaN, Double.POSITIVE_INFINITY, -7 / 9.0, 0}) {
            assertThat(Decimals.settled(value, 20)).isEqualTo(Double.valueOf(value));
        }
        assertThat(Decimals.settled(0.1 + 0.2, 2)).isEqualTo(0.3);
    }

    @Test
    void anIndexOfOneChangeStandsInTheMiddleWithoutMovement() {
        Column rsi = column(TestBars.ofCloses(10, 11, 11, 10, 10), "rsi(1)");
        assertThat(new double[] {rsi.at(1), rsi.at(2), rsi.at(3), rsi.at(4)}).containsExactly(100, 50, 0, 50);
    }

    /** Lines that stand together do not cross in their last digits: prices in steps, each for some bars. */
    @ParameterizedTest
    @CsvSource({"'stochastic(30, 5, 9)'", "'stoch_rsi(5, 6, 2, 3)'", "'stochastic(14, 3, 3)'"})
    void linesThatStandTogetherDoNotCross(String formula) {
        SplittableRandom random = new SplittableRandom(5);
        double[] closes = new double[3000];
        double price = 80.1;
        for (int bar = 0; bar < closes.length; bar++) {
            price += random.nextInt(9) == 0 ? 0.1 * random.nextInt(-3, 4) : 0;
            closes[bar] = Math.rint(price * 10) / 10;
        }
        Bars bars = TestBars.ofCloses(closes);
        Column k = column(bars, formula + ".k");
        Column d = column(bars, formula + ".d");
        for (String cue : new String[] {"cross_up", "cross_down"}) {
            Column crosses = column(bars, formula + "." + cue);
            int found = 0;
            for (int bar = 1; bar < closes.length; bar++) {
                if (crosses.at(bar) == 1) {
                    found++;
                    assertThat(Math.abs(k.at(bar) - d.at(bar)))
                            .as(cue + " at " + bar)
                            .isGreaterThan(1e-9);
                }
            }
            assertThat(found).isPositive();
        }
    }
}

package dev.yardarm.core.blend;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.formula.BlendFormula;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class BlendedBarsTest {
    private static Bars blend(String formula, Bars... parts) {
        BlendFormula read = BlendFormula.parse(formula, Language.builtIn());
        return BlendedBars.of(
                        read, Stream.of(parts).map(BlendedBars.Part::byTime).toList())
                .snapshot();
    }

    private static Bars days(double... pairs) {
        BarSeries series = new BarSeries(8);
        for (int at = 0; at < pairs.length; at += 2) {
            long time = TestBars.day((int) pairs[at]);
            double close = pairs[at + 1];
            series.append(time, time + Times.DAY, close - 1, close + 2, close - 3, close, 10);
        }
        return series.snapshot();
    }

    @Test
    void whatIsLinearInOneIsWorkedOutFieldByField() {
        Bars twice = blend("2 * #A + 1", days(0, 10, 1, 20));
        assertThat(twice.open(1)).isEqualTo(39);
        assertThat(twice.high(1)).isEqualTo(45);
        assertThat(twice.low(1)).isEqualTo(35);
        assertThat(twice.close(1)).isEqualTo(41);
        assertThat(twice.volume(1)).isNaN();
        Bars turned = blend("100 - #A", days(0, 10));
        assertThat(turned.high(0)).isEqualTo(93);
        assertThat(turned.low(0)).isEqualTo(88);
        assertThat(turned.open(0)).isEqualTo(91);
    }

    @Test
    void anyOtherIsWorkedOutFromCloses() {
        Bars ratio = blend("#A / #B", days(0, 10, 1, 20), days(0, 5, 1, 8));
        assertThat(ratio.closed()).isEqualTo(2);
        assertThat(List.of(ratio.open(1), ratio.high(1), ratio.low(1), ratio.close(1)))
                .containsOnly(2.5);
    }

    @Test
    void aBarStandsWhereAllPartsHaveOne() {
        Bars ratio = blend("#A / #B", days(0, 10, 1, 20, 3, 30, 4, 40), days(1, 5, 2, 6, 4, 8, 5, 9));
        assertThat(ratio.closed()).isEqualTo(2);
        assertThat(ratio.openTime(0)).isEqualTo(TestBars.day(1));
        assertThat(ratio.close(0)).isEqualTo(4);
        assertThat(ratio.openTime(1)).isEqualTo(TestBars.day(4));
        assertThat(blend("#A / #B", days(0, 10), days(1, 3)).isEmpty()).isTrue();
        assertThat(blend("#A / #B", days(0, 10, 1, 20), days(0, 0, 1, 4)).closed())
                .isEqualTo(1);
    }

    @Test
    void itFormsWhileOneOfItsPartsDoes() {
        Bars closed = days(0, 10, 1, 20);
        Bars forming = TestBars.prefix(closed, 2, true);
        Bars ratio = blend("#A / #B", closed, forming);
        assertThat(ratio.closed()).isEqualTo(1);
        assertThat(ratio.hasForming()).isTrue();
        assertThat(ratio.close(1)).isEqualTo(1);
        Bars ended = blend("#A / #B", days(0, 10, 1, 20, 2, 30), forming);
        assertThat(ended.size()).isEqualTo(2);
    }

    @Test
    void exchangesOfOtherHoursMeetOnTheirDay() {
        BarSeries late = new BarSeries(4);
        for (int day = 0; day < 3; day++) {
            long open = TestBars.day(day) + 14 * Times.HOUR;
            late.append(open, open + 7 * Times.HOUR, 5, 5, 5, 5, 1);
        }
        BlendedBars.Span day = (bars, bar) -> Math.floorDiv(bars.openTime(bar), Times.DAY);
        Bars ratio = BlendedBars.of(
                        BlendFormula.parse("#A / #B", Language.builtIn()),
                        List.of(
                                new BlendedBars.Part(days(0, 10, 1, 20, 2, 30), day),
                                new BlendedBars.Part(late.snapshot(), day)))
                .snapshot();
        assertThat(ratio.closed()).isEqualTo(3);
        assertThat(ratio.close(2)).isEqualTo(6);
        assertThat(ratio.openTime(2)).isEqualTo(TestBars.day(2));
        assertThat(ratio.closeTime(2)).isEqualTo(TestBars.day(3));
    }

    @Test
    void lastPricesAreKeptBetweenTrades() {
        BlendedBars.LastPrices prices = new BlendedBars.LastPrices(BlendFormula.parse("#A - #B", Language.builtIn()));
        assertThat(prices.take(0, 10)).isNaN();
        assertThat(prices.take(1, 4)).isEqualTo(6);
        assertThat(prices.take(0, 11)).isEqualTo(7);
        assertThat(prices.value()).isEqualTo(7);
    }
}

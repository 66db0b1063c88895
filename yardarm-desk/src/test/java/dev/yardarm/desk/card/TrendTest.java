package dev.yardarm.desk.card;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import java.util.function.IntToDoubleFunction;
import org.junit.jupiter.api.Test;

/** The trend of a card by its rule: the close and the mean of twenty, now and five bars ago. */
class TrendTest {
    private static Bars bars(int count, IntToDoubleFunction close) {
        BarSeries series = new BarSeries(count);
        for (int bar = 0; bar < count; bar++) {
            double price = close.applyAsDouble(bar);
            series.append(bar, bar + 1, price, price, price, price, 1);
        }
        return series.snapshot();
    }

    @Test
    void aSteadyRiseIsUpAndASteadyFallDown() {
        assertThat(InstrumentCard.trend(bars(40, bar -> 100 + bar))).isEqualTo("up");
        assertThat(InstrumentCard.trend(bars(40, bar -> 100 - bar))).isEqualTo("down");
    }

    @Test
    void aCloseOnTheOtherSideOfTheMeanIsSideways() {
        assertThat(InstrumentCard.trend(bars(40, bar -> bar == 39 ? 50 : 100 + bar)))
                .isEqualTo("sideways");
        assertThat(InstrumentCard.trend(bars(40, bar -> 100))).isEqualTo("sideways");
    }

    @Test
    void fewerThanTwentyFiveBarsHaveNoTrend() {
        assertThat(InstrumentCard.trend(bars(24, bar -> 100 + bar))).isEmpty();
        assertThat(InstrumentCard.trend(Bars.EMPTY)).isEmpty();
        assertThat(InstrumentCard.trend(bars(25, bar -> 100 + bar))).isEqualTo("up");
    }

    /** Swings of ten bars each, higher by 5 every time: known as soon as two highs and two lows are settled. */
    @Test
    void theTrendByStructureFollowsTheSettledSwings() {
        IntToDoubleFunction swings = bar -> 100 + 0.25 * bar + 10 * Math.sin(bar * Math.PI / 10);
        assertThat(InstrumentCard.structure(bars(120, swings))).isEqualTo("rises");
        assertThat(InstrumentCard.structure(bars(120, bar -> 300 - swings.applyAsDouble(bar))))
                .isEqualTo("falls");
        assertThat(InstrumentCard.structure(bars(120, bar -> 100 + (10 + bar / 10.0) * Math.sin(bar * Math.PI / 10))))
                .as("higher highs and lower lows")
                .isEqualTo("neither");
        assertThat(InstrumentCard.structure(bars(120, bar -> 100 + bar))).isEmpty();
        assertThat(InstrumentCard.structure(Bars.EMPTY)).isEmpty();
    }
}

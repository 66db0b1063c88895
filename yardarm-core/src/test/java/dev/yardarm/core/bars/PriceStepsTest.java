package dev.yardarm.core.bars;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Price steps without binary dust, and sizes of bricks and boxes as they are written. */
class PriceStepsTest {
    @ParameterizedTest
    @CsvSource({
        "0.01,30,0.3",
        "0.01,10.07,0.1007",
        "0.25,5,1.25",
        "0.0001,12345,1.2345",
        "0.015625,66,1.03125",
        "0.05,3,0.15",
        "5,3,15",
        "0.00001,100003,1.00003"
    })
    void soManyTicksAreAPrice(double tick, double ticks, double price) {
        assertThat(new PriceSteps(tick).price(ticks)).isEqualTo(price);
    }

    @ParameterizedTest
    @CsvSource({
        "0.01,100.304,100.3",
        "0.25,100.3,100.25",
        "0.25,100.375,100.5",
        "0.05,10.07,10.05",
        "0.1,0.30000000000000004,0.3",
        "2,7.1,8"
    })
    void pricesMoveToTheNearestTick(double tick, double price, double rounded) {
        assertThat(new PriceSteps(tick).round(price)).isEqualTo(rounded);
    }

    @Test
    void cleaningTakesDustAwayAndKeepsPartsOfATick() {
        PriceSteps cents = new PriceSteps(0.01);
        assertThat(cents.clean(110.00000000000001)).isEqualTo(110);
        assertThat(cents.clean(110.0012)).isEqualTo(110.0012);
        assertThat(cents.clean(0.1 + 0.2)).isEqualTo(0.3);
        assertThat(new PriceSteps(3).clean(10.0011)).isEqualTo(10.002);
    }

    @Test
    void aTickIsAboveZero() {
        for (double tick : new double[] {0, -1, Double.NaN, Double.POSITIVE_INFINITY}) {
            assertThatThrownBy(() -> new PriceSteps(tick)).hasMessageContaining("above zero");
        }
    }

    @ParameterizedTest
    @CsvSource({"20,20", "2.5,2.5", "0.5%,0.5%", "1%,1%", "atr14,atr14", "ATR,atr14", "atr3,atr3"})
    void sizesAreReadAndWritten(String text, String written) {
        assertThat(BoxSize.parse(text)).hasToString(written);
    }

    @ParameterizedTest
    @CsvSource({"x", "0", "-3", "0%", "60%", "atr0", "atrx", "atr2000", "%"})
    void sizesThatAreNoneAreRefused(String text) {
        assertThatThrownBy(() -> BoxSize.parse(text))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageMatching(".*(size|average true range).*");
    }

    @Test
    void theYardstickIsWildersAverage() {
        Yardstick yardstick = new Yardstick(3);
        yardstick.addBar(12, 10, 11);
        yardstick.addBar(13, 11, 13);
        assertThat(yardstick.value()).isEqualTo(Double.valueOf(Double.NaN));
        yardstick.addBar(16, 14, 15);
        // true ranges 2, 2, 3: the gap from 13 to 14 counts
        assertThat(yardstick.value()).isEqualTo(7.0 / 3);
        yardstick.addBar(15, 9, 10);
        assertThat(yardstick.value()).isEqualTo(7.0 / 3 + (6 - 7.0 / 3) / 3);
        Yardstick minutes = new Yardstick(1);
        minutes.addTick(0, 10);
        minutes.addTick(30_000_000, 13);
        assertThat(minutes.value()).as("the minute is not over").isEqualTo(Double.valueOf(Double.NaN));
        minutes.addTick(60_000_000, 12);
        assertThat(minutes.value()).isEqualTo(3);
    }
}

package dev.yardarm.core.source;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.TestBars;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import java.util.List;
import org.junit.jupiter.api.Test;

class SplitAdjustmentTest {
    private static BarSeries raw() {
        BarSeries series = new BarSeries(4);
        double[] closes = {120, 123, 62, 21};
        for (int bar = 0; bar < closes.length; bar++) {
            series.append(
                    TestBars.day(bar),
                    TestBars.day(bar) + Times.DAY,
                    closes[bar],
                    closes[bar],
                    closes[bar],
                    closes[bar],
                    600);
        }
        return series;
    }

    @Test
    void pricesBeforeASplitAreDividedAndVolumesMultiplied() {
        List<CorporateActions.Split> splits =
                List.of(new CorporateActions.Split(TestBars.day(2), 2), new CorporateActions.Split(TestBars.day(3), 3));
        Bars adjusted = SplitAdjustment.adjust(raw(), splits, TestBars.day(9)).snapshot();
        assertThat(adjusted.close(0)).isEqualTo(20);
        assertThat(adjusted.volume(0)).isEqualTo(3600);
        assertThat(adjusted.close(2)).isEqualTo(62.0 / 3);
        assertThat(adjusted.close(3)).isEqualTo(21);
    }

    @Test
    void aSplitThatNobodyKnewOfDoesNotCount() {
        List<CorporateActions.Split> splits = List.of(new CorporateActions.Split(TestBars.day(3), 3));
        BarSeries raw = raw();
        assertThat(SplitAdjustment.adjust(raw, splits, TestBars.day(3) - 1)).isSameAs(raw);
    }

    @Test
    void pricesAreRoundedToTicksWithoutBinaryDust() {
        PriceFormat cents = new PriceFormat(2, 0.01);
        assertThat(cents.round(0.1 + 0.2)).isEqualTo(0.3);
        assertThat(new PriceFormat(2, 0.05).round(10.07)).isEqualTo(10.05);
        assertThat(cents.format(12.3)).isEqualTo("12.30");
        assertThat(cents.format(Double.NaN)).isEqualTo("–");
        assertThat(PriceFormat.ofDecimals(4).tick()).isEqualTo(0.0001);
    }
}

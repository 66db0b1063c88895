package dev.yardarm.core.series;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.core.TestBars;
import org.junit.jupiter.api.Test;

class BarSeriesTest {
    @Test
    void snapshotKeepsWhatItSawWhileTheSeriesGrows() {
        BarSeries series = TestBars.walk(1, 10);
        series.form(TestBars.day(10), TestBars.day(11), 5, 6, 4, 5.5, 10);
        Bars before = series.snapshot();
        series.extendForming(9, 3, 8, 5);
        series.closeForming();
        for (int bar = 11; bar < 500; bar++) {
            series.append(TestBars.day(bar), TestBars.day(bar + 1), 1, 1, 1, 1, 1);
        }
        assertThat(before.size()).isEqualTo(11);
        assertThat(before.closed()).isEqualTo(10);
        assertThat(before.high(10)).isEqualTo(6);
        assertThat(before.volume(10)).isEqualTo(10);
        Bars after = series.snapshot();
        assertThat(after.high(10)).isEqualTo(9);
        assertThat(after.low(10)).isEqualTo(3);
        assertThat(after.volume(10)).isEqualTo(15);
        assertThat(after.version()).isGreaterThan(before.version());
        assertThat(after.epoch()).isEqualTo(before.epoch());
    }

    @Test
    void restartingLeavesOldSnapshotsAlone() {
        BarSeries series = TestBars.walk(1, 10);
        Bars before = series.snapshot();
        double close = before.close(9);
        series.restart();
        series.append(1, 2, 1, 1, 1, 1, 1);
        assertThat(before.close(9)).isEqualTo(close);
        assertThat(series.snapshot().epoch()).isNotEqualTo(before.epoch());
    }

    @Test
    void refusesBarsOutOfOrder() {
        BarSeries series = TestBars.walk(1, 3);
        assertThatThrownBy(() -> series.append(TestBars.day(2), TestBars.day(3), 1, 1, 1, 1, 1))
                .isInstanceOf(IllegalArgumentException.class);
        series.form(TestBars.day(3), TestBars.day(4), 1, 1, 1, 1, 1);
        assertThatThrownBy(() -> series.append(TestBars.day(4), TestBars.day(5), 1, 1, 1, 1, 1))
                .isInstanceOf(IllegalStateException.class);
    }

    @Test
    void findsTheBarOfAMoment() {
        Bars bars = TestBars.prefix(TestBars.walk(1, 5).snapshot(), 5, true);
        assertThat(bars.barAt(TestBars.day(0) - 1)).isEqualTo(-1);
        assertThat(bars.barAt(TestBars.day(0))).isZero();
        assertThat(bars.barAt(TestBars.day(2) + 5)).isEqualTo(2);
        assertThat(bars.barAt(TestBars.day(4))).isEqualTo(4);
        assertThat(bars.barAt(TestBars.day(40))).isEqualTo(4);
    }

    @Test
    void derivedFieldsFollowTheirDefinition() {
        assertThat(Field.TYPICAL.of(1, 6, 3, 3, 2)).isEqualTo(4);
        assertThat(Field.MIDPRICE.of(1, 6, 3, 3, 2)).isEqualTo(4.5);
        assertThat(Field.RANGE.of(1, 6, 3, 3, 2)).isEqualTo(3);
        assertThat(Field.TURNOVER.of(1, 6, 3, 3, 2)).isEqualTo(8);
        assertThat(Field.named("Close")).contains(Field.CLOSE);
        assertThat(Field.named("clsoe")).isEmpty();
    }
}

package dev.yardarm.core.series;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;

class TickSeriesTest {
    @Test
    void tradesGrowInColumnsAndKeepTheirOrder() {
        TickSeries ticks = new TickSeries(1);
        for (int tick = 0; tick < 1000; tick++) {
            ticks.append(tick / 2, tick * 0.5, tick, tick % 2 == 0 ? TickSeries.BID : TickSeries.ASK);
        }
        assertThat(ticks.size()).isEqualTo(1000);
        assertThat(ticks.time(999)).isEqualTo(499);
        assertThat(ticks.price(10)).isEqualTo(5);
        assertThat(ticks.side(11)).isEqualTo(TickSeries.ASK);
        assertThat(ticks.sizes()[7]).isEqualTo(ticks.size(7)).isEqualTo(7);
        assertThat(ticks.prices()[3]).isEqualTo(1.5);
        assertThat(ticks.times()[3]).isEqualTo(1);
    }

    @Test
    void timeDoesNotGoBack() {
        TickSeries ticks = new TickSeries(4);
        ticks.append(5, 1, 1, TickSeries.UNKNOWN);
        ticks.append(5, 2, 1, TickSeries.UNKNOWN);
        assertThatThrownBy(() -> ticks.append(4, 1, 1, TickSeries.UNKNOWN)).hasMessageContaining("order of their time");
        assertThat(ticks.size()).isEqualTo(2);
    }

    @Test
    void detailsStandBesideBarsAndSurviveGrowth() {
        BarSeries series = new BarSeries(1);
        series.append(0, 1, 1, 1, 1, 1, 1);
        assertThat(series.snapshot().detail(0)).isEqualTo(Double.valueOf(Double.NaN));
        series.noteDetail(2.5);
        for (int bar = 1; bar < 100; bar++) {
            series.append(bar, bar + 1, 1, 1, 1, 1, 1);
        }
        series.noteDetail(7);
        series.form(200, 201, 1, 1, 1, 1, 1);
        series.noteFormingDetail(9);
        Bars bars = series.snapshot();
        assertThat(bars.detail(0)).isEqualTo(2.5);
        assertThat(bars.detail(50)).isEqualTo(Double.valueOf(Double.NaN));
        assertThat(bars.detail(99)).isEqualTo(7);
        assertThat(bars.detail(100)).isEqualTo(9);
        series.dropForming();
        assertThat(series.hasForming()).isFalse();
        assertThat(series.version()).isGreaterThan(bars.version());
        series.restart();
        assertThat(series.closed()).isZero();
    }
}

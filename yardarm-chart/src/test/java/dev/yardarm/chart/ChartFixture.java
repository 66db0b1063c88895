package dev.yardarm.chart;

import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.PriceFormat;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Times;
import dev.yardarm.core.session.TradingCalendar;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** A chart of made-up bars for tests. */
final class ChartFixture {
    static final TradingCalendar PVX = new TradingCalendar(
            ZoneId.of("Atlantic/Azores"),
            LocalTime.of(8, 0),
            LocalTime.of(16, 30),
            EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY),
            List.of());
    static final Instrument KTRL = new Instrument(
            new InstrumentId("test", "KTRL"),
            "Kettering Tidal",
            "PVX",
            Instrument.Kind.SHARE,
            "",
            "",
            new PriceFormat(2, 0.01),
            1);

    private ChartFixture() {}

    static BarSeries days(int count) {
        Random random = new Random(5);
        BarSeries series = new BarSeries(count);
        double price = 100;
        LocalDate day = LocalDate.of(2024, 1, 2);
        for (int bar = 0; bar < count; bar++) {
            double open = Math.rint(price * 100) / 100;
            price = Math.max(5, price * (1 + 0.01 * random.nextGaussian()));
            double close = Math.rint(price * 100) / 100;
            series.append(
                    PVX.open(day),
                    PVX.close(day),
                    open,
                    Math.max(open, close) + 0.5,
                    Math.min(open, close) - 0.5,
                    close,
                    1000 + bar % 100);
            day = PVX.next(day);
        }
        return series;
    }

    static BarSeries minutes(int count) {
        BarSeries series = new BarSeries(count);
        Random random = new Random(6);
        double price = 100;
        for (int bar = 0; bar < count; bar++) {
            double open = price;
            price = Math.max(5, price + 0.1 * random.nextGaussian());
            series.append(
                    bar * Times.MINUTE,
                    (bar + 1) * Times.MINUTE,
                    open,
                    Math.max(open, price),
                    Math.min(open, price),
                    price,
                    10);
        }
        return series;
    }

    static ChartModel chart(BarSeries series, Timeframe timeframe, IndicatorLayer... layers) {
        ChartModel chart = new ChartModel(false);
        chart.open(KTRL, timeframe, PVX);
        chart.setSize(900, 600);
        chart.setIndicators(List.of(layers));
        ChartData data = new ChartDataBuilder(List.of(layers)).update(series.snapshot());
        chart.setData(data);
        return chart;
    }

    static IndicatorLayer layer(String name, String length, int colour) {
        Indicator indicator = Catalogue.builtIn().find(name).orElseThrow();
        return new IndicatorLayer(
                name, indicator, Settings.of(indicator, Map.of("length", length)), LayerStyle.of(colour));
    }
}

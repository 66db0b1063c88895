package dev.yardarm.bench;

import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartDataBuilder;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerStyle;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.BarSeries;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** What a chart of 1,000,000 bars with ten one-line indicators holds in memory, against the bytes of its columns. */
public final class MemoryMeasurement {
    private static final int BARS = 1_000_000;
    private static final int INDICATORS = 10;

    private MemoryMeasurement() {}

    public static void main(String[] arguments) throws InterruptedException {
        List<IndicatorLayer> layers = new ArrayList<>();
        Indicator sma = Catalogue.builtIn().find("sma").orElseThrow();
        for (int number = 0; number < INDICATORS; number++) {
            layers.add(new IndicatorLayer(
                    "layer " + number,
                    sma,
                    Settings.of(sma, Map.of("length", String.valueOf(20 + number))),
                    LayerStyle.of(number % 8)));
        }
        long before = used();
        BarSeries series = MadeBars.minutes(BARS);
        ChartDataBuilder builder = new ChartDataBuilder(layers);
        ChartData data = builder.update(series.snapshot());
        long held = used() - before;
        long columns = (long) BARS * (2 * Long.BYTES + 5 * Double.BYTES + INDICATORS * Double.BYTES);
        System.out.printf(
                Locale.ROOT,
                "%,d bars, %d indicators: held %,d bytes, columns %,d bytes, ratio %.2f%n",
                BARS,
                INDICATORS,
                held,
                columns,
                (double) held / columns);
        if (data.bars().size() != BARS || builder.hashCode() == 0) {
            throw new IllegalStateException("the data must still be there");
        }
    }

    private static long used() throws InterruptedException {
        for (int round = 0; round < 4; round++) {
            System.gc();
            Thread.sleep(60);
        }
        return Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
    }
}

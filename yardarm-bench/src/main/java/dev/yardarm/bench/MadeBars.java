package dev.yardarm.bench;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Times;
import java.util.SplittableRandom;

/** Minute bars to measure with. */
final class MadeBars {
    private MadeBars() {}

    static BarSeries minutes(int count) {
        SplittableRandom random = new SplittableRandom(1);
        BarSeries series = new BarSeries(count);
        double price = 1000;
        long start = 1_400_000_000_000_000L / Times.MINUTE * Times.MINUTE;
        for (int bar = 0; bar < count; bar++) {
            double open = price;
            price = Math.max(10, price + random.nextDouble() - 0.5);
            series.append(
                    start + bar * Times.MINUTE,
                    start + (bar + 1) * Times.MINUTE,
                    open,
                    Math.max(open, price) + random.nextDouble(),
                    Math.min(open, price) - random.nextDouble(),
                    price,
                    random.nextInt(1000));
        }
        return series;
    }
}

package dev.yardarm.core;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Random;

/** Bars for tests: from given closes, or a random walk. */
public final class TestBars {
    private TestBars() {}

    /** Daily bars that open and close at the given prices. */
    public static Bars ofCloses(double... closes) {
        BarSeries series = new BarSeries(closes.length);
        for (int bar = 0; bar < closes.length; bar++) {
            long time = day(bar);
            series.append(time, time + Times.DAY, closes[bar], closes[bar], closes[bar], closes[bar], 100 + bar);
        }
        return series.snapshot();
    }

    public static long day(int number) {
        return Times.micros(LocalDate.of(2024, 1, 1).plusDays(number).atStartOfDay(ZoneOffset.UTC));
    }

    /** A random walk of daily bars. */
    public static BarSeries walk(long seed, int bars) {
        Random random = new Random(seed);
        BarSeries series = new BarSeries(bars);
        double price = 100;
        for (int bar = 0; bar < bars; bar++) {
            double open = price;
            price = Math.max(1, price + random.nextGaussian());
            double high = Math.max(open, price) + random.nextDouble();
            double low = Math.max(0.5, Math.min(open, price) - random.nextDouble());
            series.append(day(bar), day(bar) + Times.DAY, open, high, low, price, 1000 + random.nextInt(500));
        }
        return series;
    }

    /** The first bars of a series, the last of them forming when asked for. */
    public static Bars prefix(Bars bars, int count, boolean lastForms) {
        BarSeries series = new BarSeries(count);
        for (int bar = 0; bar < count; bar++) {
            if (lastForms && bar == count - 1) {
                series.form(bars, bar);
            } else {
                series.append(bars, bar);
            }
        }
        return series.snapshot();
    }
}

package dev.yardarm.core.structure;

import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import java.util.SplittableRandom;
import java.util.function.DoubleUnaryOperator;

/** Bars for tests of detectors. */
final class StructureBars {
    private StructureBars() {}

    /** A walk with gaps whose prices are whole 64ths, so that sums and differences of them are exact. */
    static Bars walk(long seed, int count) {
        SplittableRandom random = new SplittableRandom(seed);
        BarSeries series = new BarSeries(count);
        double close = 100;
        for (int bar = 0; bar < count; bar++) {
            double open = close + (random.nextInt(6) == 0 ? exact(random.nextGaussian() * 2) : 0);
            close = open + exact(random.nextGaussian() * 1.2);
            double high = Math.max(open, close) + exact(Math.abs(random.nextGaussian()) * 0.6);
            double low = Math.min(open, close) - exact(Math.abs(random.nextGaussian()) * 0.6);
            long time = 19_000 * Times.DAY + bar * Times.DAY;
            series.append(time, time + Times.DAY, open, high, low, close, 1000);
        }
        return series.snapshot();
    }

    private static double exact(double value) {
        return Math.rint(value * 64) / 64;
    }

    /** Every price by a function; where it falls, highs become lows. */
    static Bars moved(Bars bars, DoubleUnaryOperator price) {
        BarSeries series = new BarSeries(bars.size());
        for (int bar = 0; bar < bars.size(); bar++) {
            double one = price.applyAsDouble(bars.high(bar));
            double other = price.applyAsDouble(bars.low(bar));
            series.append(
                    bars.openTime(bar),
                    bars.closeTime(bar),
                    price.applyAsDouble(bars.open(bar)),
                    Math.max(one, other),
                    Math.min(one, other),
                    price.applyAsDouble(bars.close(bar)),
                    bars.volume(bar));
        }
        return series.snapshot();
    }

    /** Straight legs of ten bars from price to price, with shadows of a quarter. */
    static Bars course(double... turns) {
        return course(null, turns);
    }

    /** @param volumes one for each leg; null for 1,000 */
    static Bars course(double[] volumes, double... turns) {
        BarSeries series = new BarSeries(turns.length * 10);
        int bar = 0;
        for (int turn = 1; turn < turns.length; turn++) {
            for (int step = 1; step <= 10; step++) {
                double open = turns[turn - 1] + (turns[turn] - turns[turn - 1]) * (step - 1) / 10;
                double close = turns[turn - 1] + (turns[turn] - turns[turn - 1]) * step / 10;
                long time = bar++ * Times.DAY;
                series.append(
                        time,
                        time + Times.DAY,
                        open,
                        Math.max(open, close) + 0.25,
                        Math.min(open, close) - 0.25,
                        close,
                        volumes == null ? 1000 : volumes[turn - 1]);
            }
        }
        return series.snapshot();
    }
}

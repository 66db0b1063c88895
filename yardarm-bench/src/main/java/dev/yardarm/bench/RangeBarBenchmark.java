package dev.yardarm.bench;

import dev.yardarm.core.bars.BarMaker;
import dev.yardarm.core.bars.BarMakers;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.TickSeries;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** 10,000,000 ticks into range bars, against a loop that reads the same columns and finds the running high and low. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 6, time = 1)
@Fork(value = 2, jvmArgsAppend = "-Xmx3g")
public class RangeBarBenchmark {
    private static final int TICKS = 10_000_000;
    private TickSeries ticks;

    @Setup
    public void make() {
        ticks = new TickSeries(TICKS);
        Random random = new Random(7);
        int price = 400_000;
        for (int tick = 0; tick < TICKS; tick++) {
            price += random.nextInt(3) - 1;
            ticks.append(tick * 1000L, price * 0.25, 1 + random.nextInt(9), TickSeries.UNKNOWN);
        }
    }

    @Benchmark
    public BarSeries rangeBars() {
        BarMaker maker = BarMakers.of(BarRule.parse("range:20"), null, 0.25, new BarSeries(1024));
        maker.addTicks(ticks, 0, ticks.size());
        return maker.series();
    }

    /** Reads times, prices and sizes once; high and low as they run, the volume and the last time as a bar needs them. */
    @Benchmark
    public double byHand() {
        long[] times = ticks.times();
        double[] prices = ticks.prices();
        double[] sizes = ticks.sizes();
        double high = prices[0];
        double low = prices[0];
        double volume = 0;
        long last = 0;
        for (int tick = 0; tick < TICKS; tick++) {
            double price = prices[tick];
            high = price > high ? price : high;
            low = price < low ? price : low;
            volume += sizes[tick];
            last = Math.max(last, times[tick]);
        }
        return high - low + volume + last;
    }
}

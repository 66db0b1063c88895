package dev.yardarm.bench;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Field;
import java.util.Map;
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

/** One pass of each indicator over 1,000,000 bars, against a loop of the same formula written by hand. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 6, time = 1)
@Fork(2)
public class IndicatorBenchmark {
    private static final int BARS = 1_000_000;
    private Bars bars;
    private double[] close;
    private double[] high;

    @Setup
    public void make() {
        bars = MadeBars.minutes(BARS).snapshot();
        close = bars.column(Field.CLOSE);
        high = bars.column(Field.HIGH);
    }

    private Column compute(String name, String length) {
        Indicator indicator = Catalogue.builtIn().find(name).orElseThrow();
        ColumnGraph graph = new ColumnGraph();
        Column column = indicator
                .in(graph, Settings.of(indicator, Map.of("length", length)))
                .get(0)
                .output();
        graph.update(bars);
        return column;
    }

    @Benchmark
    public Column sma() {
        return compute("sma", "50");
    }

    /** The usual sliding sum, which drifts and keeps an absurd price for ever. */
    @Benchmark
    public double[] smaByHand() {
        double[] out = new double[BARS];
        double sum = 0;
        for (int bar = 0; bar < BARS; bar++) {
            sum += close[bar];
            if (bar >= 50) {
                sum -= close[bar - 50];
            }
            out[bar] = bar >= 49 ? sum / 50 : Double.NaN;
        }
        return out;
    }

    @Benchmark
    public Column ema() {
        return compute("ema", "20");
    }

    @Benchmark
    public double[] emaByHand() {
        double[] out = new double[BARS];
        double sum = 0;
        for (int bar = 0; bar < 20; bar++) {
            sum += close[bar];
            out[bar] = Double.NaN;
        }
        double average = sum / 20;
        out[19] = average;
        for (int bar = 20; bar < BARS; bar++) {
            average += 2.0 / 21 * (close[bar] - average);
            out[bar] = average;
        }
        return out;
    }

    @Benchmark
    public Column rsi() {
        return compute("rsi", "14");
    }

    @Benchmark
    public double[] rsiByHand() {
        double[] out = new double[BARS];
        double rise = 0;
        double fall = 0;
        out[0] = Double.NaN;
        for (int bar = 1; bar < BARS; bar++) {
            double change = close[bar] - close[bar - 1];
            double up = Math.max(change, 0);
            double down = Math.max(-change, 0);
            if (bar <= 14) {
                rise += up / 14;
                fall += down / 14;
            } else {
                rise = (rise * 13 + up) / 14;
                fall = (fall * 13 + down) / 14;
            }
            out[bar] = bar < 14 ? Double.NaN : 100 * rise / (rise + fall);
        }
        return out;
    }

    @Benchmark
    public Column highest() {
        return compute("highest", "20");
    }

    /** The plain way: looks through each window. */
    @Benchmark
    public double[] highestByHand() {
        double[] out = new double[BARS];
        for (int bar = 0; bar < BARS; bar++) {
            double most = Double.NaN;
            if (bar >= 19) {
                most = high[bar];
                for (int back = 1; back < 20; back++) {
                    most = Math.max(most, high[bar - back]);
                }
            }
            out[bar] = most;
        }
        return out;
    }
}

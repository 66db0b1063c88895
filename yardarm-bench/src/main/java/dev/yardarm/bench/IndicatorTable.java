package dev.yardarm.bench;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.calculation.Surroundings;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Field;
import dev.yardarm.core.session.TradingCalendar;
import java.lang.management.ManagementFactory;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Every indicator of the catalogue with its standard settings, as a table: one pass over 1,000,000 bars against a loop of
 * an exponential average and, for some of each kind, against the formula written by hand; an update by a tick after
 * 1,000,000 bars against one after 10,000, and the bytes a tick allocates.
 */
public final class IndicatorTable {
    private static final int MANY = 1_000_000;
    private static final int FEW = 10_000;
    private static final int RUNS = 5;
    private static final int TICKS = 20_000;
    private static final List<String> TWENTY = List.of(
            "sma",
            "ema",
            "wma",
            "hull",
            "kama",
            "bollinger",
            "keltner",
            "donchian",
            "supertrend",
            "psar",
            "adx",
            "rsi",
            "macd",
            "stochastic",
            "cci",
            "roc",
            "atr",
            "obv",
            "mfi",
            "ichimoku");

    private IndicatorTable() {}

    public static void main(String[] arguments) {
        BarSeries many = MadeBars.minutes(MANY);
        BarSeries few = MadeBars.minutes(FEW);
        Bars other = MadeBars.minutes(MANY).snapshot();
        double[] close = many.snapshot().column(Field.CLOSE);
        for (int round = 0; round < 10; round++) {
            loop(close);
        }
        double loop = median(() -> loop(close));
        System.out.printf(Locale.ROOT, "An exponential average by a loop: %.1f ms.%n%n", loop);
        twenty(many, few, other);
        Map<String, Runnable> hand = HandLoops.over(many.snapshot());
        System.out.println(
                "| indicator | outputs | pass, ms | against the loop | for each output | against the formula by hand "
                        + "| tick, ns | after 1,000,000 against 10,000 | bytes a tick |");
        System.out.println("| --- | --- | --- | --- | --- | --- | --- | --- | --- |");
        for (Indicator indicator : Catalogue.builtIn().all()) {
            Runnable pass = () -> graph(List.of(indicator), other).update(many.snapshot());
            pass.run();
            pass.run();
            double time = median(pass);
            double[] late = ticks(List.of(indicator), many, other);
            double[] early = ticks(List.of(indicator), few, other);
            int outputs = indicator.outputs().size();
            String byHand = "";
            Runnable formula = hand.remove(indicator.name());
            if (formula != null) {
                for (int round = 0; round < 5; round++) {
                    formula.run();
                }
                byHand = String.format(Locale.ROOT, "%.1f", time / median(formula));
            }
            System.out.printf(
                    Locale.ROOT,
                    "| %s | %d | %.1f | %.1f | %.1f | %s | %.0f | %.2f | %.0f |%n",
                    indicator.name(),
                    outputs,
                    time,
                    time / loop,
                    time / loop / outputs,
                    byHand,
                    late[0],
                    late[0] / early[0],
                    late[1]);
        }
        if (!hand.isEmpty()) {
            throw new IllegalStateException("no such indicators: " + hand.keySet());
        }
    }

    /** A tick into twenty indicators of one chart. */
    private static void twenty(BarSeries many, BarSeries few, Bars other) {
        List<Indicator> all = TWENTY.stream()
                .map(name -> Catalogue.builtIn().find(name).orElseThrow())
                .toList();
        double[] late = ticks(all, many, other);
        double[] early = ticks(all, few, other);
        System.out.printf(
                Locale.ROOT,
                "A tick into twenty indicators (%s): %.0f ns after 1,000,000 bars, %.2f of that after "
                        + "10,000, %.0f bytes.%n%n",
                String.join(", ", TWENTY),
                late[0],
                late[0] / early[0],
                late[1]);
    }

    private static ColumnGraph graph(List<Indicator> indicators, Bars other) {
        ColumnGraph graph = new ColumnGraph(
                new Surroundings(TradingCalendar.roundTheClock(ZoneOffset.UTC), code -> Optional.of(() -> other)));
        indicators.forEach(indicator -> indicator.in(graph, Settings.standard(indicator)));
        return graph;
    }

    private static double loop(double[] close) {
        double[] out = new double[close.length];
        double average = close[0];
        for (int bar = 0; bar < MANY; bar++) {
            average += 2.0 / 21 * (close[bar] - average);
            out[bar] = average;
        }
        return out[MANY - 1];
    }

    private static double median(Runnable work) {
        double[] times = new double[RUNS];
        for (int run = 0; run < RUNS; run++) {
            long begin = System.nanoTime();
            work.run();
            times[run] = (System.nanoTime() - begin) / 1e6;
        }
        Arrays.sort(times);
        return times[RUNS / 2];
    }

    /** Nanoseconds and bytes of an update by a tick of the forming bar, the snapshot of the bars left out. */
    private static double[] ticks(List<Indicator> indicators, BarSeries series, Bars other) {
        ColumnGraph graph = graph(indicators, other);
        Bars closed = series.snapshot();
        int last = closed.closed() - 1;
        long open = closed.closeTime(last);
        series.form(open, open + 60_000_000L, 1000, 1001, 999, 1000.5, 10);
        Bars forming = series.snapshot();
        for (int tick = 0; tick < TICKS; tick++) {
            graph.update(forming);
        }
        var threads = (com.sun.management.ThreadMXBean) ManagementFactory.getThreadMXBean();
        double[] times = new double[RUNS];
        long before = threads.getCurrentThreadAllocatedBytes();
        for (int run = 0; run < RUNS; run++) {
            long begin = System.nanoTime();
            for (int tick = 0; tick < TICKS; tick++) {
                graph.update(forming);
            }
            times[run] = (System.nanoTime() - begin) / (double) TICKS;
        }
        double bytes = (threads.getCurrentThreadAllocatedBytes() - before) / (double) (RUNS * TICKS);
        Arrays.sort(times);
        return new double[] {times[RUNS / 2], bytes};
    }
}

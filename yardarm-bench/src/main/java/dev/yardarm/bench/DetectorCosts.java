package dev.yardarm.bench;

import dev.yardarm.core.calculation.ColumnGraph;
import dev.yardarm.core.series.BarSeries;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Field;
import dev.yardarm.core.structure.Detected;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.core.structure.catalogue.Detectors;
import dev.yardarm.market.synthetic.SyntheticBars;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleSupplier;
import java.util.stream.Collectors;

/**
 * What each detector costs over 1,000,000 bars, in loops of an exponential average over the same closes, how that grows from 100,000, and
 * what a tick costs with all of them at work after 20,000 bars. The best of five runs each, in a heap that is there from the start, so
 * that what is measured is not how it grows.
 */
final class DetectorCosts {
    private static final int RUNS = 5;

    private DetectorCosts() {}

    public static void main(String[] arguments) {
        Bars large = SyntheticBars.make(1, 1_000_000, SyntheticBars.Kind.WALK).snapshot();
        Bars small = SyntheticBars.make(1, 100_000, SyntheticBars.Kind.WALK).snapshot();
        double loop = best(() -> average(large.column(Field.CLOSE)));
        System.out.printf("a loop of an average: %.1f ms%n", loop);
        System.out.println("| detector | ms | loops of an average | 1,000,000 over 100,000 |");
        System.out.println("| --- | ---: | ---: | ---: |");
        for (Detector each : Detectors.all()) {
            double some = best(() -> time(List.of(each), small));
            double all = best(() -> time(List.of(each), large));
            System.out.printf("| %s | %.0f | %.0f | %.1f |%n", each.name(), all, all / loop, all / some);
            if (!each.restsOn().isEmpty()) {
                beside(each, large, loop);
            }
        }
        tick();
    }

    private static double best(DoubleSupplier measured) {
        double best = Double.POSITIVE_INFINITY;
        for (int run = 0; run < RUNS; run++) {
            best = Math.min(best, measured.getAsDouble());
            System.gc();
        }
        return best;
    }

    /** As an indicator computes it: into a column that is there. */
    private static double average(double[] closes) {
        double[] out = new double[closes.length];
        Arrays.fill(out, 1);
        long start = System.nanoTime();
        double value = closes[0];
        for (int bar = 0; bar < closes.length; bar++) {
            value += (closes[bar] - value) * 2 / 21;
            out[bar] = value;
        }
        double took = (System.nanoTime() - start) / 1e6;
        return out[closes.length / 2] == 1 ? took + 1e-9 : took;
    }

    /** What it adds where those it rests on are at work already. */
    private static void beside(Detector detector, Bars bars, double loop) {
        double rests = Double.POSITIVE_INFINITY;
        double all = Double.POSITIVE_INFINITY;
        for (int run = 0; run < 2 * RUNS; run++) {
            rests = Math.min(rests, time(detector.restsOn(), bars));
            System.gc();
            all = Math.min(all, time(List.of(detector), bars));
            System.gc();
        }
        System.out.printf(
                "| %s beside %s | %.0f | %.0f | |%n",
                detector.name(),
                detector.restsOn().stream().map(Detector::name).collect(Collectors.joining(", ")),
                all - rests,
                (all - rests) / loop);
    }

    private static double time(List<Detector> detectors, Bars bars) {
        ColumnGraph graph = new ColumnGraph();
        detectors.forEach(each -> Detected.in(graph, each, each.settings(Map.of()), null));
        long start = System.nanoTime();
        graph.update(bars);
        return (System.nanoTime() - start) / 1e6;
    }

    private static void tick() {
        Bars bars = SyntheticBars.make(3, 20_000, SyntheticBars.Kind.WALK).snapshot();
        ColumnGraph graph = new ColumnGraph();
        List<Detected> all = Detectors.all().stream()
                .map(each -> Detected.in(graph, each, each.settings(Map.of()), null))
                .toList();
        BarSeries series = new BarSeries(bars.size() + 1);
        for (int bar = 0; bar < bars.size(); bar++) {
            series.append(
                    bars.openTime(bar),
                    bars.closeTime(bar),
                    bars.open(bar),
                    bars.high(bar),
                    bars.low(bar),
                    bars.close(bar),
                    bars.volume(bar));
        }
        graph.update(series.snapshot());
        double[] took = new double[2000];
        double price = bars.close(bars.size() - 1);
        long open = bars.closeTime(bars.size() - 1);
        for (int tick = 0; tick < took.length; tick++) {
            double last = price * (1 + 0.02 * Math.sin(tick / 40.0));
            series.form(open, open + 86_400_000_000L, price, Math.max(price, last), Math.min(price, last), last, tick);
            Bars now = series.snapshot();
            long start = System.nanoTime();
            graph.update(now);
            took[tick] = (System.nanoTime() - start) / 1e6;
        }
        Arrays.sort(took);
        System.out.printf(
                "a tick with all %d: median %.3f ms, nine of ten within %.3f ms%n",
                all.size(), took[took.length / 2], took[took.length * 9 / 10]);
    }
}

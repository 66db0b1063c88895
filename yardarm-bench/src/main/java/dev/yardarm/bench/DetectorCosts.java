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
 * what a tick costs with all of them at work after 20,000 bars. Of each the best of fifteen runs, taken in rounds through all of them:
 * whoever shares the machine for a minute slows some runs of each, and not all runs of one. With names of detectors those alone, the best of
 * forty.
 */
final class DetectorCosts {
    private static final int ROUNDS = 15;
    private static final int ROUNDS_OF_FEW = 40;

    private DetectorCosts() {}

    /** What is measured, and the best of its runs so far, in milliseconds. */
    private static final class Measured {
        private final DoubleSupplier run;
        private double best = Double.POSITIVE_INFINITY;

        Measured(DoubleSupplier run) {
            this.run = run;
        }

        void again() {
            System.gc();
            best = Math.min(best, run.getAsDouble());
        }
    }

    /**
     * A detector over many and over few bars.
     *
     * @param rests those it rests on, at work without it; null for one that rests on none
     */
    private record Row(Detector detector, Measured large, Measured small, Measured rests) {
        static Row of(Detector detector, Bars large, Bars small) {
            return new Row(
                    detector,
                    new Measured(() -> time(List.of(detector), large)),
                    new Measured(() -> time(List.of(detector), small)),
                    detector.restsOn().isEmpty() ? null : new Measured(() -> time(detector.restsOn(), large)));
        }

        void again() {
            large.again();
            small.again();
            if (rests != null) {
                rests.again();
            }
        }

        void print(double loop) {
            System.out.printf(
                    "| %s | %.0f | %.0f | %.1f |%n",
                    detector.name(), large.best, large.best / loop, large.best / small.best);
            if (rests != null) {
                double beside = large.best - rests.best;
                System.out.printf(
                        "| %s beside %s | %.0f | %.0f | |%n",
                        detector.name(),
                        detector.restsOn().stream().map(Detector::name).collect(Collectors.joining(", ")),
                        beside,
                        beside / loop);
            }
        }
    }

    public static void main(String[] arguments) {
        Bars large = SyntheticBars.make(1, 1_000_000, SyntheticBars.Kind.WALK).snapshot();
        Bars small = SyntheticBars.make(1, 100_000, SyntheticBars.Kind.WALK).snapshot();
        Measured loop = new Measured(() -> average(large.column(Field.CLOSE)));
        List<Row> rows = Detectors.all().stream()
                .filter(each -> arguments.length == 0 || List.of(arguments).contains(each.name()))
                .map(each -> Row.of(each, large, small))
                .toList();
        for (int round = 0; round < (arguments.length == 0 ? ROUNDS : ROUNDS_OF_FEW); round++) {
            loop.again();
            rows.forEach(Row::again);
        }
        System.out.printf("a loop of an average: %.1f ms%n", loop.best);
        System.out.println("| detector | ms | loops of an average | 1,000,000 over 100,000 |");
        System.out.println("| --- | ---: | ---: | ---: |");
        rows.forEach(each -> each.print(loop.best));
        tick();
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

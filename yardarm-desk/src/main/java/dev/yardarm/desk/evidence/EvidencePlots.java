package dev.yardarm.desk.evidence;

import dev.yardarm.chart.plot.Plot;
import dev.yardarm.chart.plot.PlotAxis;
import dev.yardarm.chart.plot.PlotSeries;
import dev.yardarm.core.evidence.Evidence;
import dev.yardarm.core.evidence.Part;
import dev.yardarm.core.evidence.ReturnClasses;
import java.util.ArrayList;
import java.util.List;

/** The pictures of evidence: how returns are spread against those of all times, the paths after entry, and the years. */
public final class EvidencePlots {
    private static final int COLUMNS = 24;
    private static final String[] PARTS = {"10 % of paths below", "25 %", "middle", "75 %", "90 %"};
    private static final int[] COLOURS = {7, 7, 0, 7, 7};

    private EvidencePlots() {}

    /** How returns after a horizon are spread, in shares of all, against all times. */
    public static Plot spread(Evidence evidence, int horizonAt) {
        double[] came = evidence.came(horizonAt);
        long[] base = evidence.baseClasses(horizonAt);
        double reach = reach(came, base);
        double wide = 2 * reach / COLUMNS;
        double[] xs = new double[COLUMNS];
        double[] ys = new double[COLUMNS];
        double[] all = new double[COLUMNS];
        long total = 0;
        for (long each : base) {
            total += each;
        }
        for (int column = 0; column < COLUMNS; column++) {
            xs[column] = 100 * (-reach + (column + 0.5) * wide);
        }
        for (double each : came) {
            ys[place(each, reach, wide)] += 100.0 / came.length;
        }
        for (int number = 0; number < base.length; number++) {
            spread(
                    base[number] * 100.0 / Math.max(1, total),
                    ReturnClasses.from(number),
                    ReturnClasses.from(number + 1) - ReturnClasses.from(number),
                    all,
                    reach,
                    wide);
        }
        int horizon = evidence.question().horizons()[horizonAt];
        return Plot.of(
                        "After " + horizon + (horizon == 1 ? " bar" : " bars"),
                        PlotAxis.numbers("return, %"),
                        PlotAxis.numbers("share, %"))
                .with(new PlotSeries.Columns("occurrences", 0, xs, ys))
                .with(new PlotSeries.Line("all times", 1, xs, all));
    }

    /** Adds a class to the columns it lies over, to each by its part: columns of small returns are narrower than classes. */
    private static void spread(double share, double from, double width, double[] columns, double reach, double wide) {
        int last = place(from + width, reach, wide);
        double begin = from;
        for (int column = place(from, reach, wide); column <= last; column++) {
            double end = column == last ? from + width : Math.min(from + width, -reach + (column + 1) * wide);
            columns[column] += share * Math.max(0, end - begin) / width;
            begin = Math.max(begin, end);
        }
    }

    private static int place(double value, double reach, double wide) {
        return (int) Math.max(0, Math.min(COLUMNS - 1, Math.floor((value + reach) / wide)));
    }

    /** What holds all but the outermost hundredth on either side, of occurrences and of all. */
    private static double reach(double[] came, long[] base) {
        double most = came.length == 0
                ? 0.01
                : Math.max(Math.abs(came[came.length / 50]), Math.abs(came[came.length - 1 - came.length / 50]));
        long total = 0;
        for (long each : base) {
            total += each;
        }
        long below = 0;
        for (int number = 0; number < base.length; number++) {
            below += base[number];
            if (below > total / 100 && below < total - total / 100) {
                most = Math.max(most, Math.abs(ReturnClasses.from(number) + ReturnClasses.from(number + 1)) / 2);
            }
        }
        return Math.max(0.0005, most);
    }

    /** The paths after entry: where a tenth, a quarter, half, three quarters and nine tenths of them lie below. */
    public static Plot fan(Evidence evidence) {
        double[][] fan = evidence.fan();
        double[] xs = new double[fan.length];
        Plot plot = Plot.of("Paths after entry", PlotAxis.numbers("bars"), PlotAxis.numbers("change, %"));
        for (int at = 0; at < xs.length; at++) {
            xs[at] = at + 1;
        }
        for (int part = 0; part < PARTS.length; part++) {
            double[] ys = new double[fan.length];
            for (int at = 0; at < ys.length; at++) {
                ys[at] = 100 * fan[at][part];
            }
            plot = plot.with(new PlotSeries.Line(PARTS[part], COLOURS[part], xs, ys));
        }
        return plot;
    }

    /** The mean return of a horizon in each part, with how many occurrences it rests on. */
    public static Plot parts(String title, List<Part> parts, int horizonAt) {
        List<String> names = new ArrayList<>();
        double[] xs = new double[parts.size()];
        double[] ys = new double[parts.size()];
        for (int at = 0; at < xs.length; at++) {
            Part each = parts.get(at);
            names.add(each.name());
            xs[at] = at;
            ys[at] = 100 * each.means()[horizonAt];
        }
        return Plot.of(title, PlotAxis.names("", names), PlotAxis.numbers("mean, %"))
                .with(new PlotSeries.Columns("mean return", 0, xs, ys));
    }
}

package dev.yardarm.core.scan;

import dev.yardarm.core.series.Bars;
import java.util.Arrays;
import java.util.List;

/**
 * What became of a scan on one instrument.
 *
 * @param rank by which it is ordered; NaN without an order, or when it is missing
 * @param columns the values that are shown, NaN where missing, conditions 1 and 0
 * @param readings of the statements of the condition, in the order of the text; empty when they were not asked for
 * @param decisive number of the statement that decided; -1 when they were not asked for
 * @param score of what decided: how many usual changes from turning, above 0 where the scan holds; NaN when it was not asked for
 * @param bars as they were looked at
 * @param lines what the condition speaks of that can be drawn over the bars, at the last {@link #TAIL} of them; empty where it was not
 *     asked for
 */
public record ScanOutcome(
        ScanMatch match,
        double rank,
        double[] columns,
        List<Reading> readings,
        int decisive,
        double score,
        Bars bars,
        List<double[]> lines) {
    /** How many of the last bars have lines. */
    public static final int TAIL = 90;

    public ScanOutcome {
        readings = List.copyOf(readings);
        lines = List.copyOf(lines);
    }

    /**
     * How a statement stands at the last bar.
     *
     * @param holds 1, 0, or NaN when it cannot be told
     * @param value what is compared; NaN when there is none
     * @param against what it is compared with; NaN when there is none
     * @param margin how far from turning, in the units of what is compared; NaN when that cannot be told
     * @param usual the mean change of the margin from bar to bar; NaN when that cannot be told
     */
    public record Reading(double holds, double value, double against, double margin, double usual) {}

    static ScanOutcome nothing(Bars bars, int columns) {
        double[] missing = new double[columns];
        Arrays.fill(missing, Double.NaN);
        return new ScanOutcome(ScanMatch.NO, Double.NaN, missing, List.of(), -1, Double.NaN, bars, List.of());
    }
}

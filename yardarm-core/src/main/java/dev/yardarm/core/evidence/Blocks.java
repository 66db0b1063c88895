package dev.yardarm.core.evidence;

import java.util.Arrays;
import java.util.SplittableRandom;

/**
 * How sure a difference of two means is, when what is averaged comes in days that hang together. Whole runs of days are drawn with
 * replacement, as many as make up the time again, and the difference is worked out anew; the middle nine tenths of what comes are the
 * interval. Runs are as long as a return lasts, and at least the cube root of the number of days, so that what overlaps stays together;
 * the last day is followed by the first. As few runs say less than they seem to, the interval is widened by the ratio of Student's t to
 * the normal for as many runs as hold occurrences.
 *
 * <p>D. N. Politis and J. P. Romano, A Circular Block-Resampling Procedure for Stationary Data (1992). Cost: draws times days.
 */
final class Blocks {
    private static final int DRAWS = 1000;
    private static final double NORMAL = 1.6449;

    private Blocks() {}

    /**
     * What redrawn runs of days say; all NaN when there are fewer than five runs with occurrences.
     *
     * @param low lower end of the interval
     * @param high its upper end
     * @param notAbove share of the redrawn differences, widened as the interval is, that are not above zero: below 0.05 just when the interval
     *     lies above zero
     */
    record Interval(double low, double high, double notAbove) {
        static final Interval UNKNOWN = new Interval(Double.NaN, Double.NaN, Double.NaN);
    }

    /**
     * @param days for each day in order: sum and number of what came after occurrences, sum and number of what came after all bars
     * @param lasting how many days a return lasts
     */
    static Interval difference(double[][] days, int lasting, long seed) {
        int count = days.length;
        if (count < 2) {
            return Interval.UNKNOWN;
        }
        int length = Math.min(count, Math.max(lasting + 1, (int) Math.ceil(Math.cbrt(count))));
        int runs = (count + length - 1) / length;
        int holding = holding(days, length);
        if (holding < 5) {
            return Interval.UNKNOWN;
        }
        // Sums up to each day, twice round, so that a run costs one subtraction.
        double[][] upTo = new double[4][2 * count + 1];
        for (int part = 0; part < 4; part++) {
            for (int day = 0; day < 2 * count; day++) {
                upTo[part][day + 1] = upTo[part][day] + days[day % count][part];
            }
        }
        SplittableRandom random = new SplittableRandom(seed);
        double[] found = new double[DRAWS];
        int kept = 0;
        for (int draw = 0; draw < DRAWS; draw++) {
            double[] sums = new double[4];
            for (int run = 0; run < runs; run++) {
                int start = random.nextInt(count);
                for (int part = 0; part < 4; part++) {
                    sums[part] += upTo[part][start + length] - upTo[part][start];
                }
            }
            if (sums[1] > 0.5 && sums[3] > 0.5) {
                found[kept++] = sums[0] / sums[1] - sums[2] / sums[3];
            }
        }
        double[] sorted = Arrays.copyOf(found, kept);
        Arrays.sort(sorted);
        double middle = upTo[0][count] / upTo[1][count] - upTo[2][count] / upTo[3][count];
        double wider = student(holding - 1) / NORMAL * Math.sqrt((double) holding / (holding - 1));
        double low = sorted[(int) Math.floor(0.05 * (kept - 1))];
        double high = sorted[(int) Math.ceil(0.95 * (kept - 1))];
        int notAbove = 0;
        for (double each : sorted) {
            notAbove += middle + wider * (each - middle) <= 0 ? 1 : 0;
        }
        return new Interval(
                middle - wider * (middle - low), middle + wider * (high - middle), (double) notAbove / kept);
    }

    /** How many runs of days, one after the other, hold an occurrence. */
    private static int holding(double[][] days, int length) {
        int holding = 0;
        for (int start = 0; start < days.length; start += length) {
            for (int day = start; day < Math.min(days.length, start + length); day++) {
                if (days[day][1] > 0) {
                    holding++;
                    break;
                }
            }
        }
        return holding;
    }

    /** The 95 % point of Student's t, to three digits (Abramowitz and Stegun 26.7.5, three terms). */
    static double student(int freedom) {
        double x = NORMAL;
        double x3 = x * x * x;
        double x5 = x3 * x * x;
        double n = freedom;
        return x + (x3 + x) / (4 * n) + (5 * x5 + 16 * x3 + 3 * x) / (96 * n * n);
    }
}

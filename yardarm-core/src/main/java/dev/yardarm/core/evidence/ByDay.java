package dev.yardarm.core.evidence;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/** What came after occurrences and after all bars, summed by the day they fell on, over all studies in their order. */
final class ByDay {
    private final double[][][] days;
    private final double[] gains;

    private ByDay(double[][][] days, double[] gains) {
        this.days = days;
        this.gains = gains;
    }

    /** Puts studies together; they let go of what they have by day. */
    static ByDay of(List<Study> studies, Question question) {
        int horizons = question.horizons().length;
        int[] all = studies.stream()
                .flatMapToInt(each -> IntStream.of(each.days()))
                .distinct()
                .sorted()
                .toArray();
        double[][][] days = new double[horizons][all.length][4];
        double[] gains = new double[horizons];
        for (Study study : studies) {
            int[] own = study.days();
            double[] sums = study.sums();
            int place = 0;
            for (int day = 0; day < own.length; day++) {
                while (all[place] != own[day]) {
                    place++;
                }
                for (int at = 0; at < horizons; at++) {
                    int from = 3 * (day * horizons + at);
                    days[at][place][2] += sums[from];
                    days[at][place][3] += sums[from + 1];
                    gains[at] += sums[from + 2];
                }
            }
            for (int number = 0; number < study.occurrences().size(); number++) {
                Occurrence one = study.occurrences().get(number);
                int of = Arrays.binarySearch(all, one.day());
                for (int at = 0; at < horizons; at++) {
                    if (study.counted(at)[number]) {
                        days[at][of][0] += one.returns()[at];
                        days[at][of][1]++;
                    }
                }
            }
            study.forgetDays();
        }
        return new ByDay(days, gains);
    }

    /** For each day in order: sum and number after occurrences, sum and number after all bars. */
    double[][] of(int horizonAt) {
        return days[horizonAt];
    }

    /** How many of all bars gained. */
    double gains(int horizonAt) {
        return gains[horizonAt];
    }
}

package dev.yardarm.core.evidence;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;

/**
 * What came after occurrences and after all bars, summed by the day they fell on, over all studies in the order they are added. A
 * place for every day between the first and the last, worked days or not; those without bars are left out in the end.
 *
 * <p>Cost: days and occurrences of each study times horizons. Used by one thread.
 */
final class ByDay {
    /** Days before 1970 are below zero, where a set of bits has no place. */
    private static final int EPOCH = 1 << 20;

    private final int horizons;
    private final double[] gains;
    /** For each horizon and day: sum and number after occurrences, sum and number after all bars. */
    private double[][] days;

    /** The days on which some study has bars. */
    private final BitSet worked = new BitSet();

    private int first;

    ByDay(Question question) {
        horizons = question.horizons().length;
        gains = new double[horizons];
        days = new double[horizons][0];
    }

    /** Adds a study, which lets go of what it has by day. */
    void add(Study study) {
        int[] own = study.days();
        if (own.length == 0) {
            return;
        }
        reach(own[0], own[own.length - 1]);
        for (int day : own) {
            worked.set(day + EPOCH);
        }
        for (int at = 0; at < horizons; at++) {
            gains[at] += add(own, study.returns(at), days[at]);
        }
        List<Occurrence> occurrences = study.occurrences();
        for (int at = 0; at < horizons; at++) {
            boolean[] counted = study.counted(at);
            for (int number = 0; number < counted.length; number++) {
                if (counted[number]) {
                    Occurrence one = occurrences.get(number);
                    int to = 4 * (one.day() - first);
                    days[at][to] += one.returns()[at];
                    days[at][to + 1]++;
                }
            }
        }
        study.forgetBars();
    }

    /**
     * Adds what came after bars to the sums of their days.
     *
     * @return how many gained
     */
    private int add(int[] own, double[] came, double[] sums) {
        int gained = 0;
        for (int bar = 0; bar < own.length; bar++) {
            double each = came[bar];
            if (each == each) {
                int to = 4 * (own[bar] - first);
                sums[to + 2] += each;
                sums[to + 3]++;
                gained += each > 0 ? 1 : 0;
            }
        }
        return gained;
    }

    /** Makes room for the days from one to another. */
    private void reach(int from, int last) {
        int there = days[0].length / 4;
        int begin = there == 0 ? from : Math.min(first, from);
        int end = Math.max(there == 0 ? last : first + there - 1, last);
        if (there > 0 && begin == first && end == first + there - 1) {
            return;
        }
        for (int at = 0; at < horizons; at++) {
            double[] wider = new double[4 * (end - begin + 1)];
            System.arraycopy(days[at], 0, wider, there == 0 ? 0 : 4 * (first - begin), days[at].length);
            days[at] = wider;
        }
        first = begin;
    }

    /** For each day with bars in order: sum and number after occurrences, sum and number after all bars. */
    double[][] of(int horizonAt) {
        List<double[]> sums = new ArrayList<>();
        double[] all = days[horizonAt];
        worked.stream()
                .map(day -> 4 * (day - EPOCH - first))
                .forEach(at -> sums.add(Arrays.copyOfRange(all, at, at + 4)));
        return sums.toArray(new double[0][]);
    }

    /** How many of all bars gained. */
    double gains(int horizonAt) {
        return gains[horizonAt];
    }
}

package dev.yardarm.core.evidence;

import dev.yardarm.core.series.Bars;
import java.time.ZoneId;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;

/**
 * The regime of the market on each day, as it was known at the end of that day. The market is the instruments that are looked at, each
 * with the same weight: its change on a day is the mean of theirs. It rises while its running value is above the mean of the last 100
 * days, and is restless while the standard deviation of its last 20 changes is above the median of those of the last 250 days (as many
 * as there are). The first 100 days are not known.
 *
 * <p>Cost: an array over the days and the changes of all instruments once; days times 250 log 250 at the end. Gathered by one thread.
 */
public final class Regimes {
    private static final int TREND = 100;
    private static final int CHANGES = 20;
    private static final int USUAL = 250;
    /** Days of room before and behind one that lies outside. */
    private static final int ROOM = 4000;

    private final ZoneId zone;
    /** For each day from {@link #first} on the sum of the changes and their number. */
    private double[] sums = {};

    private int[] counts = {};
    private int first;
    /** The regime of each of those days; null until it is reckoned. */
    private Regime[] known;

    /** @param zone in which a day begins at midnight */
    public Regimes(ZoneId zone) {
        this.zone = zone;
    }

    /** Tells on which day a time falls. */
    Days days() {
        return new Days(zone);
    }

    /** Adds an instrument of the market: the closed bars it has. */
    public void add(Bars bars) {
        Days days = days();
        double before = Double.NaN;
        int day = Integer.MIN_VALUE;
        double last = Double.NaN;
        for (int bar = 0; bar < bars.closed(); bar++) {
            int now = days.of(bars.openTime(bar));
            if (now != day) {
                note(day, last / before - 1);
                before = last;
                day = now;
            }
            last = bars.close(bar);
        }
        note(day, last / before - 1);
        known = null;
    }

    private void note(int day, double change) {
        if (Math.abs(change) < Double.POSITIVE_INFINITY) {
            if (day < first || day >= first + sums.length) {
                reach(day);
            }
            sums[day - first] += change;
            counts[day - first]++;
        }
    }

    /** Makes room for a day. */
    private void reach(int day) {
        int from = sums.length == 0 ? day - ROOM : Math.min(first, day - ROOM);
        int to = sums.length == 0 ? day + ROOM : Math.max(first + sums.length, day + ROOM);
        double[] widerSums = new double[to - from];
        int[] widerCounts = new int[to - from];
        System.arraycopy(sums, 0, widerSums, sums.length == 0 ? 0 : first - from, sums.length);
        System.arraycopy(counts, 0, widerCounts, sums.length == 0 ? 0 : first - from, counts.length);
        sums = widerSums;
        counts = widerCounts;
        first = from;
    }

    /** The regime of a day; of one without changes that of the day before it. */
    public Regime at(int day) {
        if (known == null) {
            known = reckon();
        }
        return day < first || known.length == 0 ? Regime.UNKNOWN : known[Math.min(day - first, known.length - 1)];
    }

    private Regime[] reckon() {
        Regime[] regimes = new Regime[sums.length];
        Regime regime = Regime.UNKNOWN;
        Deque<Double> values = new ArrayDeque<>();
        Deque<Double> recent = new ArrayDeque<>();
        Deque<Double> spreads = new ArrayDeque<>();
        double value = 1;
        double sum = 0;
        for (int day = 0; day < regimes.length; day++) {
            if (counts[day] == 0) {
                regimes[day] = regime;
                continue;
            }
            double change = sums[day] / counts[day];
            value *= 1 + change;
            sum += value;
            values.addLast(value);
            if (values.size() > TREND) {
                sum -= values.removeFirst();
            }
            recent.addLast(change);
            if (recent.size() > CHANGES) {
                recent.removeFirst();
            }
            if (recent.size() == CHANGES) {
                spreads.addLast(deviation(recent));
                if (spreads.size() > USUAL) {
                    spreads.removeFirst();
                }
            }
            regime = values.size() < TREND
                    ? Regime.UNKNOWN
                    : Regime.of(value > sum / TREND, spreads.getLast() > median(spreads));
            regimes[day] = regime;
        }
        return regimes;
    }

    private static double deviation(Deque<Double> values) {
        double sum = 0;
        double squares = 0;
        for (double each : values) {
            sum += each;
            squares += each * each;
        }
        double mean = sum / values.size();
        return Math.sqrt(Math.max(0, squares / values.size() - mean * mean));
    }

    private static double median(Deque<Double> values) {
        double[] sorted = values.stream().mapToDouble(Double::doubleValue).toArray();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }
}

package dev.yardarm.core.evidence;

import dev.yardarm.core.series.Bars;
import java.time.ZoneId;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;

/**
 * The regime of the market on each day, as it was known at the end of that day. The market is the instruments that are looked at, each
 * with the same weight: its change on a day is the mean of theirs. It rises while its running value is above the mean of the last 100
 * days, and is restless while the standard deviation of its last 20 changes is above the median of those of the last 250 days (as many
 * as there are). The first 100 days are not known.
 *
 * <p>Cost: a map entry for each day and the changes of all instruments once; days times 250 log 250 at the end. Gathered by one thread.
 */
public final class Regimes {
    private static final int TREND = 100;
    private static final int CHANGES = 20;
    private static final int USUAL = 250;

    private final ZoneId zone;
    private final NavigableMap<Integer, double[]> changes = new TreeMap<>();
    private NavigableMap<Integer, Regime> known;

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
            double[] sum = changes.computeIfAbsent(day, none -> new double[2]);
            sum[0] += change;
            sum[1]++;
        }
    }

    /** The regime of a day; of one without changes that of the day before it. */
    public Regime at(int day) {
        if (known == null) {
            known = reckon();
        }
        Map.Entry<Integer, Regime> found = known.floorEntry(day);
        return found == null ? Regime.UNKNOWN : found.getValue();
    }

    private NavigableMap<Integer, Regime> reckon() {
        NavigableMap<Integer, Regime> regimes = new TreeMap<>();
        Deque<Double> values = new ArrayDeque<>();
        Deque<Double> recent = new ArrayDeque<>();
        Deque<Double> spreads = new ArrayDeque<>();
        double value = 1;
        double sum = 0;
        for (Map.Entry<Integer, double[]> each : changes.entrySet()) {
            double change = each.getValue()[0] / each.getValue()[1];
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
            regimes.put(
                    each.getKey(),
                    values.size() < TREND
                            ? Regime.UNKNOWN
                            : Regime.of(value > sum / TREND, spreads.getLast() > median(spreads)));
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

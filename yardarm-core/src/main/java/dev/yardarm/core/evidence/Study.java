package dev.yardarm.core.evidence;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.series.Field;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.LongPredicate;

/**
 * One instrument: its occurrences of a condition, and what came after every one of its bars.
 *
 * <p>Nothing here looks ahead: an occurrence is a closed bar at whose close the condition held, the entry is the next open, and what
 * came after is read from the bars that follow. What came after all bars is summed by day, over all studies, so that occurrences and all times can
 * be compared day by day.
 *
 * <p>Cost: bars times horizons. Made by one thread; then it does not change.
 */
public final class Study {
    private final String code;
    private final String group;
    private final Question question;
    private final int[] horizons;
    private final boolean[][] counted;
    private final double[][] came;
    private List<Occurrence> occurrences = List.of();
    private int[] days = {};
    private int looked;
    private final int[][] classes;
    /** For each horizon what came after each bar that was looked at; gone once it was put together with that of others. */
    private double[][] returns;

    private Study(String code, String group, Question question) {
        this.horizons = question.horizons();
        this.code = code;
        this.group = group;
        this.question = question;
        this.counted = new boolean[horizons.length][];
        this.came = new double[horizons.length][];
        this.returns = new double[horizons.length][];
        this.classes = new int[horizons.length][ReturnClasses.COUNT];
    }

    /**
     * Looks through an instrument.
     *
     * @param code of the instrument
     * @param group it belongs to, its sector; may be empty
     * @param condition over the bars: 1 where it holds
     * @param range over the bars: the average true range, by which gain and loss are measured
     */
    public static Study of(
            String code, String group, Bars bars, Column condition, Column range, Regimes regimes, Question question) {
        return of(code, group, bars, condition, range, regimes, question, time -> true);
    }

    /**
     * Looks through an instrument that did not always belong to those that are asked about.
     *
     * @param belongs whether it did at the open of a bar; other bars are neither occurrences nor times to compare with
     */
    public static Study of(
            String code,
            String group,
            Bars bars,
            Column condition,
            Column range,
            Regimes regimes,
            Question question,
            LongPredicate belongs) {
        Study study = new Study(code, group, question);
        study.look(bars, condition, range, regimes, belongs);
        return study;
    }

    private void look(Bars bars, Column condition, Column range, Regimes regimes, LongPredicate belongs) {
        int closed = bars.closed();
        int first = question.from() == Long.MIN_VALUE ? 0 : bars.barAt(question.from() - 1) + 1;
        List<Occurrence> found = new ArrayList<>();
        Days dayOf = regimes.days();
        Regime regime = Regime.UNKNOWN;
        int[] lookedAt = new int[Math.max(0, closed - first)];
        int[] onDays = new int[lookedAt.length];
        int count = 0;
        for (int bar = first; bar < closed; bar++) {
            long time = bars.openTime(bar);
            if (time >= question.to()) {
                break;
            }
            if (!belongs.test(time)) {
                continue;
            }
            int day = dayOf.of(time);
            if (count == 0 || onDays[count - 1] != day) {
                regime = regimes.at(day);
            }
            if (condition.at(bar) == 1) {
                found.add(occurrence(bars, bar, day, regime, range.at(bar)));
            }
            lookedAt[count] = bar;
            onDays[count++] = day;
        }
        looked = count;
        days = Arrays.copyOf(onDays, count);
        occurrences = List.copyOf(found);
        for (int at = 0; at < horizons.length; at++) {
            returns[at] = after(bars, range, lookedAt, count, horizons[at]);
            classify(returns[at], classes[at]);
            count(at);
        }
    }

    /** What came after each of the bars within a horizon; NaN where the history ends before. */
    private double[] after(Bars bars, Column range, int[] lookedAt, int count, int horizon) {
        double[] open = bars.column(Field.OPEN);
        double[] close = bars.column(Field.CLOSE);
        double cost = question.cost();
        double slippage = question.slippage();
        double[] came = new double[count];
        int last = bars.closed() - horizon;
        for (int number = 0; number < count; number++) {
            int bar = lookedAt[number];
            came[number] = bar < last ? close[bar + horizon] / open[bar + 1] - 1 - cost : Double.NaN;
        }
        if (slippage > 0) {
            for (int number = 0; number < count; number++) {
                int bar = lookedAt[number];
                came[number] -= bar < last ? slippage * range.at(bar) / open[bar + 1] : 0;
            }
        }
        return came;
    }

    private static void classify(double[] came, int[] into) {
        for (double each : came) {
            if (each == each) {
                into[ReturnClasses.of(each)]++;
            }
        }
    }

    private Occurrence occurrence(Bars bars, int bar, int day, Regime regime, double range) {
        int longest = question.longest();
        boolean entered = bar + 1 < bars.size();
        double entry = entered ? bars.open(bar + 1) : Double.NaN;
        double slipped = question.slippage() == 0 ? 0 : question.slippage() * range / entry;
        double[] returns = new double[horizons.length];
        for (int at = 0; at < horizons.length; at++) {
            returns[at] = bar + horizons[at] < bars.closed()
                    ? bars.close(bar + horizons[at]) / entry - 1 - question.cost() - slipped
                    : Double.NaN;
        }
        boolean whole = bar + longest < bars.closed();
        float[] path = new float[longest];
        double low = Double.POSITIVE_INFINITY;
        double high = Double.NEGATIVE_INFINITY;
        int toGain = -1;
        int toLoss = -1;
        double[] highs = bars.column(Field.HIGH);
        double[] lows = bars.column(Field.LOW);
        double[] closes = bars.column(Field.CLOSE);
        int steps = Math.min(longest, bars.closed() - 1 - bar);
        double perEntry = 1 / entry;
        for (int step = 1; step <= steps; step++) {
            path[step - 1] = (float) (closes[bar + step] * perEntry - 1);
        }
        for (int step = 1; step <= steps; step++) {
            low = lows[bar + step] < low ? lows[bar + step] : low;
            high = highs[bar + step] > high ? highs[bar + step] : high;
        }
        for (int step = 1; step <= steps && (toGain < 0 || toLoss < 0); step++) {
            toGain = toGain < 0 && highs[bar + step] >= entry + range ? step - 1 : toGain;
            toLoss = toLoss < 0 && lows[bar + step] <= entry - range ? step - 1 : toLoss;
        }
        Arrays.fill(path, Math.max(0, steps), longest, Float.NaN);
        return new Occurrence(
                bar,
                bars.openTime(bar),
                day,
                regime,
                entered ? bars.openTime(bar + 1) : 0,
                entry,
                returns,
                whole ? low / entry - 1 : Double.NaN,
                whole ? high / entry - 1 : Double.NaN,
                toGain,
                toLoss,
                path);
    }

    /** The code of the instrument. */
    public String code() {
        return code;
    }

    /** The group it belongs to; may be empty. */
    public String group() {
        return group;
    }

    /** All occurrences, in their order. */
    public List<Occurrence> occurrences() {
        return occurrences;
    }

    /** How many bars were looked at. */
    public int looked() {
        return looked;
    }

    /** The days of the bars that were looked at, in order; none once they were let go. */
    int[] days() {
        return days;
    }

    /** What came after each of those bars within a horizon; NaN where the history ends before. */
    double[] returns(int horizonAt) {
        return returns[horizonAt];
    }

    /** Lets go of what is by bar, once it is put together with that of others. */
    void forgetBars() {
        days = new int[0];
        returns = new double[horizons.length][0];
    }

    /** How many of all bars had a return of each class. */
    int[] classes(int horizon) {
        return classes[horizon];
    }

    /** What came after the occurrences that count for a horizon, in their order. */
    double[] came(int horizonAt) {
        return came[horizonAt];
    }

    /** For each occurrence whether it counts for a horizon: it has a return, and the last that counted lies far enough back. */
    boolean[] counted(int horizonAt) {
        return counted[horizonAt];
    }

    private void count(int horizonAt) {
        boolean[] counts = new boolean[occurrences.size()];
        double[] values = new double[counts.length];
        int count = 0;
        int horizon = horizons[horizonAt];
        int last = Integer.MIN_VALUE / 2;
        for (int number = 0; number < counts.length; number++) {
            Occurrence each = occurrences.get(number);
            double value = each.returns()[horizonAt];
            if (!Double.isNaN(value) && (!question.apart() || each.bar() - last >= horizon)) {
                counts[number] = true;
                values[count++] = value;
                last = each.bar();
            }
        }
        counted[horizonAt] = counts;
        came[horizonAt] = Arrays.copyOf(values, count);
    }
}

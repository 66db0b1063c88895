package dev.yardarm.data.intake;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Times;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * How far apart bars are, and which timeframe they are of. Markets close, so what counts is the commonest distance; sessions
 * need not be whole multiples of a bar, so a part of the distances is enough.
 */
public final class Spacing {
    private static final List<String> USUAL = List.of(
            "1s", "5s", "10s", "15s", "30s", "1m", "2m", "3m", "5m", "10m", "15m", "20m", "30m", "45m", "1h", "2h",
            "3h", "4h", "6h", "8h", "12h", "D", "W", "M", "Q", "Y");

    /** Share of distances that must be those of a timeframe. */
    private static final double ENOUGH = 0.25;

    private final long commonest;
    private final Map<Long, Integer> counts = new HashMap<>();
    private final int all;

    private Spacing(Bars bars) {
        // Most neighbours are as far apart as those before them: only a run is counted.
        long distance = 0;
        int run = 0;
        for (int bar = 1; bar < bars.closed(); bar++) {
            long next = bars.openTime(bar) - bars.openTime(bar - 1);
            if (next != distance) {
                count(distance, run);
                distance = next;
                run = 0;
            }
            run++;
        }
        count(distance, run);
        all = Math.max(0, bars.closed() - 1);
        commonest = counts.entrySet().stream()
                .max(Map.Entry.<Long, Integer>comparingByValue().thenComparing(each -> -each.getKey()))
                .map(Map.Entry::getKey)
                .orElse(0L);
    }

    private void count(long distance, int times) {
        if (times > 0) {
            counts.merge(distance, times, Integer::sum);
        }
    }

    /** The spacing of bars. */
    public static Spacing of(Bars bars) {
        return new Spacing(bars);
    }

    /** The usual timeframe that fits; empty when there are too few bars to tell, or none fits. */
    public Optional<Timeframe> timeframe() {
        if (all == 0) {
            return Optional.empty();
        }
        return USUAL.stream()
                .map(word -> Timeframe.parse(word).orElseThrow())
                .filter(each -> isOf(commonest, each))
                .findFirst();
    }

    /** True when bars so far apart can be of a timeframe; one bar can be of any. */
    public boolean fits(Timeframe timeframe) {
        if (all == 0) {
            return true;
        }
        int fitting = 0;
        for (Map.Entry<Long, Integer> each : counts.entrySet()) {
            fitting += isOf(each.getKey(), timeframe) ? each.getValue() : 0;
        }
        boolean few = all < 4
                && counts.keySet().stream().noneMatch(each -> each < 0.9 * timeframe.span())
                && timeframe().map(found -> !found.isHigherThan(timeframe)).orElse(true);
        return fitting >= ENOUGH * all || few;
    }

    /** Clocks change and months differ: a day has 23 to 25 hours, a month 28 to 31 days. */
    private static boolean isOf(long distance, Timeframe timeframe) {
        if (timeframe.isIntraday()) {
            return distance == timeframe.span();
        }
        double days = distance / (double) Times.DAY / timeframe.count();
        return switch (timeframe.unit()) {
            case DAY -> days > 0.95 && days < 1.05;
            case WEEK -> days > 5.9 && days < 8.1;
            case MONTH -> days > 26.9 && days < 32;
            case QUARTER -> days > 86 && days < 96;
            default -> days > 355 && days < 376;
        };
    }

    /** In words: {@code 5 minutes}, {@code 1 day}. */
    public String words() {
        long seconds = commonest / Times.SECOND;
        long[] sizes = {86_400, 3_600, 60, 1};
        String[] names = {"day", "hour", "minute", "second"};
        for (int at = 0; at < sizes.length; at++) {
            if (seconds >= sizes[at] && seconds % sizes[at] == 0) {
                long count = seconds / sizes[at];
                return count + " " + names[at] + (count == 1 ? "" : "s");
            }
        }
        return commonest / 1000 + " milliseconds";
    }
}

package dev.yardarm.market.generator;

import dev.yardarm.core.series.Times;
import dev.yardarm.market.chance.Dice;

/**
 * Cuts a minute bar into trades that add up to it exactly: the first at its open, the last at its close, its high and
 * low among them, their sizes adding up to its volume. Told by the keys of its dice, so that any minute can be made
 * again at any time.
 */
final class MinuteTrades {
    private static final int MOST = 14;
    /** Takes in trades priced in whole ticks. */
    @FunctionalInterface
    interface TickReader {
        void trade(long time, int ticks, double size);
    }

    private final long[] times = new long[MOST];
    private final int[] prices = new int[MOST];

    /** Reports the trades after {@code after} and up to {@code upTo}. */
    void report(
            Dice dice,
            long minuteStart,
            int open,
            int high,
            int low,
            int close,
            long volume,
            long after,
            long upTo,
            TickReader reader) {
        int extra = dice.below(MOST - 3);
        int count = 4 + extra;
        boolean highFirst = dice.uniform() < (close < open ? 0.7 : 0.3);
        int first = highFirst ? high : low;
        int second = highFirst ? low : high;
        int between = extra / 3;
        int place = 0;
        place = leg(dice, place, between, open, first);
        place = leg(dice, place, between, first, second);
        place = leg(dice, place, extra - 2 * between, second, close);
        prices[place] = close;
        long step = Times.MINUTE / (count + 1);
        for (int trade = 0; trade < count; trade++) {
            times[trade] = minuteStart + step * trade + ((long) (step * dice.uniform() / 1000)) * 1000;
        }
        long given = 0;
        for (int trade = 0; trade < count; trade++) {
            long sum = trade == count - 1
                    ? volume
                    : Math.max(given + 1, (long) ((double) volume * (trade + 0.3 + 0.6 * dice.uniform()) / count));
            if (times[trade] > after && times[trade] <= upTo) {
                reader.trade(times[trade], prices[trade], sum - given);
            }
            given = sum;
        }
    }

    /** Writes the start of a leg and some trades on the way; the end is written by the next leg. */
    private int leg(Dice dice, int place, int between, int from, int to) {
        prices[place++] = from;
        for (int step = 1; step <= between; step++) {
            double way = (step - 0.5 + 0.8 * (dice.uniform() - 0.5)) / between;
            prices[place++] = (int) Math.rint(from + (to - from) * way);
        }
        return place;
    }
}

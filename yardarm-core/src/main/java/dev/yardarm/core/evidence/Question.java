package dev.yardarm.core.evidence;

import java.util.Arrays;

/**
 * What is asked of the past, besides the condition and the instruments.
 *
 * @param horizons after how many bars returns are taken, ascending, each at least 1
 * @param cost taken off every return, as a share of the entry: 0.0005 is 0.05 %
 * @param slippage taken off every return too, in average true ranges of the bar it is after: 0.1 is a tenth, in and out together
 * @param from occurrences whose bar opened at this time or later, microseconds UTC
 * @param to and before this time
 * @param apart true to count, for a horizon, an occurrence of an instrument only when the one before it that counted lies at least that
 *     many bars back; false to count each
 * @param seed of what is drawn by chance; the same seed gives the same figures
 */
public record Question(int[] horizons, double cost, double slippage, long from, long to, boolean apart, long seed) {
    /** After 1, 5, 10, 20 and 60 bars, without cost, over all time. */
    public static final Question USUAL =
            new Question(new int[] {1, 5, 10, 20, 60}, 0, Long.MIN_VALUE, Long.MAX_VALUE, true, 1);

    public Question {
        horizons = horizons.clone();
        if (horizons.length == 0 || horizons[0] < 1) {
            throw new IllegalArgumentException(
                    "horizons are numbers of bars from 1 on, not " + Arrays.toString(horizons));
        }
        for (int at = 1; at < horizons.length; at++) {
            if (horizons[at] <= horizons[at - 1]) {
                throw new IllegalArgumentException(
                        "horizons go up, each longer than the one before, not " + Arrays.toString(horizons));
            }
        }
        if (!(Math.abs(cost) < 1)) {
            throw new IllegalArgumentException("the cost is a share of the entry, such as 0.0005, not " + cost);
        }
        if (!(slippage >= 0 && slippage <= 10)) {
            throw new IllegalArgumentException(
                    "the slippage is a share of the average true range, such as 0.1, not " + slippage);
        }
    }

    /** Without slippage. */
    public Question(int[] horizons, double cost, long from, long to, boolean apart, long seed) {
        this(horizons, cost, 0, from, to, apart, seed);
    }

    @Override
    public int[] horizons() {
        return horizons.clone();
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Question that
                && Arrays.equals(horizons, that.horizons)
                && cost == that.cost
                && slippage == that.slippage
                && from == that.from
                && to == that.to
                && apart == that.apart
                && seed == that.seed;
    }

    @Override
    public int hashCode() {
        return words().hashCode();
    }

    /** All of it in one line, the same for the same question. */
    public String words() {
        return Arrays.toString(horizons) + " less " + cost + (slippage == 0 ? "" : " and " + slippage + " atr")
                + " from " + from + " to " + to + (apart ? " apart" : " overlapping") + " seed " + seed;
    }

    /** The longest horizon. */
    public int longest() {
        return horizons[horizons.length - 1];
    }

    /** The same over other times. */
    public Question between(long newFrom, long newTo) {
        return new Question(horizons, cost, slippage, newFrom, newTo, apart, seed);
    }
}

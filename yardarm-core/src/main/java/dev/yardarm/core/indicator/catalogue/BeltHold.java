package dev.yardarm.core.indicator.catalogue;

/**
 * Belt hold. Bullish: after a decline (the close before the bar is below the average), a rising body longer than the
 * usual one that opens at the low (wick below at most 5 % of the range). Bearish: mirrored. O(1) a bar.
 */
public final class BeltHold extends CandlePattern {
    public BeltHold() {
        super("belt_hold", "Belt hold", 2);
        also("yorikiri", "opening at the extreme");
        up("bullish", "Bullish belt hold");
        down("bearish", "Bearish belt hold");
        help(
                "A long body against the move that opens at its own extreme.",
                "Bullish: after a decline (the close before the bar is below the average), a rising body "
                        + "longer than the usual one that opens at the low (wick below at most 5 % of the range). "
                        + "Bearish: mirrored.",
                "The move opened at its end and turned at once.",
                "Frequent; close below a bullish one undoes it.",
                "Steve Nison, Japanese Candlestick Charting Techniques (1991); in numbers after Gregory "
                        + "L. Morris, Candlepower (1992).");
    }

    @Override
    long[] sieve() {
        return new long[] {at(0, LONG | RISES) | at(1, DECLINE), at(0, LONG | FALLS) | at(1, RISE)};
    }

    @Override
    void judge(double[] c, double share, double[] out) {
        boolean large = isLong(c, 0);
        out[0] = yes(large && rises(c, 0) && lower(c, 0) <= 0.05 * range(c, 0) && inDecline(c, 1));
        out[1] = yes(large && falls(c, 0) && upper(c, 0) <= 0.05 * range(c, 0) && inRise(c, 1));
    }
}

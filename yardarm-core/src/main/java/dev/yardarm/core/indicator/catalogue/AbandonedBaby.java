package dev.yardarm.core.indicator.catalogue;

/**
 * Abandoned baby. Bullish: after a decline (the close before the three bars is below the average) a falling body
 * longer than the usual one, a doji whose high is below the lows on both sides, then a rising body that closes within
 * the first. Bearish: mirrored. O(1) a bar.
 */
public final class AbandonedBaby extends CandlePattern {
    public AbandonedBaby() {
        super("abandoned_baby", "Abandoned baby", 4);
        also("sute go", "island doji");
        dojiShare();
        up("bullish", "Bullish abandoned baby");
        down("bearish", "Bearish abandoned baby");
        help(
                "A doji with a gap on either side.",
                "Bullish: after a decline (the close before the three bars is below the average) a "
                        + "falling body longer than the usual one, a doji whose high is below the lows on both "
                        + "sides, then a rising body that closes within the first. Bearish: mirrored.",
                "An island of one bar: all who sold there are wrong at once.",
                "Rare; markets without gaps between bars have none.",
                "Steve Nison, Japanese Candlestick Charting Techniques (1991); in numbers after Gregory "
                        + "L. Morris, Candlepower (1992).");
    }

    @Override
    long[] sieve() {
        return new long[] {
            at(2, LONG | FALLS) | at(1, DOJI) | at(0, RISES) | at(3, DECLINE),
            at(2, LONG | RISES) | at(1, DOJI) | at(0, FALLS) | at(3, RISE)
        };
    }

    @Override
    void judge(double[] c, double share, double[] out) {
        boolean doji = isDoji(c, 1, share) && isLong(c, 2);
        out[0] = yes(doji
                && falls(c, 2)
                && high(c, 1) < low(c, 2)
                && high(c, 1) < low(c, 0)
                && rises(c, 0)
                && close(c, 0) > close(c, 2)
                && inDecline(c, 3));
        out[1] = yes(doji
                && rises(c, 2)
                && low(c, 1) > high(c, 2)
                && low(c, 1) > high(c, 0)
                && falls(c, 0)
                && close(c, 0) < close(c, 2)
                && inRise(c, 3));
    }
}

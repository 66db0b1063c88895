package dev.yardarm.core.indicator.catalogue;

/**
 * Harami. Bullish: after a decline (the close before the two bars is below the average) a falling body longer than the
 * usual one, then a rising body within it. The cross: the second is a doji within it, of either colour. Bearish:
 * mirrored. O(1) a bar.
 */
public final class Harami extends CandlePattern {
    public Harami() {
        super("harami", "Harami", 3);
        also("inside body", "harami cross", "pregnant");
        dojiShare();
        up("bullish", "Bullish harami");
        down("bearish", "Bearish harami");
        up("bullish_cross", "Bullish harami cross");
        down("bearish_cross", "Bearish harami cross");
        help(
                "A small body within the long one before it.",
                "Bullish: after a decline (the close before the two bars is below the average) a falling "
                        + "body longer than the usual one, then a rising body within it. The cross: the second is a "
                        + "doji within it, of either colour. Bearish: mirrored.",
                "The move stops dead after a long bar; the cross is the stronger of the two.",
                "A pause as often as a turn; wants a close beyond the first bar.",
                "Steve Nison, Japanese Candlestick Charting Techniques (1991); the trend and the long "
                        + "body after Gregory L. Morris, Candlepower (1992).");
    }

    @Override
    long[] sieve() {
        return new long[] {at(1, LONG | FALLS) | at(2, DECLINE), at(1, LONG | RISES) | at(2, RISE)};
    }

    @Override
    void judge(double[] c, double share, double[] out) {
        boolean within = top(c, 0) <= top(c, 1) && bottom(c, 0) >= bottom(c, 1) && body(c, 0) < body(c, 1);
        boolean down = within && isLong(c, 1) && falls(c, 1) && inDecline(c, 2);
        boolean up = within && isLong(c, 1) && rises(c, 1) && inRise(c, 2);
        boolean doji = isDoji(c, 0, share);
        out[0] = yes(down && !doji && rises(c, 0));
        out[1] = yes(up && !doji && falls(c, 0));
        out[2] = yes(down && doji);
        out[3] = yes(up && doji);
    }
}

package dev.yardarm.core.indicator.catalogue;

/**
 * Tweezers. Bottom: after a decline (the close before the two bars is below the average) a falling body longer than
 * the usual one, then a rising bar whose low differs from the low before by at most 10 % of the usual body. Top:
 * mirrored, with highs. O(1) a bar.
 */
public final class Tweezers extends CandlePattern {
    public Tweezers() {
        super("tweezers", "Tweezers", 3);
        also("kenuki", "equal lows", "equal highs");
        up("bottom", "Tweezers bottom");
        down("top", "Tweezers top");
        help(
                "Two bars with the same low, or the same high, at the end of a move.",
                "Bottom: after a decline (the close before the two bars is below the average) a falling "
                        + "body longer than the usual one, then a rising bar whose low differs from the low before "
                        + "by at most 10 % of the usual body. Top: mirrored, with highs.",
                "The same price held twice.",
                "Two equal lows are a small level; one of several bars apart is a better one.",
                "Steve Nison, Japanese Candlestick Charting Techniques (1991); tolerance and trend in "
                        + "numbers here.");
    }

    @Override
    long[] sieve() {
        return new long[] {
            at(1, LONG | FALLS) | at(0, RISES) | at(2, DECLINE), at(1, LONG | RISES) | at(0, FALLS) | at(2, RISE)
        };
    }

    @Override
    void judge(double[] c, double share, double[] out) {
        boolean large = isLong(c, 1);
        double near = 0.1 * usual(c, 0);
        out[0] = yes(large && falls(c, 1) && rises(c, 0) && Math.abs(low(c, 0) - low(c, 1)) <= near && inDecline(c, 2));
        out[1] = yes(large && rises(c, 1) && falls(c, 0) && Math.abs(high(c, 0) - high(c, 1)) <= near && inRise(c, 2));
    }
}

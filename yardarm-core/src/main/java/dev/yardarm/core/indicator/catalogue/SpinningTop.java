package dev.yardarm.core.indicator.catalogue;

/**
 * Spinning top. The body is shorter than half the usual body (the mean of the bars before), no doji (more than doji %
 * of the range), and each wick is longer than the body. O(1) a bar.
 */
public final class SpinningTop extends CandlePattern {
    public SpinningTop() {
        super("spinning_top", "Spinning top", 1);
        also("indecision", "small body");
        dojiShare();
        mark("spinning_top", "Spinning top");
        help(
                "A small body between two longer wicks.",
                "The body is shorter than half the usual body (the mean of the bars before), no doji "
                        + "(more than doji % of the range), and each wick is longer than the body.",
                "A bar of indecision; after a long move the pace is gone.",
                "Common in ranges, where it means nothing.",
                "Steve Nison, Japanese Candlestick Charting Techniques (1991); in numbers after Gregory "
                        + "L. Morris, Candlepower (1992).");
    }

    @Override
    long[] sieve() {
        return new long[] {at(0, SMALL)};
    }

    @Override
    void judge(double[] c, double share, double[] out) {
        out[0] = yes(isSmall(c, 0) && !isDoji(c, 0, share) && upper(c, 0) > body(c, 0) && lower(c, 0) > body(c, 0));
    }
}

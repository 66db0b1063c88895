package dev.yardarm.core.indicator.catalogue;

/**
 * Marubozu. The body is longer than the usual one (the mean of the bars before) and each wick is at most 5 % of the
 * range. O(1) a bar.
 */
public final class Marubozu extends CandlePattern {
    public Marubozu() {
        super("marubozu", "Marubozu", 1);
        also("full body", "shaven");
        up("bullish", "Rising marubozu");
        down("bearish", "Falling marubozu");
        help(
                "A long body with next to no wicks.",
                "The body is longer than the usual one (the mean of the bars before) and each wick is at "
                        + "most 5 % of the range.",
                "One side had the bar from open to close; often the bar that leaves a range.",
                "The stop belongs at its other end, which is far away.",
                "Steve Nison, Japanese Candlestick Charting Techniques (1991); in numbers after Gregory "
                        + "L. Morris, Candlepower (1992).");
    }

    @Override
    long[] sieve() {
        return new long[] {at(0, LONG)};
    }

    @Override
    void judge(double[] c, double share, double[] out) {
        boolean full = isFull(c, 0);
        out[0] = yes(full && rises(c, 0));
        out[1] = yes(full && falls(c, 0));
    }
}

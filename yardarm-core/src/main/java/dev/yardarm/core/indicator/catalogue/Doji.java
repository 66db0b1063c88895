package dev.yardarm.core.indicator.catalogue;

/**
 * Doji. body = |close - open|, range = high - low (above 0). Doji: body at most doji % of the range. Long-legged: both
 * wicks at least 30 % of the range. Dragonfly: wick above at most 10 %, below at least 60 % of the range; gravestone:
 * the other way round. O(1) a bar.
 */
public final class Doji extends CandlePattern {
    public Doji() {
        super("doji", "Doji", 1);
        also("long-legged doji", "dragonfly", "gravestone", "indecision");
        dojiShare();
        mark("doji", "Doji");
        mark("long_legged", "Long-legged doji");
        mark("dragonfly", "Dragonfly doji");
        mark("gravestone", "Gravestone doji");
        help(
                "A bar that closes where it opened, and where within its range that was.",
                "body = |close - open|, range = high - low (above 0). Doji: body at most doji % of the "
                        + "range. Long-legged: both wicks at least 30 % of the range. Dragonfly: wick above at most "
                        + "10 %, below at least 60 % of the range; gravestone: the other way round.",
                "Neither side won the bar. After a long move a sign that it tires; the dragonfly was "
                        + "bought back from its low, the gravestone sold back from its high.",
                "In a quiet market every other bar is one; alone it says nothing about direction.",
                "Steve Nison, Japanese Candlestick Charting Techniques (1991); the share of the range "
                        + "after Gregory L. Morris, Candlepower (1992).");
    }

    @Override
    long[] sieve() {
        return new long[] {at(0, DOJI)};
    }

    @Override
    void judge(double[] c, double share, double[] out) {
        boolean doji = isDoji(c, 0, share);
        double range = range(c, 0);
        out[0] = yes(doji);
        out[1] = yes(doji && upper(c, 0) >= 0.3 * range && lower(c, 0) >= 0.3 * range);
        out[2] = yes(doji && upper(c, 0) <= 0.1 * range && lower(c, 0) >= 0.6 * range);
        out[3] = yes(doji && lower(c, 0) <= 0.1 * range && upper(c, 0) >= 0.6 * range);
    }
}

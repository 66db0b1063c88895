package dev.yardarm.core.indicator.catalogue;

/**
 * Rising and falling three methods. Rising: a rising body longer than the usual one, three bodies shorter than it
 * within its range (highs and lows), the last of them closing below the first of them, then a rising body longer than
 * the usual one that closes above the close of the first. Falling: mirrored. O(1) a bar.
 */
public final class ThreeMethods extends CandlePattern {
    public ThreeMethods() {
        super("three_methods", "Rising and falling three methods", 5);
        also("sanpoh", "flag of candles", "continuation");
        up("rising", "Rising three methods");
        down("falling", "Falling three methods");
        help(
                "A long body, three small ones against it within its range, and a long one that goes on.",
                "Rising: a rising body longer than the usual one, three bodies shorter than it within its "
                        + "range (highs and lows), the last of them closing below the first of them, then a rising "
                        + "body longer than the usual one that closes above the close of the first. Falling: "
                        + "mirrored.",
                "A rest within the range of one strong bar; the trend goes on.",
                "Five bars in one order are rare; two or four small bars mean the same and are not " + "counted.",
                "Steve Nison, Japanese Candlestick Charting Techniques (1991); in numbers after Gregory "
                        + "L. Morris, Candlepower (1992).");
    }

    @Override
    long[] sieve() {
        return new long[] {at(4, LONG | RISES) | at(0, LONG | RISES), at(4, LONG | FALLS) | at(0, LONG | FALLS)};
    }

    @Override
    void judge(double[] c, double share, double[] out) {
        boolean rest = true;
        for (int k = 1; k <= 3; k++) {
            rest &= body(c, k) < body(c, 4) && high(c, k) <= high(c, 4) && low(c, k) >= low(c, 4);
        }
        boolean large = rest && isLong(c, 4) && isLong(c, 0);
        out[0] = yes(large && rises(c, 4) && rises(c, 0) && close(c, 1) < close(c, 3) && close(c, 0) > close(c, 4));
        out[1] = yes(large && falls(c, 4) && falls(c, 0) && close(c, 1) > close(c, 3) && close(c, 0) < close(c, 4));
    }
}

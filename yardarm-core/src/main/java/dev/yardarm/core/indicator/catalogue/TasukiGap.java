package dev.yardarm.core.indicator.catalogue;

/**
 * Tasuki gap. Upside: after a rise (the close before the three bars is above the average) a rising body, another whose
 * low is above the high before, then a falling body that opens within the second and closes in the gap, below the low
 * of the second and above the high of the first. Downside: mirrored. O(1) a bar.
 */
public final class TasukiGap extends CandlePattern {
    public TasukiGap() {
        super("tasuki_gap", "Tasuki gap", 4);
        also("tasuki", "gap continuation");
        up("upside", "Upside tasuki gap");
        down("downside", "Downside tasuki gap");
        help(
                "A gap in the trend that the third bar enters and does not fill.",
                "Upside: after a rise (the close before the three bars is above the average) a rising "
                        + "body, another whose low is above the high before, then a falling body that opens within "
                        + "the second and closes in the gap, below the low of the second and above the high of the "
                        + "first. Downside: mirrored.",
                "The gap was tried and held; the trend goes on.",
                "Rare; a gap half filled is often filled.",
                "Steve Nison, Japanese Candlestick Charting Techniques (1991); in numbers after Gregory "
                        + "L. Morris, Candlepower (1992).");
    }

    @Override
    long[] sieve() {
        return new long[] {
            at(2, RISES) | at(1, RISES) | at(0, FALLS) | at(3, RISE),
            at(2, FALLS) | at(1, FALLS) | at(0, RISES) | at(3, DECLINE)
        };
    }

    @Override
    void judge(double[] c, double share, double[] out) {
        boolean opensWithin = open(c, 0) <= top(c, 1) && open(c, 0) >= bottom(c, 1);
        out[0] = yes(opensWithin
                && rises(c, 2)
                && rises(c, 1)
                && low(c, 1) > high(c, 2)
                && falls(c, 0)
                && close(c, 0) < low(c, 1)
                && close(c, 0) > high(c, 2)
                && inRise(c, 3));
        out[1] = yes(opensWithin
                && falls(c, 2)
                && falls(c, 1)
                && high(c, 1) < low(c, 2)
                && rises(c, 0)
                && close(c, 0) > high(c, 1)
                && close(c, 0) < low(c, 2)
                && inDecline(c, 3));
    }
}

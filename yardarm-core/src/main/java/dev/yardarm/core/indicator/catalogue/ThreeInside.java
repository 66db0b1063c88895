package dev.yardarm.core.indicator.catalogue;

/**
 * Three inside. Up: after a decline (the close before the three bars is below the average) a falling body longer than
 * the usual one, a rising body within it, then a rising one that closes above the open of the first. Down: mirrored. O(1) a bar.
 */
public final class ThreeInside extends CandlePattern {
    public ThreeInside() {
        super("three_inside", "Three inside", 4);
        also("confirmed harami");
        up("up", "Three inside up");
        down("down", "Three inside down");
        help(
                "A body within a long one, then a close beyond both.",
                "Up: after a decline (the close before the three bars is below the average) a falling "
                        + "body longer than the usual one, a rising body within it, then a rising one that closes "
                        + "above the open of the first. Down: mirrored.",
                "A harami that was followed through.",
                "The stop under the first bar is far from the close of the third.",
                "Gregory L. Morris, Candlepower (1992); the third close beyond the open of the first is "
                        + "asked for.");
    }

    @Override
    long[] sieve() {
        return new long[] {
            at(2, LONG | FALLS) | at(1, RISES) | at(0, RISES) | at(3, DECLINE),
            at(2, LONG | RISES) | at(1, FALLS) | at(0, FALLS) | at(3, RISE)
        };
    }

    @Override
    void judge(double[] c, double share, double[] out) {
        boolean within =
                top(c, 1) <= top(c, 2) && bottom(c, 1) >= bottom(c, 2) && body(c, 1) < body(c, 2) && isLong(c, 2);
        out[0] =
                yes(within && falls(c, 2) && rises(c, 1) && rises(c, 0) && close(c, 0) > open(c, 2) && inDecline(c, 3));
        out[1] = yes(within && rises(c, 2) && falls(c, 1) && falls(c, 0) && close(c, 0) < open(c, 2) && inRise(c, 3));
    }
}

package dev.yardarm.core.indicator.catalogue;

/**
 * Three outside. Up: a bullish engulfing (after a decline: the close before the three bars is below the average), then
 * a rising body that closes above its close. Down: mirrored. O(1) a bar.
 */
public final class ThreeOutside extends CandlePattern {
    public ThreeOutside() {
        super("three_outside", "Three outside", 4);
        also("confirmed engulfing");
        up("up", "Three outside up");
        down("down", "Three outside down");
        help(
                "An engulfing body and a further close in its direction.",
                "Up: a bullish engulfing (after a decline: the close before the three bars is below the "
                        + "average), then a rising body that closes above its close. Down: mirrored.",
                "An engulfing that was followed through.",
                "The move is three bars old when it can be known.",
                "Gregory L. Morris, Candlepower (1992).");
    }

    @Override
    long[] sieve() {
        return new long[] {
            at(2, FALLS) | at(1, RISES) | at(0, RISES) | at(3, DECLINE),
            at(2, RISES) | at(1, FALLS) | at(0, FALLS) | at(3, RISE)
        };
    }

    @Override
    void judge(double[] c, double share, double[] out) {
        out[0] = yes(engulfsUp(c, 1) && rises(c, 0) && close(c, 0) > close(c, 1) && inDecline(c, 3));
        out[1] = yes(engulfsDown(c, 1) && falls(c, 0) && close(c, 0) < close(c, 1) && inRise(c, 3));
    }
}

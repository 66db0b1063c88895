package dev.yardarm.core.indicator.catalogue;

/**
 * Piercing line and dark cloud cover. Piercing line: after a decline (the close before the two bars is below the
 * average) a falling body longer than the usual one, then a rising one that opens below its low and closes above the
 * middle of its body, below its open. Dark cloud cover: mirrored. O(1) a bar.
 */
public final class Piercing extends CandlePattern {
    public Piercing() {
        super("piercing", "Piercing line and dark cloud cover", 3);
        also("kirikomi", "kabuse", "dark cloud");
        up("piercing_line", "Piercing line");
        down("dark_cloud", "Dark cloud cover");
        help(
                "A gap in the direction of the move that is closed past the middle of the bar before.",
                "Piercing line: after a decline (the close before the two bars is below the average) a "
                        + "falling body longer than the usual one, then a rising one that opens below its low and "
                        + "closes above the middle of its body, below its open. Dark cloud cover: mirrored.",
                "A gap with the move is taken back by more than half of the bar before.",
                "Markets without gaps between bars have none.",
                "Steve Nison, Japanese Candlestick Charting Techniques (1991); the trend after Gregory L. "
                        + "Morris, Candlepower (1992).");
    }

    @Override
    long[] sieve() {
        return new long[] {
            at(1, LONG | FALLS) | at(0, RISES) | at(2, DECLINE), at(1, LONG | RISES) | at(0, FALLS) | at(2, RISE)
        };
    }

    @Override
    void judge(double[] c, double share, double[] out) {
        double middle = (open(c, 1) + close(c, 1)) / 2;
        out[0] = yes(isLong(c, 1)
                && falls(c, 1)
                && rises(c, 0)
                && open(c, 0) < low(c, 1)
                && close(c, 0) > middle
                && close(c, 0) < open(c, 1)
                && inDecline(c, 2));
        out[1] = yes(isLong(c, 1)
                && rises(c, 1)
                && falls(c, 0)
                && open(c, 0) > high(c, 1)
                && close(c, 0) < middle
                && close(c, 0) > open(c, 1)
                && inRise(c, 2));
    }
}

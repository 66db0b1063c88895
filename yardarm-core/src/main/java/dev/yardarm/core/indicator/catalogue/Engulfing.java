package dev.yardarm.core.indicator.catalogue;

/**
 * Engulfing. Bullish: after a decline (the close before the two bars is below the average) a falling body, then a
 * rising one that opens at or below its close, closes at or above its open and is longer. Bearish: mirrored. O(1) a bar.
 */
public final class Engulfing extends CandlePattern {
    public Engulfing() {
        super("engulfing", "Engulfing", 3);
        also("outside body", "tsutsumi");
        up("bullish", "Bullish engulfing");
        down("bearish", "Bearish engulfing");
        help(
                "A body that covers the opposite body before it.",
                "Bullish: after a decline (the close before the two bars is below the average) a falling "
                        + "body, then a rising one that opens at or below its close, closes at or above its open "
                        + "and is longer. Bearish: mirrored.",
                "The move of the bar before is taken back whole, and more.",
                "After a wide bar the entry is far from the stop; without a trend before it, noise.",
                "Steve Nison, Japanese Candlestick Charting Techniques (1991); the trend after Gregory L. "
                        + "Morris, Candlepower (1992).");
    }

    @Override
    long[] sieve() {
        return new long[] {at(0, RISES) | at(1, FALLS) | at(2, DECLINE), at(0, FALLS) | at(1, RISES) | at(2, RISE)};
    }

    @Override
    void judge(double[] c, double share, double[] out) {
        out[0] = yes(engulfsUp(c, 0) && inDecline(c, 2));
        out[1] = yes(engulfsDown(c, 0) && inRise(c, 2));
    }
}

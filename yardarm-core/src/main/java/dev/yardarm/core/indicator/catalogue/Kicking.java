package dev.yardarm.core.indicator.catalogue;

/**
 * Kicking. Bullish: a falling body longer than the usual one without wicks (each at most 5 % of the range), then a
 * rising one of the same kind whose low is above the high before. Bearish: mirrored. No trend is asked for. O(1) a bar.
 */
public final class Kicking extends CandlePattern {
    public Kicking() {
        super("kicking", "Kicking", 2);
        also("keri ashi", "opposite marubozu");
        up("bullish", "Bullish kicking");
        down("bearish", "Bearish kicking");
        help(
                "Two opposite full bodies with a gap between them.",
                "Bullish: a falling body longer than the usual one without wicks (each at most 5 % of the "
                        + "range), then a rising one of the same kind whose low is above the high before. Bearish: "
                        + "mirrored. No trend is asked for.",
                "News overnight turned the market; the gap often stays open.",
                "Rare.",
                "Gregory L. Morris, Candlepower (1992).");
    }

    @Override
    long[] sieve() {
        return new long[] {at(1, LONG | FALLS) | at(0, LONG | RISES), at(1, LONG | RISES) | at(0, LONG | FALLS)};
    }

    @Override
    void judge(double[] c, double share, double[] out) {
        boolean full = isFull(c, 0) && isFull(c, 1);
        out[0] = yes(full && falls(c, 1) && rises(c, 0) && low(c, 0) > high(c, 1));
        out[1] = yes(full && rises(c, 1) && falls(c, 0) && high(c, 0) < low(c, 1));
    }
}

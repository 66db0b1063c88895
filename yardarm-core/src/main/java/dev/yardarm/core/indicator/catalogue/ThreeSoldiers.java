package dev.yardarm.core.indicator.catalogue;

/**
 * Three soldiers and three crows. Soldiers: after a decline (the close before the three bars is below the average)
 * three rising bodies longer than the usual one, each opens within the body before and closes above its close, each
 * wick above at most 25 % of the range. Crows: mirrored. O(1) a bar.
 */
public final class ThreeSoldiers extends CandlePattern {
    public ThreeSoldiers() {
        super("three_soldiers", "Three soldiers and three crows", 4);
        also("white soldiers", "black crows", "sanpei");
        up("white_soldiers", "Three white soldiers");
        down("black_crows", "Three black crows");
        help(
                "Three long bodies in a row, each further than the one before.",
                "Soldiers: after a decline (the close before the three bars is below the average) three "
                        + "rising bodies longer than the usual one, each opens within the body before and closes "
                        + "above its close, each wick above at most 25 % of the range. Crows: mirrored.",
                "Three bars of steady buying after a decline: the turn is under way.",
                "By the third bar price is far from the low; late entries wait for the pullback.",
                "Steve Nison, Japanese Candlestick Charting Techniques (1991); in numbers after Gregory "
                        + "L. Morris, Candlepower (1992).");
    }

    @Override
    long[] sieve() {
        return new long[] {
            at(2, LONG | RISES) | at(1, LONG | RISES) | at(0, LONG | RISES) | at(3, DECLINE),
            at(2, LONG | FALLS) | at(1, LONG | FALLS) | at(0, LONG | FALLS) | at(3, RISE)
        };
    }

    @Override
    void judge(double[] c, double share, double[] out) {
        boolean soldiers = inDecline(c, 3);
        boolean crows = inRise(c, 3);
        for (int k = 0; k < 3; k++) {
            boolean opensWithin = k == 2 || open(c, k) <= top(c, k + 1) && open(c, k) >= bottom(c, k + 1);
            boolean large = isLong(c, k) && opensWithin;
            soldiers &= large
                    && rises(c, k)
                    && upper(c, k) <= 0.25 * range(c, k)
                    && (k == 2 || close(c, k) > close(c, k + 1));
            crows &= large
                    && falls(c, k)
                    && lower(c, k) <= 0.25 * range(c, k)
                    && (k == 2 || close(c, k) < close(c, k + 1));
        }
        out[0] = yes(soldiers);
        out[1] = yes(crows);
    }
}

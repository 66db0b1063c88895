package dev.yardarm.core.indicator.catalogue;

/**
 * Morning and evening star. Morning: after a decline (the close before the three bars is below the average) a falling
 * body longer than the usual one, a body shorter than half the usual one that lies wholly below it, then a rising body
 * that closes above the middle of the first. With a doji in the middle it is the doji star, else the plain one.
 * Evening: mirrored. O(1) a bar.
 */
public final class Star extends CandlePattern {
    public Star() {
        super("star", "Morning and evening star", 4);
        also("sankawa", "doji star", "three river");
        dojiShare();
        up("morning", "Morning star");
        down("evening", "Evening star");
        up("morning_doji", "Morning doji star");
        down("evening_doji", "Evening doji star");
        help(
                "A long body, a small one beyond it, and a body that takes the first back past its " + "middle.",
                "Morning: after a decline (the close before the three bars is below the average) a "
                        + "falling body longer than the usual one, a body shorter than half the usual one that lies "
                        + "wholly below it, then a rising body that closes above the middle of the first. With a "
                        + "doji in the middle it is the doji star, else the plain one. Evening: mirrored.",
                "The move goes on, stops, and is taken back by more than half.",
                "The third bar is late: much of the turn is over.",
                "Steve Nison, Japanese Candlestick Charting Techniques (1991); in numbers after Gregory "
                        + "L. Morris, Candlepower (1992).");
    }

    @Override
    long[] sieve() {
        return new long[] {
            at(2, LONG | FALLS) | at(1, SMALL) | at(0, RISES) | at(3, DECLINE),
            at(2, LONG | FALLS) | at(1, DOJI) | at(0, RISES) | at(3, DECLINE),
            at(2, LONG | RISES) | at(1, SMALL) | at(0, FALLS) | at(3, RISE),
            at(2, LONG | RISES) | at(1, DOJI) | at(0, FALLS) | at(3, RISE)
        };
    }

    @Override
    void judge(double[] c, double share, double[] out) {
        double middle = (open(c, 2) + close(c, 2)) / 2;
        boolean doji = isDoji(c, 1, share);
        boolean small = doji || isSmall(c, 1);
        boolean morning = small
                && isLong(c, 2)
                && falls(c, 2)
                && top(c, 1) < close(c, 2)
                && rises(c, 0)
                && close(c, 0) > middle
                && inDecline(c, 3);
        boolean evening = small
                && isLong(c, 2)
                && rises(c, 2)
                && bottom(c, 1) > close(c, 2)
                && falls(c, 0)
                && close(c, 0) < middle
                && inRise(c, 3);
        out[0] = yes(morning && !doji);
        out[1] = yes(evening && !doji);
        out[2] = yes(morning && doji);
        out[3] = yes(evening && doji);
    }
}

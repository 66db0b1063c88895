package dev.yardarm.core.indicator.catalogue;

/**
 * Shooting star and inverted hammer. The body is at most a third of the range and not 0, the wick above at least twice
 * the body, the wick below at most 10 % of the range. Shooting star: after a rise (the close before is above the
 * average); inverted hammer: after a decline. O(1) a bar.
 */
public final class ShootingStar extends CandlePattern {
    public ShootingStar() {
        super("shooting_star", "Shooting star and inverted hammer", 2);
        also("long upper wick", "pin");
        down("shooting_star", "Shooting star");
        up("inverted_hammer", "Inverted hammer");
        help(
                "A small body at the foot of the bar below a long wick; its name depends on what came " + "before.",
                "The body is at most a third of the range and not 0, the wick above at least twice the "
                        + "body, the wick below at most 10 % of the range. Shooting star: after a rise (the close "
                        + "before is above the average); inverted hammer: after a decline.",
                "Shooting star: bought up and sold back within the bar. Inverted hammer: the first strong "
                        + "buying of a decline; wants a higher close to follow.",
                "Without a level above it a shooting star is one wick of many.",
                "Steve Nison, Japanese Candlestick Charting Techniques (1991); the trend after Gregory L. "
                        + "Morris, Candlepower (1992). A gap before it is not asked for.");
    }

    @Override
    long[] sieve() {
        return new long[] {at(0, WICK_ABOVE)};
    }

    @Override
    void judge(double[] c, double share, double[] out) {
        boolean reversed = rejects(c, upper(c, 0), lower(c, 0));
        out[0] = yes(reversed && inRise(c, 1));
        out[1] = yes(reversed && inDecline(c, 1));
    }
}

package dev.yardarm.core.indicator.catalogue;

/**
 * Hammer and hanging man. The body is at most a third of the range and not 0, the wick below at least twice the body,
 * the wick above at most 10 % of the range. Hammer: after a decline (the close before is below the average); hanging
 * man: after a rise. O(1) a bar.
 */
public final class Hammer extends CandlePattern {
    public Hammer() {
        super("hammer", "Hammer and hanging man", 2);
        also("takuri", "paper umbrella", "long lower wick");
        up("hammer", "Hammer");
        down("hanging_man", "Hanging man");
        help(
                "A small body at the top of the bar above a long wick; its name depends on what came " + "before.",
                "The body is at most a third of the range and not 0, the wick below at least twice the "
                        + "body, the wick above at most 10 % of the range. Hammer: after a decline (the close "
                        + "before is below the average); hanging man: after a rise.",
                "Hammer: sold off and bought back within the bar. Hanging man: the first heavy selling of "
                        + "a rise; wants a lower close to follow.",
                "The hanging man alone is right little more often than not.",
                "Steve Nison, Japanese Candlestick Charting Techniques (1991); the trend after Gregory L. "
                        + "Morris, Candlepower (1992).");
    }

    @Override
    long[] sieve() {
        return new long[] {at(0, WICK_BELOW)};
    }

    @Override
    void judge(double[] c, double share, double[] out) {
        boolean umbrella = rejects(c, lower(c, 0), upper(c, 0));
        out[0] = yes(umbrella && inDecline(c, 1));
        out[1] = yes(umbrella && inRise(c, 1));
    }
}

package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Detection;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.core.structure.FindingLog;

/**
 * Prices at which swings turned more than once, as bands. The swings are those of {@link Swings} by so many usual ranges. Two near each
 * other make a band, provisional until there are as many as asked for, and moving with each; then it stays where it is. A close beyond it
 * breaks it and turns its role; a later swing in it is a retest.
 *
 * <p>O(1) a bar, and a few dozen comparisons for a swing that is settled.
 */
public final class Levels extends Detector {
    public Levels() {
        super("levels", "Levels");
        also("support", "resistance", "horizontal", "zones", "key levels");
        whole("touches", "Touches", 2, 2, 20);
        number("width", "Width, in usual ranges", 0.5, 0.05, 10);
        number("swing", "Size of the swings, in usual ranges", 3, 0.2, 100);
        whole("age", "Expires after bars without a touch", 500, 10, 100_000);
        kind("support", "Support");
        kind("resistance", "Resistance");
        help(
                "Bands of price at which swings turned several times, with what became of them.",
                "A swing is settled as by pivots, when price has come back from it by swing times the mean of the last 100 "
                        + "true ranges. It touches a band whose middle is within width times that mean; its outermost touches "
                        + "are its edges. Confirmed with so many touches, at the close that settles the last: support when that "
                        + "close is above all of them, resistance when below, else as it was touched last. Broken: a close "
                        + "beyond the edge that its role defends, after which its role is the other one. Retested: a later "
                        + "swing that touches it. Expired: no touch for so many bars, told with the next swing. 60 are kept, and "
                        + "40 swings without a band. score = touches / (touches + 2).",
                "Where price turned before, orders may wait again; a level that was broken often holds from the other side.",
                "With bands wide enough every price is a level. It is drawn from turns that are over: the next touch may go "
                        + "through.",
                "Robert D. Edwards and John Magee, Technical Analysis of Stock Trends (1948), on support, resistance and "
                        + "the change of their roles.");
    }

    @Override
    public Detection begin(Settings chosen) {
        double swing = chosen.number("swing");
        Bands bands = new Bands(chosen.whole("touches"), chosen.number("width"), chosen.whole("age"));
        return new Search(new RangeMeasure(), new ReversedSwings(bands, (usual, price) -> swing * usual.mean()));
    }

    private record Search(RangeMeasure usual, SwingSearch swings) implements Detection {
        @Override
        public void take(Bars bars, int bar, FindingLog log) {
            if (bars.high(bar) >= bars.low(bar)) {
                usual.take(bars, bar);
                swings.take(bars, bar, usual, log);
            }
        }

        @Override
        public Detection copy() {
            return new Search(usual.copy(), swings.copy());
        }
    }
}

package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Detection;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.core.structure.Figured;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import dev.yardarm.core.structure.Given;
import dev.yardarm.core.structure.Happened;
import dev.yardarm.core.structure.Nearest;
import dev.yardarm.core.structure.Sight;
import java.util.List;
import java.util.Map;

/**
 * Prices at which swings turned more than once, as bands. The swings are those of {@link Swings} by so many usual ranges. Two near each
 * other make a band, provisional until there are as many as asked for, and moving with each; then it stays where it is. A close beyond it
 * breaks it and turns its role; a later swing in it is a retest. Beside them the extremes of all time and of a year, and round prices.
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
        choice("extremes", "Highs and lows of all time and of 365 days", "yes", "no");
        choice("round", "Round prices", "no", "yes");
        kind("support", "Support");
        kind("resistance", "Resistance");
        kind("all_time_high", "All-time high");
        kind("all_time_low", "All-time low");
        kind("year_high", "High of 365 days");
        kind("year_low", "Low of 365 days");
        kind("round_price", "Round price");
        column("above", "Nearest level above", open -> Nearest.price(true, open, Levels::edges));
        column("below", "Nearest level below", open -> Nearest.price(false, open, Levels::edges));
        column(
                "strength_above",
                "Strength of the nearest above",
                open -> new Nearest(true, open, Levels::edges, Finding::score));
        column(
                "strength_below",
                "Strength of the nearest below",
                open -> new Nearest(false, open, Levels::edges, Finding::score));
        cue("confirmed", "A level is settled", chosen -> Happened.to(each -> true, Finding.State.CONFIRMED));
        cue("broken", "A close beyond a level", chosen -> Happened.to(each -> true, Finding.State.BROKEN));
        cue("retest_from_above", "Comes back to a level from above and holds", chosen -> new Retest(true));
        cue("retest_from_below", "Comes back to a level from below and holds", chosen -> new Retest(false));
        help(
                "Bands of price at which swings turned several times, with what became of them.",
                "A swing is settled as by pivots, when price has come back from it by swing times the mean of the last 100 "
                        + "true ranges. It touches a band whose middle is within width times that mean; its outermost touches "
                        + "are its edges. Confirmed with so many touches, at the close that settles the last: support when that "
                        + "close is above all of them, resistance when below, else as it was touched last. Broken: a close "
                        + "beyond the edge that its role defends, after which its role is the other one. Retested: a later "
                        + "swing that touches it. Expired: no touch for so many bars, told with the next swing. 60 are kept, and "
                        + "40 swings without a band. score = w / (w + 2), w the sum over its touches of the volume of the swing "
                        + "over the mean of the 50 bars before (0.5 to 2), times 1 + log3 of the move that led to it over the smallest "
                        + "(1 to 3: a move three times as long is one of the next higher timeframe), halved for every age bars since. "
                        + "all_time_high, all_time_low: the highest and lowest settled swing of all bars there are, on their prices as they "
                        + "are adjusted, score 0.8; year_high, year_low: of the last 365 days, where it is another, score 0.6; broken by a "
                        + "close beyond, expired when a newer one takes its place. round_price: the multiples next to the close, above and "
                        + "below, of the largest 1, 2 or 5 times a power of ten that is at most a tenth of it, score 0.3.",
                "Where price turned before, orders may wait again; a level that was broken often holds from the other side.",
                "With bands wide enough every price is a level. It is drawn from turns that are over: the next touch may go "
                        + "through.",
                "Robert D. Edwards and John Magee, Technical Analysis of Stock Trends (1948), on support, resistance and "
                        + "the change of their roles.");
    }

    /** With its role of now, which every close beyond it turns. */
    @Override
    public Figured figure(Sight sight) {
        Finding band = sight.finding();
        if (!band.lines().containsKey("upper")) {
            String broken = sight.state() == Finding.State.BROKEN ? ", broken" : "";
            return new Figured(
                    "level_ray",
                    List.of(new Anchor(band.points().get(0).time(), band.lines().get("price"))),
                    Map.of(),
                    words(band) + broken,
                    !band.kind().endsWith("low"));
        }
        boolean turned = sight.breaks() % 2 == 1;
        boolean support = band.kind().equals("support") != turned;
        int touches = band.points().size();
        return Figured.zone(
                (support ? "support" : "resistance")
                        + (turned ? ", was " + (support ? "resistance" : "support") : "")
                        + ", " + touches + (touches == 1 ? " touch" : " touches"),
                band.from(),
                band.lines().get("upper"),
                band.lines().get("lower"),
                sight.end());
    }

    /** Its lower and its upper border, or the price of one that has no width. */
    static double[] edges(Finding band) {
        Double price = band.lines().get("price");
        return price == null
                ? new double[] {band.lines().get("lower"), band.lines().get("upper")}
                : new double[] {price};
    }

    @Override
    public Detection begin(Settings chosen, Given given) {
        double swing = chosen.number("swing");
        ClosingTaker taker = new Bands(chosen.whole("touches"), swing, chosen.number("width"), chosen.whole("age"));
        if (chosen.word("extremes").equals("yes")) {
            taker = new BothTakers(taker, new Extremes());
        }
        if (chosen.word("round").equals("yes")) {
            taker = new BothTakers(taker, new RoundPrices());
        }
        return new Search(new RangeMeasure(), new ReversedSwings<>(taker, swing));
    }

    private record Search(RangeMeasure usual, ReversedSwings<ClosingTaker> swings) implements Detection {
        @Override
        public void take(Bars bars, int bar, FindingLog log) {
            if (bars.high(bar) >= bars.low(bar)) {
                usual.take(bars, bar);
                swings.take(bars, bar, usual, log);
                swings.notes().closed(bars, bar, log);
            }
        }

        @Override
        public Detection copy() {
            return new Search(usual.copy(), swings.copy());
        }
    }
}

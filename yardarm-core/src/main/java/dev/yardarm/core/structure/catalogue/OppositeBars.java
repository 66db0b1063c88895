package dev.yardarm.core.structure.catalogue;

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
 * The last opposite bar before an impulse. Up: the last falling bar (close below open) after which, within so many bars of which none
 * falls, a close stands at least so many mean true ranges above its high. Confirmed at that close; retested when a bar trades in its
 * range again, failed when one closes beyond its far end. O(within) a bar.
 */
public final class OppositeBars extends Detector {
    public OppositeBars() {
        super("order-blocks", "Last opposite bars");
        also("order block", "base before a move", "supply", "demand");
        number("impulse", "Impulse, in usual ranges", 1.5, 0.1, 50);
        whole("within", "Within bars", 3, 1, 50);
        kind("bullish_order_block", "Last falling bar before a rise");
        kind("bearish_order_block", "Last rising bar before a fall");
        column(
                "above",
                "Nearest edge of one that stands above",
                open -> Nearest.price(true, open, OppositeBars::edges));
        column(
                "below",
                "Nearest edge of one that stands below",
                open -> Nearest.price(false, open, OppositeBars::edges));
        cue("bullish", "A rise sets out", chosen -> Happened.to("bullish_order_block", Finding.State.CONFIRMED));
        cue("bearish", "A fall sets out", chosen -> Happened.to("bearish_order_block", Finding.State.CONFIRMED));
        cue("retested", "One is traded in again", chosen -> Happened.to(each -> true, Finding.State.RETESTED));
        help(
                "The last bar against a strong move, from which the move set out.",
                "Up: the last falling bar (close < open); within the next bars, none of which falls, a close lies at least "
                        + "impulse times the mean of the last 100 true ranges above its high. near is its high, far its "
                        + "low; down mirrored. Retested: a bar trades in its range again. Failed: a bar closes beyond far.",
                "Who bought the whole move began here and may defend the place when price comes back to it.",
                "Every strong move has one; alone it says little. Better where a level or a swing lies too.",
                "The supply and demand reading of the tape after Richard D. Wyckoff, Studies in Tape Reading (1910); "
                        + "the rule is our own.");
    }

    @Override
    public Figured figure(Sight sight) {
        Finding finding = sight.finding();
        return Figured.zone(
                "", finding.from(), finding.lines().get("near"), finding.lines().get("far"), sight.end());
    }

    private static double[] edges(Finding block) {
        return new double[] {block.lines().get("near"), block.lines().get("far")};
    }

    @Override
    public Detection begin(Settings chosen, Given given) {
        return new Search(chosen.number("impulse"), chosen.whole("within"));
    }

    private static final class Search implements Detection {
        private final double impulse;
        private final int within;
        private final RangeMeasure usual;
        private final OpenZones below;
        private final OpenZones above;
        /** The bar last told of in each direction, so that each is told once. */
        private int lastUp = -1;

        private int lastDown = -1;

        Search(double impulse, int within) {
            this.impulse = impulse;
            this.within = within;
            usual = new RangeMeasure();
            below = new OpenZones();
            above = new OpenZones();
        }

        private Search(Search other) {
            impulse = other.impulse;
            within = other.within;
            usual = other.usual.copy();
            below = other.below.copy();
            above = other.above.copy();
            lastUp = other.lastUp;
            lastDown = other.lastDown;
        }

        @Override
        public Detection copy() {
            return new Search(this);
        }

        @Override
        public void take(Bars bars, int bar, FindingLog log) {
            below.take(bars.low(bar), bars.close(bar), Finding.State.FAILED, log, bar);
            above.take(-bars.high(bar), -bars.close(bar), Finding.State.FAILED, log, bar);
            double least = impulse * usual.mean();
            if (least > 0) {
                int falling = last(bars, bar, -1);
                if (falling > lastUp && bars.close(bar) - bars.high(falling) >= least) {
                    lastUp = falling;
                    double near = bars.high(falling);
                    double far = bars.low(falling);
                    double moved = bars.close(bar) - near;
                    below.add(note("bullish_order_block", bars, falling, bar, near, far, moved, log), near, far);
                }
                int rising = last(bars, bar, 1);
                if (rising > lastDown && bars.low(rising) - bars.close(bar) >= least) {
                    lastDown = rising;
                    double near = bars.low(rising);
                    double far = bars.high(rising);
                    double moved = near - bars.close(bar);
                    above.add(note("bearish_order_block", bars, rising, bar, near, far, moved, log), -near, -far);
                }
            }
            usual.take(bars, bar);
        }

        /** The last bar of a direction before this one and near enough; -1 when there is none, or this one goes that way itself. */
        private int last(Bars bars, int bar, int direction) {
            for (int at = bar; at >= 0 && at >= bar - within; at--) {
                if ((bars.close(at) - bars.open(at)) * direction > 0) {
                    return at == bar ? -1 : at;
                }
            }
            return -1;
        }

        private int note(
                String kind, Bars bars, int of, int bar, double near, double far, double moved, FindingLog log) {
            Finding block = new Finding(
                    kind,
                    List.of(
                            new Finding.Point("opposite", bars.openTime(of), near),
                            new Finding.Point("impulse", bars.openTime(bar), bars.close(bar))),
                    Map.of("near", near, "far", far),
                    Double.NaN,
                    far,
                    moved / (moved + usual.mean()));
            int number = log.foundSettled(block, bar);
            return number;
        }
    }
}

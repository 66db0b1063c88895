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
 * Gaps: a low above the high of the bar before, or a high below its low. Confirmed at the close of that bar when the gap is as wide as
 * a share of the mean true range of the 100 bars before; retested when price comes back into it, filled when it reaches the price the
 * gap began at. O(1) a bar, and the logarithm of the open gaps for one that changes.
 */
public final class Gaps extends Detector {
    public Gaps() {
        super("gaps", "Gaps");
        also("window", "opening gap", "fill");
        number("size", "Least size, in usual ranges", 0.25, 0, 20);
        kind("gap_up", "Gap up");
        kind("gap_down", "Gap down");
        column("above", "Nearest edge of an open gap above", open -> Nearest.price(true, open, Gaps::edges));
        column("below", "Nearest edge of an open gap below", open -> Nearest.price(false, open, Gaps::edges));
        cue("up", "Gap up", chosen -> Happened.to("gap_up", Finding.State.CONFIRMED));
        cue("down", "Gap down", chosen -> Happened.to("gap_down", Finding.State.CONFIRMED));
        cue("filled", "A gap is filled", chosen -> Happened.to(each -> true, Finding.State.FILLED));
        help(
                "Prices that were jumped over, until they have been traded.",
                "Up: low > the high of the bar before, and wide enough: at least size times the mean of the last 100 "
                        + "true ranges before it. near is its upper edge, far the lower one; down mirrored; between two bars of one price each, of closes alone, there is none. Retested: a bar "
                        + "trades inside it. Filled: a bar trades at the far edge.",
                "An open gap is a place few have traded at: price that comes back is often met at its near edge or drawn "
                        + "to the far one.",
                "Gaps of intraday bars between sessions, and of thinly traded instruments, mean little.",
                "Robert D. Edwards and John Magee, Technical Analysis of Stock Trends (1948).");
    }

    @Override
    public Figured figure(Sight sight) {
        Finding finding = sight.finding();
        return Figured.zone(
                words(finding),
                finding.from(),
                finding.lines().get("near"),
                finding.lines().get("far"),
                sight.end());
    }

    private static double[] edges(Finding gap) {
        return new double[] {gap.lines().get("near"), gap.lines().get("far")};
    }

    @Override
    public Detection begin(Settings chosen, Given given) {
        return new Search(chosen.number("size"), new RangeMeasure(), new OpenZones(), new OpenZones());
    }

    private record Search(double size, RangeMeasure usual, OpenZones below, OpenZones above) implements Detection {
        @Override
        public void take(Bars bars, int bar, FindingLog log) {
            double low = bars.low(bar);
            double high = bars.high(bar);
            // Traded at the edge is filled: just beyond it is not asked for.
            below.take(low, Math.nextDown(low), Finding.State.FILLED, log, bar);
            above.take(-high, Math.nextDown(-high), Finding.State.FILLED, log, bar);
            // Two bars of one price each, as an instrument of closes alone has, say nothing of what lies between.
            if (bar > 0 && (high > low || bars.high(bar - 1) > bars.low(bar - 1))) {
                double least = size * usual.mean();
                up(bars, bar, low - bars.high(bar - 1), least, log);
                down(bars, bar, bars.low(bar - 1) - high, least, log);
            }
            usual.take(bars, bar);
        }

        private void up(Bars bars, int bar, double wide, double least, FindingLog log) {
            if (wide > 0 && wide >= least) {
                double far = bars.high(bar - 1);
                below.add(note("gap_up", bars, bar, far, bars.low(bar), wide, log), bars.low(bar), far);
            }
        }

        private void down(Bars bars, int bar, double wide, double least, FindingLog log) {
            if (wide > 0 && wide >= least) {
                double far = bars.low(bar - 1);
                above.add(note("gap_down", bars, bar, far, bars.high(bar), wide, log), -bars.high(bar), -far);
            }
        }

        private int note(String kind, Bars bars, int bar, double far, double near, double wide, FindingLog log) {
            Finding gap = new Finding(
                    kind,
                    List.of(
                            new Finding.Point("before", bars.openTime(bar - 1), far),
                            new Finding.Point("after", bars.openTime(bar), near)),
                    Map.of("near", near, "far", far),
                    Double.NaN,
                    Double.NaN,
                    wide / (wide + usual.mean()));
            int number = log.foundSettled(gap, bar);
            return number;
        }

        @Override
        public Detection copy() {
            return new Search(size, usual.copy(), below.copy(), above.copy());
        }
    }
}

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
import dev.yardarm.core.structure.NthNewest;
import dev.yardarm.core.structure.Reader;
import dev.yardarm.core.structure.Sight;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Swing highs and lows, of several degrees at once, and where their order changes.
 *
 * <p>A high is provisional while price makes higher ones, and confirmed at the close of the first bar that has come back from it far
 * enough; then the lowest low since is the next provisional swing. How far is enough is a share of the price of the swing, a multiple of
 * the average true range, or, unless told otherwise, three times the mean true range of the last 100 bars: the instrument's own
 * measure. Each degree asks twice as much as the one before. With {@code bars} a high is instead one that so many bars on both sides
 * do not pass, and is confirmed when the last of them has closed. A confirmed swing is broken by the first close beyond it.
 *
 * <p>O(1) a bar and degree, with {@code bars} O(bars); the logarithm of the unbroken swings for one that is broken.
 */
public final class Swings extends Detector {
    private static final double OWN = 3;
    private static final Map<String, String> LETTERS =
            Map.of("higher_high", "HH", "lower_high", "LH", "higher_low", "HL", "lower_low", "LL");

    public Swings() {
        super("pivots", "Swings");
        also("zigzag", "fractals", "swing high", "swing low", "market structure", "higher high");
        number("reversal", "Reversal, share of price", 0, 0, 0.9);
        number("atr", "Reversal, average true ranges", 0, 0, 100);
        whole("bars", "Bars on both sides", 0, 0, 500);
        whole("degrees", "Degrees", 1, 1, 5);
        for (int degree = 1; degree <= 5; degree++) {
            String end = suffix(degree);
            String of = degree == 1 ? "" : " of degree " + degree;
            kind("swing_high" + end, "Swing high" + of);
            kind("swing_low" + end, "Swing low" + of);
        }
        kind("change_up", "Change of structure, up");
        kind("change_down", "Change of structure, down");
        counted("price", "Price of the newest swing", (nth, open) -> swing(nth, open, "swing_"));
        counted("high", "Price of the newest swing high", (nth, open) -> swing(nth, open, "swing_high"));
        counted("low", "Price of the newest swing low", (nth, open) -> swing(nth, open, "swing_low"));
        column("trend", "Trend by structure: 1 rising, -1 falling, 0 neither", chosen -> new SwingTrend());
        cue("confirmed_high", "A swing high is settled", chosen -> Happened.to("swing_high", Finding.State.CONFIRMED));
        cue("confirmed_low", "A swing low is settled", chosen -> Happened.to("swing_low", Finding.State.CONFIRMED));
        cue("broken_high", "A close beyond a swing high", chosen -> Happened.to("swing_high", Finding.State.BROKEN));
        cue("broken_low", "A close beyond a swing low", chosen -> Happened.to("swing_low", Finding.State.BROKEN));
        cue("change_up", "Change of structure, up", chosen -> Happened.to("change_up", Finding.State.CONFIRMED));
        cue("change_down", "Change of structure, down", chosen -> Happened.to("change_down", Finding.State.CONFIRMED));
        help(
                "The turning points of price, and whether they rise or fall.",
                "A high h is confirmed by the first bar, later than its own, with h - low at least the reversal: reversal * h, "
                        + "atr * atr(14), or 3 * the mean of the last 100 true ranges when neither is given; degree n asks "
                        + "2^(n - 1) times that. A bar that makes a higher high is not asked for its low. With bars = n: "
                        + "higher than the n bars before, not lower than the n after. Lows mirrored. Roles: higher_high, "
                        + "lower_high, higher_low, lower_low against the confirmed one before. Broken: the first close beyond. "
                        + "change_down: the last two highs and the last two lows rose, and a close falls below the last low; "
                        + "change_up mirrored; both of the first degree. trend: 1 while the last two highs and lows rose and no close has "
                        + "fallen below the last low, -1 mirrored, else 0.",
                "Rising highs and lows are an advance. The newest swing is provisional: its price may still move, and "
                        + "nothing but the close that confirms it settles it.",
                "A confirmed high is known only when price is well below it.",
                "Charles H. Dow, editorials of 1900 to 1902, on rising and falling tops and bottoms; the reversal by a "
                        + "share of price after Arthur A. Merrill, Filtered Waves (1977).");
    }

    /** Of the first degree; the names of the others end with a number. */
    private static Reader swing(int nth, boolean provisional, String kind) {
        return new NthNewest(
                nth,
                provisional,
                each -> each.kind().startsWith(kind)
                        && !Character.isDigit(each.kind().charAt(each.kind().length() - 1)),
                NthNewest::price);
    }

    /** A leg from the swing before, with what the swing is beside the one before that. */
    @Override
    public Figured figure(Sight sight) {
        Finding finding = sight.finding();
        Finding before = sight.before();
        Finding.Point point = finding.points().get(0);
        Anchor at = new Anchor(point.time(), point.price());
        if (finding.points().size() > 1) {
            return Figured.line(
                    words(finding), finding.kind().endsWith("up"), at, new Anchor(finding.to(), point.price()));
        }
        boolean high = finding.kind().startsWith("swing_high");
        Anchor from = before == null
                ? at
                : new Anchor(
                        before.points().get(0).time(), before.points().get(0).price());
        return Figured.line(LETTERS.getOrDefault(point.role(), ""), high, from, at);
    }

    @Override
    public boolean follows(Finding before, Finding finding) {
        return before.kind().startsWith("swing_")
                && finding.kind().startsWith("swing_")
                && !before.kind().equals(finding.kind())
                && before.kind().replace("high", "low").equals(finding.kind().replace("high", "low"));
    }

    @Override
    public int staysFor() {
        return ALWAYS;
    }

    static String suffix(int degree) {
        return degree == 1 ? "" : "_" + degree;
    }

    @Override
    protected void check(Settings checked) {
        long chosen = List.of("reversal", "atr", "bars").stream()
                .filter(each -> checked.number(each) > 0)
                .count();
        if (chosen > 1) {
            throw new IllegalArgumentException(
                    "swings turn by reversal, by atr or by bars; give one of them and leave the others at 0");
        }
    }

    @Override
    public Detection begin(Settings chosen, Given given) {
        List<SwingSearch<SwingNotes>> degrees = new ArrayList<>();
        for (int degree = 1; degree <= chosen.whole("degrees"); degree++) {
            double times = Math.pow(2, degree - 1);
            double share = chosen.number("reversal") * times;
            double ranges = chosen.number("atr") * times;
            int sides = chosen.whole("bars") << (degree - 1);
            degrees.add(
                    sides > 0
                            ? new SidedSwings<>(new SwingNotes(degree), sides)
                            : new ReversedSwings<>(new SwingNotes(degree), against(share, ranges, OWN * times)));
        }
        return new Search(new RangeMeasure(), degrees);
    }

    /** How far price has to come back. */
    private static ReversedSwings.Reversal against(double share, double ranges, double own) {
        if (share > 0) {
            return new ReversedSwings.Reversal(ReversedSwings.Unit.PRICE, share);
        }
        return ranges > 0
                ? new ReversedSwings.Reversal(ReversedSwings.Unit.AVERAGE_TRUE_RANGE, ranges)
                : new ReversedSwings.Reversal(ReversedSwings.Unit.USUAL_RANGE, own);
    }

    private record Search(RangeMeasure usual, List<SwingSearch<SwingNotes>> degrees) implements Detection {
        @Override
        public void take(Bars bars, int bar, FindingLog log) {
            if (!(bars.high(bar) >= bars.low(bar))) {
                // Without a price it is as if there were no bar.
                return;
            }
            usual.take(bars, bar);
            for (SwingSearch<SwingNotes> each : degrees) {
                each.take(bars, bar, usual, log);
                each.notes().closed(bars, bar, log);
            }
        }

        @Override
        public Detection copy() {
            return new Search(
                    usual.copy(), degrees.stream().map(SwingSearch::copy).toList());
        }
    }
}

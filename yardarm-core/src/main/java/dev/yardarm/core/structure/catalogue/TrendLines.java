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
import dev.yardarm.core.structure.Sight;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;

/**
 * Straight lines that several settled lows, or highs, lie on, and channels where the other side runs beside them.
 *
 * <p>A line goes through two lows; the lows between touch it or lie above, within a tolerance. With as many touches as asked for it is
 * confirmed. A later low on it is a retest; a close beyond it by the tolerance breaks it, after which a high that comes back to it from
 * below is a retest; a close back beyond it ends it. O(1) a bar, every sixteen bars and with each swing a few comparisons for each of at
 * most 24 lines, and with a swing a hundred more.
 */
public final class TrendLines extends Detector {
    private static final int MOST = 24;
    /** For so many bars it is worked out ahead between which closes nothing becomes of the lines that stand. */
    private static final int CALM = 16;

    public TrendLines() {
        super("trend-lines", "Trend lines");
        also("trend line", "channel", "diagonal", "sloping support");
        whole("touches", "Touches", 3, 2, 12);
        number("tolerance", "Tolerance, in usual ranges", 0.5, 0.02, 10);
        number("swing", "Size of the swings, in usual ranges", 2.5, 0.2, 100);
        whole("age", "Expires after bars without a touch", 250, 10, 100_000);
        kind("support_line", "Support line");
        kind("resistance_line", "Resistance line");
        kind("rising_channel", "Rising channel");
        kind("falling_channel", "Falling channel");
        cue(
                "confirmed_support",
                "A support line is settled",
                chosen -> Happened.to("support_line", Finding.State.CONFIRMED));
        cue(
                "confirmed_resistance",
                "A resistance line is settled",
                chosen -> Happened.to("resistance_line", Finding.State.CONFIRMED));
        cue(
                "broken_support",
                "A close below a support line",
                chosen -> Happened.to("support_line", Finding.State.BROKEN));
        cue(
                "broken_resistance",
                "A close above a resistance line",
                chosen -> Happened.to("resistance_line", Finding.State.BROKEN));
        cue("retested", "A line is touched again", chosen -> Happened.to(each -> true, Finding.State.RETESTED));
        help(
                "Lines through three lows or highs and more, and channels, with what became of them.",
                "Over swings settled as by pivots at swing times u, the mean of the last 100 true ranges. Through the newest low "
                        + "and one of the eleven before: touches are lows within tolerance * u of it; none between lies below by "
                        + "more. The line with the most touches, of equal ones the longest, is confirmed when there are enough of them. "
                        + "resistance_line mirrored. A channel where two swings of the other side or more between the ends lie within "
                        + "tolerance * u of the farthest parallel. Broken: a close beyond by tolerance * u. Retested: a later swing that "
                        + "touches it, from either side. Failed: after the break a close back beyond it. Expired: no touch for age bars. "
                        + "score = touches / (touches + 2).",
                "A rising line under price shows where buyers came back so far; the third touch makes it a line of others, too.",
                "Some line fits any three lows if one looks long enough; the slope depends on the scale.",
                "Robert D. Edwards and John Magee, Technical Analysis of Stock Trends (1948), on trend lines and channels.");
    }

    @Override
    public Detection begin(Settings chosen, Given given) {
        return new Search(chosen, new RangeMeasure(), new ReversedSwings<>(new Turns(), chosen.number("swing")));
    }

    /** A line goes on to the right while it stands; a channel has both borders. */
    @Override
    public List<Figured> figures(Sight sight) {
        Finding line = sight.finding();
        int touches = (int) line.points().stream()
                .filter(each -> each.role().equals(line.points().get(0).role()))
                .count();
        List<Figured> parts = new ArrayList<>();
        Finding.Point first = line.points().get(0);
        // Its other end is where it was settled: later touches lie near it.
        Finding.Point last = line.points().stream()
                .filter(each -> each.time() > first.time()
                        && each.role().equals(first.role())
                        && each.price() == line.lines().get("line"))
                .findFirst()
                .orElse(line.points().get(line.points().size() - 1));
        Map<String, String> extend = Map.of("extend", sight.state().isEnd() ? "none" : "right");
        Anchor from = new Anchor(first.time(), first.price());
        Anchor to = new Anchor(last.time(), last.price());
        parts.add(new Figured(
                "line",
                List.of(from, to),
                extend,
                words(line) + ", " + touches + " touches",
                first.role().equals("high")));
        if (line.lines().containsKey("across")) {
            double across = line.lines().get("across") - line.lines().get("line");
            parts.add(new Figured(
                    "line",
                    List.of(new Anchor(from.time(), from.price() + across), new Anchor(to.time(), to.price() + across)),
                    extend,
                    "",
                    true));
        }
        return parts;
    }

    /** A line that stands. */
    private record Standing(int number, boolean support, Line line, double tolerance, int last, boolean broken) {
        boolean isBeyond(double close, int bar) {
            double away = (close - line.at(bar)) * (support ? 1 : -1);
            return broken ? away > tolerance : away < -tolerance;
        }
    }

    private static final class Search implements Detection {
        private final Settings chosen;
        private final int touches;
        private final double tolerance;
        private final int age;
        private final RangeMeasure usual;
        private final ReversedSwings<Turns> swings;
        private final List<Standing> standing = new ArrayList<>();
        /** The last lows and the last highs, longer than the swings keep them. */
        private List<Turn> lows = List.of();

        private List<Turn> highs = List.of();
        /** Before this bar nothing becomes of a line while closes stay between floor and ceiling. */
        private int calmUntil;

        private double floor;
        private double ceiling;

        Search(Settings chosen, RangeMeasure usual, ReversedSwings<Turns> swings) {
            this.chosen = chosen;
            this.touches = chosen.whole("touches");
            this.tolerance = chosen.number("tolerance");
            this.age = chosen.whole("age");
            this.usual = usual;
            this.swings = swings;
        }

        @Override
        public Detection copy() {
            Search copy = new Search(chosen, usual.copy(), swings.copy());
            copy.standing.addAll(standing);
            copy.lows = lows;
            copy.highs = highs;
            copy.calmUntil = calmUntil;
            copy.floor = floor;
            copy.ceiling = ceiling;
            return copy;
        }

        @Override
        public void take(Bars bars, int bar, FindingLog log) {
            if (!(bars.high(bar) >= bars.low(bar))) {
                return;
            }
            usual.take(bars, bar);
            swings.take(bars, bar, usual, log);
            Turns turns = swings.notes();
            if (turns.settledAt() == bar) {
                Turn newest = turns.last().get(turns.last().size() - 1);
                lows = newest.high() ? lows : with(lows, newest);
                highs = newest.high() ? with(highs, newest) : highs;
                calmUntil = 0;
                retest(newest, log, bar);
                find(newest, log, bar);
            }
            follow(bars, bar, log);
        }

        private static List<Turn> with(List<Turn> before, Turn newest) {
            List<Turn> all = new ArrayList<>(before.subList(before.size() < MOST ? 0 : 1, before.size()));
            all.add(newest);
            return Collections.unmodifiableList(all);
        }

        private void retest(Turn newest, FindingLog log, int bar) {
            for (int at = 0; at < standing.size(); at++) {
                Standing each = standing.get(at);
                // From the side it defends; once broken from the other.
                boolean side = each.support() != each.broken();
                boolean touches = newest.bar() > each.last()
                        && newest.high() != side
                        && Math.abs(newest.price() - each.line().at(newest.bar())) <= each.tolerance();
                if (touches) {
                    Finding before = log.standing(each.number()).finding();
                    List<Finding.Point> points = new ArrayList<>(before.points());
                    points.add(newest.as(newest.high() ? "high" : "low"));
                    log.become(
                            each.number(),
                            Finding.State.RETESTED,
                            new Finding(
                                    before.kind(),
                                    points,
                                    before.lines(),
                                    Double.NaN,
                                    Double.NaN,
                                    points.size() / (points.size() + 2.0)),
                            bar);
                    standing.set(
                            at,
                            new Standing(
                                    each.number(),
                                    each.support(),
                                    each.line(),
                                    each.tolerance(),
                                    newest.bar(),
                                    each.broken()));
                }
            }
        }

        /** The best line through the newest swing that is no line yet. */
        private void find(Turn newest, FindingLog log, int bar) {
            double near = tolerance * usual.mean();
            int sign = newest.high() ? -1 : 1;
            List<Turn> side = newest.high() ? highs : lows;
            int most = touches - 1;
            int from = -1;
            Line found = null;
            for (int at = Math.max(0, side.size() - 12); at < side.size() - 1; at++) {
                Line line = Line.through(side.get(at), newest);
                int on = touching(side, at, line, sign, near);
                if (on > most && !isKnown(line, newest, near)) {
                    most = on;
                    from = at;
                    found = line;
                }
            }
            if (found != null && standing.size() < MOST) {
                Line line = found;
                List<Turn> best = side.subList(from, side.size()).stream()
                        .filter(each -> sign * (each.price() - line.at(each.bar())) <= near)
                        .toList();
                note(found, best, near, newest, log, bar);
            }
        }

        /** How many swings touch a line from one on; -1 when one lies beyond it. */
        private static int touching(List<Turn> side, int from, Line line, int sign, double near) {
            int on = 0;
            for (int between = from; between < side.size(); between++) {
                Turn turn = side.get(between);
                double away = sign * (turn.price() - line.at(turn.bar()));
                if (!(away >= -near)) {
                    return -1;
                }
                on += away <= near ? 1 : 0;
            }
            return on;
        }

        private boolean isKnown(Line line, Turn newest, double near) {
            for (Standing each : standing) {
                if (!each.broken()
                        && each.support() != newest.high()
                        && Math.abs(each.line().at(newest.bar()) - newest.price()) <= near
                        && Math.abs(each.line().at(line.bar()) - line.price()) <= 2 * near) {
                    return true;
                }
            }
            return false;
        }

        private void note(Line line, List<Turn> on, double near, Turn newest, FindingLog log, int bar) {
            List<Finding.Point> points = on.stream()
                    .map(each -> each.as(each.high() ? "high" : "low"))
                    .toList();
            double score = on.size() / (on.size() + 2.0);
            String kind = newest.high() ? "resistance_line" : "support_line";
            int number = log.foundSettled(
                    new Finding(kind, points, Map.of("line", newest.price()), Double.NaN, Double.NaN, score), bar);
            standing.add(new Standing(number, !newest.high(), line, near, newest.bar(), false));
            channel(line, on, points, near, newest, log, bar);
        }

        /** Where the swings of the other side between its ends have a parallel of their own. */
        private void channel(
                Line line,
                List<Turn> on,
                List<Finding.Point> points,
                double near,
                Turn newest,
                FindingLog log,
                int bar) {
            int sign = newest.high() ? -1 : 1;
            List<Turn> across = (newest.high() ? lows : highs)
                    .stream()
                            .filter(each -> each.bar() > on.get(0).bar() && each.bar() < newest.bar())
                            .toList();
            double far = across.stream()
                    .mapToDouble(each -> sign * (each.price() - line.at(each.bar())))
                    .max()
                    .orElse(0);
            List<Turn> touching = across.stream()
                    .filter(each -> far - sign * (each.price() - line.at(each.bar())) <= near)
                    .toList();
            if (touching.size() < 2 || line.slope() == 0 || standing.size() >= MOST) {
                return;
            }
            List<Finding.Point> all = new ArrayList<>(points);
            touching.forEach(each -> all.add(each.as(each.high() ? "high" : "low")));
            all.sort(Comparator.comparingLong(Finding.Point::time));
            int number = log.foundSettled(
                    new Finding(
                            line.slope() > 0 ? "rising_channel" : "falling_channel",
                            all,
                            Map.of("line", newest.price(), "across", newest.price() + sign * far),
                            Double.NaN,
                            Double.NaN,
                            all.size() / (all.size() + 2.0)),
                    bar);
            standing.add(new Standing(number, !newest.high(), line, near, newest.bar(), false));
        }

        private void follow(Bars bars, int bar, FindingLog log) {
            double close = bars.close(bar);
            if (bar < calmUntil && close >= floor && close <= ceiling) {
                return;
            }
            for (int at = standing.size() - 1; at >= 0; at--) {
                Standing each = standing.get(at);
                if (bar - each.last() > age) {
                    log.become(each.number(), Finding.State.EXPIRED, bar);
                    standing.remove(at);
                } else if (each.isBeyond(close, bar)) {
                    log.become(each.number(), each.broken() ? Finding.State.FAILED : Finding.State.BROKEN, bar);
                    if (each.broken()) {
                        standing.remove(at);
                    } else {
                        standing.set(
                                at,
                                new Standing(each.number(), each.support(), each.line(), each.tolerance(), bar, true));
                    }
                }
            }
            calm(bar);
        }

        /** Works out between which closes the next bars bring nothing: lines are straight, so their ends are enough. */
        private void calm(int bar) {
            calmUntil = bar + CALM;
            floor = Double.NEGATIVE_INFINITY;
            ceiling = Double.POSITIVE_INFINITY;
            for (Standing each : standing) {
                calmUntil = Math.min(calmUntil, each.last() + age);
                double now = each.line().at(bar);
                double then = each.line().at(bar + CALM);
                // A hair inside of it, for what is rounded one way or the other.
                double hair = 1e-9 * (Math.abs(now) + Math.abs(then));
                if (each.support() == each.broken()) {
                    ceiling = Math.min(ceiling, Math.min(now, then) + each.tolerance() - hair);
                } else {
                    floor = Math.max(floor, Math.max(now, then) - each.tolerance() + hair);
                }
            }
        }
    }
}

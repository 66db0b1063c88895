package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Finding;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The rules of chart patterns over settled swings. Each is written once, for a shape whose newest swing is a high; where that is a low
 * all prices are negated, and the pattern is the mirrored one.
 *
 * <p>Of a shape: its height h, from which all tolerances are counted. Double top: two highs within t * h, h from the higher one to the
 * low between; triple: three highs and two lows, h to the lower of them. Head and shoulders: the head at least 0.25 h above both
 * shoulders, the shoulders within 0.35 h of each other and at least 0.25 h above the neckline through the two lows, the two halves
 * within 1 to 2.5 of each other in time. All three after an advance of at least {@code trend} * h. Triangles, wedges, rectangles: the last three
 * turns on one side and two on the other (or three) within t * h of two lines (1.3 of that for wedges); a line is flat when it moves less than
 * 0.16 h over the pattern. Flags and pennants: a pole of at least {@code pole} usual ranges, at 0.6 of one a bar or steeper, and a rest of two
 * lows and a high that gives back at most half of it; a pennant where the upper line does not rise and the lower one does not fall by more than an
 * eighth of the height between them.
 *
 * <p>O(1) for a settled swing.
 *
 * @param tolerance t
 * @param least height of a pattern in usual ranges
 * @param trend how far price came before a reversal, in heights
 * @param pole height of the pole of a flag in usual ranges
 */
record PatternRules(double tolerance, double least, double trend, double pole) {
    private static final double FLAT = 0.16;
    /** So much of the height beyond a line through touches is beyond it: a touch seldom lies on it. */
    private static final double BEYOND = 0.1;
    /** The edges of a wedge slope the way price goes: a close has to leave them farther behind, and its turns lie less exactly on them. */
    private static final double BEYOND_WEDGE = 0.3;

    private static final double LOOSER = 1.3;

    private static final int SHORTEST = 6;
    /** A flag gives back at most so much of its pole: half, and what a shadow adds. */
    private static final double DEEP = 0.55;
    /** So much of its pole the rest may reach beyond the end of it, as a shadow does. */
    private static final double OVER = 0.15;
    /** The lines of a pennant may lean the wrong way by so much of its beginning: a turn seldom lies on a line. */
    private static final double LEAN = 0.12;
    /** A pole has so many bars at most. */
    private static final int POLE = 12;

    /** The last swings of one shape, with prices negated where the newest is a low. */
    private record Raised(List<Turn> turns, int sign) {
        /** The turn so many before the newest. */
        Turn turn(int back) {
            return turns.get(turns.size() - 1 - back);
        }

        /** Its price, raised. */
        double price(int back) {
            return sign * turn(back).price();
        }

        boolean has(int count) {
            return turns.size() >= count;
        }

        List<Turn> last(int count) {
            return turns.subList(turns.size() - count, turns.size());
        }

        /** The names of the shape and of its mirrored one. */
        String kind(String ofHighs, String ofLows) {
            return sign > 0 ? ofHighs : ofLows;
        }

        Shape.Edge edge(String name, Line line, boolean completes) {
            return new Shape.Edge(name, line, completes);
        }

        /** A shape between an upper and a lower edge as they are raised. */
        Shape shape(
                String kind,
                int count,
                List<Finding.Point> points,
                Shape.Edge over,
                Shape.Edge under,
                double height,
                double margin,
                int until,
                double score) {
            return new Shape(
                    kind,
                    List.copyOf(last(count)),
                    points,
                    sign > 0 ? over : under,
                    sign > 0 ? under : over,
                    height,
                    margin,
                    until,
                    score);
        }
    }

    /**
     * The patterns that are there with the newest swing.
     *
     * @param turns the last swings, the newest last
     * @param usual how wide bars are
     */
    List<Shape> of(List<Turn> turns, double usual) {
        Raised raised = new Raised(turns, turns.get(turns.size() - 1).high() ? 1 : -1);
        List<Shape> found = new ArrayList<>();
        Optional<Shape> triple = triple(raised, usual);
        triple.ifPresent(found::add);
        if (triple.isEmpty()) {
            twice(raised, usual).ifPresent(found::add);
        }
        headAndShoulders(raised, usual).ifPresent(found::add);
        between(raised, usual).ifPresent(found::add);
        return found;
    }

    private static String numbered(String what, int number) {
        return List.of("first_", "second_", "third_").get(number) + what;
    }

    private Optional<Shape> twice(Raised of, double usual) {
        if (!of.has(4)) {
            return Optional.empty();
        }
        double top = Math.max(of.price(0), of.price(2));
        double height = top - of.price(1);
        double apart = Math.abs(of.price(0) - of.price(2));
        boolean fits = height >= least * usual
                && apart <= 0.75 * tolerance * height
                && of.price(2) - of.price(3) >= trend * height
                && of.turn(0).bar() - of.turn(2).bar() >= SHORTEST;
        if (!fits) {
            return Optional.empty();
        }
        String side = of.sign() > 0 ? "high" : "low";
        List<Finding.Point> points = List.of(
                of.turn(2).as(numbered(side, 0)),
                of.turn(1).as(of.sign() > 0 ? "valley" : "peak"),
                of.turn(0).as(numbered(side, 1)));
        Line neck = Line.level(of.turn(1), of.turn(1).price());
        Line end = Line.level(of.turn(0), of.sign() * top);
        return Optional.of(of.shape(
                of.kind("double_top", "double_bottom"),
                3,
                points,
                of.edge("extreme", end, false),
                of.edge("neckline", neck, true),
                height,
                0,
                until(of, 2),
                1 - 0.5 * apart / (0.75 * tolerance * height)));
    }

    private Optional<Shape> triple(Raised of, double usual) {
        if (!of.has(6)) {
            return Optional.empty();
        }
        double top = Math.max(of.price(0), Math.max(of.price(2), of.price(4)));
        double lowest = Math.min(of.price(0), Math.min(of.price(2), of.price(4)));
        double foot = Math.min(of.price(1), of.price(3));
        double height = top - foot;
        double apart = top - lowest;
        boolean fits = height >= least * usual
                && apart <= tolerance * height
                && Math.abs(of.price(1) - of.price(3)) <= 2 * tolerance * height
                && of.price(4) - of.price(5) >= trend * height
                && of.turn(0).bar() - of.turn(4).bar() >= 2 * SHORTEST;
        if (!fits) {
            return Optional.empty();
        }
        String side = of.sign() > 0 ? "high" : "low";
        String other = of.sign() > 0 ? "valley" : "peak";
        List<Finding.Point> points = List.of(
                of.turn(4).as(numbered(side, 0)),
                of.turn(3).as(numbered(other, 0)),
                of.turn(2).as(numbered(side, 1)),
                of.turn(1).as(numbered(other, 1)),
                of.turn(0).as(numbered(side, 2)));
        return Optional.of(of.shape(
                of.kind("triple_top", "triple_bottom"),
                5,
                points,
                of.edge("extreme", Line.level(of.turn(0), of.sign() * top), false),
                of.edge("neckline", Line.level(of.turn(1), of.sign() * foot), true),
                height,
                0,
                until(of, 4),
                1 - 0.5 * apart / (tolerance * height)));
    }

    private Optional<Shape> headAndShoulders(Raised of, double usual) {
        if (!of.has(6)) {
            return Optional.empty();
        }
        Line neck = Line.through(of.turn(3), of.turn(1));
        double head = of.price(2) - of.sign() * neck.at(of.turn(2).bar());
        double left = of.price(4);
        double right = of.price(0);
        double before = of.turn(2).bar() - of.turn(4).bar();
        double after = of.turn(0).bar() - of.turn(2).bar();
        double apart = Math.abs(left - right);
        boolean fits = head >= least * usual
                && of.price(2) - Math.max(left, right) >= 0.25 * head
                && apart <= 0.35 * head
                && Math.abs(of.price(1) - of.price(3)) <= 0.35 * head
                && left - of.sign() * neck.at(of.turn(4).bar()) >= 0.25 * head
                && right - of.sign() * neck.at(of.turn(0).bar()) >= 0.25 * head
                && left - of.price(5)
                        >= trend * (left - of.sign() * neck.at(of.turn(4).bar()))
                && of.price(5) < of.sign() * neck.at(of.turn(5).bar())
                && Math.max(before, after) <= 2.5 * Math.min(before, after)
                && before + after >= 2 * SHORTEST;
        if (!fits) {
            return Optional.empty();
        }
        String other = of.sign() > 0 ? "low" : "high";
        List<Finding.Point> points = List.of(
                of.turn(4).as("left_shoulder"),
                of.turn(3).as("neckline_" + numbered(other, 0)),
                of.turn(2).as("head"),
                of.turn(1).as("neckline_" + numbered(other, 1)),
                of.turn(0).as("right_shoulder"));
        return Optional.of(of.shape(
                of.kind("head_shoulders", "inverse_head_shoulders"),
                5,
                points,
                of.edge("extreme", Line.level(of.turn(2), of.turn(2).price()), false),
                of.edge("neckline", neck, true),
                head,
                0,
                until(of, 4),
                1 - 0.5 * apart / (0.35 * head)));
    }

    /** Triangles, wedges and rectangles: between two lines. */
    private Optional<Shape> between(Raised of, double usual) {
        if (!of.has(5)) {
            return Optional.empty();
        }
        int count = of.has(6) ? 6 : 5;
        Optional<Shape> six = count == 6 ? between(of, usual, 6) : Optional.empty();
        return six.isPresent() ? six : between(of, usual, 5);
    }

    private Optional<Shape> between(Raised of, double usual, int count) {
        Line over = Line.through(of.turn(4), of.turn(0));
        Line under = Line.through(of.turn(count == 6 ? 5 : 3), of.turn(1));
        int start = of.turn(count - 1).bar();
        int end = of.turn(0).bar();
        double first = of.sign() * (over.at(start) - under.at(start));
        double last = of.sign() * (over.at(end) - under.at(end));
        double middle = Math.abs(of.turn(2).price() - over.at(of.turn(2).bar()));
        double opposite =
                count == 6 ? Math.abs(of.turn(3).price() - under.at(of.turn(3).bar())) : 0;
        double rise = of.sign() * over.slope() * (end - start) / first;
        double lift = of.sign() * under.slope() * (end - start) / first;
        Kind kind = first > 0 ? kind(rise, lift, last / first) : Kind.NONE;
        // What narrows a lot is measured where it is half as high.
        double near = (kind.wedge() ? LOOSER : 1) * (count == 6 ? tolerance : tolerance / 2) * (first + last) / 2;
        boolean fits = first >= least * usual
                && last >= 0.15 * first
                && Math.max(middle, opposite) <= near
                && end - start >= 3 * SHORTEST
                && end - of.turn(2).bar() >= SHORTEST
                && end - of.turn(1).bar() > 1;
        if (!fits) {
            return Optional.empty();
        }
        if (kind == Kind.NONE || kind.sloped && (count < 6 || last > 0.7 * first)) {
            return Optional.empty();
        }
        double apex = rise == lift ? Double.POSITIVE_INFINITY : (end - start) / (lift - rise);
        double left = apex > 0 && kind != Kind.RECTANGLE ? Math.max(0, start + 0.95 * apex - end) : end - start;
        return Optional.of(of.shape(
                of.kind(kind.ofHighs, kind.ofLows),
                count,
                points(of, count),
                of.edge(of.sign() > 0 ? "upper" : "lower", over, kind.over),
                of.edge(of.sign() > 0 ? "lower" : "upper", under, kind.under),
                kind == Kind.RECTANGLE ? Math.max(first, last) : first,
                (kind.wedge() ? BEYOND_WEDGE : BEYOND) * first,
                end + (int) Math.min(end - start, Math.max(SHORTEST, left)),
                1 - 0.5 * Math.max(middle, opposite) / near));
    }

    private static List<Finding.Point> points(Raised of, int count) {
        List<Finding.Point> points = new ArrayList<>();
        int highs = 0;
        int lows = 0;
        for (Turn turn : of.last(count)) {
            points.add(turn.as(turn.high() ? numbered("high", highs++) : numbered("low", lows++)));
        }
        return points;
    }

    /** What two lines make, as it is raised, and beyond which of them it is completed. */
    private enum Kind {
        ASCENDING("ascending_triangle", "descending_triangle", true, false, false),
        DESCENDING("descending_triangle", "ascending_triangle", false, true, false),
        SYMMETRICAL("symmetrical_triangle", "symmetrical_triangle", true, true, true),
        RISING_WEDGE("rising_wedge", "falling_wedge", false, true, true),
        FALLING_WEDGE("falling_wedge", "rising_wedge", true, false, true),
        RECTANGLE("rectangle", "rectangle", true, true, false),
        NONE("", "", false, false, false);

        private final String ofHighs;
        private final String ofLows;
        private final boolean over;
        private final boolean under;
        /** Both lines slope: three turns on each side are asked for. */
        private final boolean sloped;

        Kind(String ofHighs, String ofLows, boolean over, boolean under, boolean sloped) {
            this.ofHighs = ofHighs;
            this.ofLows = ofLows;
            this.over = over;
            this.under = under;
            this.sloped = sloped;
        }

        /** Both lines slope the same way: where they end is least certain. */
        boolean wedge() {
            return sloped && over != under;
        }
    }

    /**
     * @param rise of the upper line over the pattern, in its height at the start
     * @param lift of the lower line
     * @param narrow height at the end over that at the start
     */
    private static Kind kind(double rise, double lift, double narrow) {
        boolean flatOver = Math.abs(rise) <= FLAT;
        boolean flatUnder = Math.abs(lift) <= FLAT;
        if (flatOver && flatUnder) {
            return Kind.RECTANGLE;
        }
        if (narrow > 0.75) {
            return Kind.NONE;
        }
        if (flatOver) {
            return lift > 0 ? Kind.ASCENDING : Kind.NONE;
        }
        if (flatUnder) {
            return rise < 0 ? Kind.DESCENDING : Kind.NONE;
        }
        return rise < 0 && lift > 0
                ? Kind.SYMMETRICAL
                : rise > 0 && lift > 0 ? Kind.RISING_WEDGE : rise < 0 && lift < 0 ? Kind.FALLING_WEDGE : Kind.NONE;
    }

    /** Where a pole began: the farthest of the bars before its end, of so few that it is steep. */
    private static int foot(Raised of, Bars bars) {
        int top = of.turn(3).bar();
        int found = top;
        for (int bar = Math.max(0, top - POLE); bar < top; bar++) {
            boolean farther = of.sign() > 0 ? bars.low(bar) < bars.low(found) : bars.high(bar) > bars.high(found);
            found = farther ? bar : found;
        }
        return found;
    }

    /** As long again as it took. */
    private static int until(Raised of, int first) {
        return of.turn(0).bar() + (of.turn(0).bar() - of.turn(first).bar());
    }

    /**
     * A flag or pennant in the smaller swings: the pole, then a low, a high and the newest low, all raised for a pole that rises.
     *
     * @param turns the last smaller swings, the newest last
     */
    Optional<Shape> flag(List<Turn> turns, Bars bars, double usual) {
        Raised of = new Raised(turns, turns.get(turns.size() - 1).high() ? -1 : 1);
        if (!of.has(5)) {
            return Optional.empty();
        }
        int top = of.turn(3).bar();
        int foot = foot(of, bars);
        double tall = of.price(3) - of.sign() * (of.sign() > 0 ? bars.low(foot) : bars.high(foot));
        int steps = top - foot;
        int rest = of.turn(0).bar() - of.turn(3).bar();
        double deep = of.price(3) - Math.min(of.price(2), of.price(0));
        boolean fits = tall >= pole * usual
                && tall >= 0.6 * usual * steps
                && deep <= DEEP * tall
                && deep >= 0.1 * tall
                && rest >= SHORTEST
                && of.turn(2).bar() - top > 1
                && of.turn(1).bar() - of.turn(2).bar() > 1
                && of.turn(0).bar() - of.turn(1).bar() > 1
                && rest <= 2 * steps + 10
                && of.price(1) <= of.price(3) + OVER * tall;
        if (!fits) {
            return Optional.empty();
        }
        Line over = Line.through(of.turn(3), of.turn(1));
        Line under = Line.through(of.turn(2), of.turn(0));
        double first =
                of.sign() * (over.at(of.turn(3).bar()) - under.at(of.turn(3).bar()));
        double last =
                of.sign() * (over.at(of.turn(0).bar()) - under.at(of.turn(0).bar()));
        double fall = -of.sign() * over.slope() * rest;
        double sink = -of.sign() * under.slope() * rest;
        if (!(first > 0) || !(last > 0)) {
            return Optional.empty();
        }
        boolean narrows = last < 0.88 * first && fall > -LEAN * first && sink < LEAN * first;
        boolean parallel = !narrows && last >= 0.4 * first && last <= 2.4 * first && sink > -0.25 * first;
        if (!parallel && !narrows) {
            return Optional.empty();
        }
        List<Finding.Point> points = List.of(
                new Finding.Point("pole_start", bars.openTime(foot), of.sign() > 0 ? bars.low(foot) : bars.high(foot)),
                of.turn(3).as("pole_end"),
                of.turn(2).as("first_rest"),
                of.turn(1).as("second_rest"),
                of.turn(0).as("third_rest"));
        return Optional.of(of.shape(
                parallel ? of.kind("bull_flag", "bear_flag") : "pennant",
                5,
                points,
                of.edge(of.sign() > 0 ? "upper" : "lower", over, true),
                of.edge("half_pole", Line.level(of.turn(3), of.turn(3).price() - of.sign() * DEEP * tall), false),
                tall,
                0,
                of.turn(0).bar() + Math.max(SHORTEST, rest),
                1 - deep / tall));
    }
}

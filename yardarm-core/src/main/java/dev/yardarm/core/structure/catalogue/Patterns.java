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
import dev.yardarm.core.structure.NewestStanding;
import dev.yardarm.core.structure.Sight;
import java.util.ArrayList;
import java.util.List;

/**
 * Chart patterns over swings of several sizes at once: see {@link PatternRules} for what each is and {@link Shape} for what becomes of it.
 *
 * <p>A pattern is provisional when its touch points are settled swings, and confirmed by a close beyond the edge that completes it. One that
 * is seen in swings of two sizes is told once. O(sizes) a bar, and the patterns that wait or are followed, at most 40.
 */
public final class Patterns extends Detector {
    /** The kinds, as files write them. */
    private static final String[][] KINDS = {
        {"double_top", "Double top"},
        {"double_bottom", "Double bottom"},
        {"triple_top", "Triple top"},
        {"triple_bottom", "Triple bottom"},
        {"head_shoulders", "Head and shoulders"},
        {"inverse_head_shoulders", "Inverse head and shoulders"},
        {"ascending_triangle", "Ascending triangle"},
        {"descending_triangle", "Descending triangle"},
        {"symmetrical_triangle", "Symmetrical triangle"},
        {"rising_wedge", "Rising wedge"},
        {"falling_wedge", "Falling wedge"},
        {"rectangle", "Rectangle"},
        {"bull_flag", "Bull flag"},
        {"bear_flag", "Bear flag"},
        {"pennant", "Pennant"},
    };

    private static final int MOST = 40;
    /** Each size of swings is so many times the one before. */
    private static final double STEP = 1.6;
    /** Sizes of the swings in which flags rest, as parts of the least. */
    private static final double[] RESTS = {0.35, 0.5, 0.72};

    public Patterns() {
        super("patterns", "Patterns");
        also("chart pattern", "double top", "head and shoulders", "triangle", "wedge", "flag", "pennant", "rectangle");
        List<String> kinds = new ArrayList<>(List.of("any"));
        for (String[] each : KINDS) {
            kind(each[0], each[1]);
            kinds.add(each[0]);
        }
        choice("kind", "Kind", kinds.toArray(String[]::new));
        number("swing", "Least size of the swings, in usual ranges", 2, 0.2, 100);
        whole("sizes", "Sizes of swings at once", 4, 1, 8);
        number("tolerance", "Tolerance, share of the height", 0.2, 0.01, 1);
        number("least", "Least height, in usual ranges", 3, 0.5, 100);
        number("trend", "Move before a reversal, in heights", 1, 0, 10);
        number("pole", "Least pole of a flag, in usual ranges", 5, 1, 100);
        choice("by", "Completed by", "close", "reach");
        column("target", "Target of the newest that stands", open -> NewestStanding.of(open, Finding::target));
        column("invalidation", "Price that voids it", open -> NewestStanding.of(open, Finding::invalidation));
        cue("confirmed", "A pattern is completed", chosen -> Happened.to(each -> true, Finding.State.CONFIRMED));
        cue(
                "bullish",
                "One that points up is completed",
                chosen -> Happened.to(each -> PatternColumns.direction(each) > 0, Finding.State.CONFIRMED));
        cue(
                "bearish",
                "One that points down is completed",
                chosen -> Happened.to(each -> PatternColumns.direction(each) < 0, Finding.State.CONFIRMED));
        cue("forming", "One forms", chosen -> NewestStanding.forming(each -> true));
        cue("reached", "A target is reached", chosen -> Happened.to(each -> true, Finding.State.REACHED));
        cue("failed", "A completed one fails", chosen -> Happened.to(each -> true, Finding.State.FAILED));
        help(
                "Double and triple tops and bottoms, head and shoulders, triangles, wedges, rectangles, flags and pennants, "
                        + "forming and completed, with target and price that voids them.",
                "Over settled swings of several sizes, each 1.6 times the one before. h is the height of a pattern, the distance from its "
                        + "edge to its target. double: two highs within tolerance * h; h from the higher one to the low between. "
                        + "triple: three highs within it, lows within twice of it. head_shoulders: head 0.25 h above both "
                        + "shoulders, shoulders within 0.35 h of each other and 0.25 h above the neckline, halves within 2.5 of "
                        + "each other in time. These after an advance of trend * h. Triangles, wedges, rectangle: five or six "
                        + "turns within tolerance * h of two lines, wedges 1.3 of that; flat is less than 0.16 h; narrowing to 0.75 at least "
                        + "unless both are flat. Flags: a pole of pole usual ranges at 0.6 a bar or steeper, a rest that gives "
                        + "back a tenth to a half; pennant where its lines close in and neither leans the other way by more than an eighth. Completed by a close (or a trade) beyond the "
                        + "edge: neckline, flat side, lower line of a rising wedge, either side of rectangle and "
                        + "symmetrical triangle, the line in the direction of the pole; of triangles and rectangles by 0.1 h, of wedges by 0.3 h. Target: h beyond the edge. Void: beyond the "
                        + "other edge, or as many bars again as it took, or 0.95 of the way to the apex. Failed: a close beyond the "
                        + "other edge; expired after three times its length.",
                "A pattern that forms says what would complete it and what would end it. Its target is a distance, not a promise.",
                "Walks without any memory show all of these too: most say nothing unless volume and the larger trend agree.",
                "Richard W. Schabacker, Technical Analysis and Stock Market Profits (1932); Robert D. Edwards and John Magee, "
                        + "Technical Analysis of Stock Trends (1948); the measures of height after the latter.");
    }

    /** One pattern in formulas, many on the command line. */
    @Override
    public String word() {
        return "pattern";
    }

    @Override
    public int staysFor() {
        return ALWAYS;
    }

    /** Its turns or its edges, and while it stands the target. */
    @Override
    public List<Figured> figures(Sight sight) {
        Finding pattern = sight.finding();
        List<Figured> parts = new ArrayList<>();
        String words = words(pattern);
        boolean edges = pattern.points().stream().anyMatch(each -> each.role().startsWith("first_high"))
                && pattern.lines().containsKey("upper")
                && pattern.lines().containsKey("lower");
        if (edges) {
            parts.add(edge(pattern, "high", words));
            parts.add(edge(pattern, "low", ""));
        } else {
            parts.add(super.figure(sight));
            Double neck = pattern.lines().get("neckline");
            if (neck != null) {
                parts.add(neckline(pattern, neck));
            }
        }
        if (!Double.isNaN(pattern.target()) && !sight.state().isEnd()) {
            parts.add(Figured.projected(
                    "target",
                    pattern.to(),
                    pattern.target(),
                    pattern.target() > pattern.points().get(0).price()));
        }
        return parts;
    }

    /** Through its two turns where it slopes, else from its first turn to the last of the pattern. */
    private static Figured neckline(Finding pattern, double price) {
        List<Finding.Point> on = pattern.points().stream()
                .filter(each -> each.role().startsWith("neckline"))
                .toList();
        return on.size() == 2
                ? Figured.line(
                        "",
                        true,
                        new Anchor(on.get(0).time(), on.get(0).price()),
                        new Anchor(on.get(1).time(), on.get(1).price()))
                : Figured.line(
                        "", true, new Anchor(pattern.points().get(1).time(), price), new Anchor(pattern.to(), price));
    }

    private static Figured edge(Finding pattern, String side, String words) {
        List<Finding.Point> on = pattern.points().stream()
                .filter(each -> each.role().endsWith(side))
                .toList();
        Finding.Point first = on.get(0);
        Finding.Point last = on.get(on.size() - 1);
        return Figured.line(
                words,
                side.equals("high"),
                new Anchor(first.time(), first.price()),
                new Anchor(last.time(), last.price()));
    }

    @Override
    public Detection begin(Settings chosen, Given given) {
        return new Search(chosen);
    }

    private static final class Search implements Detection {
        private final PatternRules rules;
        private final String only;
        private final boolean byReach;
        private final RangeMeasure usual;
        private final List<ReversedSwings<Turns>> sizes;
        /** The smaller swings in which flags rest. */
        private final List<ReversedSwings<Turns>> rests;

        private final List<Shape> open;
        /** The last patterns there were, so that none is told twice. */
        private final List<Shape> known;

        Search(Settings chosen) {
            rules = new PatternRules(
                    chosen.number("tolerance"), chosen.number("least"), chosen.number("trend"), chosen.number("pole"));
            only = chosen.word("kind");
            byReach = chosen.word("by").equals("reach");
            usual = new RangeMeasure();
            sizes = new ArrayList<>();
            double size = chosen.number("swing");
            rests = new ArrayList<>();
            for (double part : RESTS) {
                rests.add(new ReversedSwings<>(new Turns(), part * size));
            }
            for (int each = 0; each < chosen.whole("sizes"); each++) {
                sizes.add(new ReversedSwings<>(new Turns(), size));
                size *= STEP;
            }
            open = new ArrayList<>();
            known = new ArrayList<>();
        }

        private Search(Search other) {
            rules = other.rules;
            only = other.only;
            byReach = other.byReach;
            usual = other.usual.copy();
            rests = other.rests.stream().map(ReversedSwings::copy).toList();
            sizes = new ArrayList<>(
                    other.sizes.stream().map(ReversedSwings::copy).toList());
            open = new ArrayList<>(other.open.stream().map(Shape::new).toList());
            // Those that are open are the same here as there.
            known = new ArrayList<>();
            for (Shape each : other.known) {
                int at = other.open.indexOf(each);
                known.add(at < 0 ? each : open.get(at));
            }
        }

        @Override
        public Detection copy() {
            return new Search(this);
        }

        @Override
        public void take(Bars bars, int bar, FindingLog log) {
            if (!(bars.high(bar) >= bars.low(bar))) {
                return;
            }
            usual.take(bars, bar);
            for (ReversedSwings<Turns> size : sizes) {
                size.take(bars, bar, usual, log);
                Turns turns = size.notes();
                if (turns.settledAt() == bar) {
                    rules.of(turns.last(), usual.mean()).forEach(shape -> found(shape, log, bar));
                    rules.flag(turns.last(), bars, usual.mean()).ifPresent(shape -> found(shape, log, bar));
                }
            }
            for (ReversedSwings<Turns> rest : rests) {
                rest.take(bars, bar, usual, log);
                Turns small = rest.notes();
                if (small.settledAt() == bar) {
                    rules.flag(small.last(), bars, usual.mean()).ifPresent(shape -> found(shape, log, bar));
                }
            }
            open.removeIf(shape -> shape.take(bars, bar, byReach, log));
        }

        /** Notes a pattern, once: one that waits grows with a turn more, a double top becomes a triple one. */
        private void found(Shape shape, FindingLog log, int bar) {
            if (!only.equals("any") && !only.equals(shape.kind())
                    || known.stream().anyMatch(each -> each.isCompleted() && shape.isLike(each))) {
                return;
            }
            for (int at = 0; at < open.size(); at++) {
                Shape each = open.get(at);
                if (each.isWaiting() && shape.isLike(each)) {
                    if (shape.to() > each.to()) {
                        shape.grownFrom(each, log, bar);
                        open.set(at, shape);
                        know(shape);
                    }
                    return;
                }
            }
            if (open.size() >= MOST) {
                return;
            }
            if (shape.kind().startsWith("triple")) {
                open.removeIf(each -> {
                    boolean grown = each.isWaiting() && each.kind().startsWith("double") && each.shared(shape) == 3;
                    if (grown) {
                        each.isVoid(log, bar);
                    }
                    return grown;
                });
            }
            shape.found(log, bar);
            open.add(shape);
            know(shape);
        }

        private void know(Shape shape) {
            if (known.size() == MOST) {
                known.remove(0);
            }
            known.add(shape);
        }
    }
}

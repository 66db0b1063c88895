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
import java.util.Map;
import java.util.Optional;

/**
 * Trading ranges that end with a false break, from five swings in relation, the newest of which still moves: see {@link RangeShape} for
 * the rule. A range is provisional once price has closed back inside, and moves while the false break goes further; confirmed by a close
 * beyond the swing before it, failed or void by one beyond its extreme, reached at its target.
 *
 * <p>O(1) a bar, and what stands, at most 12.
 */
public final class Ranges extends Detector {
    private static final int MOST = 12;

    public Ranges() {
        super("ranges", "Trading ranges with phases");
        also("accumulation", "distribution", "spring", "upthrust", "wyckoff", "trading range", "climax");
        number("swing", "Size of the swings, in usual ranges", 3, 0.2, 100);
        number("alike", "How near the two extremes are, share of price", 0.02, 0, 0.5);
        number("inside", "How near the close is to the border, share of price", 0.05, 0, 0.5);
        whole("recovery", "Back inside within bars", 6, 1, 500);
        number("climax", "Volume of the climax, in usual volumes; 0 for any", 0, 0, 100);
        number("off", "Close of the climax off its extreme, share of its range", 0.3, 0, 1);
        whole("within", "Leaves within bars", 60, 1, 5000);
        kind("accumulation", "Accumulation with a spring");
        kind("distribution", "Distribution with an upthrust");
        cue(
                "spring",
                "Back inside after a false break down",
                chosen -> Happened.to("accumulation", Finding.State.PROVISIONAL));
        cue(
                "upthrust",
                "Back inside after a false break up",
                chosen -> Happened.to("distribution", Finding.State.PROVISIONAL));
        cue(
                "strength",
                "Leaves upwards after a spring",
                chosen -> Happened.to("accumulation", Finding.State.CONFIRMED));
        cue(
                "weakness",
                "Leaves downwards after an upthrust",
                chosen -> Happened.to("distribution", Finding.State.CONFIRMED));
        cue("failed", "A close beyond the extreme", chosen -> Happened.to(each -> true, Finding.State.FAILED));
        column("target", "Target of the newest that stands", open -> NewestStanding.of(open, Finding::target));
        column("invalidation", "Extreme of the false break", open -> NewestStanding.of(open, Finding::invalidation));
        help(
                "Ranges in which a false break shows who is at work: accumulation with its spring, distribution with its upthrust.",
                "Swings settled as by pivots at swing times the mean of the last 100 true ranges, 1 the newest, which still moves. "
                        + "Distribution: high 1 above high 3; high 3 within alike of high 5; high 5 above low 2; low 2 below low 4; a close "
                        + "below high 5 and within inside of it, at most recovery bars after high 1. With climax above 0 the bar of high 5 has so "
                        + "many times the mean volume of the 50 bars before it and closes off of its range below its high. Points: buying "
                        + "climax (5), automatic reaction (4), secondary test (3), sign of weakness in the range (2), upthrust (1). "
                        + "Accumulation mirrored: selling climax, automatic rally, secondary test, sign of strength, spring. Confirmed: a close "
                        + "beyond swing 2 within so many bars; target: as far from there as the range is high, from swing 5 to swing 2. Void before "
                        + "that, failed after it: a close beyond swing 1.",
                "The false break takes the stops beyond the border; if nobody follows, price crosses the range.",
                "A breakout that comes back once looks the same until it goes on: the extreme is the place to be wrong.",
                "Richard D. Wyckoff, The Richard D. Wyckoff Method of Trading and Investing in Stocks (1931), in the schematics "
                        + "taught after him; the relation of the five swings is our own reading.");
    }

    @Override
    public int staysFor() {
        return ALWAYS;
    }

    @Override
    public Detection begin(Settings chosen, Given given) {
        return new Search(
                new RangeShape(
                        chosen.number("alike"),
                        chosen.number("inside"),
                        chosen.whole("recovery"),
                        chosen.number("climax"),
                        chosen.number("off")),
                chosen.whole("within"),
                new RangeMeasure(),
                new ReversedSwings<>(new MovingTurns(), chosen.number("swing")));
    }

    /** The range between climax and reaction, its course, and a word at each event. */
    @Override
    public List<Figured> figures(Sight sight) {
        Finding range = sight.finding();
        List<Figured> parts = new ArrayList<>();
        parts.add(super.figure(sight));
        parts.add(new Figured(
                "zone",
                List.of(
                        new Anchor(range.from(), range.points().get(0).price()),
                        new Anchor(range.to(), range.points().get(1).price())),
                Map.of("extend", "none"),
                "",
                true));
        for (Finding.Point point : range.points()) {
            parts.add(new Figured(
                    "text",
                    List.of(new Anchor(point.time(), point.price())),
                    Map.of("text", RangeShape.letters(point.role())),
                    "",
                    true));
        }
        if (!sight.state().isEnd()) {
            parts.add(Figured.projected(
                    "target", range.to(), range.target(), range.kind().equals("accumulation")));
        }
        return parts;
    }

    /** One that stands. */
    private record Open(int number, Finding finding, int until, boolean confirmed) {
        /** 1 for one that is left upwards. */
        int sign() {
            return finding.kind().equals("accumulation") ? 1 : -1;
        }
    }

    private static final class Search implements Detection {
        private final RangeShape shape;
        private final int within;
        private final RangeMeasure usual;
        private final ReversedSwings<MovingTurns> swings;
        private final List<Open> open = new ArrayList<>();

        Search(RangeShape shape, int within, RangeMeasure usual, ReversedSwings<MovingTurns> swings) {
            this.shape = shape;
            this.within = within;
            this.usual = usual;
            this.swings = swings;
        }

        @Override
        public Detection copy() {
            Search copy = new Search(shape, within, usual.copy(), swings.copy());
            copy.open.addAll(open);
            return copy;
        }

        @Override
        public void take(Bars bars, int bar, FindingLog log) {
            if (!(bars.high(bar) >= bars.low(bar))) {
                return;
            }
            usual.take(bars, bar);
            swings.take(bars, bar, usual, log);
            follow(bars, bar, log);
            MovingTurns turns = swings.notes();
            if (turns.movedAt() >= 0) {
                List<Turn> last = new ArrayList<>(turns.settled().last());
                Turn running = turns.running(bars);
                // When it has just been settled the false break is the newest settled one.
                if (turns.settled().settledAt() != bar) {
                    last.add(running);
                }
                shape.of(last, bars, bar).ifPresent(found -> note(found, log, bar));
            }
        }

        /** Notes a range, or that the false break of one went further before it came back again. */
        private void note(Finding found, FindingLog log, int bar) {
            for (int at = 0; at < open.size(); at++) {
                Open each = open.get(at);
                if (each.finding().from() == found.from()
                        && each.finding().kind().equals(found.kind())) {
                    if (!each.confirmed() && each.finding().to() < found.to()) {
                        log.changed(each.number(), found, bar);
                        open.set(at, new Open(each.number(), found, bar + within, false));
                    }
                    return;
                }
            }
            if (open.size() < MOST) {
                open.add(new Open(log.found(found, bar), found, bar + within, false));
            }
        }

        private void follow(Bars bars, int bar, FindingLog log) {
            double close = bars.close(bar);
            for (int at = open.size() - 1; at >= 0; at--) {
                Open each = open.get(at);
                int sign = each.sign();
                boolean beyond = sign * (close - each.finding().invalidation()) < 0;
                boolean left = sign * (close - each.finding().lines().get("border")) > 0;
                boolean reached = sign > 0
                        ? bars.high(bar) >= each.finding().target()
                        : bars.low(bar) <= each.finding().target();
                Optional<Finding.State> end = beyond
                        ? Optional.of(each.confirmed() ? Finding.State.FAILED : Finding.State.VOID)
                        : each.confirmed() && reached
                                ? Optional.of(Finding.State.REACHED)
                                : bar > each.until()
                                        ? Optional.of(each.confirmed() ? Finding.State.EXPIRED : Finding.State.VOID)
                                        : Optional.empty();
                if (end.isPresent()) {
                    log.become(each.number(), end.get(), bar);
                    open.remove(at);
                } else if (!each.confirmed() && left) {
                    log.become(each.number(), Finding.State.CONFIRMED, bar);
                    open.set(at, new Open(each.number(), each.finding(), bar + 3 * within, true));
                }
            }
        }
    }
}

package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.structure.Detection;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.core.structure.Figured;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import dev.yardarm.core.structure.Happened;
import dev.yardarm.core.structure.Nearest;
import dev.yardarm.core.structure.Sight;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Prices that follow from what is there: of completed patterns and ranges, of the last legs, and of channels. Each says by what method, since
 * when, and what voids it; it is reached when price trades there, failed when what it rests on fails or a close lies beyond what voids it,
 * expired when it is over, or when a newer leg takes its place.
 *
 * <p>Costs what patterns, ranges, lines and one degree of swings cost, and a comparison a bar for each of at most 60 targets.
 */
public final class Targets extends Detector {
    private static final int MOST = 60;

    public Targets() {
        super("targets", "Targets");
        also("price target", "measured move", "projection", "objective");
        number("swing", "Size of the legs, in usual ranges", 3, 0.2, 100);
        number("ratio", "Ratio of the projection", 1.618, 0.1, 10);
        whole("age", "Expires after bars", 250, 1, 100_000);
        kind("pattern_target", "Target of a pattern");
        kind("range_target", "Target of a range");
        kind("measured_leg", "Measured leg");
        kind("projection", "Projection of a leg");
        kind("channel_target", "Other border of a channel");
        column("nearest_up", "Nearest target above", open -> Nearest.price(true, open, Targets::price));
        column("nearest_down", "Nearest target below", open -> Nearest.price(false, open, Targets::price));
        cue("reached", "A target is reached", chosen -> Happened.to(each -> true, Finding.State.REACHED));
        cue("found", "A target comes up", chosen -> Happened.to(each -> true, Finding.State.CONFIRMED));
        help(
                "All price targets that follow from what is there, until they are reached or void.",
                "pattern_target, range_target: of patterns and ranges with their default settings, once completed. Of three swings A, B, C, settled as by "
                        + "pivots at swing times the mean of the last 100 true ranges, C not beyond A: measured_leg is C + (B - A), projection "
                        + "C + ratio * (B - A); void by a close beyond C. channel_target: the other border of a channel at the bar "
                        + "it is found; void by a close beyond its own border. Reached: price trades there. Failed: void, or what it rests on "
                        + "failed. Expired: age bars, or a newer leg the same way.",
                "Several that lie together say more than one far away; the room to the nearest is what a trade has.",
                "They are distances measured, not places price must go to.",
                "Robert D. Edwards and John Magee, Technical Analysis of Stock Trends (1948); the measured leg after H. M. Gartley, "
                        + "Profits in the Stock Market (1935).");
    }

    private static double[] price(Finding target) {
        return new double[] {target.target()};
    }

    @Override
    public boolean showsEnded() {
        return false;
    }

    @Override
    public Figured figure(Sight sight) {
        Finding target = sight.finding();
        return Figured.projected(
                words(target),
                target.to(),
                target.target(),
                target.target() > target.points().get(0).price());
    }

    @Override
    public Detection begin(Settings chosen, Column source) {
        double swing = chosen.number("swing");
        return new Search(
                chosen.number("ratio"),
                chosen.whole("age"),
                List.of(
                        Rest.of(new Patterns(), "pattern_target"),
                        Rest.of(new Ranges(), "range_target"),
                        Rest.of(new TrendLines(), "channel_target")),
                new RangeMeasure(),
                new ReversedSwings(new Turns(), (measure, price) -> swing * measure.mean()));
    }

    /**
     * Another detector targets rest on, with what it has found.
     *
     * @param kind of the targets
     */
    private record Rest(Detection detection, FindingLog log, String kind, int[] read) {
        static Rest of(Detector detector, String kind) {
            return new Rest(detector.begin(detector.settings(Map.of()), null), new FindingLog(), kind, new int[1]);
        }

        Rest copy() {
            return new Rest(detection.copy(), log.branch(), kind, read.clone());
        }
    }

    /**
     * A target that stands.
     *
     * @param voided price beyond which it is void; NaN for none but that of what it rests on
     * @param of the number of what it rests on, in the log of its kind; -1 for legs
     */
    private record Open(int number, String kind, boolean up, double price, double voided, int until, int of) {}

    private static final class Search implements Detection {
        private final double ratio;
        private final int age;
        private final List<Rest> rests;
        private final RangeMeasure usual;
        private final ReversedSwings swings;
        private final List<Open> open = new ArrayList<>();

        Search(double ratio, int age, List<Rest> rests, RangeMeasure usual, ReversedSwings swings) {
            this.ratio = ratio;
            this.age = age;
            this.rests = rests;
            this.usual = usual;
            this.swings = swings;
        }

        @Override
        public Detection copy() {
            Search copy = new Search(ratio, age, rests.stream().map(Rest::copy).toList(), usual.copy(), swings.copy());
            copy.open.addAll(open);
            return copy;
        }

        @Override
        public void take(Bars bars, int bar, FindingLog log) {
            if (!(bars.high(bar) >= bars.low(bar))) {
                return;
            }
            follow(bars, bar, log);
            for (Rest rest : rests) {
                rest.detection().take(bars, bar, rest.log());
                for (; rest.read()[0] < rest.log().size(); rest.read()[0]++) {
                    read(rest, rest.log().entry(rest.read()[0]), bars, bar, log);
                }
            }
            usual.take(bars, bar);
            swings.take(bars, bar, usual, log);
            Turns turns = (Turns) swings.notes();
            if (turns.settledAt() == bar && turns.last().size() >= 3) {
                legs(turns.last(), bars, bar, log);
            }
        }

        private void read(Rest rest, FindingLog.Standing entry, Bars bars, int bar, FindingLog log) {
            Finding of = entry.finding();
            boolean channel = rest.kind().equals("channel_target");
            if (entry.state() == Finding.State.CONFIRMED) {
                double price = channel ? of.lines().getOrDefault("across", Double.NaN) : of.target();
                double voided = channel ? of.lines().get("line") : of.invalidation();
                if (!Double.isNaN(price)) {
                    List<Finding.Point> points = List.of(
                            of.points().get(0), new Finding.Point(of.kind(), bars.openTime(bar), bars.close(bar)));
                    note(rest.kind(), points, price, voided, of.score(), entry.number(), bars, bar, log);
                }
                return;
            }
            boolean over = entry.state() == Finding.State.FAILED
                    || entry.state() == Finding.State.EXPIRED
                    || channel && entry.state() == Finding.State.BROKEN;
            if (over) {
                end(rest.kind(), entry.number(), entry.state() == Finding.State.EXPIRED, bar, log);
            }
        }

        private void end(String kind, int of, boolean expired, int bar, FindingLog log) {
            open.removeIf(each -> {
                boolean its = each.of() == of && each.kind().equals(kind);
                if (its) {
                    log.become(each.number(), expired ? Finding.State.EXPIRED : Finding.State.FAILED, bar);
                }
                return its;
            });
        }

        /** The leg from the newest swing, as far as the one before it, and in the ratio. */
        private void legs(List<Turn> turns, Bars bars, int bar, FindingLog log) {
            Turn c = turns.get(turns.size() - 1);
            Turn b = turns.get(turns.size() - 2);
            Turn a = turns.get(turns.size() - 3);
            double leg = b.price() - a.price();
            boolean up = leg > 0;
            if (up ? c.price() < a.price() : c.price() > a.price()) {
                return;
            }
            for (String kind : List.of("measured_leg", "projection")) {
                open.removeIf(each -> {
                    boolean older = each.kind().equals(kind) && each.up() == up;
                    if (older) {
                        log.become(each.number(), Finding.State.EXPIRED, bar);
                    }
                    return older;
                });
                double part = kind.equals("projection") ? ratio : 1;
                List<Finding.Point> points = List.of(a.as("leg_start"), b.as("leg_end"), c.as("next_start"));
                note(kind, points, c.price() + part * leg, c.price(), 0.5, -1, bars, bar, log);
            }
        }

        private void note(
                String kind,
                List<Finding.Point> points,
                double price,
                double voided,
                double score,
                int of,
                Bars bars,
                int bar,
                FindingLog log) {
            double close = bars.close(bar);
            // What price has passed already is no target, nor is one on the far side of what voids it.
            boolean ahead = price > close ? voided < close : price < close && voided > close;
            if (!ahead || open.size() >= MOST) {
                return;
            }
            int number = log.found(new Finding(kind, points, Map.of(), price, voided, score), bar);
            log.become(number, Finding.State.CONFIRMED, bar);
            open.add(new Open(number, kind, price > close, price, voided, bar + age, of));
        }

        private void follow(Bars bars, int bar, FindingLog log) {
            double close = bars.close(bar);
            for (int at = open.size() - 1; at >= 0; at--) {
                Open each = open.get(at);
                boolean reached = each.up() ? bars.high(bar) >= each.price() : bars.low(bar) <= each.price();
                // A channel slopes: its own detector says when it is left.
                boolean failed = !each.kind().equals("channel_target")
                        && (each.up() ? close < each.voided() : close > each.voided());
                if (reached || failed || bar > each.until()) {
                    log.become(
                            each.number(),
                            reached ? Finding.State.REACHED : failed ? Finding.State.FAILED : Finding.State.EXPIRED,
                            bar);
                    open.remove(at);
                }
            }
        }
    }
}

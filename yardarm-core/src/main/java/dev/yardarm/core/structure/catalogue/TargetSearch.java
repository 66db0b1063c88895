package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;
import dev.yardarm.core.structure.Detection;
import dev.yardarm.core.structure.Detector;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Goes through the bars for {@link Targets}: takes what other detectors find, measures legs, columns and periods, and follows what stands. */
final class TargetSearch implements Detection {
    private static final int MOST = 60;

    private final double ratio;
    private final int age;
    /** The number of the period of each bar; null where no calendar is known. */
    private final Column periods;

    private final List<Rest> rests;
    private final RangeMeasure usual;
    private final ReversedSwings swings;
    private final FigureCounts counts;
    private final PeriodRange period;
    /** The targets of the period under way, up and down; null when it has none. */
    private Open periodUp;

    private Open periodDown;
    private final List<Open> open = new ArrayList<>();

    TargetSearch(Settings chosen, Column periods) {
        double swing = chosen.number("swing");
        this.ratio = chosen.number("ratio");
        this.age = chosen.whole("age");
        this.periods = periods;
        this.rests = List.of(
                Rest.of(new Patterns(), "pattern_target"),
                Rest.of(new Ranges(), "range_target"),
                Rest.of(new TrendLines(), "channel_target"));
        this.usual = new RangeMeasure();
        this.swings = new ReversedSwings(new Turns(), (measure, price) -> swing * measure.mean());
        this.counts = new FigureCounts(chosen.number("box"));
        this.period = new PeriodRange();
    }

    private TargetSearch(TargetSearch other) {
        ratio = other.ratio;
        age = other.age;
        periods = other.periods;
        rests = other.rests.stream().map(Rest::copy).toList();
        usual = other.usual.copy();
        swings = other.swings.copy();
        counts = other.counts.copy();
        period = other.period.copy();
        periodUp = other.periodUp;
        periodDown = other.periodDown;
        open.addAll(other.open);
    }

    @Override
    public Detection copy() {
        return new TargetSearch(this);
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
        for (FigureCounts.Count each : counts.take(bars, bar, usual, log)) {
            replace(each.kind(), each.target() > each.voided(), bar, log);
            note(each.kind(), each.points(), each.target(), each.voided(), 0.5, -1, bars, bar, log);
        }
        if (periods != null && !Double.isNaN(periods.at(bar))) {
            period(bars, bar, log);
        }
    }

    /** What price goes in such a period, from its low and from its high so far. */
    private void period(Bars bars, int bar, FindingLog log) {
        if (period.take(bars, bar, periods.at(bar))) {
            dropPeriod(periodUp, bar, log);
            dropPeriod(periodDown, bar, log);
            periodUp = null;
            periodDown = null;
        }
        double mean = period.mean();
        if (!Double.isNaN(mean)) {
            periodUp = periodTarget(true, periodUp, period.low(), bars.low(period.low()) + mean, bars, bar, log);
            periodDown =
                    periodTarget(false, periodDown, period.high(), bars.high(period.high()) - mean, bars, bar, log);
        }
    }

    private static void dropPeriod(Open of, int bar, FindingLog log) {
        if (of != null && of.number() >= 0) {
            log.become(of.number(), Finding.State.VOID, bar);
        }
    }

    /** Found, moved with the extreme it is measured from, or reached: then the period has none that way any more, number -1. */
    private Open periodTarget(boolean up, Open before, int from, double price, Bars bars, int bar, FindingLog log) {
        if (before != null && before.number() < 0) {
            return before;
        }
        boolean reached = up ? bars.high(bar) >= price : bars.low(bar) <= price;
        int number = before == null ? -1 : before.number();
        if (before == null ? !reached : before.price() != price) {
            Finding.Point extreme = new Finding.Point(
                    up ? "period_low" : "period_high", bars.openTime(from), up ? bars.low(from) : bars.high(from));
            Finding finding = new Finding("period_range", List.of(extreme), Map.of(), price, Double.NaN, 0.5);
            if (before == null) {
                number = log.found(finding, bar);
            } else {
                log.changed(number, finding, bar);
            }
        }
        if (reached) {
            if (number >= 0) {
                log.become(number, Finding.State.CONFIRMED, bar);
                log.become(number, Finding.State.REACHED, bar);
            }
            number = -1;
        }
        return new Open(number, "period_range", up, price, Double.NaN, bar, -1);
    }

    /** A newer one takes the place of those of its kind the same way. */
    private void replace(String kind, boolean up, int bar, FindingLog log) {
        open.removeIf(each -> {
            boolean older = each.kind().equals(kind) && each.up() == up;
            if (older) {
                log.become(each.number(), Finding.State.EXPIRED, bar);
            }
            return older;
        });
    }

    private void read(Rest rest, FindingLog.Standing entry, Bars bars, int bar, FindingLog log) {
        Finding of = entry.finding();
        boolean channel = rest.kind().equals("channel_target");
        if (entry.state() == Finding.State.CONFIRMED) {
            double price = channel ? of.lines().getOrDefault("across", Double.NaN) : of.target();
            double voided = channel ? of.lines().get("line") : of.invalidation();
            if (!Double.isNaN(price)) {
                List<Finding.Point> points =
                        List.of(of.points().get(0), new Finding.Point(of.kind(), bars.openTime(bar), bars.close(bar)));
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
            replace(kind, up, bar, log);
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
}

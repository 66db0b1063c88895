package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Detection;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import dev.yardarm.core.structure.Given;
import java.util.List;
import java.util.Map;

/** Goes through the bars for {@link Targets}: takes what other detectors find, measures legs, columns and periods, and follows what stands. */
final class TargetSearch implements Detection {
    private static final Finding.Spot FROM_LOW = new Finding.Spot("period_range", "period_low", 0.5);
    private static final Finding.Spot FROM_HIGH = new Finding.Spot("period_range", "period_high", 0.5);

    /** The kinds of targets of what they rest on, in the order of {@link Targets#restsOn()}. */
    private static final TargetKind[] RESTED = {
        TargetKind.PATTERN_TARGET, TargetKind.RANGE_TARGET, TargetKind.CHANNEL_TARGET
    };

    private static final List<TargetKind> OF_LEGS = List.of(TargetKind.MEASURED_LEG, TargetKind.PROJECTION);

    private final double ratio;
    private final int age;
    private final Given given;
    /** How many entries of each of those rested on were read. */
    private final int[] read;

    private final RangeMeasure usual;
    private final ReversedSwings<Turns> swings;
    private final FigureCounts counts;
    private final PeriodRange period;
    /** The targets of the period under way. */
    private final OfPeriod periodUp;

    private final OfPeriod periodDown;
    private final OpenTargets open;
    /** The bars of the low and the high that were broken last. */
    private final int[] broken;

    TargetSearch(Settings chosen, Given given) {
        this.ratio = chosen.number("ratio");
        this.age = chosen.whole("age");
        this.given = given;
        this.read = new int[RESTED.length];
        this.usual = new RangeMeasure();
        this.swings = new ReversedSwings<>(new Turns(), chosen.number("swing"));
        this.counts = new FigureCounts(chosen.number("box"));
        this.period = new PeriodRange();
        this.periodUp = new OfPeriod();
        this.periodDown = new OfPeriod();
        this.open = new OpenTargets();
        this.broken = new int[] {-1, -1};
    }

    private TargetSearch(TargetSearch other) {
        ratio = other.ratio;
        age = other.age;
        given = other.given;
        read = other.read.clone();
        usual = other.usual.copy();
        swings = other.swings.copy();
        counts = other.counts.copy();
        period = other.period.copy();
        periodUp = new OfPeriod(other.periodUp);
        periodDown = new OfPeriod(other.periodDown);
        open = other.open.copy();
        broken = other.broken.clone();
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
        open.follow(bars, bar, log);
        for (int rest = 0; rest < read.length; rest++) {
            for (int known = given.entries(rest); read[rest] < known; read[rest]++) {
                read(rest, read[rest], bars, bar, log);
            }
        }
        usual.take(bars, bar);
        swings.take(bars, bar, usual, log);
        Turns turns = swings.notes();
        breaks(turns, bars.close(bar), bar, log);
        if (turns.settledAt() == bar && turns.last().size() >= 3) {
            legs(turns.last(), bars, bar, log);
        }
        List<FigureCounts.Count> counted = counts.take(bars, bar, usual, log);
        if (!counted.isEmpty()) {
            for (FigureCounts.Count each : counted) {
                open.replace(each.kind(), each.target() > each.voided(), bar, log);
                note(each.kind(), each.points(), each.target(), each.voided(), 0.5, -1, bars, bar, log);
            }
        }
        if (!Double.isNaN(given.source().at(bar))) {
            period(bars, bar, log);
        }
    }

    /** A close beyond the newest settled swing ends what was to come the other way; once for each swing. */
    private void breaks(Turns turns, double close, int bar, FindingLog log) {
        for (int at = turns.size() - 1; at >= Math.max(0, turns.size() - 2); at--) {
            Turn turn = turns.get(at);
            int side = turn.high() ? 1 : 0;
            if (broken[side] != turn.bar() && (turn.high() ? close > turn.price() : close < turn.price())) {
                broken[side] = turn.bar();
                open.endSide(!turn.high(), bar, log);
            }
        }
    }

    /** What price goes in such a period, from its low and from its high so far. */
    private void period(Bars bars, int bar, FindingLog log) {
        if (period.take(bars, bar, given.source().at(bar))) {
            periodUp.over(bar, log);
            periodDown.over(bar, log);
        }
        double mean = period.mean();
        if (!Double.isNaN(mean)) {
            double low = period.lowest();
            periodUp.take(FROM_LOW, period.low(), low, low + mean, bars.high(bar) >= low + mean, bars, bar, log);
            double high = period.highest();
            periodDown.take(FROM_HIGH, period.high(), high, high - mean, bars.low(bar) <= high - mean, bars, bar, log);
        }
    }

    /** Takes an entry of one of those rested on; looks at what was found only where there may be a target in it. */
    private void read(int rest, int place, Bars bars, int bar, FindingLog log) {
        TargetKind kind = RESTED[rest];
        boolean channel = kind == TargetKind.CHANNEL_TARGET;
        switch (given.state(rest, place)) {
            case CONFIRMED -> {
                FindingLog.Standing entry = given.entry(rest, place);
                Finding of = entry.finding();
                if (!channel) {
                    rested(kind, entry, of.target(), of.invalidation(), bars, bar, log);
                } else if (of.kind().endsWith("channel")) {
                    double across = of.lines().get("across");
                    rested(kind, entry, across, of.lines().get("line"), bars, bar, log);
                }
            }
            case FAILED -> open.end(kind, given.number(rest, place), Finding.State.FAILED, bar, log);
            case EXPIRED -> open.end(kind, given.number(rest, place), Finding.State.EXPIRED, bar, log);
            case BROKEN -> {
                if (channel) {
                    open.end(kind, given.number(rest, place), Finding.State.FAILED, bar, log);
                }
            }
            case PROVISIONAL, REACHED, FILLED, RETESTED, VOID -> {}
        }
    }

    private void rested(
            TargetKind kind,
            FindingLog.Standing entry,
            double price,
            double voided,
            Bars bars,
            int bar,
            FindingLog log) {
        if (!Double.isNaN(price)) {
            Finding of = entry.finding();
            List<Finding.Point> points =
                    List.of(of.points().get(0), new Finding.Point(of.kind(), bars.openTime(bar), bars.close(bar)));
            note(kind, points, price, voided, of.score(), entry.number(), bars, bar, log);
        }
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
        List<Finding.Point> points = List.of(a.as("leg_start"), b.as("leg_end"), c.as("next_start"));
        for (TargetKind kind : OF_LEGS) {
            open.replace(kind, up, bar, log);
            double part = kind == TargetKind.PROJECTION ? ratio : 1;
            note(kind, points, c.price() + part * leg, c.price(), 0.5, -1, bars, bar, log);
        }
    }

    private void note(
            TargetKind kind,
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
        if (!ahead || open.isFull()) {
            return;
        }
        int number = log.foundSettled(new Finding(kind.word(), points, Map.of(), price, voided, score), bar);
        open.add(number, kind, price > close, price, voided, bar + age, of);
    }

    /** The target of a period one way: found, moved with the extreme it is measured from, or reached; then it has none any more. */
    private static final class OfPeriod {
        private boolean reached;
        /** Its number; -1 for none. */
        private int number = -1;

        private double price;

        OfPeriod() {}

        OfPeriod(OfPeriod other) {
            reached = other.reached;
            number = other.number;
            price = other.price;
        }

        void take(
                Finding.Spot spot,
                int from,
                double extreme,
                double target,
                boolean there,
                Bars bars,
                int bar,
                FindingLog log) {
            if (reached) {
                return;
            }
            if (number < 0) {
                if (!there) {
                    number = log.found(spot, bars.openTime(from), extreme, target, bar);
                }
            } else if (price != target) {
                log.changed(number, spot, bars.openTime(from), extreme, target, bar);
            }
            price = target;
            if (there) {
                reached = true;
                if (number >= 0) {
                    log.become(number, Finding.State.CONFIRMED, bar);
                    log.become(number, Finding.State.REACHED, bar);
                }
            }
        }

        void over(int bar, FindingLog log) {
            if (number >= 0 && !reached) {
                log.become(number, Finding.State.VOID, bar);
            }
            reached = false;
            number = -1;
        }
    }
}

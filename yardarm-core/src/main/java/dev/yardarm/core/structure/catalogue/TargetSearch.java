package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Detection;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import dev.yardarm.core.structure.Given;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Goes through the bars for {@link Targets}: takes what other detectors find, measures legs, columns and periods, and follows what stands. */
final class TargetSearch implements Detection {
    private static final int MOST = 60;
    private static final Finding.Spot FROM_LOW = new Finding.Spot("period_range", "period_low", 0.5);
    private static final Finding.Spot FROM_HIGH = new Finding.Spot("period_range", "period_high", 0.5);

    private static final String OF_CHANNEL = "channel_target";

    /** The kinds of targets of what they rest on, in the order of {@link Targets#restsOn()}. */
    static final List<String> RESTED = List.of("pattern_target", "range_target", OF_CHANNEL);

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
    private final List<Open> open = new ArrayList<>();
    /** Within these prices and up to this bar nothing happens to what is open; worked out anew after a bar outside. */
    private double calmHigh;

    private double calmLow;
    private double closeAbove;
    private double closeBelow;
    private int calmUntil;
    private boolean known;

    TargetSearch(Settings chosen, Given given) {
        this.ratio = chosen.number("ratio");
        this.age = chosen.whole("age");
        this.given = given;
        this.read = new int[RESTED.size()];
        this.usual = new RangeMeasure();
        this.swings = new ReversedSwings<>(new Turns(), chosen.number("swing"));
        this.counts = new FigureCounts(chosen.number("box"));
        this.period = new PeriodRange();
        this.periodUp = new OfPeriod();
        this.periodDown = new OfPeriod();
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
        for (int rest = 0; rest < read.length; rest++) {
            for (int known = given.entries(rest); read[rest] < known; read[rest]++) {
                read(rest, read[rest], bars, bar, log);
            }
        }
        usual.take(bars, bar);
        swings.take(bars, bar, usual, log);
        Turns turns = swings.notes();
        if (turns.settledAt() == bar && turns.last().size() >= 3) {
            legs(turns.last(), bars, bar, log);
        }
        List<FigureCounts.Count> counted = counts.take(bars, bar, usual, log);
        if (!counted.isEmpty()) {
            for (FigureCounts.Count each : counted) {
                replace(each.kind(), each.target() > each.voided(), bar, log);
                note(each.kind(), each.points(), each.target(), each.voided(), 0.5, -1, bars, bar, log);
            }
        }
        if (!Double.isNaN(given.source().at(bar))) {
            period(bars, bar, log);
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

    /** A newer one takes the place of those of its kind the same way. */
    private void replace(String kind, boolean up, int bar, FindingLog log) {
        for (int at = 0; at < open.size(); at++) {
            Open each = open.get(at);
            if (each.up() == up && each.kind().equals(kind)) {
                log.become(each.number(), Finding.State.EXPIRED, bar);
                open.remove(at--);
            }
        }
    }

    /** Takes an entry of one of those rested on; looks at what was found only where there may be a target in it. */
    private void read(int rest, int place, Bars bars, int bar, FindingLog log) {
        String kind = RESTED.get(rest);
        boolean channel = kind.equals(OF_CHANNEL);
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
            case FAILED -> end(kind, given.number(rest, place), Finding.State.FAILED, bar, log);
            case EXPIRED -> end(kind, given.number(rest, place), Finding.State.EXPIRED, bar, log);
            case BROKEN -> {
                if (channel) {
                    end(kind, given.number(rest, place), Finding.State.FAILED, bar, log);
                }
            }
            case PROVISIONAL, REACHED, FILLED, RETESTED, VOID -> {}
        }
    }

    private void rested(
            String kind, FindingLog.Standing entry, double price, double voided, Bars bars, int bar, FindingLog log) {
        if (!Double.isNaN(price)) {
            Finding of = entry.finding();
            List<Finding.Point> points =
                    List.of(of.points().get(0), new Finding.Point(of.kind(), bars.openTime(bar), bars.close(bar)));
            note(kind, points, price, voided, of.score(), entry.number(), bars, bar, log);
        }
    }

    private void end(String kind, int of, Finding.State state, int bar, FindingLog log) {
        for (int at = 0; at < open.size(); at++) {
            Open each = open.get(at);
            if (each.of() == of && each.kind().equals(kind)) {
                log.become(each.number(), state, bar);
                open.remove(at--);
            }
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
        for (String kind : List.of("measured_leg", "projection")) {
            replace(kind, up, bar, log);
            double part = kind.equals("projection") ? ratio : 1;
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
        Open noted = new Open(number, kind, price > close, price, voided, bar + age, of);
        open.add(noted);
        narrow(noted);
    }

    private void calm() {
        calmHigh = Double.POSITIVE_INFINITY;
        calmLow = Double.NEGATIVE_INFINITY;
        closeAbove = Double.NEGATIVE_INFINITY;
        closeBelow = Double.POSITIVE_INFINITY;
        calmUntil = Integer.MAX_VALUE;
        open.forEach(this::narrow);
        known = true;
    }

    private void narrow(Open each) {
        calmUntil = Math.min(calmUntil, each.until());
        if (each.up()) {
            calmHigh = Math.min(calmHigh, each.price());
            closeAbove = each.slopes() ? closeAbove : Math.max(closeAbove, each.voided());
        } else {
            calmLow = Math.max(calmLow, each.price());
            closeBelow = each.slopes() ? closeBelow : Math.min(closeBelow, each.voided());
        }
    }

    private void follow(Bars bars, int bar, FindingLog log) {
        if (!known) {
            calm();
        }
        double close = bars.close(bar);
        boolean calm = bars.high(bar) < calmHigh
                && bars.low(bar) > calmLow
                && close >= closeAbove
                && close <= closeBelow
                && bar <= calmUntil;
        if (calm) {
            return;
        }
        known = false;
        for (int at = open.size() - 1; at >= 0; at--) {
            Open each = open.get(at);
            boolean reached = each.up() ? bars.high(bar) >= each.price() : bars.low(bar) <= each.price();
            boolean failed = !each.slopes() && (each.up() ? close < each.voided() : close > each.voided());
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
     * A target that stands.
     *
     * @param voided price beyond which it is void; NaN for none but that of what it rests on
     * @param of the number of what it rests on, in the log of its kind; -1 for legs
     */
    private record Open(int number, String kind, boolean up, double price, double voided, int until, int of) {
        /** A channel slopes: its own detector says when it is left. */
        boolean slopes() {
            return kind.equals(OF_CHANNEL);
        }
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

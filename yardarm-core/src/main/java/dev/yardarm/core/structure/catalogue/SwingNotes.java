package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.Finding;
import dev.yardarm.core.structure.FindingLog;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;

/**
 * Writes the swings of one degree down: the provisional high or low as it moves, its confirmation, the close that breaks it, and, of the
 * first degree, where rising swings are followed by a close below the last low. Lows are treated as highs of negated prices, so there is
 * one rule for both.
 */
final class SwingNotes implements ClosingTaker {
    private static final int HIGH = 0;
    private static final int LOW = 1;

    private final int degree;
    /** For highs and lows: the number of the provisional one, or -1. */
    private final int[] open = {-1, -1};
    /** For highs and lows: the price of the last confirmed one and of the one before, lows negated; NaN for none. */
    private final double[] last = {Double.NaN, Double.NaN};

    private final double[] before = {Double.NaN, Double.NaN};
    private final long[] lastTime = new long[2];
    /** Whether a close beyond the last one has been told as a change. */
    private final boolean[] passed = {true, true};
    /** The confirmed ones that no close has passed, the nearest first; lows negated. */
    private final PriorityQueue<Unbroken> highs;

    private final PriorityQueue<Unbroken> lows;

    private record Unbroken(int number, double price) {}

    SwingNotes(int degree) {
        this.degree = degree;
        highs = new PriorityQueue<>(Comparator.comparingDouble(Unbroken::price));
        lows = new PriorityQueue<>(Comparator.comparingDouble(Unbroken::price));
    }

    private SwingNotes(SwingNotes other) {
        degree = other.degree;
        for (int side = HIGH; side <= LOW; side++) {
            open[side] = other.open[side];
            last[side] = other.last[side];
            before[side] = other.before[side];
            lastTime[side] = other.lastTime[side];
            passed[side] = other.passed[side];
        }
        highs = new PriorityQueue<>(other.highs);
        lows = new PriorityQueue<>(other.lows);
    }

    @Override
    public SwingNotes copy() {
        return new SwingNotes(this);
    }

    private static double price(Bars bars, int bar, boolean high) {
        return high ? bars.high(bar) : bars.low(bar);
    }

    @Override
    public void moved(boolean high, Bars bars, int at, int bar, FindingLog log) {
        int side = high ? HIGH : LOW;
        Finding swing = swing(high, bars, at);
        if (open[side] < 0) {
            open[side] = log.found(swing, bar);
        } else {
            log.changed(open[side], swing, bar);
        }
    }

    private Finding swing(boolean high, Bars bars, int at) {
        int side = high ? HIGH : LOW;
        double raised = high ? bars.high(at) : -bars.low(at);
        String name = high ? "high" : "low";
        // Of lows, which are negated here, one that goes further is lower.
        String role = Double.isNaN(last[side])
                ? name
                : raised > last[side]
                        ? (high ? "higher_high" : "lower_low")
                        : raised < last[side] ? (high ? "lower_high" : "higher_low") : "equal_" + name;
        double price = price(bars, at, high);
        return new Finding(
                "swing_" + name + Swings.suffix(degree),
                List.of(new Finding.Point(role, bars.openTime(at), price)),
                Map.of(),
                Double.NaN,
                price,
                1);
    }

    @Override
    public void confirmed(boolean high, Bars bars, int at, int bar, RangeMeasure usual, FindingLog log) {
        int side = high ? HIGH : LOW;
        log.become(open[side], Finding.State.CONFIRMED, bar);
        double raised = high ? bars.high(at) : -bars.low(at);
        (high ? highs : lows).add(new Unbroken(open[side], raised));
        open[side] = -1;
        before[side] = last[side];
        last[side] = raised;
        lastTime[side] = bars.openTime(at);
        passed[side] = false;
    }

    /** What the bar closes beyond is broken. */
    @Override
    public void closed(Bars bars, int bar, FindingLog log) {
        double close = bars.close(bar);
        pass(highs, close, log, bar);
        pass(lows, -close, log, bar);
        if (degree == 1) {
            change(HIGH, close, bars, bar, log);
            change(LOW, -close, bars, bar, log);
        }
    }

    private static void pass(PriorityQueue<Unbroken> unbroken, double close, FindingLog log, int bar) {
        while (!unbroken.isEmpty() && close > unbroken.peek().price()) {
            log.become(unbroken.poll().number(), Finding.State.BROKEN, bar);
        }
    }

    /** A close beyond the last high after falling highs and lows, or beyond the last low after rising ones. */
    private void change(int side, double close, Bars bars, int bar, FindingLog log) {
        if (passed[side] || !(close > last[side])) {
            return;
        }
        passed[side] = true;
        int other = 1 - side;
        // Highs fell; lows are negated, so falling ones go up.
        if (last[side] < before[side] && last[other] > before[other]) {
            boolean up = side == HIGH;
            Finding change = new Finding(
                    up ? "change_up" : "change_down",
                    List.of(
                            new Finding.Point(up ? "high" : "low", lastTime[side], up ? last[side] : -last[side]),
                            new Finding.Point("close", bars.openTime(bar), bars.close(bar))),
                    Map.of(),
                    Double.NaN,
                    up ? -last[other] : last[other],
                    1);
            log.become(log.found(change, bar), Finding.State.CONFIRMED, bar);
        }
    }
}

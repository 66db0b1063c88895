package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.FindingLog;

/**
 * Swings that are settled when price has come back from them far enough. Until the first reversal the highest high and the lowest low
 * so far are both candidates; afterwards highs and lows alternate.
 *
 * <p>O(1) a bar, and at a reversal the bars since the swing, of which each is looked at once.
 *
 * @param <T> who is told of them
 */
final class ReversedSwings<T extends SwingTaker> implements SwingSearch<T> {
    /** In what it is said how far price has to come back from a swing. */
    enum Unit {
        /** The mean of the last 100 true ranges. */
        USUAL_RANGE,
        /** Wilder's average over 14 bars. */
        AVERAGE_TRUE_RANGE,
        /** The price of the swing. */
        PRICE
    }

    /** How far price has to come back. */
    record Reversal(Unit unit, double times) {
        /** @return NaN while it is not known */
        double from(RangeMeasure usual, double price) {
            return times
                    * switch (unit) {
                        case USUAL_RANGE -> usual.mean();
                        case AVERAGE_TRUE_RANGE -> usual.atr();
                        case PRICE -> Math.abs(price);
                    };
        }
    }

    private final Reversal reversal;
    private final T notes;
    /** 1 while the newest swing is a high, -1 while it is a low, 0 before the first reversal. */
    private int direction;
    /** The bar of the newest swing; before the first reversal those of the highest high and the lowest low. */
    private int high = -1;

    private int low = -1;
    /** The price of the newest swing, once there has been a reversal. */
    private double extreme;

    ReversedSwings(T notes, Reversal reversal) {
        this.reversal = reversal;
        this.notes = notes;
    }

    /** @param usualRanges how far price has to come back */
    ReversedSwings(T notes, double usualRanges) {
        this(notes, new Reversal(Unit.USUAL_RANGE, usualRanges));
    }

    @SuppressWarnings("unchecked") // The copy of a taker is one of its kind.
    private ReversedSwings(ReversedSwings<T> other) {
        reversal = other.reversal;
        notes = (T) other.notes.copy();
        direction = other.direction;
        high = other.high;
        low = other.low;
        extreme = other.extreme;
    }

    @Override
    public T notes() {
        return notes;
    }

    @Override
    public ReversedSwings<T> copy() {
        return new ReversedSwings<>(this);
    }

    @Override
    public void take(Bars bars, int bar, RangeMeasure usual, FindingLog log) {
        if (direction == 0) {
            begin(bars, bar, usual, log);
        } else if (direction > 0) {
            double price = bars.high(bar);
            if (price > extreme) {
                high = bar;
                extreme = price;
                notes.moved(true, bars, bar, bar, log);
            } else if (isBack(extreme - bars.low(bar), usual, extreme)) {
                turnDown(bars, bar, usual, log);
            }
        } else {
            double price = bars.low(bar);
            if (price < extreme) {
                low = bar;
                extreme = price;
                notes.moved(false, bars, bar, bar, log);
            } else if (isBack(bars.high(bar) - extreme, usual, extreme)) {
                turnUp(bars, bar, usual, log);
            }
        }
    }

    private boolean isBack(double by, RangeMeasure usual, double from) {
        double enough = reversal.from(usual, from);
        return enough > 0 && by >= enough;
    }

    private void begin(Bars bars, int bar, RangeMeasure usual, FindingLog log) {
        high = high < 0 || bars.high(bar) > bars.high(high) ? bar : high;
        low = low < 0 || bars.low(bar) < bars.low(low) ? bar : low;
        boolean fell = bar > high && isBack(bars.high(high) - bars.low(bar), usual, bars.high(high));
        boolean rose = bar > low && isBack(bars.high(bar) - bars.low(low), usual, bars.low(low));
        // Both at once: what came first turned first. On one bar nobody knows.
        if (fell && (!rose || high < low)) {
            notes.moved(true, bars, high, bar, log);
            turnDown(bars, bar, usual, log);
        } else if (rose && (!fell || low < high)) {
            notes.moved(false, bars, low, bar, log);
            turnUp(bars, bar, usual, log);
        }
    }

    /** The high is settled; the lowest low since is the next swing. */
    private void turnDown(Bars bars, int bar, RangeMeasure usual, FindingLog log) {
        notes.confirmed(true, bars, high, bar, usual, log);
        low = bar;
        extreme = bars.low(bar);
        for (int at = bar - 1; at > high; at--) {
            double price = bars.low(at);
            if (price <= extreme) {
                low = at;
                extreme = price;
            }
        }
        notes.moved(false, bars, low, bar, log);
        direction = -1;
    }

    private void turnUp(Bars bars, int bar, RangeMeasure usual, FindingLog log) {
        notes.confirmed(false, bars, low, bar, usual, log);
        high = bar;
        extreme = bars.high(bar);
        for (int at = bar - 1; at > low; at--) {
            double price = bars.high(at);
            if (price >= extreme) {
                high = at;
                extreme = price;
            }
        }
        notes.moved(true, bars, high, bar, log);
        direction = 1;
    }
}

package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.FindingLog;

/**
 * Swings by the bars on both sides: a high above those of the n bars before it and not below those of the n after. It is provisional from
 * its own bar on, moves when a bar passes it, and is settled when the n-th bar after it has closed. Highs and lows each go their own way.
 *
 * <p>O(n) a bar.
 */
final class SidedSwings<T extends SwingTaker> implements SwingSearch<T> {
    private final int sides;
    private final T notes;
    private int high = -1;
    private int low = -1;

    SidedSwings(T notes, int sides) {
        this.sides = sides;
        this.notes = notes;
    }

    @SuppressWarnings("unchecked") // The copy of a taker is one of its kind.
    private SidedSwings(SidedSwings<T> other) {
        sides = other.sides;
        notes = (T) other.notes.copy();
        high = other.high;
        low = other.low;
    }

    @Override
    public SidedSwings<T> copy() {
        return new SidedSwings<>(this);
    }

    @Override
    public T notes() {
        return notes;
    }

    @Override
    public void take(Bars bars, int bar, RangeMeasure usual, FindingLog log) {
        if (bar >= sides) {
            high = next(true, high, isHigh(bars, bar), bars, bar, usual, log);
            low = next(false, low, isLow(bars, bar), bars, bar, usual, log);
        }
    }

    /** The candidate after a bar: settled, when its bars after it are there, or moved; -1 for none. */
    private int next(
            boolean up, int candidate, boolean further, Bars bars, int bar, RangeMeasure usual, FindingLog log) {
        int left = candidate;
        // The last of the bars after it may have been one without a price.
        if (left >= 0 && (bar - left > sides || bar - left == sides && !further)) {
            notes.confirmed(up, bars, left, bar, usual, log);
            left = -1;
        }
        if (further) {
            left = bar;
            notes.moved(up, bars, bar, bar, log);
        }
        return left;
    }

    private boolean isHigh(Bars bars, int bar) {
        for (int at = bar - sides; at < bar; at++) {
            if (!(bars.high(bar) > bars.high(at))) {
                return false;
            }
        }
        return true;
    }

    private boolean isLow(Bars bars, int bar) {
        for (int at = bar - sides; at < bar; at++) {
            if (!(bars.low(bar) < bars.low(at))) {
                return false;
            }
        }
        return true;
    }
}

package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.FindingLog;

/** The last swings that were settled, and the newest one, which still moves. O(1) a bar. */
final class MovingTurns implements SwingTaker {
    private final Turns settled;
    private boolean high;
    private int at = -1;
    private int movedAt = -1;

    MovingTurns() {
        this(new Turns());
    }

    MovingTurns(Turns settled) {
        this.settled = settled;
    }

    Turns settled() {
        return settled;
    }

    /** The bar at whose close the newest moved last; -1 before the first. */
    int movedAt() {
        return movedAt;
    }

    /** The newest, where it stands now; it must have moved once. */
    Turn running(Bars bars) {
        return new Turn(high, at, bars.openTime(at), price(bars));
    }

    /** Whether the newest is a high. */
    boolean isHigh() {
        return high;
    }

    /** The price of the newest; it must have moved once. */
    double price(Bars bars) {
        return high ? bars.high(at) : bars.low(at);
    }

    @Override
    public void moved(boolean isHigh, Bars bars, int where, int bar, FindingLog log) {
        high = isHigh;
        at = where;
        movedAt = bar;
    }

    @Override
    public void confirmed(boolean isHigh, Bars bars, int where, int bar, RangeMeasure usual, FindingLog log) {
        settled.confirmed(isHigh, bars, where, bar, usual, log);
    }

    @Override
    public MovingTurns copy() {
        MovingTurns copy = new MovingTurns(settled.copy());
        copy.high = high;
        copy.at = at;
        copy.movedAt = movedAt;
        return copy;
    }
}

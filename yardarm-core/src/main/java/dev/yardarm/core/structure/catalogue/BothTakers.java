package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.FindingLog;

/** Tells two of the same swings, the first first. */
record BothTakers(ClosingTaker first, ClosingTaker second) implements ClosingTaker {
    @Override
    public void moved(boolean high, Bars bars, int at, int bar, FindingLog log) {
        first.moved(high, bars, at, bar, log);
        second.moved(high, bars, at, bar, log);
    }

    @Override
    public void confirmed(boolean high, Bars bars, int at, int bar, RangeMeasure usual, FindingLog log) {
        first.confirmed(high, bars, at, bar, usual, log);
        second.confirmed(high, bars, at, bar, usual, log);
    }

    @Override
    public void closed(Bars bars, int bar, FindingLog log) {
        first.closed(bars, bar, log);
        second.closed(bars, bar, log);
    }

    @Override
    public ClosingTaker copy() {
        return new BothTakers(first.copy(), second.copy());
    }
}

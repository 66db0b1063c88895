package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.FindingLog;

/** What is told of swings as they come: of each bar in this order. */
interface SwingTaker {
    /**
     * The newest swing is on a bar so far.
     *
     * @param high true for a high
     * @param at the bar it is on
     * @param bar the one that has closed
     */
    void moved(boolean high, Bars bars, int at, int bar, FindingLog log);

    /**
     * The newest swing is settled where it stands.
     *
     * @param usual how wide bars are
     */
    void confirmed(boolean high, Bars bars, int at, int bar, RangeMeasure usual, FindingLog log);

    /** One that goes on from here. */
    SwingTaker copy();
}

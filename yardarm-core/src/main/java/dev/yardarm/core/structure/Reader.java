package dev.yardarm.core.structure;

import dev.yardarm.core.series.Bars;

/**
 * Reads one column or cue of a detector from what it writes down: it is told every entry of the log in its order, and asked at each bar
 * when all that became known there has been told. Used by one thread.
 */
public interface Reader {
    /** An entry of the log, with the bar that is being read as its {@code knownAt}. */
    void note(FindingLog.Standing entry);

    /**
     * The value at a bar; NaN where there is none, 1 or 0 of a cue.
     *
     * @param bars up to this bar at least; later ones are not looked at
     */
    double at(Bars bars, int bar);

    /** One that goes on from here and leaves this one as it is; for the forming bar. */
    Reader copy();
}

package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.FindingLog;

/**
 * A search for the swings of one degree, bar by bar.
 *
 * @param <T> who is told of them
 */
interface SwingSearch<T extends SwingTaker> {
    /** @param usual how wide bars are, this one included */
    void take(Bars bars, int bar, RangeMeasure usual, FindingLog log);

    /** Who is told. */
    T notes();

    SwingSearch<T> copy();
}

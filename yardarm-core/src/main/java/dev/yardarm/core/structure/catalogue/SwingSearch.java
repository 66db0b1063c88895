package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.FindingLog;

/** A search for the swings of one degree, bar by bar. */
interface SwingSearch {
    /** @param usual how wide bars are, this one included */
    void take(Bars bars, int bar, RangeMeasure usual, FindingLog log);

    SwingSearch copy();
}

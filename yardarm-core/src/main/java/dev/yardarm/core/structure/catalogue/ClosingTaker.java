package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.structure.FindingLog;

/** What is told of swings, and of each close once all that the bar brings has been told. */
interface ClosingTaker extends SwingTaker {
    void closed(Bars bars, int bar, FindingLog log);

    @Override
    ClosingTaker copy();
}

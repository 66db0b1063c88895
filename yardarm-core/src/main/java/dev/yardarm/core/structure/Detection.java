package dev.yardarm.core.structure;

import dev.yardarm.core.series.Bars;

/**
 * A detector on its way through the bars of one series. It sees them one after the other and never a later one, so what it writes
 * down for a prefix is the prefix of what it writes down for all. Used by one thread.
 */
public interface Detection {
    /**
     * Takes the next bar as closed.
     *
     * @param bars bars up to this one at least; later ones are not looked at
     * @param bar one more than the last call had, from 0
     * @param log takes what is found and what becomes of it, with this bar as {@code knownAt}
     */
    void take(Bars bars, int bar, FindingLog log);

    /** One that goes on from here and leaves this one as it is; for the forming bar. Cost: what is still open, not the bars. */
    Detection copy();
}

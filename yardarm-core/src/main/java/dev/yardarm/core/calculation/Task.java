package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;

/** What fills one column or several together: first all closed bars, in blocks, then the forming one. */
abstract class Task {
    /** Begins again from nothing. */
    abstract void restart();

    /** Makes room for so many closed values. */
    abstract void room(int closed);

    /** Computes the closed bars {@code from..to-1}; {@code from} is where the last call ended. */
    abstract void advance(Bars bars, int from, int to);

    /** Computes the forming bar, if there is one, behind {@code closed} closed ones. */
    abstract void finish(Bars bars, int closed);
}

package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;

/** What fills one column or several together. */
abstract class Task {
    abstract void restart();

    abstract void update(Bars bars, int from, int to);
}

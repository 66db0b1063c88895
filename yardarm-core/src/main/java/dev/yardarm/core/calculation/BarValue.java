package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;

/** A value of a bar, read from the bars: asked for one bar after the other, the forming one as often as it changes. */
@FunctionalInterface
public interface BarValue {
    double at(Bars bars, int bar);
}

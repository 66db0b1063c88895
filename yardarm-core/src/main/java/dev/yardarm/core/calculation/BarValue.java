package dev.yardarm.core.calculation;

import dev.yardarm.core.series.Bars;
import dev.yardarm.core.series.Column;

/** A value of a bar, read from the bars: asked for one bar after the other, the forming one as often as it changes. */
@FunctionalInterface
public interface BarValue extends Walk {
    double at(Bars bars, int bar);

    @Override
    default double closed(Bars bars, Column[] inputs, int bar) {
        return at(bars, bar);
    }

    @Override
    default double forming(Bars bars, Column[] inputs, int bar) {
        return at(bars, bar);
    }
}
